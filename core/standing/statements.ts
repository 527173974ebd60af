import {
  BASIS_FACTOR, DEFAULT_U, HEAT_STAND_IN, MOUTH_AREA_RELATIVE_U, MOUTH_SHARE_OF, ROD_STAND_IN, STAND_IN, STAND_IN_MOUTH_SHARE, carry, fromSource, linear, type Sourced
} from '../estimate'
import { cutAtChamber, mouthOf, outlineArea, thenFlat, type Cut, type Point } from '../chamber'
import { asksFor, changersOf, fit, NOW, operationsOn, quantityRule, type EntryOf, type FaceCutBody, type Ledger, type OperationEntry, type OperationKind, type Quantity, type StatementEntry } from '../ledger'
import { lowEdge, specEntry } from './chamberSpecs'
import { materialsOf } from './materials'
import { doneOn, howManyBefore, remembered } from './remembered'
import type { Part, Provenance } from './part'
import { heatCloses } from '../squish'

/** A wish is sure, and nobody's reading. */
const PROVENANCE = { measure: 'measured', book: 'book', assume: 'assumed', wish: 'derived' } as const
const RANK = { measure: 2, book: 1, assume: 0, wish: 3 } as const

/**
 * Standard uncertainty of a stated figure: what its author said, else the shop's table.
 *
 * @param statement a measured, book or assumed figure
 * @returns in the figure's core unit
 * @example statedU(entry) // 0.02 mm, a deck clearance measured without a doubt of its own
 */
export function statedU({ kind, body }: StatementEntry): number {
  if (body.u) return body.u.value
  if (kind === 'wish') return 0
  const basis = PROVENANCE[kind]
  if (body.quantity === 'chamberVolume') return basis === 'book' ? DEFAULT_U.bookChamber : DEFAULT_U.assumedChamber
  if (quantityRule(body.quantity).dimension === 'area') return Math.abs(body.figure.value) * MOUTH_AREA_RELATIVE_U[basis]
  return (quantityRule(body.quantity).u ?? 0) * BASIS_FACTOR[basis]
}

function stated(entry: StatementEntry): Part {
  return {
    estimate: fromSource(entry.body.figure.value, statedU(entry), `entry:${entry.id}`),
    provenance: PROVENANCE[entry.kind],
    entries: [entry.id]
  }
}

/**
 * The plane an operation cut, as the chamber of a cylinder sees it: over the face it was cut from. A deck cut is flat.
 *
 * @param place the chamber's bore centre along the head, mm, where the operation does not tell it
 * @example cutPlane(cut, 1, −45) // { depth: 0.5, slopeX: 0, slopeY: 0 }
 */
export function cutPlane(operation: Extract<OperationEntry, { kind: 'faceCut' | 'deckCut' }>, cylinder: number, place = 0): Cut {
  if (operation.kind === 'deckCut') return { depth: (operation.body.measured ?? operation.body.depth).value, slopeX: 0, slopeY: 0 }
  const depth = depthUnder(operation, cylinder)
  const { slopeX = 0, slopeY = 0, removed } = operation.body
  const x = removed?.find(r => r.cylinder === cylinder)?.x ?? place
  return cutAtChamber({ depth, slopeX, slopeY }, { x, y: 0 })
}

/**
 * How deep a face cut is set at the bore line: an angled one with the flat one that finishes it.
 *
 * @returns mm
 * Source: {@link thenFlat}.
 * @example depthSet({ state: 'planned', depth: half, slopeY: 0.02, flat: third }) // 0.80006, of 0.5 mm and 0.3 mm
 */
export const depthSet = ({ depth, slopeX = 0, slopeY = 0, flat }: FaceCutBody): number => thenFlat({ depth: depth.value, slopeX, slopeY }, flat?.value ?? 0).depth

/** How deep a face cut went at the bore line: as measured, which is all that came off there, else as set. */
export const depthTaken = (body: FaceCutBody): number => body.measured?.value ?? depthSet(body)

/** The same under a very chamber, where heights told it. */
export const depthUnder = ({ body }: EntryOf<'faceCut'>, cylinder: number): number =>
  body.under?.find(u => u.cylinder === cylinder)?.depth ?? depthTaken(body)

/**
 * Depth an operation on a face took off over a place of a chamber, with the doubt of how it was read. A depth measured
 * afterwards is surer than one read off the machine's dial.
 *
 * @param at the place, mm from the bore's centre
 */
export function cutDepth(operation: Extract<OperationEntry, { kind: 'faceCut' | 'deckCut' }>, cylinder: number, at: Point = [0, 0]): Sourced {
  const { depth, slopeX, slopeY } = cutPlane(operation, cylinder)
  const u = operation.body.measured ? DEFAULT_U.cutMeasured : DEFAULT_U.cutDialled
  return fromSource(depth + slopeX * at[0] + slopeY * at[1], u, `entry:${operation.id}`)
}

