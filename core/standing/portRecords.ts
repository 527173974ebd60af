import { seatLedge } from '../chamber'
import { DomainError } from '../domain'
import { DEFAULT_U, fromSource, linear, uncertainty, type Sourced } from '../estimate'
import { FIGURE_BOUNDS, FLANGE_PARTS, NOW, fit, ofKind, scopeName, sunkBy, type EntryOf, type FlangePart, type SectionRow, type Scope, type Valve } from '../ledger'
import {
  flangeStep, gaveWhenSunk, outlinePoints, peakDemand, revsAtMach, sectionArea, sectionsVolume, seatFaults, seatForm, speedOfSound, speedThrough, throatFor, throatShare, throatStanding, wallOf, FADE, FILLING_FALLS,
  type FlangeStep, type FlangeWall, type PortSection, type SeatFault, type ThroatStanding, type XY
} from '../port'
import type { ShopRules } from '../shop'
import { modelOf, quantityOf } from './asked'
import type { Part } from './part'
import { portScope, portSeries, portWorkedAt, portsIn, valveScope, type PortName } from './ports'
import { sourcedPours, type PourEntry } from './pours'
import type { Replay } from './replay'
import { doneOn } from './remembered'

function entriesOf<K extends 'throat' | 'portPlace' | 'portSections' | 'mould' | 'seat'>(r: Replay, kind: K, scope: Scope): EntryOf<K>[] {
  const name = scopeName(scope)
  return ofKind(r.live.entries, kind).filter(e => scopeName((e as { scope: Scope }).scope) === name)
}

/** Doubt of an inside calliper in a throat, which is seldom round, mm. */
const CALLIPER_U = 0.05

/** A port's valve as it is drawn; nothing where nobody drew it. */
export const drawnValve = (r: Replay, { cylinder, valve, n }: PortName) => modelOf(r, cylinder)?.spec.valves.filter(v => v.valve === valve)[n - 1]

/**
 * Diameter of the valve a port leads to: as drawn, else as stated.
 *
 * @returns undefined where nobody drew it or stated it
 * @example valveAcross(standing, { cylinder: 1, valve: 'intake', n: 1 })?.estimate.value // 44.5
 */
export function valveAcross(r: Replay, port: PortName): Part | undefined {
  const { cylinder, valve, n } = port
  const drawn = drawnValve(r, port)
  if (!drawn) return quantityOf(r, `${valve}Valve`, cylinder)
  return { estimate: fromSource(drawn.diameter, DEFAULT_U.crownDiameter, `drawn:${cylinder}:${valve}:${n}`), provenance: 'measured', entries: [] }
}

/** Whether a reading in a port is of it as it came: nobody had ticked any work in it before. */
const cameSo = (r: Replay, port: PortName, reading: { id: string }): boolean => !portWorkedAt(r.ledger, port).some(at => at < placeOf(r, reading))

/** A throat as it came in and as it is, and what is wanted of it. Lengths mm, shares of the valve. */
export interface ThroatRecord {
  readings: EntryOf<'throat'>[]
  received?: number
  now?: Part
  valve?: Part
  /** Its valve is drawn, and nobody needs to state it. */
  drawn: boolean
  share?: { value: number, standing: ThroatStanding }
  wanted?: { share: number, across: number, /** On the diameter; below 0 it is larger already. */ toOpen?: number }
}

/**
 * A port's throat.
 *
 * @returns without a share where the valve's diameter is not known, or is no larger than the throat
 * Source: {@link throatShare}, {@link throatFor}.
 * @example throatRecord(standing, { cylinder: 1, valve: 'intake', n: 1 }).share?.value // 0.867
 */
export function throatRecord(r: Replay, port: PortName): ThroatRecord {
  const readings = entriesOf(r, 'throat', portScope(r.layout, port))
  const last = readings.at(-1)
  const received = readings[0] && cameSo(r, port, readings[0]) ? readings[0].body.across.value : undefined
  const valve = valveAcross(r, port)
  const share = quantityOf(r, `${port.valve}ThroatShare`, port.cylinder)?.estimate.value
  const now = last && last.body.across.value
  const fits = now !== undefined && valve && now < valve.estimate.value
  const of = fits ? throatShare({ throat: now, valveDiameter: valve.estimate.value }) : undefined
  const across = share !== undefined && valve ? throatFor({ share, valveDiameter: valve.estimate.value }) : undefined
  return {
    readings, received, valve, drawn: drawnValve(r, port) !== undefined,
    ...last ? { now: { estimate: fromSource(last.body.across.value, CALLIPER_U, `entry:${last.id}`), provenance: 'measured' as const, entries: [last.id] } } : {},
    ...of !== undefined ? { share: { value: of, standing: throatStanding(of) } } : {},
    ...share !== undefined && across !== undefined ? { wanted: { share, across, ...now !== undefined ? { toOpen: across - now } : {} } } : {}
  }
}

