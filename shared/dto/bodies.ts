import 'reflect-metadata'
import { Type } from 'class-transformer'
import { IsArray, IsBoolean, IsOptional, ValidateNested } from 'class-validator'
import {
  FIGURE_BOUNDS, QUANTITIES, quantityRule, type Bodies, type EntryKind, type Figure, type Instrument, type OperationState, type Quantity
} from '#core'
import { DoubtOfQuantity, FigureIn, FigureOfQuantity, NumberIn, OneOf, PlainName, PlainNote, Sound } from './decorators'

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
}

class PouredWith extends InstrumentFigures {
  @Sound(uuidFault) id!: string
}

class PourBody {
  @OneOf(['chamber', 'assembled'], 'What was filled') encloses!: 'chamber' | 'assembled'
  @IsArray({ message: 'A pour has one fill or more.' })
  @Sound(v => Array.isArray(v) && (v.length < 1 || v.length > 20) ? 'A pour has between one fill and twenty.' : undefined)
  @ValidateNested({ each: true }) @Type(() => FillBody) fills!: FillBody[]

  @Sound(v => typeof v === 'string' && v.length <= 200 ? undefined : 'What was typed must be text of 200 characters at most.') typed!: string
  @Sound(v => typeof v === 'object' && v !== null ? undefined : 'Say which instrument it was poured with.')
  @ValidateNested() @Type(() => PouredWith) instrument!: PouredWith

  @IsOptional() @OneOf(['ring', 'crown'], 'Where it was sealed') sealed?: 'ring' | 'crown'
  @IsOptional() @FigureIn(FIGURE_BOUNDS.plugColumn, 'the plug hole’s column') plugColumn?: Figure
}

class FaceBody {
  @OneOf(STATES, 'Its state') state!: OperationState
  @FigureIn(FIGURE_BOUNDS.cutDepth, 'the depth') depth!: Figure
  @IsOptional() @FigureIn(FIGURE_BOUNDS.cutDepth, 'the measured depth')
  @Sound((value, { state }) => value !== undefined && state !== 'done' ? 'Only a cut that was done has a measured depth.' : undefined) measured?: Figure
}

class GasketChangeBody {
  @OneOf(STATES, 'Its state') state!: OperationState
  @FigureIn(QUANTITIES.gasketThickness, 'the gasket thickness') thickness!: Figure
  @FigureIn(QUANTITIES.gasketBore, 'the gasket bore') bore!: Figure
}

class AddedBody {
  @OneOf(STATES, 'Its state') state!: OperationState
  @FigureIn(FIGURE_BOUNDS.addedVolume, 'the volume added') added!: Figure
  @IsOptional() @FigureIn({ dimension: 'volume', min: 0, max: 20 }, 'its doubt') u?: Figure
}

class VoidBody {
  @PlainNote(300) @Sound(v => typeof v === 'string' && v.trim() === '' ? 'Say why it is taken out.' : undefined) reason!: string
}

/** The class that checks each kind's body. */
export const BODY_CLASSES: { [K in EntryKind]: new () => Bodies[K] } = {
  layout: LayoutBody, target: TargetBody, measure: MeasureBody, book: StatementBody, assume: StatementBody, offer: OfferBody,
  pour: PourBody, faceCut: FaceBody, deckCut: FaceBody, gasketChange: GasketChangeBody, relief: AddedBody,
  seatWork: AddedBody, void: VoidBody
}
