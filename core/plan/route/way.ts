import { nthOfKind, sinking, valveFrame } from '../../chamber'
import { bankOf, cylindersOf, headOf, isNewPiston, untyped, type EntryOf, type OperationEntry, type Valve } from '../../ledger'
import type { School } from '../../shroud'
import type { ShopRules, Work } from '../../shop'
import { depthSet, gasketFigures, gasketOf, modelOf, sameGasket, seatWanted, type Replay } from '../../standing'
import type { Tried } from '../asIf'
import { crownTried } from '../crowns'
import { rankOf } from '../stages'

/** Of either kind of valve none: none goes up, none has its pocket cut. */
export const NO_VALVE: Readonly<Record<Valve, number>> = { intake: 0, exhaust: 0 }

/** How the chambers are changed before anything is cut; of the schools those that take metal. */
export const GRINDINGS = ['none', 'planned', 'match', 'pin', 'line', 'evenChambers', 'evenRatios', 'open'] as const
export type Grinding = (typeof GRINDINGS)[number]
export const GRINDING_SCHOOLS = ['match', 'pin', 'line'] as const satisfies readonly (School & Grinding)[]
export const bySchool = (grinding: Grinding): boolean => (GRINDING_SCHOOLS as readonly Grinding[]).includes(grinding)

/** What brings the head and the piston nearer, or further apart: of two the first goes to its limit and the second does the rest; `piston`: new ones. */
export type Down = 'none' | 'face' | 'deck' | 'faceDeck' | 'deckFace' | 'squishFace' | 'roll' | 'spacer' | 'dome' | 'piston'

/**
 * A way to the target in kinds alone: which of each lever; a depth follows. `gasket`: the offer's entry, nothing where what is fitted stays; `crowns`: cut for the
 * cc that nothing before them gives; `seats`: a seat job, before the face is cut or after it.
 */
export interface Way { gasket?: string, grinding: Grinding, crowns?: true, down: Down, seats?: 'before' | 'after', /** Pockets in the crowns deeper, where a valve would come too near. */ pockets?: true, setUps: 1 | 2 }

/** The figures that a way was solved for. Lengths mm, volumes cc. */
export interface Figures {
  /** Off each head's face, and its slope across; off each bank's deck or foot, below 0 what is put under it. */
  faces: number[]
  slope: number
  decks: number[]
  /** Ground out of chambers, and cut out of crowns, by cylinder. */
  ground: ReadonlyMap<number, number>
  crowned?: ReadonlyMap<number, number>
  /** Grinding that is drawn: as a school has it. */
  shaped?: Tried[]
  /** New pistons: what each crown holds more than the one that is fitted, how much higher it stands, how much deeper its pockets are. */
  piston?: { added: number, rise: number, pockets: number }
  /** How much deeper the pockets of each kind of valve are cut, mm, and what that makes each crown hold more, cc by cylinder. */
  pockets?: { depth: Record<Valve, number>, cc: ReadonlyMap<number, Record<Valve, number>> }
  /** How far valves go up in a seat job, along their stems; the same on every cylinder. */
  sunk: Record<Valve, number>
}

/** A chamber that is ground until the glass says so, or poured before the cut is set, is as sure as its reading, cc. */
const BY_THE_GLASS = 0.1

/** Less than this nobody cuts, mm, or grinds, cc. */
export const WORTH_CUTTING = 0.01
export const WORTH_OPENING = 0.05

/** The form that a valve's seat is cut by, as it stands before it is: mm across, its top cut's angle; `up`: how far it is to go up anyway, as planned at Ports. */
export interface SeatCone { valve: Valve, diameter: number, topCut: number, up: number }

/**
 * The forms that a cylinder's seats would be cut by: as planned at Ports, else as recorded there, else as drawn.
 *
 * @returns one a drawn valve
 * @example seatCones(standing, 1)[1] // { valve: 'exhaust', diameter: 38, topCut: 30, up: 0 }, of a valve of 36.8 with a top cut of 0.6
 */
export function seatCones(standing: Replay, cylinder: number): SeatCone[] {
  const valves = modelOf(standing, cylinder)?.spec.valves ?? []
  return valves.map((v, i): SeatCone => {
    const wanted = seatWanted(standing, { cylinder, valve: v.valve, n: nthOfKind(valves, i) })
    return wanted
      ? { valve: v.valve, diameter: wanted.before, topCut: wanted.form.topCut, up: wanted.up }
      : { valve: v.valve, diameter: 2 * valveFrame(v).edgeRadius, topCut: v.topCutAngle, up: 0 }
  })
}

