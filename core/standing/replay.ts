import { clearanceForRatio, compressionRatio, cylinderVolume } from '../engine'
import { afterOperations, chamberAt, chamberNow, settlementsOf, type Settlement } from './chamberHistory'
import { bankOf, headOf, isNewPiston, NOW, ofKind, openLedger, OPERATION_KINDS, operationsOn, PARTS, type Enclosed, type Entry, type EntryOf, type Layout, type Ledger, type Live, type OperationEntry, type PartName, type Quantity } from '../ledger'
import { combine, NOTHING, sum, type Part } from './part'
import { creviceOf, crownOf, crownPours } from './crown'
import { heightsOf, withHeights, type HeightsStanding } from './heights'
import { exhaustPort } from './portTiming'
import { lessonsOf, perMmOf, type Lesson, type PerMm } from './lessons'
import { portPairs, portSeries, portStandings, portsIn, type PortPair, type PortStanding } from './ports'
import { disagreement, lastSeries, sourcedPours, watchOf, type PourEntry } from './pours'
import { CHAMBER_OPERATIONS, lastPoured, wholeStretches, type ChamberOperation } from './stretches'
import type { Disagreement } from '../pour'
import { knownQuantity, statedQuantity } from './statements'

/** One cylinder, as it is or as planned. Volumes in cc. */
export interface CylinderState {
  cylinder: number
  head: number
  bank: number
  parts: Partial<Record<PartName, Part>>
  /** Swept volume that the ratio is of: of the whole stroke, or from the exhaust port up where the target is of that. */
  swept?: Part
  clearance?: Part
  /** The ratio that the target is of: the whole stroke's, or the trapped one. */
  ratio?: Part
  /** Both ratios of an engine whose exhaust port is known. */
  full?: Part
  trapped?: Part
  /** Whole clearance volume that gives the target ratio. */
  targetClearance?: Part
  /** Clearance over the target's: + has to go, − is already too little. */
  gap?: Part
  /** Chamber volume that meets the target with the other parts as they are. */
  targetChamber?: Part
  /** What must be stated before there is a ratio. */
  missing: Quantity[]
}

/** Pours that count for a chamber now, and whether they agree. */
export interface PourStanding {
  cylinder: number
  /** Pours since the last change of this chamber. */
  current: EntryOf<'pour'>[]
  /** Whether it was ever poured. */
  ever: boolean
  disagreement?: Disagreement
}

/** Pours of any one thing that were challenged: they lie too far apart, or the liquid kept falling. `n`: of several ports, which. */
export interface Challenge { cylinder: number, encloses: Enclosed, n: number, disagreement?: Disagreement, leak?: { rate: number, pour: string } }

/** An entry that can't be reckoned with beside the others, and the first argument that left its domain. */
export interface LeftOut { id: string, argument: string, given: unknown, bound: string }

export interface Replay {
  /** Entries that can't be reckoned with: everything else here is without them. */
  leftOut: LeftOut[]
  /** The ledger it was reckoned from, opened. */
  ledger: Ledger
  layout: Layout
  target?: EntryOf<'target'>
  offers: readonly EntryOf<'offer'>[]
  live: Live
  asIs: CylinderState[]
  asPlanned: CylinderState[]
  /** As planned but without the face cuts still to come: what a cut is reckoned from. */
  beforeCut: CylinderState[]
  planned: OperationEntry[]
  done: OperationEntry[]
  pours: PourStanding[]
  /** The same for whole clearances, poured assembled. */
  wholes: PourStanding[]
  challenges: Challenge[]
  ports: PortStanding[]
  portPairs: PortPair[]
  /** Heads whose height was read, and what follows. */
  heights: HeightsStanding[]
  /** Chambers that somebody said can't be ground. */
  held: ReadonlySet<number>
  settlements: Settlement[]
  lessons: Lesson[]
  /** cc per mm of face cut by cylinder. */
  perMm: ReadonlyMap<number, PerMm>
}

