import { KINDS, type Bodies, type Figure } from '#core'
import { Sound, figureFault } from '../decorators'

const { bounds } = KINDS.wheel

export class WheelBody {
  @Sound((value) => {
    if (!Array.isArray(value) || value.length < 1 || value.length > 12) return 'Give between one pair of readings and twelve.'
    for (const pair of value as unknown[]) {
      if (typeof pair !== 'object' || pair === null) return 'Each pair has its drop and the wheel before and after.'
      const { drop, before, after, ...rest } = pair as Record<string, unknown>
      const strange = Object.keys(rest)[0]
      if (strange) return `“${strange.slice(0, 40)}” is not known here.`
      const fault = figureFault(drop, { ...bounds.drop, noun: 'the drop' })
        ?? figureFault(before, { ...bounds.before, noun: 'the wheel before' }) ?? figureFault(after, { ...bounds.after, noun: 'the wheel after' })
      if (fault) return fault
      if ((after as Figure).value <= (before as Figure).value) return 'The wheel after top dead centre must read more than before it.'
    }
    return undefined
  }) pairs!: Bodies['wheel']['pairs']
}
