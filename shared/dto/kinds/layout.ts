import { groupsFault } from '../groups'
import { Sound } from '../decorators'

export class LayoutBody {
  @Sound(groupsFault) heads!: number[][]
  @Sound((value, { heads }) => groupsFault(value) ?? (
    groupsFault(heads) === undefined && String((value as number[][]).flat().sort()) !== String((heads as number[][]).flat().sort())
      ? 'Banks and heads must hold the same cylinders.'
      : undefined)) banks!: number[][]
}
