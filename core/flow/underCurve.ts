import { DomainError, above, atLeast } from '../domain'
import type { LiftRow } from '../shroud'

/** One place of a run: lift in mm, flow in L/s (or any one unit of flow). A lift that was not reached is no row. */
export interface FlowRow { lift: number, flow: number }

/** Rows made sure of: one or more, lifts rising from above 0. */
function checked(rows: readonly FlowRow[]): readonly FlowRow[] {
  if (rows.length === 0) throw new DomainError('rows', 0, 'one row or more')
  rows.forEach(({ lift, flow }, i) => {
    above(`rows[${i}].lift`, lift, i > 0 ? rows[i - 1]!.lift : 0)
    atLeast(`rows[${i}].flow`, flow, 0)
  })
  return rows
}

/** Straight between (0, 0) and the rows; the last row beyond it. */
function at(rows: readonly FlowRow[], lift: number): number {
  const k = rows.findIndex(row => row.lift >= lift)
  if (k < 0) return rows.at(-1)!.flow
  const [a, b] = [k > 0 ? rows[k - 1]! : { lift: 0, flow: 0 }, rows[k]!]
  return a.flow + (lift - a.lift) / (b.lift - a.lift) * (b.flow - a.flow)
}

/**
 * Area under a flow curve between two lifts.
 *
 * @param rows lifts rising
 * @param from mm, 0 or more
 * @param to mm, no further than the last row
 * @returns L/s·mm
 * @throws RangeError when rows are none or do not rise, or a lift leaves its domain
 * Source: ∫Q dL by trapezoids, straight between rows and from (0, 0).
 * @example flowUnderCurve([{ lift: 2, flow: 20 }, { lift: 4, flow: 36 }], 1, 4) // 15 + 56 = 71
 */
export function flowUnderCurve(rows: readonly FlowRow[], from: number, to: number): number {
  const last = checked(rows).at(-1)!.lift
  atLeast('from', from, 0)
  above('to', to, from)
  if (to > last) throw new DomainError('to', to, `no further than the last lift, ${last}`)
  const lifts = [from, ...rows.map(row => row.lift).filter(lift => lift > from && lift < to), to]
  return lifts.slice(1).reduce((sum, lift, i) => sum + (lift - lifts[i]!) * (at(rows, lift) + at(rows, lifts[i]!)) / 2, 0)
}

/**
 * Mean flow over a cam's own lifts, while its valve is open.
 *
 * @param rows lifts rising
 * @param liftTable of the cam at the valve, angles rising
 * @returns flow: mean in L/s; beyond: share of the opening at lifts past the last row, which count as the last row
 * @throws RangeError when rows are none or do not rise, or the valve never opens
 * Source: ∫Q(L(θ)) dθ / ∫dθ by trapezoids; an interval counts as open when either end is off the seat.
 * @example flowOverLift([{ lift: 10, flow: 100 }], [{ angle: 0, lift: 0 }, { angle: 10, lift: 10 }, { angle: 20, lift: 0 }]) // { flow: 50, beyond: 0 }
 */
export function flowOverLift(rows: readonly FlowRow[], liftTable: readonly LiftRow[]): { flow: number, beyond: number } {
  const last = checked(rows).at(-1)!.lift
  let [sum, open, beyond] = [0, 0, 0]
  liftTable.slice(1).forEach((b, i) => {
    const a = liftTable[i]!
    const step = above(`liftTable[${i + 1}].angle`, b.angle, a.angle) - a.angle
    if (a.lift <= 0 && b.lift <= 0) return
    open += step
    sum += step * (at(rows, Math.max(0, a.lift)) + at(rows, Math.max(0, b.lift))) / 2
    const [low, high] = [Math.min(a.lift, b.lift), Math.max(a.lift, b.lift)]
    beyond += high <= last ? 0 : low >= last ? step : step * (high - last) / (high - low)
  })
  if (open === 0) throw new DomainError('liftTable', liftTable.length, 'open somewhere')
  return { flow: sum / open, beyond: beyond / open }
}

/**
 * Flow through a cam's opening, crank degree by crank degree: how a curve is used by it.
 *
 * @param rows lifts rising
 * @param liftTable of the cam at the valve
 * @returns L/s at each of the table's angles; past the last row as the last row
 * @throws RangeError when rows are none or do not rise
 * Source: Q(L(θ)), straight between rows: what {@link flowOverLift} is the mean of.
 * @example flowByAngle([{ lift: 10, flow: 100 }], [{ angle: 0, lift: 0 }, { angle: 10, lift: 5 }]) // 0, then 50 at 10°
 */
export function flowByAngle(rows: readonly FlowRow[], liftTable: readonly LiftRow[]): { angle: number, flow: number }[] {
  checked(rows)
  return liftTable.map(({ angle, lift }) => ({ angle, flow: at(rows, Math.max(0, lift)) }))
}

/**
 * Where a curve falls as the valve goes on opening, by more than its readings can be off.
 *
 * @param rows lifts rising
 * @param reading relative standard uncertainty of one reading; the mounting's is all lifts' alike and makes no dip
 * @returns each lift that lies under the best before it, and by what share
 * @throws RangeError when rows are none or do not rise, or `reading` is below 0
 * Source: a difference of two readings of one run, at k = 2.
 * @example dipsIn([{ lift: 8, flow: 100 }, { lift: 9, flow: 97 }], 0.005) // [{ lift: 9, fall: 0.03 }]
 */
export function dipsIn(rows: readonly FlowRow[], reading: number): { lift: number, fall: number }[] {
  atLeast('reading', reading, 0)
  let best = 0
  return checked(rows).flatMap(({ lift, flow }) => {
    const fall = best - flow
    const found = fall > 2 * reading * Math.hypot(best, flow) ? [{ lift, fall: fall / best }] : []
    best = Math.max(best, flow)
    return found
  })
}
