import 'reflect-metadata'
import { Type } from 'class-transformer'
import { IsBoolean, IsOptional, ValidateNested } from 'class-validator'
import {
  AS_CAST, ENCLOSED, FIGURE_BOUNDS, SOLDER_TOUCHED, QUANTITIES, ROD_MODULUS, quantityRule, type Bodies, type Enclosed, type EntryKind, type Figure, type Instrument,
  type ChamberSpec, type LiftRow, type OperationState, type PourBody as PourFigures, type Quantity, type Relief, type Removed, type RodMaterial
} from '#core'
import { chamberFault, reliefsFault, removedFault } from './chamberBody'
import { liftRowsFault } from './liftRows'
import { DoubtOfQuantity, EachFields, Fields, figureFault, FigureIn, FigureOfQuantity, NumberIn, OneOf, PlainName, PlainNote, Sound } from './decorators'

const STATES = ['planned', 'done', 'dropped'] as const
const MOST_CYLINDERS = 16

function groupsFault(value: unknown): string | undefined {
  const right = Array.isArray(value) && value.length > 0 && value.every(group =>
    Array.isArray(group) && group.length > 0 && group.every(c => Number.isInteger(c) && c >= 1 && c <= MOST_CYLINDERS))
  if (!right) return `Each group lists its cylinders, numbered 1 to ${MOST_CYLINDERS}.`
  const all = (value as number[][]).flat()
  return new Set(all).size === all.length ? undefined : 'A cylinder can stand in one group only.'
}

class LayoutBody {
  @Sound(groupsFault) heads!: number[][]
  @Sound((value, { heads }) => groupsFault(value) ?? (
    groupsFault(heads) === undefined && String((value as number[][]).flat().sort()) !== String((heads as number[][]).flat().sort())
      ? 'Banks and heads must hold the same cylinders.'
      : undefined)) banks!: number[][]
}

class TitleBody {
  @PlainName('The build’s name') name!: string
  @PlainName('The job reference') reference!: string
}

class TargetBody {
  @FigureIn(FIGURE_BOUNDS.ratio, 'the target ratio') ratio!: Figure
  @FigureIn(FIGURE_BOUNDS.ratioTolerance, 'the tolerance') tolerance!: Figure
  @IsBoolean({ message: 'Say whether the target counts the crevice.' }) countsCrevice!: boolean
}

class StatementBody {
  @OneOf(Object.keys(QUANTITIES), 'What is stated') quantity!: Quantity
  @FigureOfQuantity() figure!: Figure
  @IsOptional() @DoubtOfQuantity() u?: Figure
  @IsOptional() @OneOf(['upright', 'alongValve', 'pocket'], 'The way it was measured') convention?: 'upright' | 'alongValve' | 'pocket'
}

class MeasureBody extends StatementBody {
  // A rule of the same name on a subclass takes the place of the inherited one, so this says both.
  @Sound((value) => {
    if (typeof value !== 'string' || !Object.hasOwn(QUANTITIES, value)) return `What is stated must be one of ${Object.keys(QUANTITIES).join(', ')}.`
    return quantityRule(value as Quantity).measurable === false ? 'A measured chamber is a pour: enter its readings.' : undefined
  }) declare quantity: Quantity
}

class OfferBody {
  @IsOptional() @PlainName('The gasket’s name', 40) name?: string
  @FigureIn(QUANTITIES.gasketThickness, 'the gasket thickness') thickness!: Figure
  @FigureIn(QUANTITIES.gasketBore, 'the gasket bore') bore!: Figure
  @IsOptional() @FigureIn(QUANTITIES.gasketArea, 'the area of its opening') area?: Figure
}

