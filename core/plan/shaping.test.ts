import { describe, expect, it } from 'vitest'
import { all, oneCylinder } from '../../tests/support/ledgerBench'
import { STARTING_SHAPING, camCurve, highestLift, replay, wallSetting } from '..'

const INTAKE = { valve: 'intake', diameter: 44.5 } as const

describe('what a valve is judged by', () => {
  const rows = [{ angle: 0, lift: 0 }, { angle: 60, lift: 6 }, { angle: 120, lift: 9.4 }, { angle: 240, lift: 0 }]
  it('its own table, of its own kind; else its lift as stated; else a quarter of it, less a hair', () => {
    const bench = oneCylinder()
    const most = () => highestLift(replay(bench.entries)!, 1, INTAKE).most
    expect(most()).toBeCloseTo(0.24 * 44.5, 1)
    expect(camCurve(replay(bench.entries)!, 1, 'intake')).toBeUndefined()
    bench.state('intakeLift', 10.5)
    expect(most()).toBe(10.5)
    expect(camCurve(replay(bench.entries)!, 1, 'intake')).toBeUndefined()
    bench.state('intakeDuration', 250)
    expect(Math.max(...camCurve(replay(bench.entries)!, 1, 'intake')!.map(row => row.lift))).toBeCloseTo(10.5, 6)
    bench.add('liftTable', all, { valve: 'exhaust', rows: [{ angle: 0, lift: 0 }, { angle: 100, lift: 11 }, { angle: 200, lift: 0 }] })
    expect(most()).toBe(10.5)
    bench.add('liftTable', all, { valve: 'intake', rows })
    expect(most()).toBeCloseTo(9.4, 6)
    expect(camCurve(replay(bench.entries)!, 1, 'intake')).toEqual(rows)
  })
  it('the gasket’s ring less its margin, the bore beneath it, and the pads where they are kept', () => {
    const pads = [{ towards: 0, chord: 40, recess: 0 }]
    const of = (more: Partial<typeof STARTING_SHAPING>) => wallSetting(replay(oneCylinder().entries), 1, { pads } as never, { ...STARTING_SHAPING, ...more })
    expect(of({ margin: 2 })).toMatchObject({ line: 45, below: { bore: 92, gasketBore: 94, gasketThickness: 1.2 }, limits: { line: 45, pads } })
    expect(of({ keepPads: false, into: 1.5 }).limits).toMatchObject({ pads: [], into: 1.5 })
    expect(of({ into: 0 }).limits).not.toHaveProperty('into')
  })
})
