import { ROD_MODULUS, type RodMaterial } from '#core'
import { OneOf } from '../decorators'

export class RodBody {
  @OneOf(Object.keys(ROD_MODULUS), 'The rod’s material') material!: RodMaterial
}