/** What a spacer or another base gasket lifts a barrel by. */
export const underBarrel = ({ id, body }: Extract<OperationEntry, { kind: 'spacer' }>): Sourced => fromSource(body.change.value, DEFAULT_U.gasketThickness, `entry:${id}`)

/** What work on a crown, a chamber or its seats makes it hold more, cc. */
export const workGains = ({ id, body }: Extract<OperationEntry, { kind: 'crownWork' | 'relief' | 'seatWork' }>): Sourced =>
  fromSource(body.added.value, body.u?.value ?? Math.max(DEFAULT_U.addedFloor, DEFAULT_U.addedRelative * Math.abs(body.added.value)), `entry:${id}`)

/** How much higher another piston stands; undefined where only the crown was worked on. */
export const pistonRise = ({ id, body }: Extract<OperationEntry, { kind: 'crownWork' }>): Sourced | undefined =>
  body.rise && fromSource(body.rise.value, DEFAULT_U.depth * BASIS_FACTOR.book, `entry:${id}:rise`)

/** Operations that change each dimension, and so divide its history into stretches: the kinds say. */
const CHANGERS = new Map<Quantity, OperationKind[]>()
function changedBy(quantity: Quantity): OperationKind[] | undefined {
  const kinds = CHANGERS.get(quantity) ?? changersOf(quantity)
  CHANGERS.set(quantity, kinds)
  return kinds.length > 0 ? kinds : undefined
}

/** Whether seat work moved the seat or top cut that a height is about: the lowest of its kind, which one of several alone does not move. */
function movesSeat(operation: OperationEntry, quantity: Quantity): boolean {
  return operation.kind !== 'seatWork'
    || (operation.body.sunk !== undefined && operation.body.n === undefined && (operation.body.valve === undefined || quantity.startsWith(operation.body.valve)))
}

/** What an operation does to a dimension: it becomes a figure of its own, nothing (no longer known), or grows by so much. */
type Change = { to: Part | undefined } | { by: [number, Sourced] }

function changeOf(quantity: Quantity, operation: OperationEntry, tilt: number, cylinder: number, at: Point): Change | undefined {
  if (operation.kind === 'seatWork' && operation.body.sunk) {
    // The whole form goes up along the valve; over the face that is its cosine.
    return { by: [Math.cos(tilt * Math.PI / 180), fromSource(operation.body.sunk.value, DEFAULT_U.depth, `entry:${operation.id}:sunk`)] }
  }
  if (operation.kind === 'crownWork') {
    if (quantity === 'crownVolume') return { by: [1, workGains(operation)] }
    const rise = pistonRise(operation)
    // A crown that stands higher comes to its port later.
    return rise && { by: [quantity === 'exhaustPortTop' ? 1 : -1, rise] }
  }
  if (operation.kind === 'gasketChange') {
    const { bore, thickness, area } = operation.body
    const figure = quantity === 'gasketArea' ? area : quantity === 'gasketBore' ? bore : thickness
    // A new gasket is round unless it says otherwise.
    if (!figure) return { to: undefined }
    const u = quantity === 'gasketArea' ? figure.value * MOUTH_AREA_RELATIVE_U.book : (quantityRule(quantity).u ?? 0) * BASIS_FACTOR.book
    return { to: {
      estimate: fromSource(figure.value, u, `entry:${operation.id}:${quantity}`), provenance: 'book', entries: [operation.id]
    } }
  }
  // A barrel that is lifted takes its ports with it, and one that comes down by its foot: the piston then shuts them sooner or later.
  const ports = quantity === 'exhaustPortTop'
  if (operation.kind === 'spacer') return { by: [ports ? -1 : 1, underBarrel(operation)] }
  if (operation.kind !== 'faceCut' && operation.kind !== 'deckCut') return undefined
  const foot = operation.kind === 'deckCut' && operation.body.foot === true
  if ((ports && !foot) || (quantity === 'exhaustPortDeck' && foot)) return undefined
  return { by: [ports ? 1 : -1, cutDepth(operation, cylinder, at)] }
}

/** A dimension's life on a cylinder: the operations that change it, and of each stretch between them the statement that counts. */
interface Life { operations: OperationEntry[], places: number[], byStretch: (StatementEntry | undefined)[], tilt: number, at: Point }

/** The stretch a place falls in: after so many operations. */
const stretchAt = (places: number[], place: number) => howManyBefore(places, p => p, place)

