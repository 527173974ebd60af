import { KINDS, type Bodies, type Figure } from '#core'
import { Sound, figureFault } from '../decorators'
import { rowsFault } from '../rows'

const { bounds } = KINDS.wheel
const ROWS = { most: 12, count: 'Give between one pair of readings and twelve.', shape: 'Each pair has its drop and the wheel before and after.', fields: ['drop', 'before', 'after'] } as const

export class WheelBody {
  @Sound(value => rowsFault(value, ROWS, ({ drop, before, after }) =>
    figureFault(drop, { ...bounds.drop, noun: 'the drop' })
    ?? figureFault(before, { ...bounds.before, noun: 'the wheel before' }) ?? figureFault(after, { ...bounds.after, noun: 'the wheel after' })
    ?? ((after as Figure).value <= (before as Figure).value ? 'The wheel after top dead centre must read more than before it.' : undefined)))
  pairs!: Bodies['wheel']['pairs']
}
