import { USUAL_BENCH, atDepression, benchErrors, dischargeCoefficient, flowOverLift, flowUnderCurve, repeatSums, type BenchErrors, type FlowRow, type RepeatSums } from '../flow'
import { fit, ofKind, operationsOn, scopeName, type EntryOf, type PortPlaceName } from '../ledger'
import { curtainArea, flowArea, type LiftRow } from '../shroud'
import { remembered } from './remembered'
import { drawnValve, seatsFound, throatRecord, valveAcross } from './portRecords'
import { portScope, portWorked, portWorkedAt, portsIn, type PortName } from './ports'
import type { Replay } from './replay'

/** Air where nobody read it: °C, hPa. */
export const USUAL_ROOM = { temperature: 20, pressure: 1013.25 } as const

/** A run on the bench; `n` counts the engine's runs, by which each keeps its colour and its name. */
export interface FlowRun {
  entry: EntryOf<'flowRun'>
  port: PortName
  n: number
  place: number
  /** What was reached, at the depression it was measured. */
  rows: FlowRow[]
}

const rowsOf = (entry: EntryOf<'flowRun'>): FlowRow[] => entry.body.rows.flatMap(({ lift, flow }) => flow === undefined ? [] : [{ lift, flow }])

/** All runs of an engine, in order. */
export function flowRuns(r: Replay): FlowRun[] {
  return remembered(r.ledger, 'flow runs', () => {
    const ports = new Map(portsIn(r.layout).map(port => [scopeName(portScope(r.layout, port)), port]))
    return ofKind(r.live.entries, 'flowRun').flatMap((entry) => {
      const port = ports.get(scopeName(entry.scope))
      return port ? [{ entry, port, n: r.ledger.runs.get(entry.id) ?? 0, place: r.ledger.place.get(entry.id) ?? 0, rows: rowsOf(entry) }] : []
    })
  })
}

const CONDITIONS = ['pipe', 'entry', 'manifold', 'valve'] as const
/**
 * What a port's flow depends on and somebody may have changed between two runs. `place` is work at a place in the port, `work` what
 * a run says that hours went into and no entry names.
 */
export type FlowThing = { what: (typeof CONDITIONS)[number] | 'chamber' | 'seat' | 'face' | 'throat' | 'flange' | 'port' | 'work' } | { what: 'place', place: PortPlaceName }
/** What can be put back on the bench; metal can't. */
export const canPutBack = (thing: FlowThing): boolean => (CONDITIONS as readonly string[]).includes(thing.what)

/** What a hand typed, whatever its case: “Back cut” is “back cut”, and a bench’s name likewise. */
const plain = (text?: string) => (text ?? '').trim().toLowerCase()

/** A throat that differs by less was only read anew, mm. */
const THROAT_SAME = 0.1

/**
 * What changed on the head and on the bench between two runs of one port, by the ledger.
 *
 * @param before, after in either order of choice; what came between them in time counts
 * @returns each thing once
 * @example changesBetween(standing, asReceived, opened) // [{ what: 'place', place: 'bowl' }]
 */
export function changesBetween(r: Replay, before: FlowRun, after: FlowRun): FlowThing[] {
  const [first, last] = before.place <= after.place ? [before, after] : [after, before]
  const { cylinder, valve, n } = last.port
  const [a, b] = [first.entry.body, last.entry.body]
  // A run that does not say how large its valve was had the engine's own.
  const [was, is] = [a, b].map(({ across }) => across?.value ?? valveAcross(r, last.port)?.estimate.value)
  const things: FlowThing[] = CONDITIONS.filter(name => plain(a[name]) !== plain(b[name]) || (name === 'valve' && was !== is)).map(what => ({ what }))
  const since = (entry: { id: string }) => {
    const place = r.ledger.place.get(entry.id) ?? -1
    return place > first.place && place < last.place
  }
  const came = r.live.entries.filter(since)
  const ops = operationsOn(r.done.filter(since), r.layout, cylinder, ['relief', 'faceCut', 'seatWork'])
  if (ops.some(op => op.kind === 'relief')) things.push({ what: 'chamber' })
  if (ops.some(op => op.kind === 'faceCut')) things.push({ what: 'face' })
  const seats = seatsFound(r, last.port)
  const form = (entry?: EntryOf<'seat'>) => entry && JSON.stringify([entry.body.cuts, entry.body.seat, entry.body.outer.value, entry.body.backCut?.value])
  const cutAnew = seats.some((entry, i) => i > 0 && since(entry) && form(entry) !== form(seats[i - 1]))
  if (cutAnew || ops.some(op => op.kind === 'seatWork' && (op.body.valve ?? valve) === valve && (op.body.n ?? n) === n)) things.push({ what: 'seat' })
  const own = scopeName(portScope(r.layout, last.port))
  const worked = [...new Set(portWorked(r.ledger, last.port).filter(since).map(e => e.body.place))]
  things.push(...worked.map(place => ({ what: 'place' as const, place })))
  const { readings } = throatRecord(r, last.port)
  const opened = readings.some((entry, i) => i > 0 && since(entry) && Math.abs(entry.body.across.value - readings[i - 1]!.body.across.value) > THROAT_SAME)
  if (opened && !worked.includes('throat')) things.push({ what: 'throat' })
  // An opening that was read for the first time, or of another cylinder, is none that was changed here.
  const outlines = ofKind(r.live.entries, 'flange').filter(e => e.body.port === valve && e.body.part === 'port' && fit(e.scope, r.layout, cylinder) > 0)
  const reshaped = outlines.some((entry, i) => {
    const earlier = outlines.slice(0, i).filter(e => scopeName(e.scope) === scopeName(entry.scope)).at(-1)
    return since(entry) && earlier !== undefined && JSON.stringify(entry.body.outline) !== JSON.stringify(earlier.body.outline)
  })
  if (reshaped && !worked.includes('flange')) things.push({ what: 'flange' })
  // A pour after work says that there was some, and not where.
  if (worked.length === 0 && !opened && ofKind(came, 'pour').some(e => e.body.encloses === `${valve}Port` && e.body.afterWork === true && (e.body.n ?? 1) === n && scopeName(e.scope) === scopeName({ level: 'cylinder', cylinder }))) things.push({ what: 'port' })
  const hours = flowRuns(r).some(run => run.place > first.place && run.place <= last.place && scopeName(run.entry.scope) === own && (run.entry.body.hours ?? 0) > 0)
  if (hours && things.every(canPutBack)) things.push({ what: 'work' })
  return things
}

