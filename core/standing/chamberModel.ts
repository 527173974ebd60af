import { cutsTogether, mirrored, nthOfKind, topCutWidth, valveFrame, type ChamberSpec, type ChamberValve, type Cut } from '../chamber'
import { NOW, isOnValve, ofKind, operationsOn, placeAlong, scopeName, sunkBy, type Bodies, type EntryOf, type Ledger, type OperationEntry, type Valve } from '../ledger'
import { recordedSeat } from '../port'
import { lowEdgeOf, specEntry } from './chamberSpecs'
import type { Provenance } from './part'
import { doneOn, remembered } from './remembered'
import { cutPlane, knownQuantity, statedQuantity } from './statements'

/** A drawing's face before anything was ever cut off it. */
export const AS_CAST = 'cast'

/** A chamber's drawing with everything the ledger knows put in: what a solid is made from. */
export interface ChamberModel {
  cylinder: number
  /** Id of the entry that drew it. */
  entry: string
  /** In this chamber's own frame, mirrored where it is the other way round. */
  spec: ChamberSpec
  mirrored: boolean
  /** Bore centre along the head, mm from the middle of the head, + to the right as its face is seen. */
  x: number
  spacing: Provenance
  /** What has been cut off the face that is drawn. */
  done: Cut
  /** Where the heights of the seats come from. */
  seats: Record<Valve, Provenance>
}

/** Bore centre of a cylinder along its head, and where the spacing comes from. */
function boreAlong(ledger: Ledger, cylinder: number): { x: number, provenance: Provenance } {
  const spacing = knownQuantity(ledger, 'boreSpacing', cylinder)
  return { x: placeAlong(ledger.layout, cylinder, spacing?.estimate.value ?? 0), provenance: spacing?.provenance ?? 'assumed' }
}

/**
 * Whether a cut came after the face that a drawing shows: as it was cast, as it stood at a time, or as it stood when it was
 * first kept. What was off by then is in the drawing, and is not taken off it again.
 */
export function faceShown(ledger: Ledger, entry: EntryOf<'chamberModel'> | undefined, face: string | undefined): (op: OperationEntry) => boolean {
  if (face === AS_CAST) return () => true
  if (face !== undefined) return op => Date.parse(op.at) > Date.parse(face)
  // One that nobody has kept is drawn on what lies there.
  const kept = entry ? ledger.live.begun.get(entry.id) ?? Date.parse(entry.at) : Infinity
  return op => Date.parse(op.at) > kept
}

/** Seats by their valves: as they were last recorded, and as they are to be cut since. */
const seatsOf = (ledger: Ledger) => remembered(ledger, 'seats', () => {
  const seats = new Map<string, { record?: EntryOf<'seat'>, wanted?: EntryOf<'seat'> }>()
  for (const entry of ofKind(ledger.live.entries, 'seat')) {
    const name = scopeName(entry.scope)
    seats.set(name, entry.body.up ? { ...seats.get(name), wanted: entry } : { record: entry })
  }
  return seats
})

/** A valve's seat: as it was last recorded, or as it was planned once its work is counted. */
function recorded(ledger: Ledger, cylinder: number, valve: Valve, n: number, planned: OperationEntry[]): Partial<ChamberValve> {
  const { record, wanted } = seatsOf(ledger).get(scopeName({ level: 'valve', cylinder, valve, n })) ?? {}
  const since = wanted ? [...ledger.done.filter(op => ledger.place.get(op.id)! > ledger.place.get(wanted.id)!), ...planned] : []
  const cut = operationsOn(since, ledger.layout, cylinder, ['seatWork']).some(op => op.kind === 'seatWork' && isOnValve(op.body, valve, n))
  const body = (cut ? wanted : record)?.body
  return body ? recordedSeat({ ...body, outer: body.outer.value }) : {}
}

