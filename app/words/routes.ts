import { angleOf, type Edges, type Lever, type Place, type Quantity, type Valve } from '#core'
import type { AtLimit, Breach, Grinding, LeverWants, LimitFault, Measurement, Missing, Route, RouteLimits, Stage } from '#core/plan/route'
import { LIMIT_DIMENSIONS } from '#core/plan/route/ask'
import { capital, digits, say, sayCylinders, sayList, type LengthUnit } from '#shared/figures'
import { QUANTITY_WORDS } from '#shared/words/quantities'
import { NEAR, sayNear } from './cuts'
import { sayKind, sayScope } from './entries'

/** Seat work that is planned, and that is done whichever way is taken. */
export const sayCounted = (operations: readonly { body: { first?: true } }[]): string => {
  const [before, after] = [operations.some(op => op.body.first), operations.some(op => !op.body.first)]
  return `Seat work is planned${before === after ? '' : before ? ', before the face is cut' : ', after the face is cut'}: every route has it in, and taking one leaves it as it is.`
}

/** Work that is planned already, and that the routes told leave out. */
export const sayUncounted = (operations: readonly { kind: string }[]): string =>
  `Planned already: ${sayList([...new Set(operations.map(op => sayKind(op.kind).toLowerCase()))])}. Routes are worked out without it, and taking one drops it.`

/** What a lever is called, and what using it means. */
export const LEVER_WORDS: Record<Lever, { name: string, what: string }> = {
  gasket: { name: 'Another gasket', what: 'one of those on offer' },
  grind: { name: 'Grind even', what: 'small chambers up to the largest' },
  open: { name: 'Open chambers', what: 'to the ratio wanted, or as planned at Shape' },
  school: { name: 'Free the valves first', what: 'by each school, as set at Shape' },
  crown: { name: 'Cut the crowns', what: 'pockets, a dish, a dome trimmed' },
  piston: { name: 'Order new pistons', what: 'height for the squish, crown for the ratio' },
  face: { name: 'Cut the face', what: 'flat, each head by itself' },
  roll: { name: 'Roll the head', what: 'less off at the seats' },
  deck: { name: 'Cut the deck', what: 'each bank by itself; a closed barrel at its foot' },
  spacer: { name: 'Lift the barrel', what: 'a spacer or a thicker base gasket' },
  seats: { name: 'Seat job after the cut', what: 'say under How far that seats may go' },
  seatsFirst: { name: 'Seat job before the cut', what: 'valves up first, so that the cut clears the seats' },
  dome: { name: 'Seat face, then dome', what: 'squish first, then the ratio' }
}

/** What must be said or measured before a lever can be used, and where. */
export const WANTS_WORDS: Record<LeverWants, { says: string, at: Place }> = {
  offer: { says: 'Enter a gasket you can get', at: { station: 'sheet', leaf: 'gaskets' } },
  secondChamber: { says: 'There is only one chamber', at: { station: 'sheet' } },
  drawing: { says: 'Draw the chamber with its valves', at: { station: 'sheet', leaf: 'chamber' } },
  deckClearance: { says: 'Measure the deck clearance', at: { station: 'sheet', leaf: 'deck' } },
  wantedSquish: { says: 'Say what squish is wanted', at: { station: 'mockup', leaf: 'turned' } },
  solder: { says: 'Measure the squish with solder', at: { station: 'mockup', leaf: 'squish' } }
}

export const LIMIT_WORDS: Record<Exclude<keyof RouteLimits, 'edges' | 'insideLine' | 'setUps'>, string> = {
  faceLeast: 'Off the face anyway', faceMost: 'Most off the face', deckMost: 'Most off the deck', spacerMost: 'Most under a barrel', seatsUp: 'Most a valve goes up', groundMost: 'Most ground out of a chamber',
  past: 'Open past the target by', crownMost: 'Most out of a crown', rollMost: 'Most roll', squishLeast: 'Squish, running: minimum', squishMost: 'Squish, running: maximum', deckLeft: 'Head deck left, minimum', camRetard: 'Cam back, maximum',
  pushrod: 'Pushrod change, maximum', flange: 'Ports off at the flange, maximum', spread: 'Spread of ratio, maximum', hours: 'Hours, maximum', money: 'Cost, maximum'
}

