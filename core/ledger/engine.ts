import type { ChamberKind } from '../chamber'
import { ENCLOSED, type Enclosed } from './kinds/pour'
import type { Place } from './place'
import type { Quantity } from './quantities'
import type { Figure } from './terms'

export const ARRANGEMENTS = ['single', 'inLine', 'vee', 'flat'] as const
export const HEAD_KINDS = ['removable', 'turned', 'blind'] as const
export const FIRST_ENDS = ['front', 'flywheel'] as const
/** Intake and exhaust valves of a cylinder that are cast: none on a two-stroke. */
export const VALVE_COUNTS = [[0, 0], [1, 1], [2, 1], [2, 2], [3, 2]] as const

/** What kind of engine a build is. Where it was not said, everything is asked for. */
export interface Engine {
  strokes: 2 | 4
  arrangement: (typeof ARRANGEMENTS)[number]
  /** Between the banks of a vee. */
  bankAngle?: Figure
  /** The end at which numbering begins. */
  first: (typeof FIRST_ENDS)[number]
  /** A head that comes off; one turned on a lathe about the bore; a barrel closed at its top, poured assembled. */
  head: (typeof HEAD_KINDS)[number]
  intakes: number
  exhausts: number
  chamber: ChamberKind
}

/** How the cylinders of two banks are numbered: in turn across the vee, or one bank after the other. */
export const NUMBERINGS = ['acrossBanks', 'bankByBank'] as const
export type Numbering = (typeof NUMBERINGS)[number]

/**
 * Which cylinders sit on which head and bank.
 *
 * @param cylinders how many, 1 or more
 * @param arrangement vee and flat engines have two banks, from two cylinders on
 * @param numbering of two banks
 * @param perHead how many cylinders of a bank share a head (or a barrel casting); all of them if not given
 * @example layOut(8, 'vee', 'acrossBanks').heads // [[1, 3, 5, 7], [2, 4, 6, 8]]
 */
export function layOut(cylinders: number, arrangement: Engine['arrangement'], numbering: Numbering, perHead?: number): { heads: number[][], banks: number[][] } {
  const all = Array.from({ length: cylinders }, (_, i) => i + 1)
  const two = (arrangement === 'vee' || arrangement === 'flat') && cylinders > 1
  const half = Math.ceil(cylinders / 2)
  const second = numbering === 'acrossBanks' ? (c: number) => c % 2 === 0 : (c: number) => c > half
  const banks = two ? [all.filter(c => !second(c)), all.filter(second)] : [all]
  return { banks, heads: headsOf(banks, perHead) }
}

/**
 * Heads that each cover so many neighbours of a bank; one for each cylinder goes by its number.
 *
 * @example headsOf([[1, 2, 3, 4, 5, 6]], 3) // [[1, 2, 3], [4, 5, 6]]
 */
export function headsOf(banks: number[][], perHead?: number): number[][] {
  if (perHead === undefined) return banks
  if (perHead === 1) return banks.flat().sort((a, b) => a - b).map(c => [c])
  return banks.flatMap(bank => Array.from({ length: Math.ceil(bank.length / perHead) }, (_, i) => bank.slice(i * perHead, (i + 1) * perHead)))
}

const VALVE_QUANTITIES = /^(intake|exhaust)(?!Port)/
const VALVE_TRAIN: readonly Quantity[] = ['valveToValve', 'pushrodAngle', 'rockerRatio', 'runAngle', 'chainPitch', 'camTeeth']
const OF_PORTS: readonly Quantity[] = ['exhaustPortTop', 'exhaustPortDeck']
const OF_THE_LATHE: readonly Quantity[] = ['plugRoom', 'leastBand', 'toolNose']
const OF_A_VEE: readonly Quantity[] = ['halfBankAngle', 'flangeAngle', 'valleyGap']
const OF_A_JOINT: readonly Quantity[] = [
  'gasketThickness', 'gasketBore', 'gasketArea', 'gasketOutline', 'headHeight', 'deckThickness', 'leastDeckThickness', 'mouthArea', 'boltSpare', 'dowelSpare', 'boltSeat',
  'intakeSeatHeight', 'intakeTopCutHeight', 'exhaustSeatHeight', 'exhaustTopCutHeight'
]
/** A head that goes on a lathe: nothing stands in its way there but the plug. */
const isTurned = (engine: Engine) => engine.head === 'turned' || (engine.head === 'removable' && !hasValves(engine))
export const hasValves = ({ intakes, exhausts }: Engine) => intakes + exhausts > 0

