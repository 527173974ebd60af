import { DomainError, above, atLeast, finite } from '../domain'
import { meanShroud, type Shroud } from './shroud'

/** One place of a lift curve: degrees of crank or cam from anywhere, and how far the valve is off its seat, mm. */
export interface LiftRow { angle: number, lift: number }

/** Bounds of a lift table: places, degrees from its first to its last, lift in mm. */
export const LIFT_TABLE = { least: 3, most: 721, span: 720, lift: 60 } as const

/**
 * A simple lift curve from a cam's lift and duration.
 *
 * @param most lift in mm, greater than 0
 * @param duration degrees over which the valve is off its seat, greater than 0
 * @param places how many, 3 or more
 * @returns angle from the beginning in degrees and lift in mm
 * @throws RangeError when a value leaves its domain
 * Source: a raised cosine, most/2·(1 − cos(2π·angle/duration)): smooth at either end, as cams are; a stand-in where
 *   no lift table is at hand.
 * @example liftProfile(10, 260, 3) // 0 → 0, 130 → 10, 260 → 0
 */
export function liftProfile(most: number, duration: number, places: number): LiftRow[] {
  above('most', most, 0)
  above('duration', duration, 0)
  above('places', finite('places', places), 2)
  return Array.from({ length: places }, (_, i) => {
    const angle = duration * i / (places - 1)
    return { angle, lift: most / 2 * (1 - Math.cos(2 * Math.PI * angle / duration)) }
  })
}

/**
 * A lift table as it was measured with a dial and a wheel, made sure of.
 *
 * @param rows see {@link LiftRow}, angles rising
 * @returns its highest lift in mm and the degrees from its first place off the seat to its last, the seat's own neighbours included
 * @throws RangeError naming the row: too few or too many, an angle that does not rise, a lift out of bounds, never open
 * @example liftTable([{ angle: 0, lift: 0 }, { angle: 60, lift: 4 }, { angle: 120, lift: 0 }]) // { most: 4, open: 120 }
 */
export function liftTable(rows: LiftRow[]): { most: number, open: number } {
  if (!Array.isArray(rows) || rows.length < LIFT_TABLE.least || rows.length > LIFT_TABLE.most) {
    throw new DomainError('rows', rows?.length ?? rows, `${LIFT_TABLE.least} to ${LIFT_TABLE.most} places`)
  }
  rows.forEach(({ angle, lift }, i) => {
    finite(`rows[${i}].angle`, angle)
    if (i > 0) above(`rows[${i}].angle`, angle, rows[i - 1]!.angle)
    if (atLeast(`rows[${i}].lift`, lift, 0) > LIFT_TABLE.lift) throw new DomainError(`rows[${i}].lift`, lift, `at most ${LIFT_TABLE.lift}`)
  })
  if (rows.at(-1)!.angle - rows[0]!.angle > LIFT_TABLE.span) throw new DomainError(`rows[${rows.length - 1}].angle`, rows.at(-1)!.angle, `within ${LIFT_TABLE.span}° of the first`)
  const most = Math.max(...rows.map(row => row.lift))
  above('most', most, 0)
  const first = rows.findIndex(row => row.lift > 0)
  const last = rows.reduce((found, row, i) => row.lift > 0 ? i : found, first)
  return { most, open: rows[Math.min(rows.length - 1, last + 1)]!.angle - rows[Math.max(0, first - 1)]!.angle }
}

/**
 * Mean shrouding of a valve over its lift curve, from walls that were looked at at some lifts.
 *
 * @param curve of the cam, angles rising
 * @param walls at one lift or more, lifts rising
 * @returns 0 to 1
 * @throws RangeError when there are no walls, or see {@link meanShroud}
 * Source: contract, ∫factor·A dθ / ∫A dθ; factor and A between two lifts by a straight line, from 1 and 0 on the seat.
 * @example // half closed at its one lift: 10° · 200 of 10° · 400
 * meanOverLift([{ angle: 0, lift: 0 }, { angle: 10, lift: 4 }, { angle: 20, lift: 0 }], [{ lift: 4, shroud: { factor: 0.5, need: 400 } }]) // 0.5
 */
export function meanOverLift(curve: LiftRow[], walls: { lift: number, shroud: Pick<Shroud, 'factor' | 'need'> }[]): number {
  if (walls.length === 0) throw new DomainError('walls', 0, 'one lift or more')
  const known = [{ lift: 0, factor: 1, area: 0 }, ...walls.map(({ lift, shroud }) => ({ lift, factor: shroud.factor, area: shroud.need }))]
  return meanShroud(curve.map(({ angle, lift }) => {
    const k = Math.min(known.length - 1, Math.max(1, known.findIndex(w => w.lift >= lift)))
    const [a, b] = lift > known.at(-1)!.lift ? [known.at(-1)!, known.at(-1)!] : [known[k - 1]!, known[k]!]
    const t = b.lift > a.lift ? (lift - a.lift) / (b.lift - a.lift) : 0
    return { angle, area: a.area + t * (b.area - a.area), factor: a.factor + t * (b.factor - a.factor) }
  }))
}
