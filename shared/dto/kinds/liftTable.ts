import type { LiftRow } from '#core'
import { OneOf, Sound } from '../decorators'
import { liftRowsFault } from '../liftRows'

export class LiftTableBody {
  @OneOf(['intake', 'exhaust'], 'Which valves') valve!: 'intake' | 'exhaust'
  @Sound(liftRowsFault) rows!: LiftRow[]
}
