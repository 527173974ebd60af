import {
  DEFAULT_U, carry, exact, fromSource, linear, uncertainty, type Sourced
} from '../estimate'
import { ROD_MODULUS, axialGap, rodStretch, runningGap, spotPlane, type BlockMaterial, type RodMaterial, type SpotPlane } from '../squish'
import { NOW, operationsOn, spotsOf, type EntryOf, type Ledger, type OperationEntry, type Quantity } from '../ledger'
import { materialsOf } from './materials'
import { NOTHING, combine, sum, weakest, type Part } from './part'
import { cutDepth, knownQuantity, statedQuantity } from './statements'
import { doneOn } from './remembered'

/** Why a solder may differ from deck + gasket (+ recess), likeliest first. */
export type SquishCause = 'gasketNotCrushed' | 'gasketThinner' | 'recessUnstated' | 'recessSmaller' | 'deckReadOffCentre' | 'carbon' | 'headNotTorqued' | 'solderTooThick'

/** What runs of a cold gap, and why. */
export interface RunningSquish {
  gap: Part
  stretch: Part
  bearings: Part
  heat: Part
  /** mm at the crown's edge, from the readings. */
  rock: number
  revs: Part
  material: RodMaterial
  /** Whether somebody said what the rod is made of. */
  materialStated: boolean
  block?: BlockMaterial
}

/** Squish of one cylinder, lengths along the bore in mm. */
export interface SquishStanding {
  cylinder: number
  /** Deck clearance + gasket + recess, as they are now or as planned. */
  stack?: Part
  /** The solder as it was read, and what it was compared with then. */
  solder?: { entry: EntryOf<'solder'>, plane: SpotPlane, mean: Part, stackThen?: Part }
  /** Solder less stack at that time, and what would be allowed; its causes where they disagree. */
  difference?: { estimate: Sourced, allowed: number, agrees: boolean, causes: SquishCause[] }
  /** Gap over the bore's centre now: the solder carried over what was done since, else the stack. */
  gap?: Part
  /** Smallest gap: what touches first. */
  contact?: Part
  running?: RunningSquish
}

/** Recess of the squish pad above the face at a place: a face cut takes from it until nothing is left. */
function recessAt(ledger: Ledger, cylinder: number, place: number, planned: OperationEntry[]): Part {
  const stated = statedQuantity(ledger, 'squishRecess', cylinder, place)
  if (!stated) return NOTHING
  const from = ledger.place.get(stated.entries[0]!)!
  const done = doneOn(ledger, cylinder, ['faceCut'])
    .filter(op => ledger.place.get(op.id)! > from && ledger.place.get(op.id)! < place)
  const cuts = [...done, ...operationsOn(planned, ledger.layout, cylinder, ['faceCut'])]
    .flatMap((op): Sourced[] => op.kind === 'faceCut' ? [cutDepth(op, cylinder)] : [])
  if (cuts.length === 0) return stated
  const total = linear(cuts.map(cut => [1, cut]))
  return { ...stated, provenance: stated.provenance === 'measured' ? 'derived' : stated.provenance,
    estimate: carry(([r, c]) => Math.max(Math.min(r!, 0), r! - c!), [stated.estimate, total]) }
}

/** Deck + gasket + recess at a place; a closed barrel has no gasket under its roof. */
function stackAt(ledger: Ledger, cylinder: number, place: number, planned: OperationEntry[]): Part | undefined {
  const deck = knownQuantity(ledger, 'deckClearance', cylinder, place, planned)
  const gasket = ledger.layout.engine?.head === 'blind' ? NOTHING : knownQuantity(ledger, 'gasketThickness', cylinder, place, planned)
  if (!deck || !gasket) return undefined
  const recess = recessAt(ledger, cylinder, place, planned)
  return sum([[1, deck], [1, gasket], [1, recess]], weakest([deck, gasket, recess].map(p => p.provenance)) === 'measured' ? 'derived' : weakest([deck.provenance, gasket.provenance]))
}

function causesOf(difference: number, recessStated: boolean): SquishCause[] {
  return difference > 0
    ? ['gasketNotCrushed', ...(recessStated ? [] : ['recessUnstated' as const]), 'headNotTorqued', 'deckReadOffCentre', 'solderTooThick']
    : ['gasketThinner', 'deckReadOffCentre', 'carbon', ...(recessStated ? ['recessSmaller' as const] : [])]
}

