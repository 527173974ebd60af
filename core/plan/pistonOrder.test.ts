import { expect, it } from 'vitest'
import { mm, oneCylinder } from '../../tests/support/ledgerBench'
import { NO_SOLIDS, asIf, pistonOrders, replay, type Bodies } from '..'

/** Two cylinders of 55 cc over a dish of 3 cc, 0.36 mm down, with a crown work planned on each. */
function ordered(body: Partial<Bodies['crownWork']>, measured: readonly ('intakeClearance' | 'exhaustClearance')[] = [], second: Partial<Bodies['crownWork']> = {}, bore = 92) {
  const bench = oneCylinder(2)
  if (bore !== 92) bench.state('bore', bore, 'measure', { level: 'cylinder', cylinder: 1 })
  for (const cylinder of [1, 2]) {
    bench.pour(cylinder, 55)
    bench.add('crownWork', { level: 'cylinder', cylinder }, { state: 'planned', added: { value: -4.2, unit: 'cc', typed: '-4.2' }, ...body, ...cylinder === 2 ? second : {} })
  }
  measured.forEach(name => bench.state(name, 2))
  const r = replay(bench.entries)!
  return pistonOrders(r, asIf(r, r.planned, NO_SOLIDS))
}

it('orders what is planned, by the piston that is fitted, and says what it comes to', () => {
  // π/4·92²·85/1000 = 565.047 over 55 + π/4·94²·1.2/1000 + π/4·92²·0.16/1000 + (3 − 4.2) + π/4·(92² − 91.35²)·7/1000 = 63.846.
  const [order, ...others] = ordered({ rise: mm(0.2), pockets: mm(0.4) }, ['intakeClearance', 'exhaustClearance'])
  expect(others).toEqual([])
  expect(order).toMatchObject({ cylinders: [1, 2], bores: [92, 92], fitted: 3, rise: 0.2, pockets: 0.4 })
  expect(order!.holds).toBeCloseTo(-1.2, 9)
  for (const ratio of order!.ratios) expect(ratio).toBeCloseTo(9.850, 3)
})

it.each([
  ['a crown that is cut is no piston', {}, [], undefined],
  ['pockets are not known where only the intake was measured', { rise: mm(0) }, ['intakeClearance'], { rise: 0, pockets: undefined }],
  ['no deeper pocket is needed where none was planned', { rise: mm(-0.1) }, ['intakeClearance', 'exhaustClearance'], { rise: -0.1, pockets: 0 }]
] as const)('%s', (_, body, measured, is) => {
  const [order] = ordered(body, measured)
  expect(order && { rise: order.rise, pockets: order.pockets }).toEqual(is)
})

it('pistons that are not alike are two orders', () => {
  const orders = ordered({ rise: mm(0.2) }, [], { added: { value: -3, unit: 'cc', typed: '-3' } })
  expect(orders.map(({ cylinders, holds }) => [cylinders, holds])).toEqual([[[1], expect.closeTo(-1.2, 9)], [[2], expect.closeTo(0, 9)]])
})

it.each([
  [92.02, [[[1, 2], [92.02, 92]]]],
  [92.1, [[[1, 2], [92.1, 92]]]],
  [92.25, [[[2], [92]], [[1], [92.25]]]],
  [91.5, [[[1], [91.5]], [[2], [92]]]]
])('a first bore of %s beside one of 92 is ordered by its size', (bore, is) => {
  expect(ordered({ rise: mm(0.2) }, [], {}, bore).map(({ cylinders, bores }) => [cylinders, bores])).toEqual(is)
})
