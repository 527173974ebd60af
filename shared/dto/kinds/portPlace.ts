import { IsBoolean, IsOptional } from 'class-validator'
import { KINDS, PORT_PLACES, PORT_WAYS, takesMetal, type Figure, type PortPlaceName, type PortWay } from '#core'
import { FigureIn, OneOf, PlainName, Sound } from '../decorators'

export class PortPlaceBody {
  @OneOf(PORT_PLACES, 'Where in the port it is') place!: PortPlaceName
  @OneOf(PORT_WAYS, 'What is done there') way!: PortWay
  @IsOptional() @FigureIn(KINDS.portPlace.bounds.amount, 'how much comes off there')
  @Sound((value, { way }) => value !== undefined && !takesMetal({ way: way as PortWay }) ? 'Nothing comes off a place that is left alone.' : undefined) amount?: Figure

  @IsOptional() @FigureIn(KINDS.portPlace.bounds.adds, 'how much more the port will hold')
  @Sound((value, { way }) => value !== undefined && !takesMetal({ way: way as PortWay }) ? 'A place that is left alone adds nothing.' : undefined) adds?: Figure

  @IsOptional() @PlainName('The tool', 60) tool?: string
  @IsOptional() @PlainName('The grit', 30) grit?: string
  @IsOptional() @PlainName('The finish', 40) finish?: string
  @IsBoolean({ message: 'Say whether it is done.' }) done!: boolean
}
