import type { Sourced } from '../../estimate'
import { untyped, type Valve } from '../../ledger'
import type { ShopRules } from '../../shop'
import { isOnTarget, targetBand, workGains, type Replay } from '../../standing'
import { asEntered, asIf, shapeOf, type Tried } from '../asIf'
import { NO_SOLIDS, type Chambers, type NotReady } from '../chambers'
import { unsized } from '../crowns'
import { evenPlan } from '../evenUp'
import { STARTING_SHAPING, schoolWork, type Walls } from '../shaping'
import { turnedPlan, type TurnedPlan } from '../turned'
import { limitFaults, offersOf, type LimitFault, type RouteAsk, type RouteLimits } from './ask'
import { chanceOfAll, drawsOf } from './chance'
import { columnsOf, ratioSourced, takenTables, type Column, type TakenTable } from './columns'
import { atLimits, breachesOf, nearer, spreadOf, type Breach, type Reading } from './judge'
import { newPiston } from './piston'
import { rolled } from './rolled'
import { dressed, routeOf, type Bench, type Route } from './route'
import { solveWay, type Aim, type Solved } from './solve'
import { GRINDINGS, GRINDING_SCHOOLS, NO_VALVE, billOf, bySchool, plannedAtShape, plannedSeats, stepsOf, type Bill, type Down, type Figures, type Grinding, type Step, type Way } from './way'

/** A way that is missing from the answer: where it ends, and what it breaks, what can't be put back first. */
export interface Missing { way: Way, faces: number[], decks: number[], ratios: number[], breaches: Breach[] }

/** Why there is nothing to search. */
export type NoSearch = { kind: 'noTarget' } | { kind: 'limits', faults: LimitFault[] } | { kind: 'noRatio', cylinders: number[] } | { kind: 'onTarget' }

export interface Found {
  kind: 'routes'
  /** None of them is beaten by another on everything; the surest first. */
  routes: Route[]
  /** The nearest where nothing keeps every limit: fewest broken, then least past them. */
  nearest?: Route
  missing: Missing[]
  /** Ways that were looked at, and those that kept every limit. */
  looked: number
  kept: number
  /** Kinds of valve whose size nobody stated, where a valve comes too near its piston: deeper pockets could not be looked for. */
  unsized?: Valve[]
}
export type RouteAnswer = NoSearch | Found

/** How far a search has come. */
export interface Progress { done: number, all: number }

const DRAWS = 4000
const SEED = 18
/** Routes that are solved on the solids at most, and ways that are told of as missing. */
const MOST_SOLVED = 24
const MOST_MISSING = 6

/** What brings the valves or their seats nearer, so that deeper pockets and a seat job give room to it. */
const NEARER: readonly Down[] = ['face', 'deck', 'faceDeck', 'deckFace', 'squishFace']

/** Of it the cc are solved with the cuts; of other grinding they are given. */
const isSolved = (grinding: Grinding) => grinding === 'open'

const addedBy = (work: (Tried & { kind: 'relief' })[]) => new Map(work.flatMap(({ scope, body }) => scope.level === 'cylinder' ? [[scope.cylinder, body.added.value] as const] : []))

/** Drawn grinding that goes on in every chamber until it holds what the largest of its head then holds, be it one that can't be ground; no further than its walls go up to the line. */
function evened(standing: Replay, work: readonly (Tried & { kind: 'relief' })[], toLine: Bench['toLine']): (Tried & { kind: 'relief' })[] {
  const then = work.map(({ scope, body }) => {
    const state = standing.asIs.find(s => scope.level === 'cylinder' && s.cylinder === scope.cylinder)
    return { head: state?.head, holds: (state?.parts.chamber?.estimate.value ?? 0) + body.added.value }
  })
  const kept = standing.asIs.flatMap(s => standing.held.has(s.cylinder) && s.parts.chamber ? [{ head: s.head, holds: s.parts.chamber.estimate.value }] : [])
  return work.map((op, i) => {
    const most = Math.max(...[...then, ...kept].filter(t => t.head === then[i]!.head).map(t => t.holds))
    const [added, line] = [op.body.added.value, op.scope.level === 'cylinder' ? toLine?.get(op.scope.cylinder) : undefined]
    return { ...op, body: { ...op.body, added: cc(Math.max(added, Math.min(added + most - then[i]!.holds, line ?? Infinity))) } }
  })
}

