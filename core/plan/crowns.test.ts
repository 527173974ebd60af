import { describe, expect, it } from 'vitest'
import { oneCylinder } from '../../tests/support/ledgerBench'
import { STARTING_RULES, crownsTried, replay, type CrownAsked } from '..'

/** Two cylinders whose intake valve of 40 stands upright and whose exhaust of 34 leans by 60°; or whose valves nobody sized. */
function twin(sized: boolean) {
  const bench = oneCylinder(2)
  if (sized) for (const [quantity, value] of [['intakeValve', 40], ['exhaustValve', 34], ['intakeTilt', 0], ['exhaustTilt', 60]] as const) bench.state(quantity, value)
  return replay(bench.entries)!
}

describe('crowns that a hand would cut', () => {
  // Beside a valve 1.2 mm: π/4 · 42.4² = 1411.96 mm²; π/4 · 36.4² · cos 60° = 520.31 mm².
  it.each<[string, Partial<CrownAsked>, object | undefined]>([
    ['nothing asked', {}, undefined],
    ['a volume as it was set', { added: -1.234 }, { added: -1.234 }],
    ['pockets of one kind, reckoned', { pockets: 0.5, valve: 'exhaust' }, { added: 0.26, pockets: 0.5, valve: 'exhaust' }],
    ['pockets of all, reckoned', { pockets: 0.762 }, { added: 1.47, pockets: 0.762 }],
    ['pockets whose volume is said', { pockets: 1, added: 1.1 }, { added: 1.1, pockets: 1 }],
    ['another piston that is alike in its crown', { rise: -0.3 }, { added: 0, rise: -0.3, u: expect.any(Number) as number }],
    ['another piston with pockets', { rise: 0.2, pockets: 1, valve: 'intake' }, { added: 1.41, rise: 0.2, pockets: 1, valve: 'intake', u: expect.any(Number) as number }]
  ])('%s', (_, asked, body) => {
    const { operations, unsized } = crownsTried(twin(true), STARTING_RULES, [2], { added: 0, pockets: 0, rise: 0, ...asked })
    expect(unsized).toEqual([])
    expect(operations.map(({ kind, scope, body: { state: _s, ...figures } }) => ({ kind, scope, figures: Object.fromEntries(Object.entries(figures).map(([name, f]) => [name, typeof f === 'object' ? (f as { value: number }).value : f])) })))
      .toEqual(body ? [{ kind: 'crownWork', scope: { level: 'cylinder', cylinder: 2 }, figures: body }] : [])
  })

  it.each<[Partial<CrownAsked>, string[], number]>([[{ pockets: 1 }, ['intake', 'exhaust'], 0], [{ pockets: 1, valve: 'exhaust' }, ['exhaust'], 0], [{ pockets: 1, added: 0.8 }, [], 2], [{ rise: 0.2 }, [], 2]])('of valves whose size nobody said, %j', (asked, unsized, operations) => {
    const tried = crownsTried(twin(false), STARTING_RULES, [1, 2], { added: 0, pockets: 0, rise: 0, ...asked })
    expect([tried.unsized, tried.operations.length]).toEqual([unsized, operations])
  })
})
