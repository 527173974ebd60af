import { camRetard, pushrodChange, rolledSeat, vFlange } from '../chamber'
import { differ } from '../domain'
import { NOW, operationsOn, sunkBy, type Ledger, type OperationEntry, type Quantity, type Valve } from '../ledger'
import { depthTaken, doneOn, knownQuantity, statedQuantity } from '../standing'

/** What a head coming down its bores moves besides the chamber. Lengths in mm, + towards the crank. */
export interface Moves {
  /** Off the head's face, and off the deck: done since the engine came, and with what is asked for. */
  face: { done: number, all: number }
  deck: { done: number, all: number }
  /** Put under a barrel, below 0 where it came down. */
  under: { done: number, all: number }
  /** Gasket thicker than it came by. */
  gasket: { done: number, all: number }
  /** How far the valves that moved most stand up by seat work. */
  sunk: { done: number, all: number }
  /** How far the head has come down, and will have. */
  drop: { done: number, all: number }
  /** Thickness left of the head's deck, and what is over the least it may have. */
  deckLeft?: { left: number, over?: number }
  /** Crank degrees the cam has fallen back. */
  cam?: number
  /** + where longer pushrods are wanted. */
  pushrod?: number
  flange?: { offFlange: number, manifoldDown: number, gap: number, portsOff: number }
  /** Left between manifold and block where the valley is sealed, with the flanges machined. */
  valleyLeft?: number
  /** Thread left under the bolts' ends, and room left over the dowels. */
  boltLeft?: number
  dowelLeft?: number
  /** What a face that was rolled leans bolt seats and dowel holes by: degrees, and mm across a seat where its width is stated. */
  rolled?: { lean: number, over?: number }
}

/** A figure of its formula, nothing where something it needs was not stated or can't be. */
function reckoned<T>(ledger: Ledger, cylinder: number, names: Quantity[], f: (values: number[]) => T): T | undefined {
  const values = names.map(name => statedQuantity(ledger, name, cylinder)?.estimate.value)
  if (values.some(v => v === undefined)) return undefined
  try {
    return f(values as number[])
  } catch (error) {
    if (error instanceof RangeError) return undefined
    throw error
  }
}

/** How far the valve of a kind that seat work lifted most went up, mm. */
function highest(list: readonly OperationEntry[], valve: Valve): number {
  return Math.max(0, ...[1, 2, 3, 4].map(n => list.reduce((sum, op) => sum + (op.kind === 'seatWork' ? sunkBy(op.body, valve, n) : 0), 0)))
}

/** What moves a head against its pistons, or a valve in its head. */
const MOVERS = ['faceCut', 'deckCut', 'seatWork', 'spacer'] as const

/**
 * What else moves at a cylinder: by everything done since the engine came, and by what is asked for on top.
 *
 * @param ledger the opened ledger
 * @param cylinder its number
 * @param operations on top of what is done, in order
 * @returns see {@link Moves}; `cam`, `pushrod` and `flange` by the whole of it, done and asked for
 * Source: depths add; contract core/chamber: camRetard, pushrodChange, vFlange, rolledSeat.
 * @example movesOf(ledger, 1, ledger.planned).drop // { done: 0.5, all: 0.8 }: 0.5 off the face, then 0.3 planned
 */