/** How many cc each drawn chamber has up to the scribed line, where grinding is asked for that nobody has drawn. */
function toLineOf(standing: Replay, { levers, limits, shaping = STARTING_SHAPING }: RouteAsk, walls: Walls | undefined): Map<number, number> | NotReady | undefined {
  if (!walls || !limits.insideLine || !(levers.includes('grind') || levers.includes('open'))) return undefined
  const work = schoolWork(standing, walls, 'line', shaping)
  return work === 'notReady' ? work : addedBy(work)
}

/** A grinding that is given before any cut: cc by cylinder, or drawn as a school has it. */
interface Given { grinding: Grinding, ground: Map<number, number>, shaped?: Tried[] }

function grindingsOf({ standing, toLine }: Bench, { levers, shaping = STARTING_SHAPING }: RouteAsk, walls: Walls | undefined): Given[] | 'notReady' {
  const even = (by: 'chamber' | 'clearance') => new Map(standing.layout.heads.flatMap((_, i) => evenPlan(standing, i + 1, by, [], NO_SOLIDS)?.cylinders ?? []).map(c => [c.cylinder, c.gain.value] as const))
  const known: Partial<Record<Grinding, Omit<Given, 'grinding'>>> = {
    none: { ground: new Map() },
    ...levers.includes('grind') ? { evenChambers: { ground: even('chamber') }, evenRatios: { ground: even('clearance') } } : {},
    ...levers.includes('open') ? { open: { ground: new Map() } } : {},
    ...levers.includes('open') && plannedAtShape(standing).length > 0 ? { planned: { ground: new Map() } } : {}
  }
  for (const school of levers.includes('school') && walls ? GRINDING_SCHOOLS : []) {
    const shaped = schoolWork(standing, walls!, school, shaping)
    if (shaped === 'notReady') return shaped
    if (shaped.length === 0) continue
    const work = levers.includes('grind') ? evened(standing, shaped, toLine) : shaped
    known[school] = { shaped: work, ground: addedBy(work) }
  }
  return GRINDINGS.flatMap((grinding): Given[] => {
    const given = known[grinding]
    return given && (given.ground.size === 0 || [...given.ground.values()].some(cc => cc >= 0.05)) ? [{ grinding, ...given }] : []
  })
}

/** What else is done to crowns on a way: they are cut for the cc that nothing before them gives, or their pockets for room to what comes nearer. */
function crownsWith(levers: RouteAsk['levers'], grinding: Grinding, down: Down, mayPocket: boolean): Pick<Way, 'crowns' | 'pockets'>[] {
  const mayCut = levers.includes('crown') && down !== 'piston' && (grinding === 'none' || down === 'none' || down === 'spacer')
  return [{}, ...mayCut ? [{ crowns: true as const }] : [], ...NEARER.includes(down) && mayPocket ? [{ pockets: true as const }] : []]
}

function downsOf(levers: RouteAsk['levers']): Down[] {
  const has = (...names: RouteAsk['levers']) => names.every(name => levers.includes(name))
  return ['none', ...has('face') ? ['face' as const] : [], ...has('deck') ? ['deck' as const] : [], ...has('face', 'deck') ? ['faceDeck' as const, 'deckFace' as const, 'squishFace' as const] : [],
    ...has('face', 'roll') ? ['roll' as const] : [], ...has('spacer') ? ['spacer' as const] : [], ...has('piston') ? ['piston' as const] : []]
}

/** `opened`: cc ground for the sake of breathing, which a way without it does not offer; `whole`: what a way that stops short would come to. */
interface Candidate extends Solved { way: Way, bill: Bill, breaches: Breach[], chance: number, spread: number, opened: number, whole?: Solved & { breaches: Breach[] } }

/** A gasket and a grinding as columns to cut from. */
interface Ground extends Given { gasket?: string, columns: Column[] }