/** Recorded seats, stated tilt, heights and sinking put into a drawn valve. Heights count from the face that is drawn, before any sinking. */
function known(ledger: Ledger, given: ChamberValve, n: number, cylinder: number, done: Cut, planned: OperationEntry[]): ChamberValve {
  const { valve } = given
  const drawn = { ...given, ...recorded(ledger, cylinder, valve, n, planned) }
  const stated = (name: 'Tilt' | 'SeatHeight' | 'TopCutHeight' | 'Sunk') => statedQuantity(ledger, `${valve}${name}`, cylinder, NOW, planned)?.estimate.value
  const tilt = stated('Tilt') ?? drawn.tilt
  // How far a valve is found sunk is with all that was cut before it was read.
  const read = ledger.place.get(statedQuantity(ledger, `${valve}Sunk`, cylinder)?.entries[0] ?? '') ?? -1
  const work = [...doneOn(ledger, cylinder, ['seatWork']).filter(op => ledger.place.get(op.id)! > read), ...operationsOn(planned, ledger.layout, cylinder, ['seatWork'])]
    .reduce((sum, op) => sum + (op.kind === 'seatWork' ? sunkBy(op.body, valve, n) : 0), 0)
  const sunk = (stated('Sunk') ?? drawn.sunk) + work
  const seat = stated('SeatHeight')
  const topCut = stated('TopCutHeight')
  const [x, y] = lowEdgeOf({ ...drawn, tilt })
  const cut = done.depth + done.slopeX * x + done.slopeY * y
  return {
    ...drawn, tilt, sunk,
    ...(seat === undefined ? {} : { seatHeight: seat + cut - sunk * Math.cos(tilt * Math.PI / 180) }),
    ...(seat !== undefined && topCut !== undefined && seat > topCut ? { topCutWidth: topCutWidth(seat - topCut, tilt, drawn.topCutAngle) } : {})
  }
}

/** A dome as the lathe has left it since it was drawn, or will. */
function asTurned(ledger: Ledger, entry: EntryOf<'chamberModel'> | undefined, spec: ChamberSpec, reliefs: OperationEntry[]): ChamberSpec {
  const drawnAt = entry ? ledger.place.get(entry.id)! : NOW
  const last = reliefs.flatMap(op => op.kind === 'relief' && op.body.turned && (ledger.place.get(op.id) ?? NOW) > drawnAt ? [op.body.turned] : []).at(-1)
  return last && spec.roof.shape === 'turned' ? { ...spec, roof: { ...spec.roof, domeRadius: last.mouth, height: last.depth } } : spec
}

/**
 * The drawing of a cylinder's chamber with stated tilts, seat heights and sinking, and what has been cut.
 *
 * @param ledger the opened ledger
 * @param cylinder its number
 * @param planned operations to count as done, apart from face cuts
 * @param tried a drawing nobody has kept yet, to take the place of the kept one
 * @returns undefined where nobody has drawn it
 * @example chamberModel(ledger, 4)?.done.depth // 0.5, what is off its face since it was drawn
 */
export function chamberModel(ledger: Ledger, cylinder: number, planned: OperationEntry[] = [], tried?: Bodies['chamberModel']): ChamberModel | undefined {
  const entry = specEntry(ledger, cylinder)
  const drawn = tried ?? entry?.body
  if (!drawn) return undefined
  const turned = drawn.mirrored.includes(cylinder)
  const { x, provenance } = boreAlong(ledger, cylinder)
  const shows = faceShown(ledger, entry, drawn.face)
  const done = cutsTogether(doneOn(ledger, cylinder, ['faceCut'])
    .flatMap(op => op.kind === 'faceCut' && shows(op) ? [cutPlane(op, cylinder)] : []))
  // Metal taken off since: drawn on the master's hand, like the chamber itself.
  const reliefs = [...drawn.spec.reliefs ?? [], ...operationsOn([...ledger.done, ...planned], ledger.layout, cylinder, ['relief'])
    .flatMap(op => op.kind === 'relief' ? op.body.reliefs ?? [] : [])]
  const shaped = asTurned(ledger, entry, reliefs.length > 0 ? { ...drawn.spec, reliefs } : drawn.spec, operationsOn([...ledger.done, ...planned], ledger.layout, cylinder, ['relief']))
  const own = turned ? mirrored(shaped) : shaped
  const spec = { ...own, valves: own.valves.map((valve, i) => known(ledger, valve, nthOfKind(own.valves, i), cylinder, done, planned)) }
  const from = (valve: Valve): Provenance => statedQuantity(ledger, `${valve}SeatHeight`, cylinder)?.provenance ?? 'assumed'
  return {
    cylinder, entry: entry?.id ?? '', spec, mirrored: turned, x, spacing: provenance, done,
    seats: { intake: from('intake'), exhaust: from('exhaust') }
  }
}

/**
 * Height of the lowest edge of a drawn seat over the face as cast, as it stands now, mm.
 *
 * @example seatHeightNow({ seatHeight: 0.9, sunk: 0.3, tilt: 0, … }) // 1.2
 */
export function seatHeightNow(valve: ChamberValve): number {
  const { seat, seatRadius } = valveFrame(valve)
  return seat[2] - seatRadius * Math.sin(valve.tilt * Math.PI / 180)
}