interface Stack { parts: Partial<Record<PartName, Part>>, measuredTotal?: Part }

function measuredParts(ledger: Ledger, cylinder: number, place: number, planned: OperationEntry[]) {
  const known = (quantity: Quantity) => knownQuantity(ledger, quantity, cylinder, place, planned)
  const bore = known('bore')
  const gasketBore = known('gasketBore')
  const thickness = known('gasketThickness')
  const deckClearance = known('deckClearance')
  const crownDiameter = known('crownDiameter')
  const topLand = known('topLandHeight')
  const area = statedQuantity(ledger, 'gasketArea', cylinder, place, planned)
  const round = gasketBore && thickness && combine(([d, h]) => cylinderVolume(d!, h!), [gasketBore, thickness])
  return {
    // An outline that is no circle is stated as its area.
    gasket: area && thickness ? combine(([a, h]) => a! * h! / 1000, [area, thickness]) : round,
    deck: bore && deckClearance
      && combine(([d, h]) => cylinderVolume(d!, h!), [bore, deckClearance], deckClearance.provenance),
    crown: crownOf(ledger, cylinder, place, planned),
    crevice: bore && crownDiameter && topLand && {
      ...combine(([b, d, h]) => creviceOf(b!, d!, h!), [bore, crownDiameter, topLand]),
      provenance: combine(() => 0, [crownDiameter, topLand]).provenance
    },
    other: known('otherVolume') ?? NOTHING
  }
}

/** Work that changes a part itself: what an assembled pour said of it ends there. Work on the chamber leaves it as it is. */
const ENDS: Partial<Record<PartName, (op: OperationEntry) => boolean>> = {
  deck: op => op.kind === 'deckCut' || op.kind === 'spacer' || (op.kind === 'crownWork' && isNewPiston(op.body)), gasket: op => op.kind === 'gasketChange', crown: op => op.kind === 'crownWork'
}

/** The part an assembled pour leaves over: the first that nobody measured. */
function unmeasured(parts: Partial<Record<PartName, Part>>, chamberPoured: boolean): PartName {
  if (!chamberPoured) return 'chamber'
  return (['crown', 'deck', 'gasket'] as const).find(name => parts[name]?.provenance !== 'measured') ?? 'other'
}

function stackOf(
  ledger: Ledger, lessons: Lesson[], cylinder: number, countsCrevice: boolean, planned: OperationEntry[]
): Stack {
  const now = measuredParts(ledger, cylinder, NOW, planned)
  const assembled = (ledger.pours.get(cylinder) ?? []).filter(pour => pour.body.encloses === 'assembled')
  const chamber = chamberNow(ledger, lessons, cylinder)?.part
  const mine = operationsOn(planned, ledger.layout, cylinder, OPERATION_KINDS)
  const parts: Stack['parts'] = { ...now, chamber }
  let measuredTotal: Part | undefined

  if (assembled.length > 0) {
    const { pours: group, since } = lastPoured(wholeStretches(ledger, cylinder))
    const lastPlace = ledger.place.get(assembled.at(-1)!.id)!
    const then = measuredParts(ledger, cylinder, lastPlace, [])
    const withCrevice = group.at(-1)!.body.sealed !== 'crown'
    const entries = group.map(pour => pour.id)
    const poured: Part = { estimate: sourcedPours(group), provenance: 'measured', entries }
    const chamberPoured = chamber?.provenance === 'measured' || (chamber?.provenance === 'derived')
    const name = unmeasured(then, chamberPoured)
    // As it was when the whole was poured: a cut since has made it smaller, and nothing else larger.
    const chamberThen = chamberPoured ? chamberAt(ledger, lessons, cylinder, lastPlace) : undefined
    const others = { ...then, chamber: chamberThen }
    const terms = PARTS.filter(part => part !== name && others[part] && (part !== 'crevice' || withCrevice))
      .map((part): [number, Part] => [-1, others[part]!])
    const left = sum([[1, poured], ...terms])
    if (name === 'chamber') {
      parts.chamber = chamberNow(ledger, lessons, cylinder, { part: left, place: lastPlace })?.part
    } else if (![...since, ...mine].some(op => ENDS[name]?.(op))) {
      parts[name] = left
    }
    if (since.length === 0 && mine.length === 0) measuredTotal = poured
  }

  const changes = operationsOn(planned, ledger.layout, cylinder, CHAMBER_OPERATIONS)
  if (parts.chamber) {
    parts.chamber = afterOperations(parts.chamber, changes as ChamberOperation[], { ledger, lessons }, cylinder)
  }
  if (!countsCrevice) delete parts.crevice
  return { parts, measuredTotal }
}

