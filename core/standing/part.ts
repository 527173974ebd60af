import { carry, exact, linear, type Sourced } from '../estimate'

/** Where a figure comes from; it follows from the kind of entry behind it. */
export type Provenance = 'measured' | 'derived' | 'book' | 'assumed'

/** One known thing about a cylinder: its value with sources, where it comes from and the entries it rests on. */
export interface Part {
  estimate: Sourced
  provenance: Provenance
  entries: string[]
}

const WEAKNESS: Record<Provenance, number> = { measured: 0, derived: 1, book: 2, assumed: 3 }

/** The weakest of several provenances: a volume is only as good as the worse of its dimensions. */
export function weakest(provenances: Provenance[]): Provenance {
  return provenances.reduce((worst, p) => WEAKNESS[p] > WEAKNESS[worst] ? p : worst, 'measured')
}

/** Every entry that one of several parts rests on, once. The longest list, a chamber's many pours, is gone through but never looked up in. */
function restingOn(parts: Part[]): string[] {
  const longest = parts.reduce<string[]>((most, { entries }) => entries.length > most.length ? entries : most, [])
  const others = new Set(parts.flatMap(({ entries }) => entries === longest ? [] : entries))
  return others.size === 0 ? longest : [...others, ...longest.filter(id => !others.has(id))]
}

/** A part computed from others, as weak as the weakest of them. */
export function combine(f: (x: number[]) => number, parts: Part[], provenance?: Provenance): Part {
  return {
    estimate: carry(f, parts.map(part => part.estimate)),
    provenance: provenance ?? weakest(parts.map(part => part.provenance)),
    entries: restingOn(parts)
  }
}

/** Σ weight·part, exactly; derived unless told otherwise. */
export function sum(terms: [number, Part][], provenance: Provenance = 'derived'): Part {
  return {
    estimate: linear(terms.map(([weight, part]) => [weight, part.estimate])),
    provenance,
    entries: restingOn(terms.map(([, part]) => part))
  }
}

/**
 * A figure somebody sets only to look at what would follow: without doubt, resting on no entry.
 *
 * @example asSet(0.9)?.provenance // 'derived'
 */
export function asSet(value: number): Part
export function asSet(value: number | undefined): Part | undefined
export function asSet(value: number | undefined): Part | undefined {
  return value === undefined ? undefined : { estimate: exact(value), provenance: 'derived', entries: [] }
}

/** A part that is nothing at all, such as an unstated other volume. */
export const NOTHING: Part = { estimate: exact(0), provenance: 'derived', entries: [] }