/** How far a cut may go at the valves, long and short. */
export const EDGE_WORDS: [Edges, string, string][] = [['never', 'No edge may be cut', 'no edge'], ['topCut', 'A top cut may lose an arc', 'top cut only'], ['seatJob', 'A seat too, with a seat job after it', 'seat, with a job']]
export const SET_UP_WORDS: [string, string][] = [['1', 'One set-up'], ['2', 'Two, with a pour between']]

/** A figure of a limit that can't be so, as a sentence; `at` is the field it is told beside. */
export function sayLimitFault({ limit, kind, bound, given }: LimitFault, lengths: LengthUnit, at: keyof RouteLimits = limit): string {
  const name = at === 'edges' || at === 'insideLine' || at === 'setUps' ? 'This' : LIMIT_WORDS[at]
  const dimension = limit in LIMIT_DIMENSIONS ? LIMIT_DIMENSIONS[limit as keyof typeof LIMIT_DIMENSIONS] : undefined
  const figure = (value: number) => dimension ? say(value, dimension, lengths) : digits(value, 0)
  if (kind === 'number') return `${name}: a number is needed.`
  if (kind === 'crossed') return `${name}: it can’t be ${at === limit ? `less than the minimum, ${figure(bound!)}` : `more than the maximum, ${figure(Number(given))}`}.`
  return `${name}: it can’t be ${kind === 'below' ? 'less' : 'more'} than ${figure(bound!)}.`
}

const mm = (value: number, lengths: LengthUnit) => say(value, 'length', lengths)
/** Depths of several heads or banks, in their order: one where they agree. */
const depthsOf = (depths: readonly number[], lengths: LengthUnit) => sayList([...new Set(depths.map(d => mm(d, lengths)))])
/** Work on heads or banks, of which there are `of`: `all` where one depth does for all of them, else what is done and each one's depth `off` it or `under` it. */
function eachOf({ operations, depths }: Pick<Stage, 'operations' | 'depths'>, of: number, all: (depth: string) => string, done: string, off: 'off' | 'under', lengths: LengthUnit): string {
  const figures = depths.map(d => mm(d, lengths))
  return operations.length === of && new Set(figures).size === 1 ? all(figures[0]!) : `${done}: ${sayList(operations.map((op, i) => `${figures[i]} ${off} ${sayScope(op.scope)}`))}`
}

/** What chambers are ground to be. */
const GROUND_TO: Record<Grinding, string> = {
  none: '', planned: 'as planned at Shape', match: 'to match the need', pin: 'to the pin gauge', line: 'to the line', evenChambers: 'to even chambers', evenRatios: 'to even ratios', open: ''
}

