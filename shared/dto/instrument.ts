import { IsOptional } from 'class-validator'
import type { Instrument } from '#core'
import { NumberIn, OneOf, PlainName } from './decorators'

/** Figures of an instrument that both the shop and each pour with it must have. */
export class GlassFigures {
  @PlainName('The instrument’s name', 60) name!: string
  @OneOf(['burette', 'syringe', 'cylinder'], 'The kind of instrument') kind!: Instrument['kind']
  @NumberIn('the capacity, in cc', 0.5, 5000) capacity!: number
  @NumberIn('the tolerance, in cc', 0, 100) tolerance!: number
  @NumberIn('the resolution, in cc', 0.001, 50) resolution!: number
  @OneOf(['deliver', 'contain'], 'The scale') scale!: 'deliver' | 'contain'
  @NumberIn('the film kept back, in cc', 0, 10) film!: number
  @IsOptional() @NumberIn('the scale’s expansion per kelvin', 0, 0.002) expansion?: number
}

/** An instrument as the shop keeps it. */
export class InstrumentFigures extends GlassFigures {
  @NumberIn('the repeatability, in cc', 0, 10) repeatability!: number
}