class FillBody {
  @NumberIn('the start reading', -1e6, 1e6) start!: number
  @NumberIn('the end reading', -1e6, 1e6) end!: number
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/
/** What is wrong with a name that the client gave, if anything. */
export const uuidFault = (value: unknown): string | undefined =>
  typeof value === 'string' && UUID.test(value) ? undefined : 'That is not an identity (a lower-case UUID).'

/** Figures of an instrument, as the shop keeps them and as a pour copies them. */
export class InstrumentFigures {
  @PlainName('The instrument’s name', 60) name!: string
  @OneOf(['burette', 'syringe', 'cylinder'], 'The kind of instrument') kind!: Instrument['kind']
  @NumberIn('the capacity, in cc', 0.5, 5000) capacity!: number
  @NumberIn('the tolerance, in cc', 0, 100) tolerance!: number
  @NumberIn('the resolution, in cc', 0.001, 50) resolution!: number
  @OneOf(['deliver', 'contain'], 'The scale') scale!: 'deliver' | 'contain'
  @NumberIn('the film kept back, in cc', 0, 10) film!: number
  @NumberIn('the repeatability, in cc', 0, 10) repeatability!: number
  @IsOptional() @NumberIn('the scale’s expansion per kelvin', 0, 0.002) expansion?: number
}

class PouredWith extends InstrumentFigures {
  @Sound(uuidFault) id!: string
  @IsOptional() @NumberIn('the correction', 0.8, 1.25) correction?: number
}

class WatchBody {
  @NumberIn('the length of the watch, in seconds', 1, 7200) seconds!: number
  @NumberIn('the reading after the watch', 0, 5000) reading!: number
}

const only = (kinds: Enclosed[], sentence: string) => Sound((value, { encloses }) =>
  value !== undefined && !kinds.includes(encloses as Enclosed) ? sentence : undefined)

class PourBody implements PourFigures {
  @OneOf(ENCLOSED, 'What was filled') encloses!: Enclosed
  @EachFields('A pour has one fill or more, each with its start and its end.')
  @Sound(v => Array.isArray(v) && (v.length < 1 || v.length > 20) ? 'A pour has between one fill and twenty.' : undefined)
  @ValidateNested({ each: true }) @Type(() => FillBody) fills!: FillBody[]

  @Sound(v => typeof v === 'string' && v.length <= 200 ? undefined : 'What was typed must be text of 200 characters at most.') typed!: string
  @Fields('Say which instrument it was poured with.')
  @ValidateNested() @Type(() => PouredWith) instrument!: PouredWith

  @IsOptional() @OneOf(['ring', 'crown'], 'Where it was sealed') sealed?: 'ring' | 'crown'
  @IsOptional() @FigureIn(FIGURE_BOUNDS.plugColumn, 'the plug hole’s column') plugColumn?: Figure
  @IsOptional() @FigureIn(FIGURE_BOUNDS.crownDepth, 'how far the piston stands down') depth?: Figure
  @IsOptional() @FigureIn(FIGURE_BOUNDS.plateHole, 'the plate’s hole') plateHole?: Figure
  @IsOptional() @FigureIn(FIGURE_BOUNDS.knownRelief, 'the recess filled beside') knownRelief?: Figure
  @IsOptional() @FigureIn(FIGURE_BOUNDS.scaleTemperature, 'the temperature of the glass') scaleTemperature?: Figure
  @IsOptional() @FigureIn(FIGURE_BOUNDS.warmer, 'how much warmer the liquid was') warmer?: Figure
  @IsOptional() @NumberIn('the liquid’s expansion per kelvin', 0, 0.005) liquidExpansion?: number
  @IsOptional() @Fields('The watch has its seconds and its reading.')
  @ValidateNested() @Type(() => WatchBody) watch?: WatchBody

