import { IsOptional } from 'class-validator'
import { BLOCK_EXPANSION, ROD_MODULUS, type BlockMaterial, type Entry, type RodMaterial } from '#core'
import { OneOf } from '../decorators'
import type { FieldProblem } from '../problem'

export class RodBody {
  @IsOptional() @OneOf(Object.keys(ROD_MODULUS), 'The rod’s material') material?: RodMaterial
  @IsOptional() @OneOf(Object.keys(BLOCK_EXPANSION), 'The block’s material') block?: BlockMaterial

  static fault({ body }: Entry): FieldProblem | undefined {
    const { material, block } = body as RodBody
    return material ?? block ? undefined : { path: 'body.material', sentence: 'Say what the rods or the block are made of.' }
  }
}
