import { linear, uncertainty, type Sourced } from '../estimate'
import { ofKind, scopeName, takesMetal, type EntryOf, type Layout, type Ledger, type PortPlaceName, type Scope, type Valve } from '../ledger'
import { sourcedPours, type PourEntry } from './pours'
import type { Part } from './part'
import { remembered } from './remembered'

/** One valve of a cylinder and the port that leads to it; `n` counts those of one kind from the front. */
export interface PortName { cylinder: number, valve: Valve, n: number }

/** Every port of an engine of one kind, or of both: one a valve. Where nobody said what engine it is, one intake and one exhaust. */
export function portsIn(layout: Layout, valve?: Valve): PortName[] {
  return layout.cylinders.flatMap(cylinder => (['intake', 'exhaust'] as const).filter(v => !valve || v === valve).flatMap(v =>
    Array.from({ length: countOf(layout, v) }, (_, i): PortName => ({ cylinder, valve: v, n: i + 1 }))))
}

/** How many valves of a kind a cylinder has. */
export const countOf = ({ engine }: Layout, valve: Valve): number => (valve === 'intake' ? engine?.intakes : engine?.exhausts) ?? 1

/**
 * Neighbours along a head, two and two, as most castings pair their ports; heads of one cylinder each are held against each
 * other. What is left over has none.
 *
 * @example neighbours({ heads: [[1, 3, 5], [2, 4, 6]], … }) // [[1, 3], [2, 4]]
 */
export const neighbours = ({ heads }: Layout): [number, number][] =>
  (heads.every(head => head.length === 1) ? [heads.flat()] : heads)
    .flatMap(row => Array.from({ length: Math.floor(row.length / 2) }, (_, i): [number, number] => [row[2 * i]!, row[2 * i + 1]!]))

/** Its scope; the only one of its kind is not numbered. */
export const portScope = (layout: Layout, { cylinder, valve, n }: PortName): Scope => ({ level: 'port', cylinder, port: valve, ...severalOf(layout, valve) ? { n } : {} })
export const valveScope = (layout: Layout, { cylinder, valve, n }: PortName): Scope => ({ level: 'valve', cylinder, valve, ...severalOf(layout, valve) ? { n } : {} })
export const severalOf = (layout: Layout, valve: Valve): boolean => countOf(layout, valve) > 1

/** A port's volume as poured. */
export interface PortStanding extends PortName { part: Part, pours: PourEntry[] }

/** Two ports that should match. `verdict` says whether they do within what the glass can tell. */
export interface PortPair {
  valve: Valve
  n: number
  cylinders: [number, number]
  /** First less second, cc. */
  difference: Sourced
  /** `asBuilt`: they differ, and the smaller is the one this head is known to build poor. */
  verdict: 'same' | 'differ' | 'asBuilt'
  smaller: number
  larger: number
}

/** The places of a port that were ticked and that metal went from, in order. */
export function portWorked(ledger: Ledger, port: PortName): EntryOf<'portPlace'>[] {
  const own = scopeName(portScope(ledger.layout, port))
  return ofKind(ledger.live.entries, 'portPlace').filter(e => scopeName(e.scope) === own && e.body.done && takesMetal(e.body))
}

/** Where in the order of things a port was worked on: at any place, or at one of them. */
export const portWorkedAt = (ledger: Ledger, port: PortName, where?: PortPlaceName): number[] =>
  portWorked(ledger, port).filter(({ body }) => (where ?? body.place) === body.place).map(({ id }) => ledger.place.get(id)!)

/**
 * A port's pours, parted where it was worked on: as the pour says it, and where it says nothing as the places say that were ticked.
 *
 * @returns in order; none where it was not poured
 * @example portSeries(ledger, { cylinder: 5, valve: 'exhaust', n: 1 }).map(pours => pours.length) // [2, 1]
 */
export function portSeries(ledger: Ledger, port: PortName): PourEntry[][] {
  return remembered(ledger, `port series ${port.cylinder} ${port.valve} ${port.n}`, () => {
    const series: PourEntry[][] = []
    const worked = portWorkedAt(ledger, port)
    let last = -1
    for (const pour of ledger.pours.get(port.cylinder) ?? []) {
      if (pour.body.encloses !== `${port.valve}Port` || (pour.body.n ?? 1) !== port.n) continue
      const place = ledger.place.get(pour.id)!
      if (series.length === 0 || (pour.body.afterWork ?? worked.some(at => at > last && at < place))) series.push([])
      series.at(-1)!.push(pour)
      last = place
    }
    return series
  })
}

/** Whether a port was worked on since its last pour, so that the next one starts afresh. */
export function portWorkedSince(ledger: Ledger, port: PortName): boolean {
  const last = portSeries(ledger, port).at(-1)?.at(-1)
  return last !== undefined && portWorkedAt(ledger, port).some(at => at > ledger.place.get(last.id)!)
}

/** Every port that was poured, since it was last worked on. */
export function portStandings(ledger: Ledger): PortStanding[] {
  return portsIn(ledger.layout).flatMap((port) => {
    const pours = portSeries(ledger, port).at(-1) ?? []
    return pours.length === 0 ? [] : [{ ...port, pours, part: { estimate: sourcedPours(pours), provenance: 'measured' as const, entries: pours.map(p => p.id) } }]
  })
}

/**
 * Ports that should match, compared; of several of a cylinder, each with its like. Scale errors of one burette are gone from the difference.
 *
 * @returns one per stated pair of which both ports were poured
 * Source: difference of two results against two standard uncertainties (k = 2).
 */
export function portPairs(ledger: Ledger): PortPair[] {
  const standings = portStandings(ledger)
  return (['intake', 'exhaust'] as const).flatMap((valve) => {
    const stated = ofKind(ledger.live.entries, 'portPairs').filter(e => e.body.valve === valve).at(-1)
    return (stated?.body.pairs ?? []).flatMap(([a, b]) => standings.filter(s => s.valve === valve && s.cylinder === a).flatMap((first) => {
      const second = standings.find(s => s.valve === valve && s.cylinder === b && s.n === first.n)
      if (!second) return []
      const difference = linear([[1, first.part.estimate], [-1, second.part.estimate]])
      const [larger, smaller] = difference.value >= 0 ? [a!, b!] : [b!, a!]
      const apart = Math.abs(difference.value) > 2 * uncertainty(difference)
      const verdict = !apart ? 'same' as const : stated!.body.poor.includes(smaller) ? 'asBuilt' as const : 'differ' as const
      return [{ valve, n: first.n, cylinders: [a!, b!] as [number, number], difference, verdict, smaller, larger }]
    }))
  })
}

/** Ports of one kind beside each other, cc: each one from their mean, and how far the largest lies from the smallest. */
export interface PortRow { ports: { cylinder: number, n: number, volume: number, u: number, off: number }[], spread: number }

/**
 * Ports of a head beside each other.
 *
 * @param ports those of one kind
 * @returns in the order they came; a spread of 0 for fewer than two
 * Source: arithmetic mean and range.
 * @example portRow(ports).spread // 1.2 cc, of 150.0, 150.4 and 151.2
 */
export function portRow(ports: readonly PortStanding[]): PortRow {
  const volumes = ports.map(({ part }) => part.estimate.value)
  const mean = volumes.reduce((sum, volume) => sum + volume, 0) / Math.max(1, volumes.length)
  return {
    ports: ports.map(({ cylinder, n, part }) => ({ cylinder, n, volume: part.estimate.value, u: uncertainty(part.estimate), off: part.estimate.value - mean })),
    spread: volumes.length > 1 ? Math.max(...volumes) - Math.min(...volumes) : 0
  }
}
