import { DEFAULT_U, carry, linear, type Sourced } from '../../estimate'
import { clearanceForRatio } from '../../engine'
import { cylindersOf, kindRule, untyped, type OperationEntry, type Quantity } from '../../ledger'
import type { ShopRules, Work } from '../../shop'
import type { Replay } from '../../standing'
import { asIf, type AsIf, type CylinderAsIf, type Tried } from '../asIf'
import type { Chambers } from '../chambers'
import { chanceOfAll, safeFirstCut, worthMeasuring, type Draws } from './chance'
import { atLimits, breachesOf, heldBy, readingOf, spreadOf, type Breach, type Kept, type Reading, type RoomAtLimit } from './judge'
import { hundredth, offTarget, rangeOf, type Solved } from './solve'
import { WORTH_CUTTING, billOf, stepsOf, type Bill, type Figures, type Step, type Way } from './way'

/** A cylinder after a stage: what the glass, the solder and the sums will say. */
export interface AfterStage { cylinder: number, chamber?: number, clearance?: number, ratio?: number, squish?: number }

/** A stage of a route; `depths` where it cuts, by head or bank. */
export interface Stage { work: Work, operations: Tried[], depths: number[], cylinders: AfterStage[] }

/** A measurement that would make a route surer. */
export type Measurement = { what: 'quantity', quantity: Quantity } | { what: 'secondPour' } | { what: 'gasket' }

/** A way to the target with everything that follows from it. */
export interface Route extends Bill {
  way: Way
  figures: Figures
  stages: Stage[]
  /** As they would be planned, each face cut with what it takes off every chamber. */
  operations: OperationEntry[]
  /** The same as far as it is planned when the route is taken: of two cuts of a face the first, no deeper than is safe. */
  begins: OperationEntry[]
  /** That every cylinder ends inside the target's band. */
  chance: number
  spread: number
  cylinders: (Reading & { chamber?: number })[]
  /** What the next bit of metal would meet, and how much is left to it. */
  held?: RoomAtLimit
  breaches: Breach[]
  /** By head: the deepest first cut that leaves one chance in twenty that any cylinder ends past the far side. */
  firstCuts: number[]
  /** Measurements that would raise the chance, and by how much, the most first. */
  worth: { measurement: Measurement, more: number }[]
  source: 'mouth' | 'solid' | 'both'
  /** It comes near a seat whose height nobody measured. */
  assumedSeats: boolean
}

/** A seat whose height is only assumed is asked for where a cut leaves less than this of it, mm. */
const NEAR_SEAT = 0.5

/** A first cut may take a cylinder past the far side this often. */
export const PAST_AT_MOST = 0.05

/** All that a route is worked out with. */
export interface Bench extends Kept { standing: Replay, rules: ShopRules, chambers: Chambers, draws: Draws }

/** A face cut no deeper than its head's first, and none where no first cut is safe; other work as it is. */
function shallower(op: Tried, first: readonly number[]): Tried[] {
  if (op.kind !== 'faceCut' || op.scope.level !== 'head') return [op]
  const depth = first[op.scope.head - 1] ?? 0
  return depth >= WORTH_CUTTING ? [{ ...op, body: { ...op.body, depth: untyped(depth, 'mm') } }] : []
}

const flat = (steps: readonly { operations: Tried[] }[]) => steps.flatMap(step => step.operations)

/**
 * A way with its figures as a route: every depth brought to the target by {@link asIf} on the shape of the chambers, every stage
 * with what it will read, every limit judged again.
 *
 * @param held depths that stand as they are, because a limit holds them
 * @param most how deep a limit lets each head be cut
 * @returns undefined while a chamber is not ready, or where there is no ratio
 * Source: {@link asIf}; each depth by secant steps on the middle of its cylinders' ratios.
 */
export function routeOf(bench: Bench, way: Way, { figures, held, most }: Pick<Solved, 'figures' | 'held' | 'most'>): Route | undefined {
  const settled = brought(bench, way, figures, held, most)
  return settled && dressed(bench, way, settled.figures, stepsOf(bench.standing, way, settled.figures), settled.after)
}

