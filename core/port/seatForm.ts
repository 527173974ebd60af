import { sinking } from '../chamber'
import { above, atLeast, DomainError } from '../domain'

/** One cut of a seat: its angle from the plane across the valve, degrees, and its width along the cone, mm. */
export interface SeatCut { angle: number, width: number }

/**
 * A seat as it is cut, from the port outwards: throat cuts, the seat, top cuts.
 * `seat` says which of them the valve sits on; `outer` is the diameter of that one's outer edge, mm.
 */
export interface SeatForm { cuts: readonly SeatCut[], seat: number, outer: number }

/** An edge between two cuts: its diameter, and how far it lies towards the chamber from the seat's outer edge, mm. */
export interface SeatEdge { diameter: number, height: number }

/**
 * The edges of a seat, from the port outwards: one more than it has cuts.
 *
 * @param form each cut flatter than the one before it
 * @returns mm
 * @throws RangeError for no cuts, an angle not between 0 and 90 or not flatter than the one before, a width that is not above 0,
 *   or a form that closes before its innermost edge
 * Source: a cone of angle α spans width·cosα of radius and width·sinα of height.
 * @example seatPoints({ cuts: [{ angle: 45, width: 1.4 }, { angle: 30, width: 1 }], seat: 0, outer: 43 })[2] // { diameter: 44.732, height: 0.5 }
 */
export function seatPoints({ cuts, seat, outer }: SeatForm): SeatEdge[] {
  if (cuts.length < 1 || cuts.length > 7) throw new DomainError('cuts', cuts.length, 'one to seven')
  if (!Number.isInteger(seat) || seat < 0 || seat >= cuts.length) throw new DomainError('seat', seat, 'one of the cuts')
  above('outer', outer, 0)
  for (const [i, { angle, width }] of cuts.entries()) {
    if (above(`cuts[${i}].angle`, angle, 0) >= 90) throw new DomainError(`cuts[${i}].angle`, angle, 'below 90')
    above(`cuts[${i}].width`, width, 0)
    const before = cuts[i - 1]
    if (before && angle >= before.angle) throw new DomainError(`cuts[${i}].angle`, angle, `below ${before.angle}, flatter than the cut inside it`)
  }
  const spans = cuts.map(({ angle, width }) => ({ out: width * Math.cos(angle * Math.PI / 180), up: width * Math.sin(angle * Math.PI / 180) }))
  const edges = [{ diameter: outer, height: 0 }]
  for (const { out, up } of spans.slice(0, seat + 1).reverse()) edges.unshift({ diameter: edges[0]!.diameter - 2 * out, height: edges[0]!.height - up })
  for (const { out, up } of spans.slice(seat + 1)) edges.push({ diameter: edges.at(-1)!.diameter + 2 * out, height: edges.at(-1)!.height + up })
  above('innermost edge', edges[0]!.diameter, 0)
  return edges
}

/**
 * What a seat leaves of the port and of the chamber.
 *
 * @param form see {@link SeatForm}
 * @returns throat: the innermost edge across, mm; form: the outermost across, mm; topCut: angle of the outermost cut, or of the
 *   seat itself where nothing is outside it; seatAngle and seatWidth of the seat
 * @throws RangeError as {@link seatPoints}
 * Source: the same; what it gives when it is sunk is `sinking`, what it leaves as a ledge `seatLedge`.
 * @example seatForm({ cuts: [{ angle: 60, width: 2 }, { angle: 45, width: 1.4 }, { angle: 30, width: 1 }], seat: 1, outer: 43 })
 *   // { throat: 39.02, form: 44.732, topCut: 30, seatAngle: 45, seatWidth: 1.4 }
 */
export function seatForm(form: SeatForm): { throat: number, form: number, topCut: number, seatAngle: number, seatWidth: number } {
  const edges = seatPoints(form)
  const { angle, width } = form.cuts[form.seat]!
  return { throat: edges[0]!.diameter, form: edges.at(-1)!.diameter, topCut: form.cuts.at(-1)!.angle, seatAngle: angle, seatWidth: width }
}

