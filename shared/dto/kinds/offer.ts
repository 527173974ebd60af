import { IsOptional } from 'class-validator'
import { KINDS, type Figure } from '#core'
import { FigureIn, PlainName } from '../decorators'

const { bounds } = KINDS.offer

export class OfferBody {
  @IsOptional() @PlainName('The gasket’s name', 40) name?: string
  @FigureIn(bounds.thickness, 'the gasket thickness') thickness!: Figure
  @FigureIn(bounds.bore, 'the gasket bore') bore!: Figure
  @IsOptional() @FigureIn(bounds.area, 'the area of its opening') area?: Figure
}