  @IsOptional() @only(['container'], 'Only a container is named.') @PlainName('The container’s name', 40) vessel?: string
  @IsOptional() @IsBoolean({ message: 'Say whether it was worked on since.' }) afterWork?: boolean
}

/** Places on a crown with a reading each, inside `reach` mm of the bore's centre. */
const readingsFault = (rule: { dimension: 'length', min: number, max: number }, noun: string) => (value: unknown): string | undefined => {
  if (!Array.isArray(value) || value.length < 1 || value.length > 24) return 'Give between one reading and twenty-four.'
  for (const reading of value as unknown[]) {
    if (typeof reading !== 'object' || reading === null) return 'Each reading has its place and its figure.'
    const { x, y, figure, ...rest } = reading as Record<string, unknown>
    const strange = Object.keys(rest)[0]
    if (strange) return `“${strange.slice(0, 40)}” is not known here.`
    const off = [x, y].some(at => typeof at !== 'number' || !Number.isFinite(at) || Math.abs(at) > 150)
    const fault = off ? 'A place lies within 150 mm of the bore’s centre, along the crank and across it.' : figureFault(figure, { ...rule, noun })
    if (fault) return fault
  }
  return undefined
}

class DeckReadingsBody {
  @Sound(readingsFault(FIGURE_BOUNDS.deckReading, 'a deck reading')) readings!: Bodies['deckReadings']['readings']
}

class SolderBody {
  @Sound((value, { strand }) => readingsFault(FIGURE_BOUNDS.solder, 'a solder')(value) ?? untouched(value as Bodies['solder']['readings'], strand))
  readings!: Bodies['solder']['readings']

  @IsOptional() @FigureIn(FIGURE_BOUNDS.solder, 'the strand’s own thickness') strand?: Figure
}

/** A strand that reads what it was before has not been touched: that is no squish. */
function untouched(readings: Bodies['solder']['readings'], strand: unknown): string | undefined {
  const thick = typeof strand === 'object' && strand !== null && 'value' in strand && typeof strand.value === 'number' ? strand.value : undefined
  const odd = thick === undefined ? undefined : readings.find(({ figure }) => figure.value > thick - SOLDER_TOUCHED)
  return odd && `That place was not touched: it reads ${odd.figure.value.toFixed(2)} mm, and the strand was ${thick!.toFixed(2)} mm before. Take a thicker one.`
}

class WheelBody {
  @Sound((value) => {
    if (!Array.isArray(value) || value.length < 1 || value.length > 12) return 'Give between one pair of readings and twelve.'
    for (const pair of value as unknown[]) {
      if (typeof pair !== 'object' || pair === null) return 'Each pair has its drop and the wheel before and after.'
      const { drop, before, after, ...rest } = pair as Record<string, unknown>
      const strange = Object.keys(rest)[0]
      if (strange) return `“${strange.slice(0, 40)}” is not known here.`
      const fault = figureFault(drop, { ...FIGURE_BOUNDS.dialDrop, noun: 'the drop' })
        ?? figureFault(before, { ...FIGURE_BOUNDS.wheel, noun: 'the wheel before' }) ?? figureFault(after, { ...FIGURE_BOUNDS.wheel, noun: 'the wheel after' })
      if (fault) return fault
      if ((after as Figure).value <= (before as Figure).value) return 'The wheel after top dead centre must read more than before it.'
    }
    return undefined
  }) pairs!: Bodies['wheel']['pairs']
}

class RodBody {
  @OneOf(Object.keys(ROD_MODULUS), 'The rod’s material') material!: RodMaterial
}

class LiftTableBody {
  @OneOf(['intake', 'exhaust'], 'Which valves') valve!: 'intake' | 'exhaust'
  @Sound(liftRowsFault) rows!: LiftRow[]
}

class PortPairsBody {
  @OneOf(['intake', 'exhaust'], 'Which ports') valve!: 'intake' | 'exhaust'
  @Sound(value => Array.isArray(value) && value.length > 0 && value.every(pair => Array.isArray(pair) && pair.length === 2)
    ? groupsFault(value)
    : 'Each pair names two cylinders.') pairs!: number[][]

  @Sound((value, { pairs }) => Array.isArray(value) && value.every(c => Array.isArray(pairs) && pairs.flat().includes(c))
    ? undefined
    : 'A poor port must be one of the pairs.') poor!: number[]
}

class HoldBody {
  @IsBoolean({ message: 'Say whether the chamber can be ground.' }) held!: boolean
}

const ISO_TIME = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,3})?Z$/