/** What seats and top cuts give the chamber when all valves of a kind go up, cc. */
export const seatsGive = (cones: readonly SeatCone[], sunk: Record<Valve, number>): number =>
  cones.reduce((cc, cone) => cc + (sunk[cone.valve] > 0 ? sinking(cone, sunk[cone.valve]).added : 0), 0)

/** A stage of the work, in the trade's order: of what kind, and what is done. */
export interface Step { work: Work, operations: Tried[] }

/** Grinding that somebody planned for its own sake: drawn at Shape, or entered by itself. What a plan of several works asked for is no given. */
export const plannedAtShape = ({ planned }: Replay): EntryOf<'relief'>[] =>
  planned.filter((op): op is EntryOf<'relief'> => op.kind === 'relief' && (op.plan === undefined || (op.body.reliefs?.length ?? 0) > 0))

/** Whether a piece of work was planned by taking a route. */
export const isOfRoute = ({ ledger }: Replay, { plan }: OperationEntry): boolean => plan !== undefined && ledger.plans.get(plan)?.entry?.body.route === true

/** Seat work that somebody planned, and no route asked for: it is done whichever way is taken. */
export const plannedSeats = (standing: Replay): EntryOf<'seatWork'>[] =>
  standing.planned.filter((op): op is EntryOf<'seatWork'> => op.kind === 'seatWork' && !isOfRoute(standing, op))

/**
 * A way with its figures as operations, in the trade's order; seat work that is planned anyway is among them.
 *
 * @returns the steps that have anything to do
 */
export function stepsOf(standing: Replay, way: Way, { faces, slope, decks, ground, crowned = new Map(), shaped, piston, pockets, sunk }: Figures): Step[] {
  const { layout } = standing
  const offer = standing.offers.find(o => o.id === way.gasket)
  const pistons: Tried[] = !piston
    ? []
    : layout.cylinders.map(cylinder => crownTried(cylinder, { added: untyped(piston.added, 'cc', 2), rise: untyped(piston.rise, 'mm', 2), ...piston.pockets ? { pockets: untyped(piston.pockets, 'mm', 2) } : {} }))
  const worked = (kind: 'relief' | 'crownWork', by: ReadonlyMap<number, number>): Tried[] => [...by].filter(([, cc]) => cc >= WORTH_OPENING).map(([cylinder, cc]) => (
    { kind, scope: { level: 'cylinder', cylinder }, body: { state: 'planned', added: untyped(cc, 'cc', 2), u: untyped(BY_THE_GLASS, 'cc', 2) } }))
  const byTheGlass = (op: EntryOf<'relief'> | EntryOf<'seatWork'>) => ({ kind: op.kind, scope: op.scope, body: { ...op.body, u: op.body.u ?? untyped(BY_THE_GLASS, 'cc', 2) } }) as Tried
  const seats = plannedSeats(standing)
  const grind = way.grinding === 'planned' ? plannedAtShape(standing).map(byTheGlass) : shaped ?? worked('relief', ground)
  const foot = layout.engine?.head === 'blind'
  /** A head that has this gasket already keeps it. */
  const fitted = (cylinder: number) => {
    const gasket = gasketOf(standing, cylinder)
    return offer !== undefined && gasket !== undefined && sameGasket(gasket, offer.body)
  }
  const steps: Step[] = [
    { work: way.grinding.startsWith('even') ? 'grind' : 'open', operations: grind },
    { work: 'crown', operations: worked('crownWork', crowned) },
    { work: 'crown', operations: !pockets
      ? []
      : (['intake', 'exhaust'] as const).flatMap(valve => pockets.depth[valve] > 0
          ? [...pockets.cc].map(([cylinder, cc]) => crownTried(cylinder, { added: untyped(cc[valve], 'cc', 2), pockets: untyped(pockets.depth[valve], 'mm', 2), valve }))
          : []) },
    { work: 'spacer', operations: decks.flatMap((depth, i): Tried[] => depth <= -WORTH_CUTTING ? [{ kind: 'spacer', scope: { level: 'bank', bank: i + 1 }, body: { state: 'planned', change: untyped(-depth, 'mm', 2) } }] : []) },
    { work: 'deck', operations: decks.flatMap((depth, i): Tried[] => depth >= WORTH_CUTTING ? [{ kind: 'deckCut', scope: { level: 'bank', bank: i + 1 }, body: { state: 'planned', depth: untyped(depth, 'mm', 2), ...(foot ? { foot: true } : {}) } }] : []) },
    { work: slope === 0 ? 'face' : 'roll', operations: faces.flatMap((depth, i): Tried[] => depth >= WORTH_CUTTING || slope !== 0
      ? [{ kind: 'faceCut', scope: { level: 'head', head: i + 1 }, body: { state: 'planned', depth: untyped(depth, 'mm', 2), ...(slope ? { slopeY: slope } : {}) } }]
      : []) },
    { work: 'seats', operations: seats.filter(op => op.body.first).map(byTheGlass) },
    { work: 'seats', operations: seats.filter(op => !op.body.first).map(({ scope, body }): Tried => ({ kind: 'seatWork', scope, body })) },
    { work: 'seats', operations: (['intake', 'exhaust'] as const).flatMap(valve => sunk[valve] > 0
      ? layout.cylinders.map((cylinder): Tried => ({ kind: 'seatWork', scope: { level: 'cylinder', cylinder }, body: {
          state: 'planned', valve, sunk: untyped(sunk[valve], 'mm', 2),
          added: untyped(seatsGive(seatCones(standing, cylinder), { ...NO_VALVE, [valve]: Math.round(sunk[valve] * 100) / 100 }), 'cc', 2), ...way.seats === 'before' ? { first: true, u: untyped(BY_THE_GLASS, 'cc', 2) } : {}
        } }))
      : []) },
    { work: 'piston', operations: pistons },
    { work: 'gasket', operations: offer ? layout.heads.flatMap(([first], i): Tried[] => fitted(first!) ? [] : [{ kind: 'gasketChange', scope: { level: 'head', head: i + 1 }, body: { ...gasketFigures(offer.body), state: 'planned' } }]) : [] }
  ]
  const rank = rankOf(layout)
  return steps.filter(step => step.operations.length > 0).sort((a, b) => rank(a.operations[0]!) - rank(b.operations[0]!))
}

