import type { Engine, Numbering } from '#core'
import { CHAMBER_WORDS } from '#shared/words/chamber'
import { digits } from '#shared/figures'

export const ARRANGEMENT_WORDS: Record<Engine['arrangement'], string> = { single: 'Single', inLine: 'In line', vee: 'Vee', flat: 'Flat' }
export const HEAD_WORDS: Record<Engine['head'], string> = { removable: 'Comes off', turned: 'Turned on a lathe', blind: 'None: the barrel is closed' }
export const FIRST_WORDS: Record<Engine['first'], string> = { front: 'Front end', flywheel: 'Flywheel end' }
export const SIDE_WORDS = { right: 'At the right', left: 'At the left' } as const
export const NUMBERING_WORDS: Record<Numbering, string> = { acrossBanks: 'Across the banks', bankByBank: 'Bank by bank' }
export const sayHeads = (each: 'bank' | number): string => each === 'bank' ? 'One for each bank' : each === 1 ? 'One for each cylinder' : `One for every ${each} cylinders`
export const STROKE_WORDS = { 4: 'Four-stroke', 2: 'Two-stroke' } as const

/** “2 + 2”, intakes first. */
export const sayValves = (intakes: number, exhausts: number): string => intakes + exhausts === 0 ? 'None' : `${intakes + exhausts}: ${intakes} intake, ${exhausts} exhaust`

/** An engine in a few words, without its cylinders. */
export function sayEngine({ strokes, arrangement, bankAngle, intakes, exhausts, chamber }: Engine): string {
  return [
    STROKE_WORDS[strokes], `${ARRANGEMENT_WORDS[arrangement].toLowerCase()}${bankAngle ? ` of ${digits(bankAngle.value, 0)}°` : ''}`,
    ...(intakes + exhausts > 0 ? [`${intakes + exhausts} valves`] : []), CHAMBER_WORDS[chamber].toLowerCase()
  ].join(', ')
}