class ChamberModelBody {
  @Sound(chamberFault) spec!: ChamberSpec
  @Sound(value => Array.isArray(value) && value.length <= MOST_CYLINDERS && value.every(c => Number.isInteger(c) && c >= 1 && c <= MOST_CYLINDERS)
    ? undefined
    : 'Say which cylinders are the other way round, by number.') mirrored!: number[]

  @IsOptional() @Sound(value => value === AS_CAST || (typeof value === 'string' && ISO_TIME.test(value) && !Number.isNaN(Date.parse(value)))
    ? undefined
    : 'Say which face is drawn: as it was cast, or when it stood like that.') face?: string
}

class FaceBody {
  @OneOf(STATES, 'Its state') state!: OperationState
  @FigureIn(FIGURE_BOUNDS.cutDepth, 'the depth') depth!: Figure
  @IsOptional() @FigureIn(FIGURE_BOUNDS.cutDepth, 'the measured depth')
  @Sound((value, { state }) => value !== undefined && state !== 'done' ? 'Only a cut that was done has a measured depth.' : undefined) measured?: Figure
}

class FaceCutBody extends FaceBody {
  @IsOptional() @NumberIn('the slope along the head', -0.6, 0.6) slopeX?: number
  @IsOptional() @NumberIn('the slope across the head', -0.6, 0.6) slopeY?: number
  @IsOptional() @FigureIn({ dimension: 'length', min: 0, max: 12 }, 'the flat finishing cut') flat?: Figure
  @IsOptional() @Sound(removedFault) removed?: Removed[]
}

class GasketChangeBody {
  @OneOf(STATES, 'Its state') state!: OperationState
  @FigureIn(QUANTITIES.gasketThickness, 'the gasket thickness') thickness!: Figure
  @FigureIn(QUANTITIES.gasketBore, 'the gasket bore') bore!: Figure
  @IsOptional() @FigureIn(QUANTITIES.gasketArea, 'the area of its opening') area?: Figure
}

class AddedBody {
  @OneOf(STATES, 'Its state') state!: OperationState
  @FigureIn(FIGURE_BOUNDS.addedVolume, 'the volume added') added!: Figure
  @IsOptional() @FigureIn({ dimension: 'volume', min: 0, max: 20 }, 'its doubt') u?: Figure
}

class ReliefBody extends AddedBody {
  @IsOptional() @FigureIn(FIGURE_BOUNDS.addedVolume, 'the volume drawn') drawn?: Figure
  @IsOptional() @Sound(reliefsFault) reliefs?: Relief[]
}

class SeatWorkBody extends AddedBody {
  @IsOptional() @FigureIn(FIGURE_BOUNDS.sunk, 'how far the valve was sunk') sunk?: Figure
  @IsOptional() @OneOf(['intake', 'exhaust'], 'Which valves') valve?: 'intake' | 'exhaust'
}

class VoidBody {
  @PlainNote(300) @Sound(v => typeof v === 'string' && v.trim() === '' ? 'Say why it is taken out.' : undefined) reason!: string
}

/** The class that checks each kind's body. */
export const BODY_CLASSES: { [K in EntryKind]: new () => Bodies[K] } = {
  layout: LayoutBody, title: TitleBody, target: TargetBody, measure: MeasureBody, book: StatementBody, assume: StatementBody, offer: OfferBody,
  pour: PourBody, deckReadings: DeckReadingsBody, solder: SolderBody, wheel: WheelBody, rod: RodBody, liftTable: LiftTableBody, portPairs: PortPairsBody, chamberModel: ChamberModelBody, hold: HoldBody,
  faceCut: FaceCutBody, deckCut: FaceBody, gasketChange: GasketChangeBody, relief: ReliefBody, seatWork: SeatWorkBody, void: VoidBody
}
