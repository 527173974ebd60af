import { Type } from 'class-transformer'
import { ValidateNested } from 'class-validator'
import { KINDS, MOST_COILS, type Figure, type SpringCoil } from '#core'
import { EachFields, FigureIn, OneOf, Sound } from '../decorators'

const { bounds } = KINDS.spring

class CoilBody implements SpringCoil {
  @FigureIn(bounds.rate, 'the spring’s rate') rate!: Figure
  @FigureIn(bounds.free, 'its free length') free!: Figure
  @FigureIn(bounds.solid, 'its solid height')
  @Sound((value, { free }) => {
    const [solid, long] = [value, free].map(f => (f as Figure | undefined)?.value)
    return typeof solid === 'number' && typeof long === 'number' && solid >= long ? 'A spring is shorter solid than free.' : undefined
  }) solid!: Figure
}

export class SpringBody {
  @OneOf(['intake', 'exhaust'], 'Which valves') valve!: 'intake' | 'exhaust'
  @EachFields('A valve has one spring or more, each with its rate, its free length and its solid height.')
  @Sound(v => Array.isArray(v) && (v.length < 1 || v.length > MOST_COILS) ? `A valve has one spring to ${MOST_COILS}.` : undefined)
  @ValidateNested({ each: true }) @Type(() => CoilBody) coils!: CoilBody[]
}