/** Depressions nearer than this are one, as a share: nobody holds a manometer stiller. */
const DEPRESSION_SAME = 0.01

/** Why two runs say nothing of what was done to a head. */
export type NoVerdict = 'specimen' | 'bench' | 'depression' | 'fixture' | 'pipe' | 'claimed' | 'lifts'

/** What keeps two runs from being compared; none where they can be. */
export function incomparable({ entry: { body: a, scope: scopeA } }: FlowRun, { entry: { body: b, scope: scopeB } }: FlowRun): NoVerdict[] {
  return [
    ...a.claimed || b.claimed ? ['claimed' as const] : [],
    ...scopeName(scopeA) !== scopeName(scopeB) || plain(a.specimen) !== plain(b.specimen) ? ['specimen' as const] : [],
    ...plain(a.bench) !== plain(b.bench) ? ['bench' as const] : [],
    ...Math.abs(a.depression.value / b.depression.value - 1) > DEPRESSION_SAME ? ['depression' as const] : [],
    ...a.fixture?.value !== b.fixture?.value ? ['fixture' as const] : [],
    ...a.pipe !== b.pipe ? ['pipe' as const] : []
  ]
}

/**
 * Runs that repeat each other: one after another on one head, with nothing changed on it or on the bench.
 *
 * @param runs of an engine, in order
 * @returns each run once, alone where nothing repeats it
 */
export function repeatsOf(r: Replay, runs: readonly FlowRun[]): FlowRun[][] {
  const groups: FlowRun[][] = []
  for (const run of runs) {
    const group = run.entry.body.claimed ? undefined : groups.filter(([first]) => incomparable(first!, run).length === 0).at(-1)
    if (group && changesBetween(r, group[0]!, run).length === 0) group.push(run)
    else groups.push([run])
  }
  return groups
}

/** Runs of one mounting count as one. */
export function mountingsOf(group: readonly FlowRun[]): FlowRun[][] {
  const mountings: FlowRun[][] = []
  for (const run of group) {
    if (run.entry.body.sameMounting && mountings.length > 0) mountings.at(-1)!.push(run)
    else mountings.push([run])
  }
  return mountings
}

/** What was repeated on a bench, by its name: each head that was run again. */
export interface BenchRepeats { bench: string, heads: RepeatSums[] }

/** What this ledger repeated, on each bench that repeated anything. */
export function benchRepeats(r: Replay): BenchRepeats[] {
  return remembered(r.ledger, 'bench repeats', () => {
    const runs = flowRuns(r).filter(run => !run.entry.body.claimed && run.rows.every(row => row.flow > 0))
    return [...new Set(runs.map(run => plain(run.entry.body.bench)))].flatMap((bench) => {
      const same = runs.filter(run => plain(run.entry.body.bench) === bench)
      const heads = repeatsOf(r, same).map(group => repeatSums([mountingsOf(group).map(([first]) => first!.rows)])).filter(({ runs: n }) => n > 0)
      return heads.length > 0 ? [{ bench, heads }] : []
    })
  })
}

/**
 * A bench's own errors, out of its repeats in this build's ledger and in the shop's other builds.
 *
 * @param others what other builds repeated; one that was copied repeats the same to the last digit, and counts once
 * @returns the usual ones until there are any, `runs` being how many it is from
 * Source: {@link benchErrors}.
 */
