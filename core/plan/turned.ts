import { turnedShape } from '../chamber'
import { DomainError } from '../domain'
import { cylinderVolume } from '../engine'
import { DEFAULT_U, linear, uncertainty, type Sourced } from '../estimate'
import { NoseTooLarge, broughtTo, latheSettings, roundsLikely, safeRound, turnedVolume, type LatheSettings, type LatheTask, type Round, type TurnedShape } from '../lathe'
import { cylindersOf, untyped, type OperationEntry, type Removed } from '../ledger'
import { bandEdgeShift } from '../squish'
import { ccBand, drawnFor, isOnTarget, modelOf, quantityOf, reliefLesson, targetBand, type CylinderState, type Replay } from '../standing'
import { asIf, type AsIf, type CylinderAsIf, type Tried } from './asIf'
import type { Chambers } from './chambers'

/** What is set at the lathe for a round, or why nothing can be: no drawing of the dome, a pour it can't hold, a nose that does not get in. */
export type Lathe = { set: LatheSettings, from: TurnedShape } | { fault: 'notDrawn' | 'notReached' } | { fault: 'nose', most: number }

/** A turned head: squish first, then the dome. Lengths in mm, volumes in cc. */
export interface TurnedPlan {
  /** Off the seat face; 0 where the squish is tight already. */
  off: Sourced
  /** How far the squish is under the one wanted: no cut opens it, a thicker gasket does. Undefined where it is close enough. */
  tight?: Sourced
  /** Where the band's outer edge would lie after that until it is cut again at its angle, across; undefined where nothing is to be taken or its angle is not known. */
  bandUncut?: number
  /** What that takes, and where the cylinder then stands. */
  taken?: Sourced
  then: CylinderAsIf
  /** Still to open in the dome; below 0 the ratio is short even with the dome left alone. Undefined while squish is too tight: what opens that opens the chamber too. */
  toOpen?: Sourced
  /** The next round, which leaves the target one time in twenty at most, the whole clearance after it, how many are likely, and what this dome gives of what is set; a round of 0 is not worth setting up. */
  round?: { cc: number, u: number, clearance: number, rounds: number, lathe: Lathe, share?: number }
  /** All of it as it would be planned. */
  operations: Tried[]
}

/** Less than this nobody turns off, mm, or opens, cc. */
const WORTH_TURNING = 0.005
const WORTH_OPENING = 0.02
/** A tool's nose where nobody said one, mm. */
export const USUAL_NOSE = 0.4

/**
 * The order a turned two-stroke head is worked in, in the figures that would be planned: squish first, then the dome until
 * the ratio is right, a round at a time.
 *
 * @param standing what replay gives
 * @param cylinder its number
 * @param operations what is done before, this head's face cuts and this chamber's reliefs apart
 * @param chambers answers for the shape of drawn chambers
 * @param by deeper first, or wider first
 * @returns undefined without a measured and a wanted squish; the dome's part wants a target and a clearance volume
 * Source: squish found less wanted; bore circle × depth, the band re-cut; target clearance less the clearance
 *   after that, by {@link asIf}. In closed form {@link turnedHeadPlan}; a round by {@link safeRound} and {@link latheSettings}.
 * @example turnedPlan(standing, 1, [], chambers) // off 0.85, toOpen 1.03
 */
export function turnedPlan(standing: Replay, cylinder: number, operations: readonly (Tried | OperationEntry)[], chambers: Chambers, by: LatheTask['by'] = 'depth'): TurnedPlan | undefined {
  const before = operations.filter(op => op.kind !== 'faceCut' && !(op.kind === 'relief' && op.scope.level === 'cylinder' && op.scope.cylinder === cylinder))
  const at = (more: Tried[]) => asIf(standing, [...before, ...more], chambers)
  const mine = ({ cylinders }: AsIf) => cylinders.find(c => c.cylinder === cylinder)!
  const now = mine(at([]))
  const wanted = quantityOf(standing, 'wantedSquish', cylinder)
  const { gap } = now.squish
  const { clearance, targetClearance, head } = now.state
  if (!wanted || !gap) return undefined
  const over = linear([[1, gap.estimate], [-1, wanted.estimate]])
  const tight = over.value < -CLOSE_ENOUGH ? { value: -over.value, by: over.by } : undefined
  const off: Sourced = over.value > 0 ? over : { value: 0, by: over.by }
  // A thousandth, so that it is the same depth in inches on every station.
  const depth = untyped(off.value, 'mm', 3)
  // With the band re-cut at its angle the whole bore circle comes down, whatever its shape: no drawing is asked.
  const removed = cylindersOf(standing.layout, head).flatMap((c): Removed[] => {
    const bore = quantityOf(standing, 'bore', c)?.estimate.value
    return bore === undefined ? [] : [{ cylinder: c, x: 0, cc: cylinderVolume(bore, depth.value), perMm: cylinderVolume(bore, 1), factor: 1 }]
  })
  const cut: Tried[] = off.value > WORTH_TURNING ? [{ kind: 'faceCut', scope: { level: 'head', head }, body: { state: 'planned', depth, removed } }] : []
  const then = mine(at(cut))
  const after: CylinderState['clearance'] = then.state.clearance
  const toOpen = tight ? undefined : after && targetClearance && linear([[1, targetClearance.estimate], [-1, after.estimate]])
  const round = toOpen && clearance && toOpen.value > WORTH_OPENING ? roundOf(standing, cylinder, { then, toOpen, off: cut.length > 0 ? depth.value : 0, afresh: uncertainty(clearance.estimate) }, by) : undefined
  const open: Tried[] = round && round.cc > 0
    ? [{ kind: 'relief', scope: { level: 'cylinder', cylinder }, body: { state: 'planned', added: untyped(round.cc, 'cc', 2), u: untyped(round.u, 'cc'), ...asSetUp(round.lathe) } }]
    : []
  const [bore, angle] = (['bore', 'bandAngle'] as const).map(name => quantityOf(standing, name, cylinder)?.estimate.value)
  const recut = cut.length > 0 && bore && angle ? { bandUncut: bore - 2 * bandEdgeShift(off.value, angle) } : {}
  return {
    off, then, ...tight ? { tight } : {}, ...recut, operations: [...cut, ...open], ...(after && clearance ? { taken: linear([[1, clearance.estimate], [-1, after.estimate]]) } : {}),
    ...(toOpen ? { toOpen } : {}), ...(round ? { round } : {})
  }
}