export function movesOf(ledger: Ledger, cylinder: number, operations: OperationEntry[]): Moves {
  const [mine, coming] = [doneOn(ledger, cylinder, MOVERS), operationsOn(operations, ledger.layout, cylinder, MOVERS)]
  const total = (list: OperationEntry[]) => list.reduce((sum, op) => {
    if (op.kind === 'faceCut') sum.face += depthTaken(op.body)
    if (op.kind === 'deckCut') sum.deck += (op.body.measured ?? op.body.depth).value
    if (op.kind === 'spacer') sum.under += op.body.change.value
    return sum
  }, { face: 0, deck: 0, under: 0, intake: highest(list, 'intake'), exhaust: highest(list, 'exhaust') })
  const [done, more] = [total(mine), total(coming)]
  const downAt = (place: number) => {
    const before = total(mine.filter(op => ledger.place.get(op.id)! < place))
    return before.face + before.deck - before.under - (thickness(place) - came)
  }
  const thickness = (place: number, planned: OperationEntry[] = []) => knownQuantity(ledger, 'gasketThickness', cylinder, place, planned)?.estimate.value ?? 0
  const first = doneOn(ledger, cylinder, ['gasketChange'])[0]
  const came = thickness(first ? ledger.place.get(first.id)! : NOW)
  const gasket = { done: thickness(NOW) - came, all: thickness(NOW, operations) - came }
  const of = (name: keyof typeof done) => ({ done: done[name], all: done[name] + more[name] })
  const [face, deck, under, intake, exhaust] = [of('face'), of('deck'), of('under'), of('intake'), of('exhaust')]
  // Pushrods of both kinds are bought in one length: the valve that stands up most decides.
  const sunk = intake.all > exhaust.all ? intake : exhaust
  // What is put under a barrel lifts its head as a thicker gasket does.
  const lift = { done: gasket.done + under.done, all: gasket.all + under.all }
  const drop = { done: face.done + deck.done - lift.done, all: face.all + deck.all - lift.all }
  /** A room that a head coming down takes up: what it was when it was measured, less what came down since. */
  const roomLeft = (quantity: Quantity, per = 1) => {
    const part = statedQuantity(ledger, quantity, cylinder)
    return part && part.estimate.value - per * (drop.all - downAt(ledger.place.get(part.entries[0]!)!))
  }
  const perDrop = reckoned(ledger, cylinder, ['halfBankAngle', 'flangeAngle'], ([gamma, alpha]) => vFlange(gamma!, alpha!, 1).manifoldDown)
  const slopes = [...mine, ...coming].reduce(([x, y], { kind, body }) => kind === 'faceCut' ? [x + (body.slopeX ?? 0), y + (body.slopeY ?? 0)] as const : [x, y] as const, [0, 0] as readonly [number, number])
  const seatWidth = statedQuantity(ledger, 'boltSeat', cylinder)?.estimate.value
  const rolled = rolledSeat(...slopes, seatWidth ?? 0)
  const left = statedQuantity(ledger, 'deckThickness', cylinder, NOW, operations)?.estimate.value
  const least = statedQuantity(ledger, 'leastDeckThickness', cylinder)?.estimate.value
  return {
    face, deck, under, gasket, sunk, drop,
    ...(left === undefined ? {} : { deckLeft: { left, ...(least === undefined ? {} : { over: differ(left, least) }) } }),
    cam: reckoned(ledger, cylinder, ['runAngle', 'chainPitch', 'camTeeth'], ([runAngle, pitch, camTeeth]) => camRetard(drop.all, { runAngle: runAngle!, pitch: pitch!, camTeeth: camTeeth! })),
    pushrod: reckoned(ledger, cylinder, ['pushrodAngle', 'rockerRatio'], ([pushrodAngle, rockerRatio]) => pushrodChange(
      { gasketGain: lift.all, headCut: face.all, deckCut: deck.all, sunk: sunk.all, baseCircleLost: 0 }, { pushrodAngle: pushrodAngle!, rockerRatio: rockerRatio! })),
    flange: reckoned(ledger, cylinder, ['halfBankAngle', 'flangeAngle'], ([gamma, alpha]) => vFlange(gamma!, alpha!, drop.all)),
    ...(perDrop === undefined ? {} : { valleyLeft: roomLeft('valleyGap', perDrop) }), boltLeft: roomLeft('boltSpare'), dowelLeft: roomLeft('dowelSpare'),
    ...(rolled.lean > 0 ? { rolled: { lean: rolled.lean, ...(seatWidth === undefined ? {} : { over: rolled.over }) } } : {})
  }
}