/** A port's volume between two times it was worked on: what was poured, what the work before it added, and what that was reckoned to add, cc. */
export interface PortStage { pours: PourEntry[], part: Part, added?: Sourced, reckoned?: number }

/** A port's pours as it came: none where it was worked on before the first of them. */
export function portReceived(r: Replay, port: PortName): Part | undefined {
  const first = portStages(r, port)[0]
  return first && !first.pours[0]!.body.afterWork && cameSo(r, port, first.pours[0]!) ? first.part : undefined
}

/**
 * What each stage of work on a port added: pours that belong together, in order.
 *
 * @returns none where it was not poured; scale errors of one glass are gone from what was added; `reckoned` by the places ticked
 *   between the stage before and this one, where any said what it would add
 * Source: difference of two results, sources carried (JCGM 100:2008 §5.2.2).
 * @example portStages(standing, { cylinder: 5, valve: 'exhaust', n: 1 }).at(-1)?.added?.value // 3.2 cc
 */
export function portStages(r: Replay, port: PortName): PortStage[] {
  const series = portSeries(r.ledger, port)
  const parts = series.map((pours): Part => ({ estimate: sourcedPours(pours), provenance: 'measured', entries: pours.map(p => p.id) }))
  return series.map((pours, i) => {
    if (i === 0) return { pours, part: parts[i]! }
    const reckoned = addedBetween(r, port, placeOf(r, series[i - 1]!.at(-1)!), placeOf(r, pours[0]!))
    return { pours, part: parts[i]!, added: linear([[1, parts[i]!.estimate], [-1, parts[i - 1]!.estimate]]), ...reckoned > 0 ? { reckoned } : {} }
  })
}

const placeOf = (r: Replay, entry: { id: string }) => r.ledger.place.get(entry.id) ?? NOW
/** What the places of a port that were done between two moments were reckoned to add, cc. */
const addedBetween = (r: Replay, port: PortName, from: number, to: number) =>
  placesIn(r, port).filter(e => e.body.done && placeOf(r, e) > from && placeOf(r, e) < to).reduce((sum, e) => sum + (e.body.adds?.value ?? 0), 0)

/** What a port is reckoned to hold, cc: with what was ticked since it was poured, and once the rest is done too. A pour takes its place. */
export interface PortReckoned { poured: number, now: number, done: number }

/**
 * A port by its last pour and what the places marked in it are said to add.
 *
 * @returns undefined where it was not poured, or nothing that is not in the pour yet says what it adds
 * Source: sum of what a hand reckoned; it has no ± of its own.
 * @example portReckoned(standing, { cylinder: 5, valve: 'exhaust', n: 1 }) // { poured: 68.1, now: 69.1, done: 70.4 }
 */
export function portReckoned(r: Replay, port: PortName): PortReckoned | undefined {
  const last = portStages(r, port).at(-1)
  if (!last) return undefined
  const poured = last.part.estimate.value
  const taken = addedBetween(r, port, placeOf(r, last.pours.at(-1)!), Infinity)
  const open = placesIn(r, port).reduce((sum, { body }) => sum + (body.done ? 0 : body.adds?.value ?? 0), 0)
  return taken + open > 0 ? { poured, now: poured + taken, done: poured + taken + open } : undefined
}

/** A row of sections as a section. */
export const portSectionOf = ({ at, area, points, width, height, radius }: SectionRow): PortSection =>
  ({ at, area: sectionArea(area !== undefined ? { area } : points ? { points } : { width: width ?? Number.NaN, height: height ?? Number.NaN, radius: radius ?? 0 }) })

/** Relative doubt of a section, which is traced or taken as a rounded rectangle. */
const SECTION_U = 0.02

export interface SectionsRecord {
  entry: EntryOf<'portSections'>
  sections: (PortSection & { /** m/s at the cylinder's peak demand. */ speed?: number })[]
  least: PortSection
  volume: { value: number, u: number }
  /** Against the pour: sections less poured, cc, and what their doubts allow; `at`: when, of one that later work came after. */
  pour?: { value: number, difference: number, allowed: number, at?: string }
}