/** What a search sets out from. */
function* grounds(bench: Bench, ask: RouteAsk, walls: Walls | undefined): Generator<Progress, Ground[] | undefined> {
  const { standing, rules, chambers, limits } = bench
  const { levers } = ask
  const gaskets = [undefined, ...levers.includes('gasket') ? offersOf(standing).map(o => o.id) : []]
  const grindings = grindingsOf(bench, ask, walls)
  if (grindings === 'notReady') return undefined
  const list: Ground[] = []
  let asIs: Map<number, TakenTable> | undefined
  const cuts = levers.includes('face') || limits.faceLeast > 0
  for (const [at, given] of grindings.entries()) {
    const { grinding } = given
    const before = (gasket?: string) => stepsOf(standing, { gasket, grinding, down: 'none', setUps: 1 }, { ...bare(standing), ...given }).flatMap(s => s.operations)
    // A chamber whose cc are still to be solved is tabulated as it is.
    const tables: Map<number, TakenTable> | undefined = isSolved(grinding) ? asIs : takenTables(standing, before(), chambers, cuts ? limits.faceMost + 0.5 : 0)
    if (!tables) return undefined
    asIs ??= tables
    for (const gasket of gaskets) {
      const columns = columnsOf(standing, rules, before(gasket), chambers, tables)
      if (columns) list.push({ ...given, gasket, columns })
    }
    yield { done: at + 1, all: 2 * grindings.length }
  }
  return list
}

const bare = (standing: Replay): Figures =>
  ({ faces: standing.layout.heads.map(() => 0), decks: standing.layout.banks.map(() => 0), slope: 0, ground: new Map(), sunk: NO_VALVE })

type Compared = Pick<Candidate, 'chance' | 'spread' | 'bill' | 'opened'>

/** Whether a beats b: as good on everything, and better on something. */
export function beats(a: Compared, b: Compared): boolean {
  const of = ({ chance, spread, bill, opened }: Compared) => [-chance, spread, bill.metal, bill.lasting, bill.hours, bill.money, -opened]
  const GRAINS = [0.005, 0.002, 0.005, 0.05, 0.05, 1, 0.05]
  const [x, y] = [of(a), of(b)]
  return x.every((v, i) => v <= y[i]! + GRAINS[i]! / 2) && x.some((v, i) => v < y[i]! - GRAINS[i]!)
}

const openedBy = ({ grinding }: Way, { lasting }: Bill, { past }: RouteLimits) => grinding === 'planned' || bySchool(grinding) ? lasting : grinding === 'open' ? past : 0
const compared = ({ limits }: Bench) => (r: Route): Compared => ({ chance: r.chance, spread: r.spread, bill: r, opened: openedBy(r.way, r, limits) })

/**
 * All ways that are open from where a build stands to its target, with everything inside its limits.
 *
 * @param standing what replay gives; what is planned counts only as the grinding of a way
 * @param ask the levers and the limits, see {@link startingLimits}
 * @param chambers answers for the shape of drawn chambers, at once
 * @param exact answers for those of the routes that are shown; the same if not given
 * @param walls answers for the walls of drawn chambers: without it no school is asked, and no line limits undrawn grinding
 * @returns in steps, so that whoever drives it can stop: see {@link RouteAnswer}
 * Source: every combination of gasket, grinding, what is cut and how often; each depth solved, not sampled ({@link solveWay});
 *   a way is kept if no other beats it on all of chance, spread, metal, lasting metal, hours and money.
 * @example drained(searchRoutes(standing, STARTING_RULES, chambers, ask)).routes[0].chance // 0.94
 */