/** A stage as an order: what to do; `gasket`: the name of the one that is fitted on this way. */
export function sayStage({ way, figures: { faces, decks, pockets } }: Pick<Route, 'way' | 'figures'>, stage: Stage, lengths: LengthUnit, gasket = ''): string {
  const { work, operations } = stage
  const first = operations[0]!
  switch (work) {
    case 'gasket': return `Fit the ${gasket} gasket${operations.length < faces.length ? ` on ${sayList(operations.map(op => sayScope(op.scope)))}` : ''}`
    case 'grind': return `Grind ${operations.length} ${operations.length === 1 ? 'chamber' : 'chambers'} up, ${GROUND_TO[way.grinding]}`
    case 'open': return `Open the ${operations.length === 1 ? 'chamber' : 'chambers'} ${GROUND_TO[way.grinding]}`.trim()
    case 'crown': return pockets ? `Cut the valve pockets in the crowns deeper: ${sayPockets(pockets.depth, lengths)}` : `Cut ${operations.length} ${operations.length === 1 ? 'crown' : 'crowns'}`
    case 'piston': return `Fit new pistons${sayPiston(stage, lengths)}`
    case 'deck': {
      const deck = deckOf(first.kind === 'deckCut' && first.body.foot === true)
      return eachOf(stage, decks.length, d => `Cut ${d} off the ${deck}`, `Cut the ${deck}`, 'off', lengths)
    }
    case 'spacer': return eachOf(stage, decks.length, d => `Put ${d} under the barrel`, 'Lift the barrels', 'under', lengths)
    case 'roll': return `Roll the head by ${digits(angleOf(Math.abs(first.kind === 'faceCut' ? first.body.slopeY ?? 0 : 0)), 2)}° and ${eachOf(stage, faces.length, d => `cut ${d} at the bore line`, 'cut at the bore line', 'off', lengths)}`
    case 'face': return eachOf(stage, faces.length, d => `Cut ${d} off the face`, 'Cut the face', 'off', lengths)
    case 'seats': return `Recut ${[...new Set(operations.flatMap(op => op.kind === 'seatWork' ? [`the ${op.body.valve} seats, valves up by ${mm(op.body.sunk?.value ?? 0, lengths)}`] : []))].join(', and ')}`
    case 'dome': return `Open the ${operations.length === 1 ? 'dome' : 'domes'}${sayOpened(operations)}, in rounds`
    default: return ''
  }
}

/** How much deeper the pockets of each kind of valve are cut. */
const sayPockets = (depth: Record<Valve, number>, lengths: LengthUnit) => sayList((['intake', 'exhaust'] as const).flatMap(valve => depth[valve] > 0 ? [`${valve} by ${mm(depth[valve], lengths)}`] : []))

/** How much comes out of a dome, where all of them lose as much. */
function sayOpened(operations: Stage['operations']): string {
  const out = new Set(operations.flatMap(op => op.kind === 'relief' ? [say(op.body.added.value, 'volume')] : []))
  return out.size === 1 ? ` by ${[...out][0]}` : ''
}

/** What new pistons are like, by the ones that are fitted: higher or lower, what their crowns hold, how deep their pockets are. */
function sayPiston({ operations: [first] }: Stage, lengths: LengthUnit): string {
  if (first?.kind !== 'crownWork') return ''
  const { rise, added, pockets } = first.body
  const by = (value: number, more: string, less: string, figure: string) => value === 0 ? [] : [`${figure} ${value > 0 ? more : less}`]
  const parts = [...by(rise?.value ?? 0, 'higher', 'lower', mm(Math.abs(rise?.value ?? 0), lengths)), ...by(added.value, 'more in the crown', 'less in the crown', say(Math.abs(added.value), 'volume')), ...pockets ? [`pockets ${mm(pockets.value, lengths)} deeper`] : []]
  return parts.length === 0 ? '' : `: ${parts.join(', ')}`
}

/** A stage in a strip: as short as it can be said. */
export function sayShort({ way }: Pick<Route, 'way'>, stage: Stage, lengths: LengthUnit, gasket = ''): string {
  const [first] = stage.operations
  switch (stage.work) {
    case 'gasket': return `gasket ${gasket}`
    case 'grind': return `grind ${GROUND_TO[way.grinding]}`
    case 'open': return `open ${GROUND_TO[way.grinding]}`.trim()
    case 'crown': return way.pockets ? 'pockets' : 'crowns'
    case 'piston': return 'new pistons'
    case 'deck': return `${first?.kind === 'deckCut' && first.body.foot ? 'foot' : 'deck'} ${depthsOf(stage.depths, lengths)}`
    case 'spacer': return `spacer ${depthsOf(stage.depths, lengths)}`
    case 'roll': return `rolled ${depthsOf(stage.depths, lengths)}`
    case 'face': return `face ${depthsOf(stage.depths, lengths)}`
    case 'seats': return 'seats'
    default: return 'dome'
  }
}

