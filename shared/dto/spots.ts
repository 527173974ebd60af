import type { QuantityRule } from '#core'
import { figureFault } from './decorators'

/** What is wrong with places on a crown that have a reading each, if anything. */
export const readingsFault = (rule: QuantityRule, noun: string, { reach, middle } = { reach: 150, middle: 'the bore’s centre' }) => (value: unknown): string | undefined => {
  if (!Array.isArray(value) || value.length < 1 || value.length > 24) return 'Give between one reading and twenty-four.'
  for (const reading of value as unknown[]) {
    if (typeof reading !== 'object' || reading === null) return 'Each reading has its place and its figure.'
    const { x, y, figure, ...rest } = reading as Record<string, unknown>
    const strange = Object.keys(rest)[0]
    if (strange) return `“${strange.slice(0, 40)}” is not known here.`
    const off = [x, y].some(at => typeof at !== 'number' || !Number.isFinite(at) || Math.abs(at) > reach)
    const fault = off ? `A place lies within ${reach} mm of ${middle}, along the crank and across it.` : figureFault(figure, { ...rule, noun })
    if (fault) return fault
  }
  return undefined
}