/**
 * Which pours a reading in a port may be of: those of its own stage, or of either side of work that nothing says the moment of.
 *
 * @param place of the reading in the order of things
 * @returns the earlier first; none where it was worked on between the reading and every pour
 */
export function stagesAround(r: Replay, port: PortName, place: number): PortStage[] {
  const worked = portWorkedAt(r.ledger, port)
  return portStages(r, port).filter(({ pours }, i, stages) => {
    const [from, first, last, to] = [stages[i - 1]?.pours.at(-1), pours[0], pours.at(-1), stages[i + 1]?.pours[0]].map(pour => pour && placeOf(r, pour))
    const parted = worked.some(at => (at > place && at < first!) || (at > last! && at < place))
    return !parted && place > (from ?? -1) && place < (to ?? Infinity)
  })
}

/**
 * A port's sections, and whether they hold what was poured.
 *
 * @returns against the pours of the port as it was when they were taken; where work came at a moment that nothing says, against the nearer
 * Source: {@link sectionsVolume}; two volumes agree within twice √(u² + u²), k = 2.
 * @example sectionsRecord(standing, port)?.least.area // 1020 mm²
 */
export function sectionsRecord(r: Replay, port: PortName): SectionsRecord | undefined {
  const entry = entriesOf(r, 'portSections', portScope(r.layout, port)).at(-1)
  if (!entry) return undefined
  const sections = entry.body.rows.map(portSectionOf)
  const { volume, least } = sectionsVolume(sections)
  const u = SECTION_U * volume
  const off = (stage: PortStage) => Math.abs(volume - stage.part.estimate.value)
  const stage = stagesAround(r, port, placeOf(r, entry)).sort((a, b) => off(a) - off(b))[0]
  const poured = stage?.part.estimate
  const later = stage && stage.pours !== portSeries(r.ledger, port).at(-1)
  const demand = port.valve === 'intake' ? demandOf(r, port.cylinder)?.peak : undefined
  return {
    entry, least, volume: { value: volume, u },
    sections: sections.map(s => ({ ...s, ...demand !== undefined ? { speed: speedThrough(demand, s.area) } : {} })),
    ...poured ? { pour: { value: poured.value, difference: volume - poured.value, allowed: 2 * Math.hypot(u, uncertainty(poured)), ...later ? { at: stage.pours.at(-1)!.at } : {} } } : {}
  }
}

/** A flow coefficient that is usual where nobody measured one, and the charge's temperature in a warm inlet, °C. */
export const USUAL_INLET = { coefficient: 0.35, temperature: 22 } as const

/** What a cylinder's intake is asked for: L/s a port at peak, and the revs between which filling falls away. */
export interface InletDemand { revs: number, peak: number, mach?: number, falls?: { from: number, to: number }, coefficient: number, assumed: boolean }

/**
 * What a cylinder draws through each of its intake ports at the revs it is built for.
 *
 * @returns undefined while bore, stroke, rod or revs are not known
 * Source: {@link peakDemand}, shared evenly between its intakes; {@link machIndex}.
 * @example demandOf(standing, 1)?.peak // 153.8 L/s
 */
export function demandOf(r: Replay, cylinder: number): InletDemand | undefined {
  const known = (name: 'bore' | 'stroke' | 'rodLength' | 'revs' | 'intakeFlowCoefficient') => quantityOf(r, name, cylinder)?.estimate.value
  const [bore, stroke, rodLength, revs] = [known('bore'), known('stroke'), known('rodLength'), known('revs')]
  const valves = r.layout.engine?.intakes ?? 1
  if (bore === undefined || stroke === undefined || rodLength === undefined || revs === undefined || valves < 1 || rodLength <= stroke / 2) return undefined
  const stated = known('intakeFlowCoefficient')
  const coefficient = stated ?? USUAL_INLET.coefficient
  const valve = valveAcross(r, { cylinder, valve: 'intake', n: 1 })?.estimate.value
  const at = valve === undefined ? undefined : { bore, stroke, valveDiameter: valve, valves, meanFlowCoefficient: coefficient, soundSpeed: speedOfSound(USUAL_INLET.temperature) }
  return {
    revs, peak: peakDemand({ bore, stroke, rodLength, rpm: revs }) / valves, coefficient, assumed: stated === undefined,
    ...at ? { mach: revs / revsAtMach(at, 1), falls: { from: revsAtMach(at, FILLING_FALLS.from), to: revsAtMach(at, FILLING_FALLS.to) } } : {}
  }
}

/** What is marked in a port, the last word of each entry. */
export const placesIn = (r: Replay, port: PortName): EntryOf<'portPlace'>[] => entriesOf(r, 'portPlace', portScope(r.layout, port))