/** What a plan keeps of the lathe: what the form gains by the drawing, and the form. */
const asSetUp = (lathe: Lathe) => 'set' in lathe ? { drawn: untyped(lathe.set.opened, 'cc', 2), turned: { mouth: lathe.set.to.dome.mouth, depth: lathe.set.to.dome.depth } } : {}

function roundOf(standing: Replay, cylinder: number, { then, toOpen, off, afresh }: { then: CylinderAsIf, toOpen: Sourced, off: number, afresh: number }, by: LatheTask['by']): NonNullable<TurnedPlan['round']> {
  const band = ccBand(then.state, targetBand(standing.target))
  const drawing = modelOf(standing, cylinder)
  const drawn = drawing && turnedShape(drawing.spec, drawing.done.depth + off)
  const chamber = then.state.parts.chamber?.estimate.value
  const from = drawn && (chamber === undefined ? undefined : broughtTo(drawn, chamber))
  // This dome's own: what came out of it before, as a share of what was set.
  const lesson = reliefLesson(standing.settlements.filter(s => s.cylinder === cylinder))
  const deeper = (mm: number) => from ? turnedVolume({ ...from, dome: { ...from.dome, depth: from.dome.depth + mm } }) : 0
  const next: Round = {
    toOpen: toOpen.value, u: uncertainty(toOpen), over: band?.over ?? 0, share: drawnFor(1, lesson).share,
    depth: DEFAULT_U.latheDepth, perMm: from ? (deeper(0.1) - deeper(0)) / 0.1 : 0
  }
  const most = safeRound(next)
  const lathe: Lathe = !drawn ? { fault: 'notDrawn' } : !from ? { fault: 'notReached' } : settingsOf(standing, cylinder, from, drawnFor(Math.max(most, WORTH_OPENING), lesson).drawn, by)
  // Limits of band and plug may leave less than the round asks for.
  const share = 1 / drawnFor(1, lesson).drawn
  const goes = 'set' in lathe ? Math.min(most, lathe.set.opened * share) : most
  const cc = goes > WORTH_OPENING ? goes : 0
  return {
    cc, clearance: (then.state.clearance?.estimate.value ?? 0) + cc, u: Math.hypot(next.share * cc, next.depth * next.perMm), rounds: roundsLikely(next, Math.max(WORTH_OPENING, -(band?.under ?? 0)), afresh), lathe,
    ...(lesson ? { share } : {})
  }
}

function settingsOf(standing: Replay, cylinder: number, from: TurnedShape, add: number, by: LatheTask['by']): Lathe {
  const known = (name: 'toolNose' | 'leastBand' | 'plugRoom') => quantityOf(standing, name, cylinder)?.estimate.value
  try {
    return { from, set: latheSettings(from, { add, by, nose: known('toolNose') ?? USUAL_NOSE, leastBand: known('leastBand') ?? from.bore / 2 - from.dome.mouth, plugRoom: known('plugRoom') }) }
  } catch (error) {
    if (error instanceof NoseTooLarge) return { fault: 'nose', most: error.most }
    // A form that its own figures don't allow is told like one that does not hold its pour: its drawing is to be looked at.
    if (error instanceof DomainError) return { fault: 'notReached' }
    throw error
  }
}

/** The order of work at a turned head, and how far it has come. */
export const TURNED_STEPS = ['squish', 'face', 'top', 'pour', 'open'] as const
export type TurnedStep = (typeof TURNED_STEPS)[number]

/**
 * How far the work on a turned head has come.
 *
 * @param standing what replay gives
 * @param cylinder its number
 * @param plan see {@link turnedPlan}
 * @returns each step in order: done, the one that is next, or later
 * @example turnedSteps(standing, 1, plan) // [['squish', 'done'], ['face', 'next'], ['top', 'done'], ['pour', 'later'], ['open', 'later']]
 */
export function turnedSteps(standing: Replay, cylinder: number, plan: TurnedPlan | undefined): [TurnedStep, 'done' | 'next' | 'later'][] {
  const whole = standing.wholes.find(w => w.cylinder === cylinder)
  const { live } = standing
  const band = targetBand(standing.target)
  const state = standing.asIs.find(s => s.cylinder === cylinder)
  const finished: Record<TurnedStep, boolean> = {
    squish: live.entries.some(e => e.kind === 'solder' && e.scope.level === 'cylinder' && e.scope.cylinder === cylinder),
    face: plan !== undefined && plan.off.value <= CLOSE_ENOUGH && !plan.tight,
    top: live.entries.some(e => e.kind === 'wheel'),
    pour: (whole?.current.length ?? 0) >= 2,
    open: state !== undefined && isOnTarget(state, band)
  }
  const next = TURNED_STEPS.find(step => !finished[step])
  return TURNED_STEPS.map(step => [step, finished[step] ? 'done' : step === next ? 'next' : 'later'])
}

/** Squish is as wanted when it is this close, mm. */
export const CLOSE_ENOUGH = 0.05