function runningOf(ledger: Ledger, cylinder: number, gap: Part, rock: number): RunningSquish | undefined {
  const known = (quantity: Quantity) => knownQuantity(ledger, quantity, cylinder)
  const revs = known('revs')
  const inputs = (['pistonMass', 'rodBeamMass', 'stroke', 'rodLength', 'rodSection'] as const).map(known)
  const bearings = known('bearingPlay')
  const heat = known('heatGrowth')
  if (!revs || !bearings || !heat || inputs.some(part => !part)) return undefined
  // A rod that can't turn its crank is a slip of the hand: the Sheet shows both figures, and nothing is reckoned with them.
  if (inputs[3]!.estimate.value <= inputs[2]!.estimate.value / 2) return undefined
  const { rod: stated, block } = materialsOf(ledger, cylinder)
  const material = stated ?? 'steel'
  const stretch = combine(([mass, beamMass, stroke, rodLength, area, rpm]) => rodStretch({
    mass: mass!, beamMass: beamMass!, crankRadius: stroke! / 2, rodLength: rodLength!, area: area!, rpm: rpm!, modulus: ROD_MODULUS[material]
  }), [...inputs as Part[], revs])
  return {
    stretch, bearings, heat, rock, revs, material, materialStated: stated !== undefined, ...(block ? { block } : {}),
    gap: combine(([cold, s, b, t]) => runningGap({ cold: cold!, rodStretch: s!, bearings: Math.max(0, b!), rock, thermal: t! }),
      [gap, stretch, bearings, heat], 'derived')
  }
}

/** What came off the face of a turned head since its solder, where its band's recess was not stated. */
function turnedDown(ledger: Ledger, cylinder: number, since: number, planned: OperationEntry[]): Sourced | undefined {
  if (ledger.layout.engine?.head !== 'turned' || statedQuantity(ledger, 'squishRecess', cylinder)) return undefined
  const cuts = operationsOn([...ledger.done.filter(op => ledger.place.get(op.id)! > since), ...planned], ledger.layout, cylinder, ['faceCut'])
    .flatMap((op): [number, Sourced][] => op.kind === 'faceCut' ? [[1, cutDepth(op, cylinder)]] : [])
  return cuts.length > 0 ? linear(cuts) : undefined
}

/**
 * Squish of a cylinder, as it is or with what is planned: from solder where there is one, from deck and gasket
 * otherwise, and what of it is left when the engine runs.
 *
 * @param ledger the opened ledger
 * @param cylinder its number
 * @param planned operations to add after everything done
 * @returns see {@link SquishStanding}
 * Source: contract core/squish: plane fit, axial·cosα, running gap = cold − stretch − bearings − rock − heat.
 * @example squishStanding(ledger, 1).gap?.estimate.value // 1.56, a gasket of 1.20 over a deck of 0.36
 */
export function squishStanding(ledger: Ledger, cylinder: number, planned: OperationEntry[] = []): SquishStanding {
  const standing: SquishStanding = { cylinder, stack: stackAt(ledger, cylinder, NOW, planned) }
  const entry = ledger.solders.filter(e => e.scope.level === 'cylinder' && e.scope.cylinder === cylinder).at(-1)
  let rock = 0
  if (entry) {
    const place = ledger.place.get(entry.id)!
    const angle = statedQuantity(ledger, 'bandAngle', cylinder)?.estimate.value ?? 0
    const plane = spotPlane(spotsOf(entry).map(s => ({ ...s, value: axialGap(s.value, angle) })), DEFAULT_U.solder)
    const mean: Part = { estimate: fromSource(plane.centre, plane.u, `entry:${entry.id}`), provenance: 'measured', entries: [entry.id] }
    const stackThen = stackAt(ledger, cylinder, place, [])
    standing.solder = { entry, plane, mean, ...(stackThen ? { stackThen } : {}) }
    rock = Math.max(0, plane.centre - plane.smallest)
    if (stackThen && standing.stack) {
      const estimate = linear([[1, mean.estimate], [-1, stackThen.estimate]])
      const allowed = 2 * uncertainty(estimate)
      const agrees = Math.abs(estimate.value) <= allowed
      standing.difference = {
        estimate, allowed, agrees,
        causes: agrees ? [] : causesOf(estimate.value, Boolean(statedQuantity(ledger, 'squishRecess', cylinder, place)))
      }
      const change = linear([[1, standing.stack.estimate], [-1, stackThen.estimate]])
      const changed = Math.abs(change.value) > 1e-9
      const down = turnedDown(ledger, cylinder, place, planned)
      if (down) {
        // Nobody said how far the band lies back: it comes down with the face, until it lies in it.
        standing.gap = sum([[1, mean], [1, { ...standing.stack, estimate: linear([[1, change], [-1, down]]) }]])
        if (standing.gap.estimate.value < standing.stack.estimate.value) standing.gap = standing.stack
      } else standing.gap = changed ? sum([[1, mean], [1, { ...standing.stack, estimate: change }]]) : mean
    } else standing.gap = mean
  } else standing.gap = standing.stack
  if (standing.gap) {
    standing.contact = rock > 0 ? { ...standing.gap, estimate: linear([[1, standing.gap.estimate], [1, exact(-rock)]]) } : standing.gap
    const running = runningOf(ledger, cylinder, standing.gap, rock)
    if (running) standing.running = running
  }
  return standing
}
