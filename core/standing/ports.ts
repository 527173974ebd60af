import { linear, uncertainty, type Sourced } from '../estimate'
import { ofKind, type Ledger } from '../ledger'
import { lastSeries, sourcedPours, type PourEntry } from './pours'
import type { Part } from './part'

export type PortOf = 'intake' | 'exhaust'

/** A port's volume as poured. */
export interface PortStanding { cylinder: number, valve: PortOf, part: Part, pours: PourEntry[] }

/** Two ports that should match. `verdict` says whether they do within what the glass can tell. */
export interface PortPair {
  valve: PortOf
  cylinders: [number, number]
  /** First less second, cc. */
  difference: Sourced
  /** `asBuilt`: they differ, and the smaller is the one this head is known to build poor. */
  verdict: 'same' | 'differ' | 'asBuilt'
  smaller: number
  larger: number
}

/** Every port that was poured, since it was last worked on. */
export function portStandings(ledger: Ledger): PortStanding[] {
  return ledger.layout.cylinders.flatMap(cylinder => (['intake', 'exhaust'] as const).flatMap((valve) => {
    const pours = lastSeries(ledger.pours.get(cylinder) ?? [], `${valve}Port`)
    return pours.length === 0
      ? []
      : [{ cylinder, valve, pours, part: { estimate: sourcedPours(pours), provenance: 'measured' as const, entries: pours.map(p => p.id) } }]
  }))
}

/**
 * Ports that should match, compared. Scale errors of one burette are gone from the difference.
 *
 * @returns one per stated pair of which both ports were poured
 * Source: difference of two results against two standard uncertainties (k = 2).
 */
export function portPairs(ledger: Ledger): PortPair[] {
  const standings = portStandings(ledger)
  return (['intake', 'exhaust'] as const).flatMap((valve) => {
    const stated = ofKind(ledger.live.entries, 'portPairs').filter(e => e.body.valve === valve).at(-1)
    return (stated?.body.pairs ?? []).flatMap(([a, b]) => {
      const [first, second] = [a, b].map(c => standings.find(s => s.valve === valve && s.cylinder === c))
      if (!first || !second) return []
      const difference = linear([[1, first.part.estimate], [-1, second.part.estimate]])
      const [larger, smaller] = difference.value >= 0 ? [a!, b!] : [b!, a!]
      const apart = Math.abs(difference.value) > 2 * uncertainty(difference)
      const verdict = !apart ? 'same' as const : stated!.body.poor.includes(smaller) ? 'asBuilt' as const : 'differ' as const
      return [{ valve, cylinders: [a!, b!] as [number, number], difference, verdict, smaller, larger }]
    })
  })
}

/** Ports of one kind beside each other, cc: each one from their mean, and how far the largest lies from the smallest. */
export interface PortRow { ports: { cylinder: number, volume: number, u: number, off: number }[], spread: number }

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
    ports: ports.map(({ cylinder, part }) => ({ cylinder, volume: part.estimate.value, u: uncertainty(part.estimate), off: part.estimate.value - mean })),
    spread: volumes.length > 1 ? Math.max(...volumes) - Math.min(...volumes) : 0
  }
}