/** A mould, when it may come out, and whether that is now. `due` in ms since 1970. */
export interface MouldStanding { port: PortName, entry: EntryOf<'mould'>, due: number }

/**
 * Moulds that are still in their ports, the next one first.
 *
 * Source: when it was poured, and the hours its sheet says: nothing else is kept, so a reload or a restart changes nothing.
 */
export function mouldsIn(r: Replay): MouldStanding[] {
  if (!r.live.entries.some(e => e.kind === 'mould')) return []
  return portsIn(r.layout).flatMap((port) => {
    const entry = entriesOf(r, 'mould', portScope(r.layout, port)).at(-1)
    return entry && !entry.body.out ? [{ port, entry, due: Date.parse(entry.at) + entry.body.hours * 3_600_000 }] : []
  }).sort((a, b) => a.due - b.due)
}

/** Moulds that are out of their ports: what was read off them is of the port as it was then. */
export function mouldsOut(r: Replay): Omit<MouldStanding, 'due'>[] {
  if (!r.live.entries.some(e => e.kind === 'mould')) return []
  return portsIn(r.layout).flatMap(port => entriesOf(r, 'mould', portScope(r.layout, port)).filter(entry => entry.body.out).map(entry => ({ port, entry })))
}

/** Less than this nobody enters as work, mm. */
const WORTH_ENTERING = 0.02

/** A valve's seat as it is, and what was found. */
export interface SeatRecord {
  entry: EntryOf<'seat'>
  before: EntryOf<'seat'>[]
  form: ReturnType<typeof seatForm>
  faults: SeatFault[]
  /** How far the valve has gone up since the first record, mm, by its stem; `anotherValve`: by its margin it is not the one of then. */
  sunk?: number
  anotherValve?: true
  /** What that gave the chamber by its cone, of what no seat work that was entered says yet: mm, cc. */
  gave?: { sunk: number, added: number }
  /** Its angle was another before: the throat wants blending again. */
  angleWas?: number
}

/** Grinding thins a valve's margin: one that grew by more than a rule's reading is another valve's, mm. */
const ANOTHER_VALVE = 0.1
/** Whether another valve was put in since the first of some records: what its stem says of the seat hangs on how long it is. */
function isAnotherValve(records: readonly EntryOf<'seat'>[]): boolean {
  const margins = records.flatMap(({ body }) => body.margin?.value ?? [])
  return margins.some((margin, i) => i > 0 && margin > margins[i - 1]! + ANOTHER_VALVE)
}

/** What so much gave; nothing where a slip of the stem's figure would have the form be nothing before. */
function gaveBy(form: SeatRecord['form'], sunk: number): SeatRecord['gave'] {
  try {
    return sunk <= FIGURE_BOUNDS.sunk.max ? { sunk, added: gaveWhenSunk(form, sunk) } : undefined
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    return undefined
  }
}

/**
 * The seat of a valve by its last record, judged by the shop's limits.
 *
 * Source: {@link seatForm}, {@link seatFaults}; a valve is sunk by what its stem gained over the spring seat.
 * @example seatRecord(standing, STARTING_RULES, { cylinder: 1, valve: 'exhaust', n: 1 })?.form.seatAngle // 45
 */
export function seatRecord(r: Replay, rules: ShopRules, port: PortName): SeatRecord | undefined {
  const all = seatsFound(r, port)
  const entry = all.at(-1)
  if (!entry) return undefined
  const form = seatForm({ ...entry.body, outer: entry.body.outer.value })
  const first = all.find(e => e.body.tip)
  const { seats } = rules
  const { margin, runOut, guide, leak, pits, touches: where } = entry.body
  const sunk = entry.body.tip && first && first !== entry ? entry.body.tip.value - first.body.tip!.value : undefined
  const since = first ? r.ledger.place.get(first.id) ?? NOW : NOW
  const entered = doneOn(r.ledger, port.cylinder, ['seatWork'])
    .reduce((sum, op) => sum + (op.kind === 'seatWork' && (r.ledger.place.get(op.id) ?? NOW) > since ? sunkBy(op.body, port.valve, port.n) : 0), 0)
  const rest = (sunk ?? 0) - entered
  const gave = rest > WORTH_ENTERING ? gaveBy(form, rest) : undefined
  const previous = all.at(-2)
  const was = previous && seatForm({ ...previous.body, outer: previous.body.outer.value }).seatAngle
  return {
    entry, before: all.slice(0, -1), form,
    faults: seatFaults({ seatWidth: form.seatWidth, margin: margin?.value, runOut: runOut?.value, guide: guide?.value, leak, pits, touches: where }, { ...seats[port.valve], runOutMost: seats.runOutMost, guideMost: seats.guideMost }),
    ...sunk === undefined ? {} : { sunk, ...isAnotherValve(all.slice(all.indexOf(first!))) ? { anotherValve: true as const } : {} }, ...gave ? { gave } : {},
    ...was !== undefined && was !== form.seatAngle ? { angleWas: was } : {}
  }
}

