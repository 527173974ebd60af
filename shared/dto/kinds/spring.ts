import { Type } from 'class-transformer'
import { IsOptional, ValidateNested } from 'class-validator'
import { DomainError, KINDS, MOST_COILS, springFromLoads, type Figure, type SpringCoil, type SpringReading } from '#core'
import { EachFields, FigureIn, OneOf, Sound, figureFault } from '../decorators'

const { bounds } = KINDS.spring

/** What is wrong with loads at two heights, if anything; `loads` as they come in from anywhere. */
export function loadsFault(loads: unknown): string | undefined {
  if (!Array.isArray(loads) || loads.length !== 2) return 'A spring’s loads are two, at two heights.'
  for (const one of loads as unknown[]) {
    if (typeof one !== 'object' || one === null || Object.keys(one).sort().join() !== 'height,load') return 'A load of a spring has its height and the load there.'
    const { height, load } = one as Record<'height' | 'load', unknown>
    const fault = figureFault(height, { ...bounds.height, noun: 'the height it was read at' }) ?? figureFault(load, { ...bounds.load, noun: 'the spring’s load' })
    if (fault) return fault
  }
  try {
    springFromLoads(readingsOf(loads as NonNullable<SpringCoil['loads']>))
    return undefined
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    return 'A spring carries more at the lower of its two heights.'
  }
}
/** Loads as they are reckoned with. */
export const readingsOf = (loads: NonNullable<SpringCoil['loads']>): [SpringReading, SpringReading] => loads.map(({ height, load }) => ({ height: height.value, load: load.value })) as [SpringReading, SpringReading]
function disagrees(loads: NonNullable<SpringCoil['loads']>, rate?: { value: number }, free?: { value: number }): string | undefined {
  const by = springFromLoads(readingsOf(loads))
  const off = (is: number, of?: { value: number }) => of !== undefined && Math.abs(is / of.value - 1) > 1e-3
  return off(by.rate, rate) || off(by.freeLength, free) ? 'Its rate and free length are not those of its two loads.' : undefined
}

class CoilBody implements SpringCoil {
  @FigureIn(bounds.rate, 'the spring’s rate') rate!: Figure
  @FigureIn(bounds.free, 'its free length') free!: Figure
  @FigureIn(bounds.solid, 'its solid height')
  @Sound((value, { free }) => {
    const [solid, long] = [value, free].map(f => (f as Figure | undefined)?.value)
    return typeof solid === 'number' && typeof long === 'number' && solid >= long ? 'A spring is shorter solid than free.' : undefined
  }) solid!: Figure

  @IsOptional() @Sound((value, { rate, free }) => loadsFault(value) ?? disagrees(value as NonNullable<SpringCoil['loads']>, rate as Figure | undefined, free as Figure | undefined)) loads?: NonNullable<SpringCoil['loads']>
}

export class SpringBody {
  @OneOf(['intake', 'exhaust'], 'Which valves') valve!: 'intake' | 'exhaust'
  @EachFields('A valve has one spring or more, each with its rate, its free length and its solid height.')
  @Sound(v => Array.isArray(v) && (v.length < 1 || v.length > MOST_COILS) ? `A valve has one spring to ${MOST_COILS}.` : undefined)
  @ValidateNested({ each: true }) @Type(() => CoilBody) coils!: CoilBody[]
}