export function* searchRoutes(standing: Replay, rules: ShopRules, chambers: Chambers, ask: RouteAsk, exact = chambers, walls?: Walls): Generator<Progress, RouteAnswer | 'notReady'> {
  const band = targetBand(standing.target)
  if (!band) return { kind: 'noTarget' }
  const faults = limitFaults(ask.limits)
  if (faults.length > 0) return { kind: 'limits', faults }
  const unknown = standing.asIs.filter(s => !s.ratio).map(s => s.cylinder)
  if (unknown.length > 0) return { kind: 'noRatio', cylinders: unknown }
  const inside = standing.asIs.every(state => isOnTarget(state, band))
  if (inside && ask.limits.faceLeast === 0 && plannedAtShape(standing).length === 0 && plannedSeats(standing).length === 0) return { kind: 'onTarget' }
  const toLine = toLineOf(standing, ask, walls)
  if (toLine === 'notReady') return toLine
  const bench: Bench = { standing, rules, chambers: exact, limits: ask.limits, band, draws: drawsOf(SEED, DRAWS), ...(toLine ? { toLine } : {}) }
  if (standing.layout.engine?.head === 'turned') return turnedRoutes(bench, ask)
  const ground = yield* grounds({ ...bench, chambers }, ask, walls)
  if (!ground) return 'notReady'
  const candidates = [...looked(bench, ask, ground)]
  const kept = candidates.filter(c => c.breaches.length === 0 && c.way.down !== 'roll')
  for (const one of kept) one.chance = chanceOfAll(sourced(standing, one, ground), one.readings.map(() => band), bench.draws)
  const best = kept.filter(one => !kept.some(other => other !== one && beats(other, one))).sort((a, b) => b.chance - a.chance).slice(0, MOST_SOLVED)
  const routes: Route[] = []
  const all = ground.length + best.length * standing.layout.cylinders.length
  let done = ground.length
  for (const one of best) {
    // A chamber at a time, for a solid takes a second: whoever drives the search may stop it between two.
    for (const cylinder of standing.layout.cylinders) {
      shapeOf(standing, cylinder, asEntered(stepsOf(standing, one.way, one.figures).flatMap(s => s.operations)), exact)
      yield { done: done++, all }
    }
    const route = exactly(bench, one)
    if (!route) return 'notReady'
    if (route.breaches.length === 0) routes.push(route)
  }
  // A rolled cut is worth its set-up only where the flat one is stopped by a seat.
  const broken = candidates.filter(c => c.breaches.length > 0).sort((a, b) => nearer(a.breaches, b.breaches))
  for (const one of broken.filter(c => c.way.down === 'roll').slice(0, 6)) {
    const route = rolled(bench, one.way, one.figures)
    if (route?.breaches.length === 0) routes.push(route)
    yield { done, all }
  }
  const as = compared(bench)
  const shown = routes.filter(one => !routes.some(other => other !== one && beats(as(other), as(one)))).sort((a, b) => b.chance - a.chance)
  const [first] = shown.length === 0 ? broken.filter(c => c.way.down !== 'roll') : []
  const near = broken.some(c => [...c.breaches, ...c.whole?.breaches ?? []].some(b => b.clearance === 'intakeClearance' || b.clearance === 'exhaustClearance'))
  const sizes = near && ask.levers.includes('crown') ? unsized(standing, rules) : []
  return {
    kind: 'routes', routes: shown, looked: candidates.length, kept: kept.length, ...(sizes.length > 0 ? { unsized: sizes } : {}),
    missing: missingOf(broken, first), ...(first ? { nearest: exactly(bench, first) } : {})
  }
}

const exactly = (bench: Bench, one: Candidate) => routeOf(bench, one.way, one)

/** Every way that the levers leave, solved and judged. */
function* looked(bench: Bench, { levers }: RouteAsk, ground: readonly Ground[]): Generator<Candidate> {
  const { standing, rules, limits } = bench
  const setUps: (1 | 2)[] = limits.setUps === 2 ? [1, 2] : [1]
  // Seat work that is planned anyway is in every way already, and a seat is not cut twice.
  const seatJobs: Way['seats'][] = plannedSeats(standing).length > 0
    ? [undefined]
    : [undefined, ...levers.includes('seats') && limits.edges === 'seatJob' ? ['after' as const] : [], ...levers.includes('seatsFirst') ? ['before' as const] : []]
  for (const { gasket, grinding, ground: cc, shaped, columns } of ground) {
    const mayPocket = levers.includes('crown') && columns.every(c => c.pocket) && columns.some(c => c.before.rooms.some(room => room.perMm > 0))
    // New pistons bring the ratio themselves: nothing else is solved with them.
    for (const down of downsOf(levers).filter(d => d !== 'piston' || !isSolved(grinding))) {
      const gives = NEARER.includes(down)
      for (const seats of gives ? seatJobs : [undefined]) for (const inCrowns of crownsWith(levers, grinding, down, mayPocket)) {
        const more: Pick<Way, 'seats' | 'pockets' | 'crowns'> = { ...seats ? { seats } : {}, ...inCrowns }
        const solve = (aim: Aim) => down === 'piston' ? newPiston(standing, columns, limits) : solveWay(standing, { gasket, grinding, down, ...more, setUps: 1 }, columns, limits, aim, bench.toLine)
        const solved = solve(down === 'roll' ? 'target' : 'inside')
        const judged = (way: Way, of: Solved) => {
          const figures = isSolved(grinding) ? of.figures : { ...of.figures, ground: cc, ...(shaped ? { shaped } : {}) }
          const bill = billOf(standing, rules, way, stepsOf(standing, way, figures))
          return { way, figures, readings: of.readings, held: of.held, most: of.most, bill, spread: spreadOf(of.readings), chance: 0, opened: openedBy(way, bill, limits), breaches: breachesOf(atLimits(way, bench, of.readings, figures, bill)) }
        }
        for (const times of down === 'none' || down === 'deck' || down === 'spacer' || down === 'piston' ? setUps.slice(0, 1) : setUps) {
          const way: Way = { ...gasket ? { gasket } : {}, grinding, down, ...more, setUps: times }
          const inside = solved && judged(way, solved)
          if (inside?.breaches.length === 0 || down === 'roll') {
            if (inside) yield inside
            continue
          }
          // What keeps the limits and misses the target, or what just reaches it and breaks one: the nearer of both.
          const [edge, whole] = [solve('edge'), solve('target')].map(of => of && judged(way, of))
          const [best] = [inside, edge].filter(c => c !== undefined).sort((x, y) => nearer(x.breaches, y.breaches))
          if (best) yield { ...best, ...(whole ? { whole } : {}) }
        }
      }
    }
  }
}

