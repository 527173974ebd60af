import { angleOf, type ClearanceName, type CutLimit, type FaceCutBody, type Figure, type Met, type Moves, type OperationState } from '#core'
import { digits, say, sayList, type LengthUnit } from '#shared/figures'

type Laid = Pick<FaceCutBody, 'slopeX' | 'slopeY'>

/** Where the depth of a cut that is laid over is told: along the bore line, or half way between the ends. */
export const sayWhere = ({ slopeX }: Laid): string => slopeX ? 'in the middle' : 'at the bore line'

/** “laid over 0.50° about the crank”; nothing for a flat cut. */
export function sayLaid({ slopeX = 0, slopeY = 0 }: Laid, lengths: LengthUnit): string {
  const slope = slopeX || slopeY
  return slope ? `laid over ${say(angleOf(Math.abs(slope)), 'angle', lengths, 1)} ${slopeX ? 'across' : 'about'} the crank` : ''
}

/** How a cut is laid over, behind its depth; nothing for a flat one. */
export function sayLay(body: Laid & Pick<FaceCutBody, 'flat'>, lengths: LengthUnit): string {
  const laid = sayLaid(body, lengths)
  return laid && ` ${sayWhere(body)}, ${laid}${body.flat && body.flat.value > 0 ? `, then ${say(body.flat.value, 'length', lengths)} flat` : ''}`
}

/** A cut's state and depth, measured before planned. */
export function sayCut({ state, depth, measured }: { state: OperationState, depth: Figure, measured?: Figure }, lengths: LengthUnit): string {
  return measured
    ? `${state}, ${say(measured.value, 'length', lengths)} measured (${say(depth.value, 'length', lengths)} planned)`
    : `${state}, ${say(depth.value, 'length', lengths)}`
}

/** What of the old face would stay standing beside a cut that is laid over. */
export const sayFaceLeft = (left: number, reach: number, lengths: LengthUnit): string =>
  `${say(left, 'length', lengths)} of the old face would stay at the edge, ${say(reach, 'length', lengths)} out: a gasket does not seal on two faces.`

/** What brings a head down or lifts it, and how much of that is done; what it comes to stands beside it. */
export function sayDrop({ face, deck, under, gasket, drop }: Moves, lengths: LengthUnit): { by: string, way: string, done: string } {
  const mm = (value: number) => say(Math.abs(value), 'length', lengths)
  const part = (value: number, words: string) => Math.abs(value) < 0.005 ? [] : [`${mm(value)} ${words}`]
  const parts = [
    ...part(face.all, 'off the face'), ...part(deck.all, 'off the deck'), ...part(under.all, `${under.all < 0 ? 'less' : 'more'} under the barrel`),
    ...Math.abs(gasket.all) < 0.005 ? [] : [`a gasket ${mm(gasket.all)} ${gasket.all < 0 ? 'thinner' : 'thicker'}`]
  ]
  const way = (value: number) => value < 0 ? 'up' : 'down'
  const done = Math.abs(drop.done) < 0.005 ? '' : way(drop.done) === way(drop.all) ? `; ${mm(drop.done)} of it is done` : `; so far it has gone ${way(drop.done)} ${mm(drop.done)}`
  return { by: parts.length > 0 ? `With ${sayList(parts)}, the head` : 'Nothing is cut or changed: the head', way: drop.all < 0 ? 'goes up' : 'comes down', done }
}

/** The two things that come near each other. */
export const NEAR: Record<ClearanceName, { one: string, other: string, short: string }> = {
  intakeClearance: { one: 'the intake valve', other: 'the piston', short: 'intake–piston' },
  exhaustClearance: { one: 'the exhaust valve', other: 'the piston', short: 'exhaust–piston' },
  intakeSide: { one: 'the intake valve', other: 'the side of its pocket', short: 'intake–pocket' },
  exhaustSide: { one: 'the exhaust valve', other: 'the side of its pocket', short: 'exhaust–pocket' },
  valveToValve: { one: 'one valve', other: 'the other', short: 'valve–valve' },
  domeToChamber: { one: 'the dome', other: 'the chamber', short: 'dome–chamber' }
}

/** Where a clearance comes to, after a “this” or, with no `s`, a “would”: below nothing the one is in the other. */
export const sayNear = (name: ClearanceName, figure: number, mm: (value: number) => string, { s = 's', whom = '' } = {}): string =>
  `${figure < 0 ? 'put' : 'leave'}${s} ${NEAR[name].one}${whom} ${mm(Math.abs(figure))} ${figure < 0 ? 'into' : 'from'} ${NEAR[name].other}`

/** What a cut would be past, as a sentence. */
export function sayCutLimit(limit: CutLimit, lengths: LengthUnit): string {
  switch (limit.kind) {
    case 'seat': return `This goes into the ${limit.valve} seat of cylinder ${limit.cylinder}${limit.assumed ? ', by a height that is only assumed' : ''}.`
    case 'chamber': return `This is all that the chamber of cylinder ${limit.cylinder} holds: the cut is through its roof.`
    case 'squish': return limit.figure > 0
      ? `This leaves ${say(limit.figure, 'length', lengths)} of squish at cylinder ${limit.cylinder}; the shop’s minimum is ${say(limit.least, 'length', lengths)}.`
      : `This lets piston and head of cylinder ${limit.cylinder} touch.`
    case 'clearance': return `This ${sayNear(limit.clearance, limit.figure, value => say(value, 'length', lengths), { whom: ` of cylinder ${limit.cylinder}` })}; the shop’s minimum is ${say(limit.least, 'length', lengths)}.`
    case 'target': return `This takes cylinder ${limit.cylinder} past its target, to ${digits(limit.figure, 2)}.`
  }
}

/** What a cut meets on its way, short enough for a mark beside its depth: the cylinder last, as targets have it, where it is not met at several at once. */
export const sayMet = (met: Met): string =>
  `${met.kind === 'clearance' ? NEAR[met.clearance].short : `${met.valve} ${met.kind === 'seat' ? 'seat' : 'top cut'}`} ${met.cylinders.length > 1 ? '' : met.cylinders[0]}`.trim()
