import { IsOptional } from 'class-validator'
import { KINDS, type Figure, type Valve } from '#core'
import { FigureIn, OneOf, OneOfSeveral, Sound } from '../decorators'
import { AddedBody } from '../operation'

export class SeatWorkBody extends AddedBody {
  @IsOptional() @FigureIn(KINDS.seatWork.bounds.sunk, 'how far the valve was sunk') sunk?: Figure
  @IsOptional() @OneOf(['intake', 'exhaust'], 'Which valves') valve?: Valve
  @IsOptional() @Sound((_, { valve }) => valve === undefined ? 'Say which valves first.' : undefined) @OneOfSeveral('valves of one kind') n?: number
  @IsOptional() @Sound(value => value === true ? undefined : 'Say whether the seats are cut before the face.') first?: true
}