/** Steps that were settled, as a route: what each leaves, what it costs, how sure it is, what holds it. */
export function dressed(bench: Bench, way: Way, exact: Figures, steps: Step[], after: AsIf): Route | undefined {
  const { standing, rules, chambers, band } = bench
  const readings = after.cylinders.flatMap(c => readingOf(standing, rules, c) ?? [])
  if (readings.length < standing.layout.cylinders.length) return undefined
  const bill = billOf(standing, rules, way, steps)
  const all = atLimits(way, bench, readings, exact, bill)
  const late = new Set(after.operations.flatMap(op => op.kind === 'seatWork' && !op.body.first ? [`entry:${op.id}`] : []))
  const ratios = after.cylinders.map(c => sureness(bench, way, c, late))
  const bands = ratios.map(() => band)
  const stages = steps.map(({ work, operations }, i): Stage => {
    const then = i === steps.length - 1 ? after : asIf(standing, flat(steps.slice(0, i + 1)), chambers)
    return {
      work, operations, cylinders: then.cylinders.map(afterStage),
      depths: operations.flatMap(op => op.kind === 'faceCut' || op.kind === 'deckCut' ? [op.body.depth.value] : op.kind === 'spacer' ? [op.body.change.value] : [])
    }
  })
  // A turned face is cut for the squish: what it does to the ratio the dome undoes, in rounds of its own.
  const first = way.down === 'dome' ? exact.faces : firstCuts(bench, steps, after)
  const worth = worthMeasuring(ratios, bands, measurementsFor(standing, ratios), bench.draws)
  const room = after.cylinders.flatMap(c => c.room ? [c.room] : [])
  return {
    way, figures: exact, stages, operations: after.operations, ...bill, chance: chanceOfAll(ratios, bands, bench.draws), spread: spreadOf(readings),
    cylinders: readings.map((r, i) => ({ ...r, chamber: after.cylinders[i]!.state.parts.chamber?.estimate.value })), held: heldBy(all, bill.metal > 0), breaches: breachesOf(all), firstCuts: first, begins: way.setUps === 2 ? asIf(standing, flat(steps).flatMap(op => shallower(op, first)), chambers).operations : after.operations,
    worth: worth.map(({ measurement: { of }, more }) => ({ measurement: of, more })),
    source: room.length === 0 ? 'mouth' : room.length === readings.length ? 'solid' : 'both', assumedSeats: room.some(r => r.valves.some(({ valve, seat }) => r.seats[valve.valve] === 'assumed' && seat.margin < NEAR_SEAT))
  }
}

const afterStage = ({ cylinder, state, squish }: CylinderAsIf): AfterStage => ({
  cylinder, chamber: state.parts.chamber?.estimate.value, clearance: state.clearance?.estimate.value, ratio: state.ratio?.estimate.value,
  squish: squish.running?.gap.estimate.value ?? squish.gap?.estimate.value
})

/** The free depths moved until the middle of their cylinders stands at the target by the shape. */
export function brought({ standing, chambers }: Bench, way: Way, start: Figures, held: readonly boolean[], most: readonly number[] = []): { figures: Figures, after: AsIf } | undefined {
  const { layout, target } = standing
  const wanted = target!.body.ratio.value
  const at = (figures: Figures) => asIf(standing, flat(stepsOf(standing, way, figures)), chambers)
  let figures = start
  let after = at(figures)
  if (after.cylinders.some(c => c.waiting)) return undefined
  const cut = start.faces.flatMap((depth, i) => depth > 0 && !held[i] ? [i] : [])
  const off = (then: AsIf, head: number) => offTarget(rangeOf(cylindersOf(layout, head + 1), c => then.cylinders.find(x => x.cylinder === c)!.state.ratio?.estimate.value ?? Number.NaN), wanted)
  for (let i = 0; i < 4 && cut.length > 0; i++) {
    const offs = cut.map(head => off(after, head))
    if (offs.some(o => !Number.isFinite(o)) || offs.every(o => Math.abs(o) < 1e-5)) break
    const faces = [...figures.faces]
    cut.forEach((head, k) => {
      const [first] = cylindersOf(layout, head + 1)
      const { state } = after.cylinders.find(c => c.cylinder === first)!
      // d(Vc/Vs)/dd = −A/Vs.
      const rate = rateOf(after, first!) ?? standing.perMm.get(first!)!.estimate.value
      faces[head] = Math.max(0, faces[head]! - offs[k]! * state.swept!.estimate.value / rate)
    })
    const next = { ...figures, faces: faces.map((depth, head) => Math.min(hundredth(depth), most[head] ?? Infinity)) }
    if (next.faces.every((d, k) => d === figures.faces[k])) break
    figures = next
    after = at(figures)
  }
  return { figures, after }
}

/** cc per mm at the end of a cylinder's face cut, by its drawing. */
function rateOf(after: AsIf, cylinder: number): number | undefined {
  const removed = after.operations.flatMap(op => op.kind === 'faceCut' ? op.body.removed?.filter(r => r.cylinder === cylinder) ?? [] : []).at(-1)
  return removed?.perMm
}

