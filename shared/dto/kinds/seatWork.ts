import { IsOptional } from 'class-validator'
import { KINDS, type Figure, type Valve } from '#core'
import { FigureIn, OneOf, Sound } from '../decorators'
import { AddedBody } from '../operation'

export class SeatWorkBody extends AddedBody {
  @IsOptional() @FigureIn(KINDS.seatWork.bounds.sunk, 'how far the valve was sunk') sunk?: Figure
  @IsOptional() @OneOf(['intake', 'exhaust'], 'Which valves') valve?: Valve
  @IsOptional() @Sound((value, { valve }) => valve !== undefined && Number.isInteger(value) && (value as number) >= 1 && (value as number) <= 4 ? undefined : 'Which of the valves of one kind? A number from 1 to 4.') n?: number
}