/** What a closed barrel is cut at, or any other block. */
const deckOf = (foot: boolean) => foot ? 'barrel’s foot' : 'deck'

/** A way in kinds, with the depth it would take: what a missing one is called; `foot`: of closed barrels. */
export function sayWay({ way, faces, decks }: Pick<Missing, 'way' | 'faces' | 'decks'>, gasket: string | undefined, lengths: LengthUnit, foot = false): string {
  const deepest = (list: readonly number[]) => `${new Set(list.map(d => mm(d, lengths))).size > 1 ? 'up to ' : ''}${mm(Math.max(...list.map(Math.abs)), lengths)}`
  const parts = [
    ...gasket === undefined ? [] : [`the ${gasket} gasket`],
    ...way.grinding === 'none' ? [] : [`${way.grinding.startsWith('even') ? 'grinding' : 'opening the chambers'} ${GROUND_TO[way.grinding]}`.trim()], ...way.crowns ? ['cutting the crowns'] : [],
    ...faces.some(d => d > 0.005) ? [`${deepest(faces)} off the face`] : [], ...decks.some(d => d > 0.005) ? [`${deepest(decks)} off the ${deckOf(foot)}`] : [], ...decks.some(d => d < -0.005) ? [`${deepest(decks)} under the barrel`] : [],
    ...way.down === 'dome' && !faces.some(d => d > 0.005) ? ['opening the dome'] : [],
    ...way.down === 'piston' ? ['a set of new pistons'] : [], ...way.pockets ? ['deeper valve pockets'] : [], ...way.seats ? [`a seat job ${way.seats === 'before' ? 'before the cut' : 'after it'}`] : []
  ]
  if (parts.length === 0) return 'Leaving everything as it is'
  const said = parts.length === 1 ? `${parts[0]} alone` : sayList(parts)
  return capital(said)
}

/** What a limit is about, as the subject of a sentence. */
function nounOf({ kind, valve, clearance }: AtLimit, foot = false): string {
  switch (kind) {
    case 'ratio': return 'the ratio'
    case 'seat': return `the ${valve} seat`
    case 'topCut': return `the ${valve} top cut`
    case 'clearance': return `${NEAR[clearance!].one} to ${NEAR[clearance!].other}`
    case 'squishLeast': case 'squishWanted': return 'the squish'
    case 'squishMost': return 'the running squish'
    case 'face': return 'what may come off the face'
    case 'deck': return `what may come off the ${deckOf(foot)}`
    case 'spacer': return 'what may go under a barrel'
    case 'seatsUp': return 'how far a valve may go up'
    case 'ground': return 'what may be ground out'
    case 'line': return 'the scribed line'
    case 'crown': return 'what may be cut out of a crown'
    case 'deckLeft': return 'the head’s deck'
    case 'cam': return 'the cam'
    case 'pushrod': return 'the pushrods'
    case 'flange': return 'the intake flange'
    case 'spread': return 'the spread'
    case 'hours': return 'the hours'
    case 'money': return 'the cost'
  }
}

/** A figure of a limit in its own unit. */
function figureOf(kind: AtLimit['kind'], value: number, lengths: LengthUnit): string {
  switch (kind) {
    case 'ratio': case 'spread': return digits(value, 2)
    case 'cam': return say(value, 'angle', lengths, 1)
    case 'ground': case 'line': case 'crown': return say(value, 'volume')
    case 'hours': return `${digits(value, 1)} hours`
    case 'money': return digits(value, 0)
    default: return mm(value, lengths)
  }
}

const named = (cylinders: readonly number[], all: number) => sayCylinders([...cylinders].sort((a, b) => a - b), all).toLowerCase()
/** Of whom a figure is that they share. */
const ofWhom = (cylinders: readonly number[], all: number) => cylinders.length === 0 || all === 1 ? '' : ` of ${cylinders.length === all ? 'every cylinder' : named(cylinders, all)}`

