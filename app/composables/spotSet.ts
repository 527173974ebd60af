import { fromSource, type Figure, type Part, type SpotReading } from '#core'

export interface Place { x: number, y: number }

/** Readings this near each other are of one place, mm. */
const NEAR = 0.5
export const same = (a: Place, b: Place) => Math.abs(a.x - b.x) < NEAR && Math.abs(a.y - b.y) < NEAR

interface SpotSet { id: string, body: { readings: SpotReading[] } }

/** What a set says of a place, with the doubt of one reading. */
export function partAt(set: SpotSet | undefined, place: Place, u: number): Part | undefined {
  const reading = set?.body.readings.find(r => same(r, place))
  return set && reading && { estimate: fromSource(reading.figure.value, u, `entry:${set.id}`), provenance: 'measured', entries: [set.id] }
}

/** A set's readings with one more, or with another figure for a place that has one. */
export const withReading = (set: SpotSet | undefined, { x, y }: Place, figure: Figure): SpotReading[] =>
  [...(set?.body.readings ?? []).filter(r => !same(r, { x, y })), { x, y, figure }]
