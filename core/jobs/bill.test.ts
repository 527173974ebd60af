import { describe, expect, it } from 'vitest'
import { billOf, ratesOf, type JobCardStanding } from '..'

const line = (step: string, hours: number, worked: number) => ({ step, hours, worked, done: false as const, checks: [], running: [] })
const card = (lines: JobCardStanding['lines'], more: Partial<JobCardStanding> = {}) => ({ entry: { body: { lines: [], bought: [{ words: 'Gasket', money: 61.5 }] } } as unknown as JobCardStanding['entry'], lines, others: [], planned: 0, worked: 0, ...more })

describe('quote and bill', () => {
  it('adds up by hand, each line rounded as it is printed', () => {
    // 1/3 h prints as 0.33 and comes to 18.15 at 55: three of them are 54.45, not 55.
    const third = billOf(card([line('a', 1 / 3, 0), line('b', 1 / 3, 0), line('c', 1 / 3, 0)]), 55, 'planned')
    expect(third).toMatchObject({ hours: 0.99, labour: 54.45, parts: 61.5, total: 115.95 })
    expect(third.lines.map(l => l.money)).toEqual([18.15, 18.15, 18.15])
  })
  it('bills what was worked, on the card or off it, and leaves out what nobody did', () => {
    const bill = billOf(card([line('a', 4, 2.5), line('b', 1, 0)], { others: [{ step: 'x', worked: 0.5 }] }), 60, 'worked')
    expect(bill.lines.map(l => l.step)).toEqual(['a', 'x'])
    expect(bill).toMatchObject({ hours: 3, labour: 180, total: 241.5 })
  })
  it('says what one of each work took: a large job counts for more', () => {
    expect(ratesOf([{ pour: { hours: 2, amount: 12 } }, { pour: { hours: 1, amount: 8 }, face: { hours: 1, amount: 2 } }, {}])).toEqual({ pour: { hours: 0.15, builds: 2 }, face: { hours: 0.5, builds: 1 } })
  })
})