function lifeOf(ledger: Ledger, quantity: Quantity, cylinder: number): Life {
  return remembered(ledger, `life ${quantity} ${cylinder}`, () => {
    const kinds = changedBy(quantity)
    const operations = kinds ? doneOn(ledger, cylinder, kinds).filter(op => movesSeat(op, quantity)) : []
    const places = operations.map(op => ledger.place.get(op.id)!)
    const byStretch: (StatementEntry | undefined)[] = Array.from({ length: operations.length + 1 })
    const keys = new Float64Array(operations.length + 1).fill(-1)
    for (const entry of ledger.statements.get(quantity) ?? []) {
      const closeness = fit(entry.scope, ledger.layout, cylinder)
      if (closeness === 0) continue
      const stretch = stretchAt(places, ledger.place.get(entry.id)!)
      // A cylinder's own figure beats its head's; then measured beats book beats assumed; then the latest wins.
      const key = closeness * 10 + RANK[entry.kind]
      if (key >= keys[stretch]!) [byStretch[stretch], keys[stretch]] = [entry, key]
    }
    const ofSeats = kinds?.includes('seatWork')
    const intake = quantity.startsWith('intake')
    return {
      operations, places, byStretch,
      tilt: ofSeats ? statedQuantity(ledger, intake ? 'intakeTilt' : 'exhaustTilt', cylinder)?.estimate.value ?? 0 : 0,
      at: ofSeats ? lowEdge(ledger, intake ? 'intake' : 'exhaust', cylinder) : [0, 0]
    }
  })
}

/** A figure carried over operations, one after the other or, where `sign` is −1, back. */
function carriedOver(start: Part | undefined, changes: (Change & { id: string })[], sign: 1 | -1): Part | undefined {
  let part = start
  let terms: [number, Sourced][] = []
  let entries: string[] = []
  for (const change of changes) {
    if ('to' in change) [part, terms, entries] = [change.to, [], []]
    else if (part) {
      terms.push([sign * change.by[0], change.by[1]])
      entries.push(change.id)
    }
  }
  if (!part || terms.length === 0) return part
  return {
    estimate: linear([[1, part.estimate], ...terms]), provenance: part.provenance === 'measured' ? 'derived' : part.provenance,
    entries: [...part.entries, ...entries]
  }
}

/**
 * What a dimension is for a cylinder at a moment, from the statements about it and the operations since.
 *
 * A statement holds for its whole stretch between two operations that change the dimension, whenever it was
 * written down; over an operation it is carried forward, or back where nothing earlier is known.
 *
 * @param ledger the opened ledger
 * @param quantity which dimension
 * @param cylinder its number
 * @param place the moment; {@link NOW} for the end of the ledger
 * @param planned operations to add after everything done
 * @returns undefined when nobody has stated it
 * @example statedQuantity(ledger, 'bore', 1)?.estimate.value // 92
 */
export function statedQuantity(
  ledger: Ledger, quantity: Quantity, cylinder: number, place = NOW, planned: OperationEntry[] = []
): Part | undefined {
  const kinds = changedBy(quantity)
  // Only a gasket says its own size: whatever else nobody has stated is not known after work either.
  if (!ledger.statements.has(quantity)) {
    if (quantity === 'halfBankAngle') return ofTheBanks(ledger)
    if (!kinds?.includes('gasketChange')) return undefined
  }
  const life = lifeOf(ledger, quantity, cylinder)
  const wanted = stretchAt(life.places, place)
  const part = remembered(ledger, `${quantity} ${cylinder} ${wanted}`, () => inStretch(life, quantity, cylinder, wanted, kinds?.includes('gasketChange') ?? false))
  if (planned.length === 0 || !kinds) return part
  const after = operationsOn(planned, ledger.layout, cylinder, kinds).filter(op => movesSeat(op, quantity))
  return carriedOver(part, changesOf(life, quantity, cylinder, after), 1)
}

const changesOf = ({ tilt, at }: Life, quantity: Quantity, cylinder: number, operations: OperationEntry[]) => operations.flatMap((op) => {
  const change = changeOf(quantity, op, tilt, cylinder, at)
  return change ? [{ ...change, id: op.id }] : []
})

function inStretch(life: Life, quantity: Quantity, cylinder: number, wanted: number, ofGaskets: boolean): Part | undefined {
  const { operations, byStretch } = life
  let from = wanted
  // A new gasket says its own size (or that it has none of this kind): nothing before it matters.
  while (from > 0 && !byStretch[from] && operations[from - 1]!.kind !== 'gasketChange') from--
  if (!byStretch[from] && from > 0) return carriedOver(undefined, changesOf(life, quantity, cylinder, operations.slice(from - 1, wanted)), 1)
  if (byStretch[from]) return carriedOver(stated(byStretch[from]!), changesOf(life, quantity, cylinder, operations.slice(from, wanted)), 1)
  if (ofGaskets) return undefined
  const later = byStretch.findIndex(Boolean)
  return later < 0 ? undefined : carriedOver(stated(byStretch[later]!), changesOf(life, quantity, cylinder, operations.slice(wanted, later)).reverse(), -1)
}