/** A broken limit, as what follows “would”; of several cylinders its figure is that of the worst. */
export function sayBreach(b: Breach, all: number, lengths: LengthUnit, foot = false): string {
  const whom = b.cylinders.length > 1 ? ` of the worst of ${named(b.cylinders, all)}` : ofWhom(b.cylinders, all)
  if (b.kind === 'ratio') return `end${whom ? whom.replace(' of ', ' with ') : ''} at ${digits(b.figure, 2)}, where ${digits(b.bound, 2)} is the ${b.figure < b.bound ? 'minimum' : 'maximum'}`
  const most = (what: string) => `${what}, where ${figureOf(b.kind, b.bound, lengths)} is the maximum`
  if (b.kind === 'face' || b.kind === 'deck') return most(`take ${figureOf(b.kind, b.figure, lengths)} off the ${b.kind === 'deck' ? deckOf(foot) : b.kind}`)
  if (b.kind === 'spacer') return most(`put ${figureOf(b.kind, b.figure, lengths)} under a barrel`)
  if (b.kind === 'seatsUp') return most(`take the valves up by ${figureOf(b.kind, b.figure, lengths)}`)
  if (b.kind === 'ground') return most(`grind ${figureOf(b.kind, b.figure, lengths)} out${whom}`)
  if (b.kind === 'line') return `grind ${figureOf(b.kind, b.figure, lengths)} out${whom}, where the walls have ${figureOf(b.kind, b.bound, lengths)} up to the scribed line`
  if (b.kind === 'crown') return most(`cut ${figureOf(b.kind, b.figure, lengths)} out of the crown${whom}`)
  if (b.kind === 'hours' || b.kind === 'money') return most(`cost ${figureOf(b.kind, b.figure, lengths)}`)
  if (b.kind === 'clearance') return `${sayNear(b.clearance!, b.figure, value => mm(value, lengths), { s: '', whom })}, where ${mm(b.bound, lengths)} is the minimum`
  if (b.kind === 'seat' || b.kind === 'topCut') return `go ${mm(-b.figure, lengths)} into ${nounOf(b)}${whom}`
  // A squish may be as it was before.
  const [verb, to] = b.kind === 'squishLeast' || b.kind === 'squishMost' || b.kind === 'squishWanted' ? ['leave', 'at'] : ['bring', 'to']
  return `${verb} ${nounOf(b)}${whom} ${to} ${figureOf(b.kind, b.figure, lengths)}, where ${figureOf(b.kind, b.bound, lengths)} is ${b.kind === 'squishWanted' ? 'wanted' : `the ${b.kind === 'squishLeast' || b.kind === 'deckLeft' ? 'minimum' : 'maximum'}`}`
}

/** Why a way is missing: where it ends, and what else it breaks. */
export function sayMissing(missing: Missing, gasket: string | undefined, all: number, lengths: LengthUnit, foot = false): string {
  const [first] = missing.breaches
  const name = sayWay(missing, gasket, lengths, foot)
  if (first!.kind === 'ratio' && missing.breaches.every(b => b.kind === 'ratio')) {
    const [low, high] = [Math.min(...missing.ratios), Math.max(...missing.ratios)].map(r => digits(r, 2))
    return `${name} ${/ alone$/.test(name) || !name.includes(' and ') ? 'ends' : 'end'} at ${low === high ? low : `${low} to ${high}`}.`
  }
  // How much comes off is in its name already.
  const past = (b: Breach) => b.kind === 'face' || b.kind === 'deck' ? `go past the ${figureOf(b.kind, b.bound, lengths)} that may come off the ${b.kind === 'deck' ? deckOf(foot) : b.kind}` : sayBreach(b, all, lengths, foot)
  return `${name} would ${missing.breaches.slice(0, 2).map(past).join(', and ')}.`
}

