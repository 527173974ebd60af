import { atLeast } from '../domain'
import type { Cut } from './cut'
import { valveFrame } from './model/roof'
import type { ChamberValve } from './model/spec'
import { seatMargin, type SeatCircle } from './seat'

/** What a cut leaves of one machined edge: see seatMargin, and the distance all the way round. */
export interface EdgeMargin {
  firstTouch: number
  margin: number
  arcLost: number
  /** Distance of the edge from the new face, mm, at equal steps of azimuth from +x; below 0 it is gone. */
  round: number[]
}

/** What a cut means for a valve's edges, the worst last. */
export const SEAT_VERDICTS = ['clear', 'topCutLost', 'seatJob', 'stop'] as const
export type SeatVerdict = (typeof SEAT_VERDICTS)[number]

export interface ValveMargins { seat: EdgeMargin, topCut: EdgeMargin, verdict: SeatVerdict }

/** Arc of a seat past which there is too little left to re-cut by the valve job that follows, degrees. */
const STOP_ARC = 60

/** Steps round the clock. */
const STEPS = 72

/**
 * Places of a tilted circle at equal steps of azimuth, as its plan shows them.
 *
 * @param circle see SeatCircle
 * @param steps how many
 * @returns x, y, z of each, mm, counter-clockwise from +x
 * Source: at each azimuth the direction within the circle's own plane, brought to its radius.
 * @example roundEdge({ centre: [0, 0, 5], axis: [0, 0, 1], diameter: 40 })[18] // [0, 20, 5]
 */
export function roundEdge({ centre: [cx, cy, cz], axis: [ax, ay, az], diameter }: SeatCircle, steps = STEPS): [number, number, number][] {
  return Array.from({ length: steps }, (_, i) => {
    const t = 2 * Math.PI * i / steps
    const [ux, uy] = [Math.cos(t), Math.sin(t)]
    const uz = -(ax * ux + ay * uy) / az
    const k = diameter / 2 / Math.hypot(1, uz)
    return [cx + ux * k, cy + uy * k, cz + uz * k]
  })
}

function edge(circle: SeatCircle, cut: Cut): EdgeMargin {
  const n = Math.hypot(1, cut.slopeX, cut.slopeY)
  const round = roundEdge(circle).map(([x, y, z]) => (z - cut.depth - cut.slopeX * x - cut.slopeY * y) / n)
  return { ...seatMargin(circle, cut), round }
}

/**
 * How far a cut stays from a valve's seat and top cut, all the way round.
 *
 * @param valve see {@link ChamberValve}
 * @param cut in the chamber frame, over the face as it was cast
 * @returns margins of both edges and what they mean: clear; the top cut loses an arc; the seat is touched but a seat
 *   job can restore it; stop, where more than 60° of the seat is gone
 * @throws RangeError when a value leaves its domain
 * Source: contract, seatMargin for either circle.
 * @example valveMargins(exhaust, { depth: 1.08, slopeX: 0, slopeY: 0 }).verdict // 'topCutLost'
 */
export function valveMargins(valve: ChamberValve, cut: Cut): ValveMargins {
  const { axis, seat, topCut, seatRadius, topCutRadius } = valveFrame(valve)
  const margins = {
    seat: edge({ centre: seat, axis, diameter: 2 * seatRadius }, cut),
    topCut: edge({ centre: topCut, axis, diameter: 2 * topCutRadius }, cut)
  }
  const verdict: SeatVerdict = margins.seat.arcLost > STOP_ARC
    ? 'stop'
    : margins.seat.arcLost > 0 ? 'seatJob' : margins.topCut.arcLost > 0 ? 'topCutLost' : 'clear'
  return { ...margins, verdict }
}

/**
 * Of several valves the one that a cut means most for.
 *
 * @returns by what it means, then by what is left of the seat: one with more of its seat may still lose its top cut; undefined of none
 * @example worstHit([intake, exhaust])?.verdict // 'topCutLost'
 */
export const worstHit = <T extends Pick<ValveMargins, 'verdict' | 'seat'>>(valves: readonly T[]): T | undefined =>
  [...valves].sort((a, b) => SEAT_VERDICTS.indexOf(b.verdict) - SEAT_VERDICTS.indexOf(a.verdict) || a.seat.margin - b.seat.margin)[0]

/**
 * What a cut does between a valve and its piston.
 *
 * @param valve see {@link ChamberValve}
 * @param before what the clearance was measured at, `after` the cut in question: planes over the face as it was cast
 * @returns drop: mm the valve's lowest edge comes nearer the face, square to it; tilt: degrees from the bore then
 * @throws RangeError when a value leaves its domain
 * Source: the lowest edge's distance from either plane; the head's new face stands square to the bore, so a roll turns
 *   the valve with it: cos τ' = a·n/|n|.
 * @example valveDrop(exhaust, { depth: 0, slopeX: 0, slopeY: 0 }, { depth: 0.6, slopeX: 0, slopeY: 0 }) // { drop: 0.6, tilt: 24 }
 */
export function valveDrop(valve: ChamberValve, before: Cut, after: Cut): { drop: number, tilt: number } {
  const { axis, seat, seatRadius } = valveFrame(valve)
  atLeast('diameter', seatRadius, 0)
  const circle: SeatCircle = { centre: seat, axis, diameter: 2 * seatRadius }
  const n = Math.hypot(1, after.slopeX, after.slopeY)
  const along = (axis[2] - after.slopeX * axis[0] - after.slopeY * axis[1]) / n
  return {
    drop: seatMargin(circle, before).margin - seatMargin(circle, after).margin,
    tilt: Math.acos(Math.min(1, along)) * 180 / Math.PI
  }
}
