import { describe, expect, it } from 'vitest'
import { oneCylinder, READING_U, type Bench } from '../../tests/support/ledgerBench'
import { uncertainty } from '../estimate'
import { NO_SOLIDS, evenPlan, replay, type EvenBy, type Replay } from '..'

const open = (bench: Bench): Replay => replay(bench.entries)!
/** Nothing of these is drawn: their mouths are all there is. */
const even = (standing: Replay, by: EvenBy) => evenPlan(standing, 1, by, standing.planned, NO_SOLIDS)

describe('even chambers', () => {
  const six = () => {
    const bench = oneCylinder(6)
    const decks = [0.34, 0.32, 0.38, 0.36, 0.42, 0.30]
    decks.forEach((d, i) => bench.state('deckClearance', d, 'measure', { level: 'cylinder', cylinder: i + 1 }))
    ;[55.4, 54.6, 55.8, 56.2, 55.0, 54.9].forEach((end, i) => bench.pour(i + 1, end))
    return bench
  }
  it('are ground up to the largest, by hand', () => {
    const plan = even(open(six()), 'chamber')!
    expect(plan.largest).toBe(4)
    expect(plan.cylinders.map(c => Number(c.gain.value.toFixed(6)))).toEqual([0.8, 1.6, 0.4, 0, 1.2, 1.3])
    expect(plan.cylinders[1]!.chamber.value).toBeCloseTo(56.2, 9)
    expect(plan.spread.chamber).toEqual({ before: expect.closeTo(1.6, 6) as number, after: expect.closeTo(0, 9) as number })
    // Decks differ by 0.12 mm: π/4·92²·0.12 = 0.7977 cc stay between the clearances.
    expect(plan.spread.clearance.after).toBeCloseTo(0.7977, 3)
    // Cylinder 6 is first to the target then: chamber 56.2 + 8.3277 + 1.9943 + 3 + 0.6552 − 63.4884 over 4.65 a mm
    expect(plan.cut.after.deepest!.depth.value).toBeCloseTo((56.2 + 8.32773 + 1.99428 + 3 + 0.65519 - 63.48842) / 4.65, 3)
    expect(plan.cost).toBeGreaterThan(0.05)
  })
  it('or whole clearances: then unequal decks make unequal chambers', () => {
    const plan = even(open(six()), 'clearance')!
    expect(plan.spread.clearance.after).toBeCloseTo(0, 9)
    expect(plan.spread.chamber.after).toBeCloseTo(0.7977, 3)
  })
  it('respect one that can’t be changed, and say what it stays short', () => {
    const bench = six()
    bench.add('hold', { level: 'cylinder', cylinder: 2 }, { held: true })
    const plan = even(open(bench), 'chamber')!
    expect(plan.cylinders[1]).toMatchObject({ held: true })
    expect(plan.cylinders[1]!.gain.value).toBe(0)
    expect(plan.cylinders[1]!.short.value).toBeCloseTo(1.6, 6)
    expect(plan.spread.chamber.after).toBeCloseTo(1.6, 6)
    bench.add('hold', { level: 'cylinder', cylinder: 2 }, { held: false })
    expect(even(open(bench), 'chamber')!.cylinders[1]!.gain.value).toBeCloseTo(1.6, 6)
  })
  it('one scale over all of them is gone from what each must gain', () => {
    expect(uncertainty(even(open(six()), 'chamber')!.cylinders[0]!.gain)).toBeCloseTo(READING_U * Math.SQRT2, 6)
    expect(even(open(oneCylinder()), 'chamber')).toBeUndefined()
  })
  it('of one head alone, and of those that have a ratio: a chamber nobody poured is neither the largest nor ground', () => {
    const bench = six()
    Object.assign(bench.entries[0]!.body, { heads: [[1, 2, 3], [4, 5, 6]] })
    expect(even(open(bench), 'chamber')!.cylinders.map(c => [c.cylinder, Number(c.gain.value.toFixed(6))])).toEqual([[1, 0.4], [2, 1.2], [3, 0]])
    const two = oneCylinder(3)
    two.pour(1, 55)
    two.pour(3, 55.5)
    expect(even(open(two), 'chamber')!.cylinders.map(c => c.cylinder)).toEqual([1, 3])
  })
})