function sourced(standing: Replay, { way, figures, readings }: Candidate, ground: readonly Ground[]): Sourced[] {
  // Seat work that is planned anyway is in the columns.
  const work = way.seats || way.pockets ? asEntered(stepsOf(standing, way, figures).flatMap(step => step.operations)).filter(op => (op.kind === 'seatWork' && way.seats) || (op.kind === 'crownWork' && op.body.pockets)) : []
  const columns = ground.find(g => g.gasket === way.gasket && g.grinding === way.grinding)!.columns
  return readings.map(({ cylinder, ratio }) => {
    const column = columns.find(c => c.cylinder === cylinder)!
    const gained = work.flatMap(op => (op.kind === 'seatWork' || op.kind === 'crownWork') && op.scope.level === 'cylinder' && op.scope.cylinder === cylinder ? [workGains(op)] : [])
    const gives = (isSolved(way.grinding) ? figures.ground.get(cylinder) ?? 0 : 0) + (figures.crowned?.get(cylinder) ?? 0) + (figures.piston?.added ?? 0) + gained.reduce((cc, { value }) => cc + value, 0)
    const { by } = ratioSourced(column, { face: figures.faces[column.head]!, deck: figures.decks[column.bank]! + (figures.piston?.rise ?? 0), gives }, gained)
    return { value: ratio, by }
  })
}

/** What a way is made of, however often its face is cut. */
const kindsOf = ({ gasket, grinding, crowns, down, seats, pockets }: Way): string => [gasket, grinding, crowns, down, seats, pockets].join()

/** Of the ways that are missing the shortest ones, each for its own reason; `nearest` is told whole already. */
function missingOf(broken: readonly Candidate[], nearest: Candidate | undefined): Missing[] {
  const parts = ({ gasket, grinding, crowns, down, seats, pockets }: Way) => Number(gasket !== undefined) + Number(crowns === true) + Number(grinding !== 'none') + Number(down !== 'none') + Number(['faceDeck', 'deckFace', 'squishFace'].includes(down)) + Number(seats !== undefined) + Number(pockets === true)
  // What only leads away from the target tempts nobody.
  const worst = ({ breaches }: { breaches: readonly Breach[] }) => Math.max(0, ...breaches.filter(b => b.kind === 'ratio').map(b => b.grains))
  const asItIs = broken.find(c => parts(c.way) === 0)
  const once = broken.filter(c => !asItIs || worst(c) < worst(asItIs)).filter(c => c.way.setUps === 1 && c.way.down !== 'roll' && parts(c.way) > 0 && !(nearest && kindsOf(c.way) === kindsOf(nearest.way))).sort((a, b) => parts(a.way) - parts(b.way) || nearer(a.breaches, b.breaches))
  const seen = new Set<string>()
  const gone = ({ kind }: Breach) => kind === 'seat' ? 0 : kind === 'clearance' || kind === 'squishLeast' ? 1 : 2
  return once.map(c => ({ way: c.way, ...c.whole?.breaches.length ? c.whole : c })).filter(({ way: { gasket, down, grinding, crowns, pockets } }) => {
    const key = [gasket, down, crowns ? 'crowns' : grinding === 'none' || grinding === 'open', pockets].join()
    return seen.size !== seen.add(key).size
  }).filter(({ way: { gasket, grinding, crowns }, figures: { faces, decks }, breaches }) => {
    // The same metal in another order is no other way, nor one that breaks the same by as much.
    const [metal, reason] = [[gasket, grinding, crowns, ...faces, ...decks], [gasket, grinding, crowns, ...breaches.map(b => `${b.kind} ${b.figure.toFixed(2)}`)]].map(key => key.join())
    const fresh = !seen.has(metal!) && !seen.has(reason!)
    seen.add(metal!).add(reason!)
    return fresh
  }).slice(0, MOST_MISSING).map(({ way, figures, readings, breaches }) => (
    { way, faces: figures.faces, decks: figures.decks, ratios: readings.map((r: Reading) => r.ratio), breaches: [...breaches].sort((a, b) => gone(a) - gone(b)) }))
}