/** Half the angle between the banks, as the layout says it. */
function ofTheBanks({ layout: { engine } }: Ledger): Part | undefined {
  return engine?.bankAngle && { estimate: fromSource(engine.bankAngle.value / 2, 0, 'layout:bankAngle'), provenance: 'derived', entries: [] }
}

interface StandIn { value?: number, ofBore?: number, ofBoreSquare?: number, ofBoreCube?: number, u?: number, relativeU?: number }

/**
 * A dimension for the clearance volume, with a stand-in of wide doubt where nobody has stated it.
 *
 * @returns undefined only for bore, stroke and others that have no stand-in
 * @example knownQuantity(ledger, 'crownDiameter', 1)?.provenance // 'assumed', where nobody stated it
 */
export function knownQuantity(
  ledger: Ledger, quantity: Quantity, cylinder: number, place = NOW, planned: OperationEntry[] = []
): Part | undefined {
  const part = statedQuantity(ledger, quantity, cylinder, place, planned)
  // What an engine of this kind has not is not assumed of it.
  if (part || !asksFor(ledger.layout.engine, quantity)) return part
  if (quantity === 'heatGrowth') return heatGrowth(ledger, cylinder, place)
  if (!(quantity in STAND_IN)) return undefined
  const standIn: StandIn = STAND_IN[quantity as keyof typeof STAND_IN]
  const bore = statedQuantity(ledger, 'bore', cylinder, place)?.estimate.value
  const value = standIn.value ?? (bore === undefined
    ? undefined
    : bore * (standIn.ofBore ?? 0) + bore ** 2 * (standIn.ofBoreSquare ?? 0) + bore ** 3 * (standIn.ofBoreCube ?? 0))
  if (value === undefined) return undefined
  const thicker = quantity === 'rodSection' || quantity === 'rodBeamMass' ? ROD_STAND_IN[materialsOf(ledger, cylinder).rod ?? 'steel'][quantity] : 1
  return assumed(value * thicker, standIn.u ?? value * thicker * standIn.relativeU!, quantity)
}

/** What heat closes by what rods and block are made of, and by their size. */
function heatGrowth(ledger: Ledger, cylinder: number, place: number): Part | undefined {
  const at = (quantity: Quantity) => statedQuantity(ledger, quantity, cylinder, place)?.estimate.value
  const [bore, stroke] = [at('bore'), at('stroke')]
  if (bore === undefined || stroke === undefined) return undefined
  const { rod = 'steel', block } = materialsOf(ledger, cylinder)
  const { value, u } = heatCloses({
    rodLength: at('rodLength') ?? stroke * HEAT_STAND_IN.rodOfStroke, crankRadius: stroke / 2, compressionHeight: bore * HEAT_STAND_IN.compressionOfBore, rod, block
  })
  return assumed(value, u, 'heatGrowth')
}

/** Open area of a chamber at the face, mm²: as stated, else of its drawing, else guessed from the bore and what kind it is of. */
export function mouthArea(ledger: Ledger, cylinder: number): Part | undefined {
  const part = statedQuantity(ledger, 'mouthArea', cylinder)
  if (part) return part
  if (ledger.layout.engine?.head === 'turned') {
    // A turned head is open over its whole bore.
    const bore = statedQuantity(ledger, 'bore', cylinder)
    return bore && { estimate: carry(([b]) => Math.PI / 4 * b! * b!, [bore.estimate]), provenance: 'derived', entries: bore.entries }
  }
  const drawn = specEntry(ledger, cylinder)
  if (drawn) {
    const area = outlineArea(mouthOf(drawn.body.spec))
    return { estimate: fromSource(area, area * MOUTH_AREA_RELATIVE_U.book, 'model:geometry'), provenance: 'derived', entries: [drawn.id] }
  }
  const bore = statedQuantity(ledger, 'bore', cylinder)
  if (!bore) return undefined
  const { engine } = ledger.layout
  const share = engine ? MOUTH_SHARE_OF[engine.chamber] : STAND_IN_MOUTH_SHARE
  const area = share.value * Math.PI / 4 * bore.estimate.value ** 2
  return assumed(area, area * share.relativeU, 'mouthArea')
}

function assumed(value: number, u: number, quantity: Quantity): Part {
  const provenance: Provenance = 'assumed'
  return { estimate: fromSource(value, u, `standIn:${quantity}`), provenance, entries: [] }
}