/**
 * A cylinder's ratio by its sources. With a pour between two set-ups the chamber is known by that pour and not by what was
 * predicted: its glass, its reading, the second cut's own depth, and the seats that are cut after it.
 *
 * @param late sources of seat work after the last cut
 */
function sureness({ standing }: Bench, way: Way, { cylinder, state }: CylinderAsIf, late: ReadonlySet<string>): Sourced {
  const ratio = state.ratio!.estimate
  const cut = way.setUps === 2 && way.down !== 'none' && way.down !== 'deck' && way.down !== 'spacer'
  const chamber = state.parts.chamber!.estimate
  if (!cut) return ratio
  const slope = -state.swept!.estimate.value / state.clearance!.estimate.value ** 2
  const now = standing.asIs.find(s => s.cylinder === cylinder)!.parts.chamber!.estimate
  const perMm = standing.perMm.get(cylinder)?.estimate.value ?? 0
  const poured: Sourced = { value: 0, by: new Map([
    ...[...now.by].filter(([source]) => source.startsWith('scale:')), ...[...chamber.by].filter(([source]) => late.has(source)),
    [`reading:${cylinder}`, DEFAULT_U.repeatability / Math.SQRT2], [`machine:second cut ${state.head}`, perMm * DEFAULT_U.cutDialled]
  ]) }
  return { value: ratio.value, by: linear([[1, ratio], [-slope, chamber], [slope, poured]]).by }
}

/** The safe first cut of every head, no deeper than the whole. */
function firstCuts({ standing, chambers, band, draws }: Bench, steps: readonly { operations: Tried[] }[], after: AsIf): number[] {
  const all = flat(steps)
  const before = asIf(standing, all.filter(op => op.kind !== 'faceCut'), chambers)
  return standing.layout.heads.map((_, i) => {
    const cut = all.find(op => op.kind === 'faceCut' && op.scope.level === 'head' && op.scope.head === i + 1)
    if (!cut || cut.kind !== 'faceCut') return 0
    const depth = cut.body.depth.value
    const mine = cylindersOf(standing.layout, i + 1)
    const list = mine.flatMap((c) => {
      const [was, then] = [before, after].map(x => x.cylinders.find(one => one.cylinder === c)!.state)
      if (!was?.clearance || !then?.clearance || !was.swept || depth <= 0) return []
      const least = carry(([vs]) => clearanceForRatio(vs!, band.high), [was.swept.estimate])
      const taken = was.clearance.estimate.value - then.clearance.estimate.value
      if (!(taken > 0)) return []
      const walls = new Map([...then.parts.chamber!.estimate.by].filter(([source]) => source.startsWith('model:') || source.startsWith('standIn:mouth')))
      return [{ over: linear([[1, was.clearance.estimate], [-1, least]]), perMm: { value: taken / depth, by: linear([[1 / depth, { value: 0, by: walls }]]).by } }]
    })
    return list.length === 0 ? 0 : Math.min(depth, Math.floor(100 * safeFirstCut(list, DEFAULT_U.cutDialled, PAST_AT_MOST, draws)) / 100)
  })
}

interface Candidate { sources: (source: string) => boolean, left: number, of: Measurement }

/** What could still be measured of what makes these ratios unsure. */
function measurementsFor({ ledger, asIs }: Replay, ratios: readonly Sourced[]): Candidate[] {
  const sources = new Set(ratios.flatMap(r => [...r.by.keys()]))
  const list: Candidate[] = []
  for (const source of sources) {
    if (source.startsWith('standIn:')) list.push({ sources: s => s === source, left: 0.15, of: { what: 'quantity', quantity: source.slice('standIn:'.length) as Quantity } })
    const entry = source.startsWith('entry:') ? ledger.live.entries.find(e => `entry:${e.id}` === source) : undefined
    if (entry && (entry.kind === 'book' || entry.kind === 'assume') && entry.body.quantity !== 'chamberVolume') list.push({ sources: s => s === source, left: entry.kind === 'book' ? 0.5 : 0.2, of: { what: 'quantity', quantity: entry.body.quantity } })
  }
  if ([...sources].some(s => s.endsWith(':gasketThickness'))) list.push({ sources: s => s.endsWith(':gasketThickness'), left: 0.5, of: { what: 'gasket' } })
  const single = new Set(asIs.flatMap(s => s.parts.chamber?.entries.length === 1 ? s.parts.chamber.entries : []).filter(id => kindRule(ledger.live.entries.find(e => e.id === id)?.kind ?? 'pour').role === 'reading').map(id => `entry:${id}`))
  if (single.size > 0) list.push({ sources: s => single.has(s), left: Math.SQRT1_2, of: { what: 'secondPour' } })
  return list
}
