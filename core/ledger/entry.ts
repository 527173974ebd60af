import type { ChamberSpec, ClearanceConvention, Relief } from '../chamber'
import type { Fill, Instrument } from '../pour'
import type { LiftRow } from '../shroud'
import type { RodMaterial } from '../squish'
import type { Quantity } from './quantities'

/** What was typed, and what was understood by it: `value` in core units (mm, mm², cc, degrees). */
export interface Figure { value: number, unit: string, typed: string }

/** What an entry is about. A cylinder's own entry overrides its head's, that its bank's, that the build's. */
export type Scope
  = | { level: 'build' }
    | { level: 'bank', bank: number }
    | { level: 'head', head: number }
    | { level: 'cylinder', cylinder: number }

/** Planned, then superseded by what was done or by dropping it. */
export type OperationState = 'planned' | 'done' | 'dropped'

export interface Statement {
  quantity: Quantity
  figure: Figure
  /** Standard uncertainty, when whoever states it knows better than the shop's table. */
  u?: Figure
  /** For piston-to-valve clearances: how they were measured. */
  convention?: ClearanceConvention
}

/** What a pour can fill. A container is anything else: it stands in the ledger and in no stack. */
export const ENCLOSED = ['chamber', 'assembled', 'crown', 'intakePort', 'exhaustPort', 'container'] as const
export type Enclosed = (typeof ENCLOSED)[number]

/** A length read at a place on the crown: x along the crank, y across it, mm from the bore's centre. */
export interface SpotReading { x: number, y: number, figure: Figure }

export interface PourBody {
  encloses: Enclosed
  fills: Fill[]
  typed: string
  instrument: Instrument & { name: string }
  /** Assembled and crown pours: whether the liquid reached the top ring (and so the crevice). Ring if not given. */
  sealed?: 'ring' | 'crown'
  /** Assembled pours: the plug hole's column above the chamber, taken off. */
  plugColumn?: Figure
  /** Crown pours: how far down the bore the flat stands that the deck clearance is measured to. */
  depth?: Figure
  /** The plate's hole, where it was filled too; taken off. */
  plateHole?: Figure
  /** A recess of known size that was filled and does not belong to what is measured; taken off. */
  knownRelief?: Figure
  /** Temperature of the glass, °C, for the scale's own expansion. */
  scaleTemperature?: Figure
  /** How much warmer the liquid was in the head than in the glass, K, and its expansion per kelvin. */
  warmer?: Figure
  liquidExpansion?: number
  /** The leak watch: how long it lasted and where the scale stood once topped up again. */
  watch?: { seconds: number, reading: number }
  /** Containers: what it is. */
  vessel?: string
  /** Ports, crowns and containers: it was worked on since the pour before, so that this one starts afresh. */
  afterWork?: boolean
}

/** What a chamber's model says a cut takes off it: `cc` at the stated depth, `perMm` cc for each mm
 * more, `x` its place along the head, `factor` poured over drawn. */
export interface Removed { cylinder: number, x: number, cc: number, perMm: number, factor: number }

/** `depth` is at the bore line; slopes in mm per mm along +x and +y of the head; `flat` comes square off the new face. */
export interface FaceCutBody { state: OperationState, depth: Figure, measured?: Figure, slopeX?: number, slopeY?: number, flat?: Figure, removed?: Removed[] }

export interface Bodies {
  /** What the build is called, and its job reference, from here on. */
  title: { name: string, reference: string }
  layout: { heads: number[][], banks: number[][] }
  target: { ratio: Figure, tolerance: Figure, countsCrevice: boolean }
  measure: Statement
  book: Statement
  assume: Statement
  /** A gasket that is to be had, not fitted. */
  offer: { name?: string, thickness: Figure, bore: Figure, area?: Figure }
  pour: PourBody
  /** Deck clearance by dial or depth gauge at several places on the crown. */
  deckReadings: { readings: SpotReading[] }
  /** Squish by solder, flattened at top dead centre; `strand`: how thick it was before, which no flattened place can be. */
  solder: { readings: SpotReading[], strand?: Figure }
  /** Top dead centre by dial and wheel, from both sides. */
  wheel: { pairs: { drop: Figure, before: Figure, after: Figure }[] }
  rod: { material: RodMaterial }
  /** A cam's lift at the valve, by dial and wheel. */
  liftTable: { valve: 'intake' | 'exhaust', rows: LiftRow[] }
  /** Ports that should match, and which of them are the poor ones by the head's own design. */
  portPairs: { valve: 'intake' | 'exhaust', pairs: number[][], poor: number[] }
  /**
   * A chamber's shape, and which cylinders have it the other way round. `face`: the face it was drawn on, as it was cast or as
   * it stood at a time (ISO 8601); if not given, as it stood when the drawing was first kept.
   */
  chamberModel: { spec: ChamberSpec, mirrored: number[], face?: string }
  /** A chamber that can't be ground. */
  hold: { held: boolean }
  faceCut: FaceCutBody
  deckCut: { state: OperationState, depth: Figure, measured?: Figure }
  gasketChange: { state: OperationState, thickness: Figure, bore: Figure, area?: Figure }
  /** `reliefs`: where the metal comes off, on the chamber's drawing, and `drawn` what the drawing gains by them. */
  relief: { state: OperationState, added: Figure, u?: Figure, drawn?: Figure, reliefs?: Relief[] }
  /** `sunk`: how far the valves (of one kind, or all) went up with it, which gives clearance and seat height back. */
  seatWork: { state: OperationState, added: Figure, u?: Figure, sunk?: Figure, valve?: 'intake' | 'exhaust' }
  void: { reason: string }
}

export type EntryKind = keyof Bodies

/** Every kind there is, in the order the trade meets them. */
export const ENTRY_KINDS = [
  'layout', 'title', 'target', 'measure', 'book', 'assume', 'offer', 'pour', 'deckReadings', 'solder', 'wheel', 'rod', 'liftTable', 'portPairs', 'chamberModel', 'hold',
  'faceCut', 'deckCut', 'gasketChange', 'relief', 'seatWork', 'void'
] as const satisfies readonly EntryKind[]

export const OPERATION_KINDS = ['faceCut', 'deckCut', 'gasketChange', 'relief', 'seatWork'] as const
export type OperationKind = (typeof OPERATION_KINDS)[number]

/** One line of the ledger. Never overwritten: a correction or a void supersedes it. */
export type Entry = {
  [K in EntryKind]: {
    id: string
    build: string
    /** Order the server received it in; null while it waits to be sent. */
    seq: number | null
    /** When it was done, ISO 8601. */
    at: string
    /** Initials of whoever did it. */
    hand: string
    kind: K
    /** Version of the body's shape. */
    v: number
    scope: Scope
    body: Bodies[K]
    note?: string
    supersedes?: string
  }
}[EntryKind]

export type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>

/** Whether an entry of this kind changes metal or parts, and so has a state. */
export function isOperation(entry: Entry): entry is EntryOf<OperationKind> {
  return (OPERATION_KINDS as readonly string[]).includes(entry.kind)
}
