import type { QuantityRule } from '#core'
import { figureFault } from './decorators'
import { rowsFault } from './rows'

const ROWS = { most: 24, count: 'Give between one reading and twenty-four.', shape: 'Each reading has its place and its figure.', fields: ['x', 'y', 'figure'] } as const

/** What is wrong with places on a crown that have a reading each, if anything. */
export const readingsFault = (rule: QuantityRule, noun: string, { reach, middle } = { reach: 150, middle: 'the bore’s centre' }) => (value: unknown): string | undefined =>
  rowsFault(value, ROWS, ({ x, y, figure }) => {
    const off = [x, y].some(at => typeof at !== 'number' || !Number.isFinite(at) || Math.abs(at) > reach)
    return off ? `A place lies within ${reach} mm of ${middle}, along the crank and across it.` : figureFault(figure, { ...rule, noun })
  })
