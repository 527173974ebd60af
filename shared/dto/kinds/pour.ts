import { Type } from 'class-transformer'
import { IsBoolean, IsOptional, ValidateNested } from 'class-validator'
import { DomainError, ENCLOSED, KINDS, pourResult, watchOf, type Enclosed, type Entry, type Figure, type PourBody as PourFigures, type PourEntry } from '#core'
import { sayRefusal } from '#shared/words/domain'
import { EachFields, Fields, FigureIn, NumberIn, OneOf, OneOfSeveral, PlainName, Sound } from '../decorators'
import { uuidFault } from '../identity'
import { GlassFigures } from '../instrument'
import type { FieldProblem } from '../problem'

const { bounds } = KINDS.pour

class FillBody {
  @NumberIn('the start reading', -1e6, 1e6) start!: number
  @NumberIn('the end reading', -1e6, 1e6) end!: number
}

class CheckedAt {
  @NumberIn('the volume of the check, in cc', 0.1, 5000) at!: number
  @NumberIn('the doubt of the check, in cc', 0, 100) u!: number
}

/** As a pour copies it: a file may not say how much it scatters, or whether it was checked. */
class PouredWith extends GlassFigures {
  @Sound(uuidFault) id!: string
  @IsOptional() @NumberIn('the correction', 0.8, 1.25) correction?: number
  @IsOptional() @Fields('A check has the volume it was made at, and its doubt there.')
  @ValidateNested() @Type(() => CheckedAt) check?: CheckedAt

  @IsOptional() @NumberIn('the repeatability, in cc', 0, 10) repeatability?: number
}

class WatchBody {
  @NumberIn('the length of the watch, in seconds', 1, 7200) seconds!: number
  @NumberIn('the reading after the watch', 0, 5000) reading!: number
}

const only = (kinds: Enclosed[], sentence: string) => Sound((value, { encloses }) =>
  value !== undefined && !kinds.includes(encloses as Enclosed) ? sentence : undefined)

export class PourBody implements PourFigures {
  @OneOf(ENCLOSED, 'What was filled') encloses!: Enclosed
  @IsOptional() @only(['intakePort', 'exhaustPort'], 'Only ports are counted.') @OneOfSeveral('ports') n?: number
  @EachFields('A pour has one fill or more, each with its start and its end.')
  @Sound(v => Array.isArray(v) && (v.length < 1 || v.length > 20) ? 'A pour has between one fill and twenty.' : undefined)
  @ValidateNested({ each: true }) @Type(() => FillBody) fills!: FillBody[]

  @Sound(v => typeof v === 'string' && v.length <= 200 ? undefined : 'What was typed must be text of 200 characters at most.') typed!: string
  @Fields('Say which instrument it was poured with.')
  @ValidateNested() @Type(() => PouredWith) instrument!: PouredWith

  @IsOptional() @OneOf(['ring', 'crown'], 'Where it was sealed') sealed?: 'ring' | 'crown'
  @IsOptional() @FigureIn(bounds.plugColumn, 'the plug hole’s column') plugColumn?: Figure
  @IsOptional() @FigureIn(bounds.depth, 'how far the piston stands down') depth?: Figure
  @IsOptional() @FigureIn(bounds.plateHole, 'the plate’s hole') plateHole?: Figure
  @IsOptional() @FigureIn(bounds.knownRelief, 'the recess filled beside') knownRelief?: Figure
  @IsOptional() @FigureIn(bounds.scaleTemperature, 'the temperature of the glass') scaleTemperature?: Figure
  @IsOptional() @FigureIn(bounds.warmer, 'how much warmer the liquid was') warmer?: Figure
  @IsOptional() @NumberIn('the liquid’s expansion per kelvin', 0, 0.005) liquidExpansion?: number
  @IsOptional() @Fields('The watch has its seconds and its reading.')
  @ValidateNested() @Type(() => WatchBody) watch?: WatchBody

  @IsOptional() @only(['container'], 'Only a container is named.') @PlainName('The container’s name', 40) vessel?: string
  @IsOptional() @IsBoolean({ message: 'Say whether it was worked on since.' }) afterWork?: boolean

  /** What only the whole entry shows: a cylinder's volume is about the cylinder, and the glass holds what was read. */
  static fault(entry: Entry): FieldProblem | undefined {
    const pour = entry as PourEntry
    if (pour.body.encloses !== 'container' && pour.scope.level !== 'cylinder') return { path: 'scope', sentence: 'This is about the cylinder.' }
    try {
      pourResult(pour)
      watchOf(pour)
      return undefined
    } catch (error) {
      if (!(error instanceof RangeError)) throw error
      const argument = error instanceof DomainError ? error.argument : 'fills'
      const path = argument.startsWith('fills') || argument.startsWith('instrument') ? argument : 'fills'
      return { path: `body.${path}`, sentence: sayRefusal(error) }
    }
  }
}
