import { OneOf, Sound } from '../decorators'
import { groupsFault } from '../groups'

export class PortPairsBody {
  @OneOf(['intake', 'exhaust'], 'Which ports') valve!: 'intake' | 'exhaust'
  @Sound(value => Array.isArray(value) && value.length > 0 && value.every(pair => Array.isArray(pair) && pair.length === 2)
    ? groupsFault(value)
    : 'Each pair names two cylinders.') pairs!: number[][]

  @Sound((value, { pairs }) => Array.isArray(value) && value.every(c => Array.isArray(pairs) && pairs.flat().includes(c))
    ? undefined
    : 'A poor port must be one of the pairs.') poor!: number[]
}