export function errorsOf(r: Replay, bench: string, others: readonly BenchRepeats[] = []): BenchErrors & { runs: number } {
  const same = [...benchRepeats(r), ...others].filter(one => one.bench === plain(bench)).flatMap(({ heads }) => heads)
  const once = same.filter((sums, i) => same.findIndex(other => other.within === sums.within && other.means === sums.means && other.runs === sums.runs) === i)
  return benchErrors(once, USUAL_BENCH)
}

/** A run as it is drawn: flows at the depression that is shown, L/s. */
export interface FlowCurve {
  run: FlowRun
  rows: (FlowRow & { /** k = 1. */ u: number, /** On the curtain π·D·L and on the seat's own area. */ curtain?: number, seat?: number, /** m/s. */ speed?: number })[]
  /** It was measured at another depression, Pa. */
  from?: number
  peak: FlowRow
}

/** The throat as it was when a run was made, mm: read before it, else after, with no work at the throat between; as drawn where nobody read it. */
function throatThen(r: Replay, { port, place }: FlowRun): number | undefined {
  const { readings } = throatRecord(r, port)
  if (readings.length === 0) return drawnValve(r, port)?.throat
  const opened = portWorkedAt(r.ledger, port, 'throat')
  const read = readings.map(e => ({ across: e.body.across.value, at: r.ledger.place.get(e.id) ?? 0 })).filter(({ at }) => !opened.some(work => work > Math.min(at, place) && work < Math.max(at, place)))
  return (read.filter(({ at }) => at < place).at(-1) ?? read[0])?.across
}

/**
 * A run's curve as it is shown.
 *
 * @param wanted the depression that all are shown at, Pa
 * @returns coefficients are of the depression that was measured; none where the valve's diameter is not known
 * Source: {@link atDepression}, {@link dischargeCoefficient}, {@link curtainArea}; speed is flow over the throat less the stem.
 * @example flowCurve(standing, run, 6974.49).peak.flow // 82.4 L/s
 */
export function flowCurve(r: Replay, run: FlowRun, wanted: number, errors: BenchErrors = errorsOf(r, run.entry.body.bench)): FlowCurve {
  const { depression, temperature, pressure, across } = run.entry.body
  const drawn = drawnValve(r, run.port)
  const valve = across?.value ?? valveAcross(r, run.port)?.estimate.value
  const throat = throatThen(r, run)
  const air = { depression: depression.value, temperature: temperature?.value ?? USUAL_ROOM.temperature, pressure: (pressure?.value ?? USUAL_ROOM.pressure) * 100 }
  const open = throat === undefined ? undefined : Math.PI / 4 * (throat ** 2 - (drawn?.stem ?? 0) ** 2)
  const relative = Math.hypot(errors.setup, errors.reading)
  const rows = run.rows.map(({ lift, flow }) => {
    const shown = atDepression(flow, depression.value, wanted)
    const coefficient = (area: number) => dischargeCoefficient({ flow, area, ...air })
    const passage = drawn?.stem !== undefined && throat !== undefined && drawn.stem > 0 && throat > drawn.stem ? { diameter: valve!, seatWidth: drawn.seatWidth, seatAngle: drawn.seatAngle, throat, stem: drawn.stem } : undefined
    const seat = passage && curtainArea(passage, lift) > 0 ? flowArea(passage, lift) : undefined
    return {
      lift, flow: shown, u: shown * relative,
      ...valve !== undefined ? { curtain: coefficient(Math.PI * valve * lift) } : {}, ...seat !== undefined ? { seat: coefficient(seat) } : {},
      ...open !== undefined && open > 0 ? { speed: shown * 1000 / open } : {}
    }
  })
  return {
    run, rows, peak: rows.reduce((best, row) => row.flow > best.flow ? row : best, rows[0]!),
    ...Math.abs(depression.value / wanted - 1) > DEPRESSION_SAME ? { from: depression.value } : {}
  }
}

/** One curve in figures: under it between two lifts (L/s·mm), over a cam's own lifts (L/s), and its peak. */
export interface CurveFigures { under?: number, over?: { flow: number, beyond: number } }

/**
 * A curve in figures.
 *
 * @param from, to lifts that the area is taken between, mm; none where the curve does not reach as far
 * @param cam lifts at the valve over the crank's angle
 * Source: {@link flowUnderCurve}, {@link flowOverLift}.
 */
export function curveFigures({ rows }: FlowCurve, from: number, to: number, cam?: readonly LiftRow[]): CurveFigures {
  const reaches = rows.length > 0 && from >= 0 && to > from && to <= rows.at(-1)!.lift
  return { ...reaches ? { under: flowUnderCurve(rows, from, to) } : {}, ...cam ? { over: flowOverLift(rows, cam) } : {} }
}