/** What a way costs and takes, by the shop's table. Metal: mm off the deepest face and deck; lasting: cc of chamber metal that is gone for good. */
export interface Bill { hours: number, money: number, metal: number, lasting: number }

/**
 * What the steps of a way cost, and what they take.
 *
 * @param rules the shop's table: per head, cc, bank, valve or chamber
 * @example billOf(standing, STARTING_RULES, way, steps).hours // 2.6
 */
export function billOf(standing: Replay, { work }: ShopRules, way: Way, steps: readonly Step[]): Bill {
  const bill: Bill = { hours: 0, money: 0, metal: 0, lasting: 0 }
  const pay = (what: Work, times: number) => {
    bill.hours += work[what].hours * times
    bill.money += work[what].money * times
  }
  const { layout } = standing
  let [face, deck] = [0, 0]
  // What is ground, or cut anew at its seats, is poured before anything goes by it.
  const poured = new Set<number>()
  for (const { work: what, operations } of steps) {
    for (const op of operations) {
      if (op.kind === 'relief') {
        pay(what, op.body.added.value)
        bill.lasting += op.body.added.value
      } else if (op.kind === 'seatWork' && op.scope.level === 'cylinder') {
        const { cylinder } = op.scope
        pay('seats', modelOf(standing, cylinder)?.spec.valves.filter(v => v.valve === op.body.valve).length ?? 1)
        bill.lasting += op.body.added.value
        if (op.body.first) poured.add(cylinder)
      } else if (op.kind === 'faceCut' && op.scope.level === 'head') {
        const cylinders = cylindersOf(layout, op.scope.head).length
        pay('face', 1)
        if (op.body.slopeY) pay('roll', 1)
        if (way.setUps === 2) pay('secondCut', 1)
        pay('pour', (way.setUps === 2 ? 2 : 1) * cylinders)
        face = Math.max(face, depthSet(op.body))
      } else pay(what, 1)
      if (op.kind === 'crownWork' && !isNewPiston(op.body)) bill.lasting += op.body.added.value
      if (op.kind === 'deckCut') deck = Math.max(deck, op.body.depth.value)
      if (op.kind === 'relief' && 'cylinder' in op.scope) poured.add(op.scope.cylinder)
    }
  }
  pay('pour', poured.size)
  bill.metal = face + deck
  return bill
}

/** Which head and bank a cylinder is on. */
export const placeOn = ({ layout }: Replay, cylinder: number) => ({ head: headOf(layout, cylinder), bank: bankOf(layout, cylinder) })