/**
 * A turned head's ways: squish first, then the dome, with each gasket; where its squish is tighter than wanted also with the barrel lifted by
 * what is lacking. What none of it asks for stays as it is.
 */
function turnedRoutes(bench: Bench, { levers }: RouteAsk): RouteAnswer {
  const { standing, chambers } = bench
  const { banks, cylinders } = standing.layout
  const plansAfter = (steps: readonly Step[]) => cylinders.map(c => turnedPlan(standing, c, steps.flatMap(s => s.operations), chambers))
  const gaskets = [undefined, ...levers.includes('gasket') ? offersOf(standing).map(o => o.id) : []]
  const all = gaskets.flatMap((gasket): Route[] => {
    const fitted: Way = { ...gasket ? { gasket } : {}, grinding: 'none', down: 'none', setUps: 1 }
    const tight = plansAfter(stepsOf(standing, fitted, bare(standing))).map(plan => plan?.tight?.value ?? 0)
    // No more than is lacking: what is lifted too far would have to come off the face.
    const lifts = banks.map(bank => Math.floor(100 * Math.max(0, ...bank.map(c => tight[cylinders.indexOf(c)] ?? 0))) / 100)
    const fits = [bare(standing), ...levers.includes('spacer') && lifts.some(lift => lift > 0) ? [{ ...bare(standing), decks: lifts.map(lift => 0 - lift) }] : []]
    return fits.flatMap(figures => turnedRoute(bench, fitted, figures, levers.includes('dome') ? plansAfter(stepsOf(standing, fitted, figures)) : []) ?? [])
  })
  const routes = all.filter(r => r.breaches.length === 0).sort((a, b) => b.chance - a.chance)
  const [nearest] = [...all].sort((a, b) => nearer(a.breaches, b.breaches))
  return { kind: 'routes', routes, missing: [], looked: all.length, kept: routes.length, ...(routes.length === 0 && nearest ? { nearest } : {}) }
}

/** Gasket and barrel as they are fitted on a way, and each head turned to its plan. */
function turnedRoute(bench: Bench, fitted: Way, figures: Figures, plans: readonly (TurnedPlan | undefined)[]): Route | undefined {
  const { standing, chambers } = bench
  const { cylinders, heads } = standing.layout
  const cuts = plans.flatMap(plan => plan?.operations.filter(op => op.kind === 'faceCut') ?? [])
  const domes = plans.flatMap((plan, i): Tried[] => plan?.toOpen && plan.toOpen.value > 0.02 ? [{ kind: 'relief', scope: { level: 'cylinder', cylinder: cylinders[i]! }, body: { state: 'planned', added: cc(plan.toOpen.value), u: cc(0.05) } }] : [])
  const [lifted, rest] = [true, false].map(is => stepsOf(standing, fitted, figures).filter(s => (s.work === 'spacer') === is))
  const steps: Step[] = [...lifted!, ...cuts.length > 0 ? [{ work: 'face' as const, operations: cuts }] : [], ...domes.length > 0 ? [{ work: 'dome' as const, operations: domes }] : [], ...rest!]
  const faces = heads.map((_, i) => cuts.flatMap(op => op.kind === 'faceCut' && op.scope.level === 'head' && op.scope.head === i + 1 ? [op.body.depth.value] : [])[0] ?? 0)
  const way: Way = { ...fitted, down: cuts.length + domes.length > 0 ? 'dome' : lifted!.length > 0 ? 'spacer' : 'none' }
  return dressed(bench, way, { ...figures, faces }, steps, asIf(standing, steps.flatMap(s => s.operations), chambers))
}

const cc = (value: number) => untyped(value, 'cc', 2)

/** Drives a search to its end. */
export function drained<T>(search: Generator<Progress, T>): T {
  for (;;) {
    const next = search.next()
    if (next.done) return next.value
  }
}