/**
 * Whether an engine has barrels that something can be put under: a two-stroke, closed barrels, or one with a head for each cylinder.
 *
 * @param layout its engine, if anybody said what it is, and its heads
 * @example hasBarrels({ cylinders: [1, 2], heads: [[1], [2]] }) // true
 */
export const hasBarrels = ({ engine, cylinders, heads }: { engine?: Engine, cylinders: readonly number[], heads: readonly number[][] }): boolean =>
  engine?.head === 'blind' || engine?.strokes === 2 || heads.length === cylinders.length

/**
 * Whether a dimension belongs to an engine of this kind.
 *
 * @param engine undefined where nobody said what it is: then everything does
 * @example asksFor({ ...twoStroke }, 'intakeTilt') // false
 */
export function asksFor(engine: Engine | undefined, quantity: Quantity): boolean {
  if (!engine) return true
  // A port in the bore is open for so many degrees, as a valve is.
  if (engine.strokes === 2 && quantity === 'exhaustDuration') return true
  if (!hasValves(engine) && (VALVE_QUANTITIES.test(quantity) || VALVE_TRAIN.includes(quantity))) return false
  if (engine.strokes === 4 && OF_PORTS.includes(quantity)) return false
  if (!isTurned(engine) && OF_THE_LATHE.includes(quantity)) return false
  if (engine.arrangement !== 'vee' && OF_A_VEE.includes(quantity)) return false
  if (engine.arrangement === 'single' && quantity === 'boreSpacing') return false
  // Turned, it is open over its whole bore.
  if (engine.head === 'turned' && quantity === 'mouthArea') return false
  if (engine.head === 'blind' && OF_A_JOINT.includes(quantity)) return false
  return isTurned(engine) || engine.strokes === 2 || quantity !== 'bandAngle'
}

/** Places that an engine may lack, and which one does. */
const LACKS: readonly { station: Place['station'], leaf?: string, engine: (engine: Engine, cylinders: number) => boolean }[] = [
  { station: 'shape', engine: engine => !hasValves(engine) || engine.head === 'blind' },
  { station: 'shape', leaf: 'copy', engine: (_, cylinders) => cylinders === 1 },
  { station: 'pour', leaf: 'even', engine: (engine, cylinders) => cylinders === 1 || engine.head === 'blind' },
  { station: 'ports', engine: engine => !hasValves(engine) },
  { station: 'flow', engine: engine => !hasValves(engine) },
  { station: 'cut', leaf: 'seats', engine: engine => !hasValves(engine) },
  { station: 'cut', engine: engine => engine.head === 'blind' },
  { station: 'sheet', leaf: 'face', engine: engine => engine.head === 'blind' },
  { station: 'sheet', leaf: 'gaskets', engine: engine => engine.head === 'blind' },
  { station: 'sheet', leaf: 'chamber', engine: engine => engine.head === 'blind' },
  { station: 'mockup', leaf: 'turned', engine: engine => !isTurned(engine) },
  { station: 'mockup', leaf: 'springs', engine: engine => !hasValves(engine) }
]

/**
 * Whether an engine of this kind has anything to do at a station, or on one of its leaves.
 *
 * @param engine undefined where nobody said what it is: then it has
 * @param cylinders how many there are
 * @example hasPlace({ ...twoStroke }, 1, 'shape') // false
 */
export function hasPlace(engine: Engine | undefined, cylinders: number, station: Place['station'], leaf?: string): boolean {
  return !engine || !LACKS.some(lack => lack.station === station && (lack.leaf === undefined || lack.leaf === leaf) && lack.engine(engine, cylinders))
}

/**
 * What is poured of an engine of this kind to have its ratio: the chamber, or the whole of a closed barrel or a turned head.
 *
 * @example pouredFirst({ ...closedBarrel }) // 'assembled'
 */
export const pouredFirst = (engine: Engine | undefined): 'chamber' | 'assembled' => engine?.head === 'blind' || engine?.head === 'turned' ? 'assembled' : 'chamber'

/**
 * What an engine of this kind has to be filled, the usual first: a closed barrel or a turned head is poured assembled, and one
 * without valves has no ports.
 *
 * @param engine undefined where nobody said what it is: then everything
 * @example enclosedBy({ ...closedBarrel })[0] // 'assembled'
 */
export function enclosedBy(engine: Engine | undefined): Enclosed[] {
  const lacking: Enclosed[] = [...engine?.head === 'blind' ? ['chamber' as const] : [], ...engine && !hasValves(engine) ? ['intakePort' as const, 'exhaustPort' as const] : []]
  const has = ENCLOSED.filter(what => !lacking.includes(what))
  return [pouredFirst(engine), ...has.filter(what => what !== pouredFirst(engine))]
}