/** What limits a route, and how much is left. */
export function sayHeld(held: NonNullable<Route['held']>, all: number, lengths: LengthUnit, foot = false): string {
  const noun = nounOf(held, foot)
  return `${capital(noun)}${ofWhom(held.cylinders, all)} limits it: ${figureOf(held.kind, Math.max(0, held.room), lengths)} left.`
}

/** The measurement that would make a route surest, and whether another would then be the surest of all. */
export function sayWorth({ measurement, more }: Route['worth'][number], other: number | undefined): string {
  return `${measurementOf(measurement)}: it would raise the chance by ${Math.round(more * 100)} ${Math.round(more * 100) === 1 ? 'point' : 'points'}${other === undefined ? '' : `, and route ${other + 1} would be the surest`}.`
}

const measurementOf = (m: Measurement): string => m.what === 'quantity' ? `Measure ${QUANTITY_WORDS[m.quantity as Quantity].noun}` : m.what === 'secondPour' ? 'Pour the single chambers again' : 'Measure the new gasket once it is crushed'

export const BEST_WORDS = { surest: 'Surest', leastMetal: 'Least metal', cheapest: 'Cheapest', evenest: 'Most even', freest: 'Freest valves' } as const

export const sayChance = (chance: number): string => chance > 0.995 ? 'over 99 %' : chance < 0.005 ? 'under 1 %' : `${Math.round(chance * 100)} %`

/** A route by its kinds of work alone: what its plan is called, whatever lengths the shop reads. */
export const sayKinds = (route: Route): string => route.stages.map(({ work }) => ({
  gasket: 'another gasket', grind: `grind ${GROUND_TO[route.way.grinding]}`, open: `open the chambers ${GROUND_TO[route.way.grinding]}`.trim(), crown: 'cut the crowns', piston: 'new pistons', face: 'cut the face', roll: 'cut the face rolled', secondCut: '', deck: 'cut the deck', spacer: 'lift the barrel',
  seats: 'recut the seats', dome: 'open the dome', pour: ''
}[work])).join(', ')

/** Reasons that stay with a plan: why this way. */
export function reasonsOf(route: Route): string[] {
  return [
    `${sayChance(route.chance)} that every cylinder ends on target`, `${digits(route.hours, 1)} hours, cost ${digits(route.money, 0)}`, ...route.held ? [`${nounOf(route.held)} limits it`] : []
  ]
}

/** How deep a first cut of the face may be, by head; a head that is not cut has 0 of `faces`. Nothing where the whole is no deeper. */
export function sayFirstCut({ firstCuts, figures: { faces } }: Pick<Route, 'firstCuts' | 'figures'>, lengths: LengthUnit): string | undefined {
  const cut = firstCuts.flatMap((depth, i) => faces[i]! > 0.005 ? [{ head: i + 1, depth, short: depth < faces[i]! - 0.005 }] : [])
  if (!cut.some(({ short }) => short)) return undefined
  const alike = cut.length === firstCuts.length && new Set(cut.map(({ depth }) => mm(depth, lengths))).size === 1
  const heads = (list: typeof cut) => list.length === firstCuts.length ? '' : ` of ${sayList(list.map(({ head }) => `head ${head}`))}`
  const none = cut.filter(({ depth }) => depth < 0.02)
  const some = cut.filter(({ depth }) => depth >= 0.02)
  return [
    ...none.length === 0 ? [] : [`No first cut of the face${heads(none)} is safe: however small, it may take a cylinder past its target. Pour again before you cut.`],
    ...some.length === 0 ? [] : [`First cut ${alike ? mm(some[0]!.depth, lengths) : sayList(some.map(({ head, depth }) => `${mm(depth, lengths)} off head ${head}`))} at most: then no more than one chance in twenty that a cylinder is past its target. Pour, and ${some.length === 1 ? 'this' : 'each'} head’s own figure sets the rest.`]
  ].join(' ')
}
