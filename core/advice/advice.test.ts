import { describe, expect, it } from 'vitest'
import { STARTING_RULES } from '../shop'
import { head, mm, oneCylinder, nextMove } from '../../tests/support/ledgerBench'
import { replay } from '..'

/** One cylinder of the launch engine, poured twice with just what its target asks for. */
function onTarget() {
  const bench = oneCylinder()
  // 565.0469/8.9 less gasket 8.3277, deck 2.3931, crown 3.0 and crevice 0.6553 (hand sum).
  for (let i = 0; i < 2; i++) bench.pour(1, 49.11)
  return bench
}

describe('contact before target', () => {
  it('an exhaust valve at 0.040 in is no engine on target', () => {
    const bench = onTarget()
    expect(nextMove(replay(bench.entries)).kind).toBe('onTarget')
    bench.state('exhaustClearance', 1.016)
    const move = nextMove(replay(bench.entries))
    expect(move).toMatchObject({ kind: 'tooClose', clearance: 'exhaustClearance', cylinders: [1], limit: 2.5, planned: false })
    expect(move.kind === 'tooClose' && move.figure).toBeCloseTo(1.016, 9)
    // A shop that lets out less, or rods that want more.
    const lenient = { ...STARTING_RULES, clearances: { ...STARTING_RULES.clearances, exhaust: 1 } }
    expect(nextMove(replay(bench.entries), lenient).kind).toBe('onTarget')
    bench.add('rod', { level: 'build' }, { material: 'aluminium' })
    expect(nextMove(replay(bench.entries))).toMatchObject({ kind: 'tooClose', limit: 3 })
  })
  it('what is only planned counts: a gasket 0.3 thinner takes 2.2 to 1.9', () => {
    const bench = onTarget()
    bench.state('intakeClearance', 2.2)
    expect(nextMove(replay(bench.entries)).kind).toBe('onTarget')
    bench.add('gasketChange', head, { state: 'planned', thickness: mm(0.9), bore: mm(94) })
    const move = nextMove(replay(bench.entries))
    // The ratio would be past its band too (50.5 − 48.4 cc under the same crown), and that is told first: it can't be undone.
    expect(move).toMatchObject({ kind: 'passesTarget', planned: true })
    bench.add('target', { level: 'build' }, { ratio: mm(10.2), tolerance: mm(0.2), countsCrevice: true })
    const close = nextMove(replay(bench.entries))
    expect(close).toMatchObject({ kind: 'tooClose', clearance: 'intakeClearance', limit: 2, planned: true })
    expect(close.kind === 'tooClose' && close.figure).toBeCloseTo(1.9, 9)
    // Seat work that is planned as well gives 0.3 back: then there is room.
    bench.add('seatWork', { level: 'cylinder', cylinder: 1 }, { state: 'planned', added: mm(0.1), sunk: mm(0.3), valve: 'intake' })
    expect(nextMove(replay(bench.entries)).kind).not.toBe('tooClose')
  })
})

describe('a mouth that nobody stated', () => {
  it('is asked for before a depth that hangs on it is told', () => {
    const bench = oneCylinder()
    bench.entries.splice(bench.entries.findIndex(e => e.kind === 'measure' && e.body.quantity === 'mouthArea'), 1)
    for (let i = 0; i < 2; i++) bench.pour(1, 56.2)
    const move = nextMove(replay(bench.entries))
    expect(move).toMatchObject({ kind: 'assumed', quantity: 'mouthArea', cylinders: [1], of: 'depth' })
    // 12 % of the depth beside some 0.14 cc of two pours: nearly all of its variance.
    expect(move.kind === 'assumed' && move.figure).toBeGreaterThan(0.9)
    bench.state('mouthArea', 4650, 'measure', { level: 'build' }, 46.5)
    expect(nextMove(replay(bench.entries))).toMatchObject({ kind: 'plan', way: 'cut', heads: [1], source: 'mouth' })
  })
})