/**
 * A seat as a drawn valve has it: several top cuts as the one cone from the seat to their outer edge.
 *
 * @param form see {@link SeatForm}
 * @returns angles in degrees, seatWidth along the cone and topCutWidth on the radius in mm; no top cut where nothing is outside the seat
 * @throws RangeError as {@link seatPoints}
 * Source: plane geometry, the chord between two edges.
 * @example recordedSeat({ cuts: [{ angle: 45, width: 1.4 }, { angle: 30, width: 1 }], seat: 0, outer: 43 }) // { seatAngle: 45, seatWidth: 1.4, topCutWidth: 0.866, topCutAngle: 30 }
 */
export function recordedSeat(form: SeatForm): { seatAngle: number, seatWidth: number, topCutWidth?: number, topCutAngle?: number } {
  const edges = seatPoints(form)
  const { angle, width } = form.cuts[form.seat]!
  const [at, outside] = [edges[form.seat + 1]!, edges.at(-1)!]
  const out = (outside.diameter - at.diameter) / 2
  return { seatAngle: angle, seatWidth: width, ...out > 0 ? { topCutWidth: out, topCutAngle: Math.atan2(outside.height - at.height, out) * 180 / Math.PI } : {} }
}

/**
 * What a seat gave the chamber when its valve had gone up to where it is, by the seat as it is now.
 *
 * @param form its outermost edge across, mm, and the angle of its outermost cut, degrees
 * @param sunk how far the valve went up, mm, 0 or more
 * @returns cc
 * @throws RangeError as {@link sinking}, or where the form was nothing before
 * Source: {@link sinking} of the form as it was, D₁ = D₂ − 2s/tanα.
 * @example gaveWhenSunk({ form: 39.732, topCut: 30 }, 0.5) // 0.593 cc
 */
export function gaveWhenSunk({ form, topCut }: { form: number, topCut: number }, sunk: number): number {
  return sinking({ diameter: above('form', form, 0) - 2 * atLeast('sunk', sunk, 0) / Math.tan(above('topCut', topCut, 0) * Math.PI / 180), topCut }, sunk).added
}

/** What was found of a seat and its valve, mm. */
export interface SeatFindings {
  seatWidth: number
  margin?: number
  runOut?: number
  guide?: number
  leak?: 'tight' | 'weeps' | 'leaks'
  pits?: 'none' | 'outside' | 'inside'
  touches?: 'outer' | 'middle' | 'inner' | 'partly'
}
/** What a shop lets pass, mm; the engine's maker comes first. */
export interface SeatLimits { widthLeast: number, widthMost: number, marginLeast: number, runOutMost: number, guideMost: number }
export type SeatFault
  = | { kind: 'narrow' | 'wide' | 'margin' | 'runOut' | 'guide', figure: number, bound: number }
    | { kind: 'pits' | 'touches' | 'weeps' | 'leaks' }

/**
 * What is wrong with a seat.
 *
 * @returns what stops it first: a leak, then what makes one, then what wears
 * Source: the trade's rule; a finding at its limit passes.
 * @example seatFaults({ seatWidth: 1.4, margin: 0.6 }, limits)[0] // { kind: 'margin', figure: 0.6, bound: 0.8 }
 */
export function seatFaults({ seatWidth, margin, runOut, guide, leak, pits, touches }: SeatFindings, limits: SeatLimits): SeatFault[] {
  return [
    ...leak === 'leaks' || leak === 'weeps' ? [{ kind: leak }] : [],
    ...pits === 'inside' ? [{ kind: 'pits' as const }] : [],
    ...touches === 'partly' ? [{ kind: 'touches' as const }] : [],
    ...runOut !== undefined && runOut > limits.runOutMost ? [{ kind: 'runOut' as const, figure: runOut, bound: limits.runOutMost }] : [],
    ...margin !== undefined && margin < limits.marginLeast ? [{ kind: 'margin' as const, figure: margin, bound: limits.marginLeast }] : [],
    ...seatWidth < limits.widthLeast ? [{ kind: 'narrow' as const, figure: seatWidth, bound: limits.widthLeast }] : [],
    ...seatWidth > limits.widthMost ? [{ kind: 'wide' as const, figure: seatWidth, bound: limits.widthMost }] : [],
    ...guide !== undefined && guide > limits.guideMost ? [{ kind: 'guide' as const, figure: guide, bound: limits.guideMost }] : []
  ]
}