/**
 * Where one cylinder stands: volumes, ratio and gap.
 *
 * @param ledger the opened ledger
 * @param lessons what its cuts have taught
 * @param cylinder its number
 * @param planned operations to add after everything done
 * @returns without a ratio while something it needs is not known, or the stack is impossible
 * Source: volumes add; (Vs + Vc)/Vc; sources carried (JCGM 100:2008 §5.2.2).
 * @example cylinderState(ledger, [], 1, []).ratio?.estimate.value // 9.14
 */
export function cylinderState(ledger: Ledger, lessons: Lesson[], cylinder: number, planned: OperationEntry[]): CylinderState {
  const { layout } = ledger
  const countsCrevice = ledger.target?.body.countsCrevice ?? true
  const bore = statedQuantity(ledger, 'bore', cylinder)
  const stroke = statedQuantity(ledger, 'stroke', cylinder)
  const { parts, measuredTotal } = stackOf(ledger, lessons, cylinder, countsCrevice, planned)
  const state: CylinderState = {
    cylinder, head: headOf(layout, cylinder), bank: bankOf(layout, cylinder), parts, missing: []
  }
  if (!bore) state.missing.push('bore')
  if (!stroke) state.missing.push('stroke')
  if (!parts.chamber) state.missing.push('chamberVolume')
  if (!bore || !stroke) return state
  const port = exhaustPort(ledger, cylinder, planned)
  const volumes = { full: combine(([b, s]) => cylinderVolume(b!, s!), [bore, stroke]), trapped: port && combine(([b, h]) => cylinderVolume(b!, h!), [bore, port]) }
  const of = ledger.target?.body.of ?? 'full'
  state.swept = volumes[of]
  if (!state.swept) {
    state.missing.push('exhaustPortTop')
    return state
  }
  const target = ledger.target?.body.ratio.value
  if (target !== undefined) {
    state.targetClearance = combine(([vs]) => clearanceForRatio(vs!, target), [state.swept], 'derived')
    const rest = PARTS.filter(name => name !== 'chamber' && parts[name]).map((name): [number, Part] => [-1, parts[name]!])
    state.targetChamber = sum([[1, state.targetClearance], ...rest])
  }
  if (!parts.chamber) return state
  const clearance = sum(PARTS.filter(name => parts[name]).map(name => [1, parts[name]!]))
  // A stack of impossible parts (a dome larger than the chamber) has no ratio, and nothing here may invent one.
  if (clearance.estimate.value <= 0) return state
  state.clearance = measuredTotal ? { ...clearance, provenance: 'measured' } : clearance
  const ratioOf = (swept: Part) => combine(([vs, vc]) => compressionRatio(vs!, vc!), [swept, state.clearance!], 'derived')
  state.ratio = ratioOf(state.swept)
  if (volumes.trapped) [state.full, state.trapped] = [ratioOf(volumes.full), ratioOf(volumes.trapped)]
  if (state.targetClearance) state.gap = sum([[1, state.clearance], [-1, state.targetClearance]])
  return state
}