/** A seat that was found or left, not one that is still to be cut. */
const isRecord = ({ body }: EntryOf<'seat'>) => body.up === undefined
/** A valve's seat as it was found and left, in order. */
export const seatsFound = (r: Replay, port: PortName): EntryOf<'seat'>[] => entriesOf(r, 'seat', valveScope(r.layout, port)).filter(isRecord)

/** A seat that is to be cut, mm and cc: how far its valve goes up, what its whole form gives the chamber by that, and the ledge it leaves where the seat alone is cut. */
export interface SeatWanted { entry: EntryOf<'seat'>, form: ReturnType<typeof seatForm>, up: number, added: number, before: number, ledge?: number }

/**
 * The seat that is planned for a valve.
 *
 * @returns undefined where none is, or it was recorded since; `before`: its form's outer edge where the valve stands now
 * Source: {@link gaveWhenSunk}, {@link seatLedge}: the same cone as a seat job's at Cut.
 * @example seatWanted(standing, { cylinder: 1, valve: 'exhaust', n: 1 })?.added // 0.593 cc
 */
export function seatWanted(r: Replay, port: PortName): SeatWanted | undefined {
  const entry = entriesOf(r, 'seat', valveScope(r.layout, port)).at(-1)
  if (!entry || isRecord(entry)) return undefined
  const form = seatForm({ ...entry.body, outer: entry.body.outer.value })
  const up = entry.body.up!.value
  return {
    entry, form, up, added: gaveWhenSunk(form, up), before: form.form - 2 * up / Math.tan(form.topCut * Math.PI / 180),
    ...form.seatAngle > form.topCut ? { ledge: seatLedge(form.seatAngle, form.topCut, up) } : {}
  }
}

/** A joint's openings as they stand for a cylinder, and the step where each two meet, in the direction of flow. */
export interface FlangeRecord { openings: Partial<Record<FlangePart, { entry: EntryOf<'flange'>, points: XY[] }>>, steps: JointStep[] }

/** Two openings that meet: the step, the wall it is at, whether it stands in the stream, and over how much it is to run out, mm. */
export interface JointStep { upstream: FlangePart, downstream: FlangePart, step: FlangeStep, wall: FlangeWall, inStream: boolean, fade: number }

/** Less than this no hand feels, mm. */
const FELT = 0.05

/**
 * The joint between a port and what is bolted to it.
 *
 * @returns the closest scope's opening of each part; a step for each two that meet, the gasket between where it is known, the one furthest into the stream first
 * Source: {@link flangeStep}: an intake flows from the pipe to the port, an exhaust the other way.
 * @example flangeRecord(standing, 1, 'exhaust').steps[0]?.step.worst.step // 0.8 mm
 */
export function flangeRecord(r: Replay, cylinder: number, valve: Valve): FlangeRecord {
  const openings: FlangeRecord['openings'] = {}
  let closest: Partial<Record<FlangePart, number>> = {}
  for (const entry of ofKind(r.live.entries, 'flange')) {
    const close = fit(entry.scope, r.layout, cylinder)
    const { part, port, outline } = entry.body
    if (port !== valve || close === 0 || close < (closest[part] ?? 0)) continue
    closest = { ...closest, [part]: close }
    openings[part] = { entry, points: outlinePoints(outline) }
  }
  const order = FLANGE_PARTS.filter(part => openings[part])
  const along = valve === 'intake' ? order : [...order].reverse()
  const steps = along.slice(1).map((downstream, i): JointStep => {
    const [from, to] = [openings[along[i]!]!.points, openings[downstream]!.points]
    const step = flangeStep({ upstream: from, downstream: to })
    return { upstream: along[i]!, downstream, step, wall: wallOf(step.worst, to, openings.port?.entry.body.inner), inStream: step.worst.step > FELT, fade: Math.max(0, step.worst.step) * FADE }
  })
  return { openings, steps: steps.sort((a, b) => b.step.worst.step - a.step.worst.step) }
}
