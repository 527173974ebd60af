import { expect, it } from 'vitest'
import { launchChamber } from '../../demo/chambers'
import { NO_SOLIDS, headCut, perMmOf, replay, uncertainty } from '..'
import { head, mm, oneCylinder, type Bench } from '../../tests/support/ledgerBench'

const own = { level: 'cylinder', cylinder: 1 } as const
const grind = (bench: Bench, cc: number, state: 'done' | 'planned' = 'done') => bench.add('relief', own, { state, added: mm(cc), u: mm(0.1) })
const perMm = (bench: Bench) => {
  const { ledger, lessons } = replay(bench.entries)!
  return perMmOf(ledger, lessons, 1)!
}
const poured = () => {
  const bench = oneCylinder()
  bench.pour(1, 56)
  bench.pour(1, 56)
  return bench
}

it('grinding may widen the mouth of a chamber that nobody drew: its cc per mm is as it was, and less sure', () => {
  const bench = poured()
  expect(uncertainty(perMm(bench).estimate)).toBeCloseTo(0.0465, 6)
  grind(bench, 4)
  // 4 cc over a wall of 9.2 mm is 434.8 mm² at most: 1/√3 of that beside 1 % of 4 650.
  expect(perMm(bench)).toMatchObject({ ground: 4, estimate: { value: 4.65 } })
  expect(uncertainty(perMm(bench).estimate)).toBeCloseTo(Math.hypot(0.0465, 0.4348 / Math.sqrt(3)), 3)
  // Measured again it is what it is, and what is ground after that counts anew.
  bench.state('mouthArea', 4900, 'measure', undefined, 49)
  expect(uncertainty(perMm(bench).estimate)).toBeCloseTo(0.049, 6)
  grind(bench, 1)
  expect(uncertainty(perMm(bench).estimate)).toBeCloseTo(Math.hypot(0.049, 0.1087 / Math.sqrt(3)), 3)
})

it('a lesson learned before the grinding is less sure after it; one learned after is as sure as it was', () => {
  const taught = (...order: ('cut' | 'grind')[]) => {
    const bench = poured()
    let holds = 56
    for (const what of order) {
      holds += what === 'cut' ? -4.65 : 4
      if (what === 'cut') bench.cut(1, 1)
      else grind(bench, 4)
      bench.pour(1, holds)
      bench.pour(1, holds)
    }
    return uncertainty(perMm(bench).moved[0]!)
  }
  expect(taught('cut', 'grind')).toBeCloseTo(Math.hypot(taught('cut'), 0.4348 / Math.sqrt(3)), 3)
  expect(taught('grind', 'cut')).toBeCloseTo(taught('cut'), 3)
})

it('the depth is the same and as sure whether the grinding is planned or done', () => {
  const depth = (state?: 'planned' | 'done') => {
    const bench = poured()
    bench.add('target', { level: 'build' }, { ratio: mm(9.9), tolerance: mm(0.1), countsCrevice: true })
    if (state) grind(bench, 4, state)
    const r = replay(bench.entries)!
    return headCut(r, 1, r.planned, NO_SOLIDS).deepest!.depth
  }
  expect(depth('planned').value).toBeCloseTo(depth('done').value, 9)
  expect(uncertainty(depth('planned'))).toBeCloseTo(uncertainty(depth('done')), 9)
  expect(depth('done').value).toBeCloseTo(depth().value + 4 / 4.65, 2)
})

it('a drawing tells its own mouth, and a turned dome is open over its whole bore', () => {
  for (const engine of [{ drawn: true }, { head: 'turned' }] as const) {
    const bench = poured()
    if ('head' in engine) Object.assign(bench.entries[0]!.body, { engine: { strokes: 2, arrangement: 'single', first: 'front', head: 'turned', intakes: 0, exhausts: 0, chamber: 'turnedDome' } })
    else bench.add('chamberModel', head, { spec: launchChamber(), mirrored: [] })
    const before = uncertainty(perMm(bench).geometry.estimate)
    grind(bench, 4)
    expect(uncertainty(perMm(bench).geometry.estimate)).toBe(before)
  }
})