/**
 * Everything a ledger says about a build: per cylinder every part of the clearance volume with value, sources of
 * doubt and provenance, the ratio and the gap to target, as it is and as planned; what pours settled and taught.
 *
 * @param entries the whole ledger, in any order
 * @returns undefined while no layout says how many cylinders there are
 * @throws RangeError for a body whose figures leave the domain of the formulas; see {@link replay} for what never throws
 * Source: the core contract; u² = Σ over sources of (Σ sensitivity·u)² (JCGM 100:2008 §5.2.2).
 * @example reckon(entries)?.asIs[0].ratio?.estimate.value // 9.14
 */
export function reckon(entries: readonly Entry[]): Replay | undefined {
  const opened = openLedger(entries)
  if (!opened) return undefined
  const ledger = withHeights(opened)
  const { layout } = ledger
  const lessons = lessonsOf(ledger)
  const column = (planned: OperationEntry[]) => layout.cylinders.map(c => cylinderState(ledger, lessons, c, planned))
  const asIs = column([])
  const withoutCuts = ledger.planned.filter(op => op.kind !== 'faceCut')
  return {
    leftOut: [], ledger, layout, target: ledger.target, offers: ledger.offers, live: ledger.live, lessons,
    asIs,
    asPlanned: ledger.planned.length > 0 ? column(ledger.planned) : asIs,
    beforeCut: withoutCuts.length > 0 ? column(withoutCuts) : asIs,
    planned: ledger.planned, done: ledger.done,
    pours: layout.cylinders.map((cylinder) => {
      const poured = (ledger.pours.get(cylinder) ?? []).filter(pour => pour.body.encloses === 'chamber')
      const current = chamberNow(ledger, lessons, cylinder)?.pours ?? []
      return { cylinder, current, ever: poured.length > 0, disagreement: disagreement(current) }
    }),
    wholes: layout.cylinders.map((cylinder) => {
      const { pours, since } = lastPoured(wholeStretches(ledger, cylinder))
      return { cylinder, current: since.length > 0 ? [] : pours, ever: pours.length > 0 }
    }),
    challenges: layout.cylinders.flatMap(cylinder => challengesOf(ledger, lessons, cylinder)),
    heights: heightsOf(ledger), ports: portStandings(ledger), portPairs: portPairs(ledger),
    held: new Set(layout.cylinders.filter(c => ofKind(ledger.live.entries, 'hold')
      .filter(e => e.scope.level === 'cylinder' && e.scope.cylinder === c).at(-1)?.body.held)),
    settlements: settlementsOf(ledger, lessons),
    perMm: new Map(layout.cylinders.flatMap((c) => {
      const perMm = perMmOf(ledger, lessons, c)
      return perMm ? [[c, perMm] as const] : []
    }))
  }
}

function challengesOf(ledger: Ledger, lessons: Lesson[], cylinder: number): Challenge[] {
  const whole = lastPoured(wholeStretches(ledger, cylinder))
  const things: { encloses: Enclosed, n: number, pours: PourEntry[] }[] = [
    { encloses: 'chamber', n: 1, pours: chamberNow(ledger, lessons, cylinder)?.pours ?? [] }, { encloses: 'assembled', n: 1, pours: whole.since.length > 0 ? [] : whole.pours },
    { encloses: 'crown', n: 1, pours: crownPours(ledger, cylinder) }, { encloses: 'container', n: 1, pours: lastSeries(ledger.pours.get(cylinder) ?? [], 'container') },
    ...portsIn(ledger.layout).filter(port => port.cylinder === cylinder).map(port => ({ encloses: `${port.valve}Port` as const, n: port.n, pours: portSeries(ledger, port).at(-1) ?? [] }))
  ]
  return things.flatMap(({ encloses, n, pours }) => {
    const apart = disagreement(pours)
    const leaking = pours.filter(pour => watchOf(pour)).at(-1)
    const leak = leaking && watchOf(leaking)!
    if (!apart && !leak?.leaking) return []
    return [{
      cylinder, encloses, n, ...(apart ? { disagreement: apart } : {}),
      ...(leaking && leak?.leaking ? { leak: { rate: leak.rate, pour: leaking.id } } : {})
    }]
  })
}
