import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyLedger } from '../../tests/support/anyEntry'
import type { Bench } from '../../tests/support/ledgerBench'
import { burette, mm, oneCylinder } from '../../tests/support/ledgerBench'
import { demoShop } from '../../demo/shop'
import {
  USUAL_BENCH, benchRepeats, canPutBack, changesBetween, compareRuns, curveFigures, errorsOf, flowCurve, flowRuns, incomparable, liftProfile, replay, repeatsOf, runsApart, type Bodies, type FlowThing, type Replay, type Scope
} from '..'

const at: Scope = { level: 'port', cylinder: 1, port: 'intake' }
const seatAt: Scope = { level: 'valve', cylinder: 1, valve: 'intake' }
const cylinder: Scope = { level: 'cylinder', cylinder: 1 }
const cc = (value: number) => ({ value, unit: 'cc', typed: String(value) })
const Pa = (value: number) => ({ value, unit: 'Pa', typed: String(value) })
const body = (more: Partial<Bodies['flowRun']> = {}, factor = 1): Bodies['flowRun'] => ({
  bench: 'Bench one', depression: Pa(6974.49), fixture: mm(92), pipe: 'none', entry: 'clay', rows: [2, 4, 6, 8].map(lift => ({ lift, flow: factor * 80 * Math.tanh(lift / 6) })), ...more
})
const run = (bench: Bench, more: Partial<Bodies['flowRun']> = {}, factor = 1, scope: Scope = at) => bench.add('flowRun', scope, body(more, factor))
const standing = (bench: Bench): Replay => replay(bench.entries)!
/** The last two runs of a ledger, compared. */
const compared = (bench: Bench, cam?: Parameters<typeof compareRuns>[3]) => {
  const r = standing(bench)
  const runs = flowRuns(r)
  return compareRuns(r, runs.at(-2)!, runs.at(-1)!, cam)
}
const seat = (more: Partial<Bodies['seat']> = {}): Bodies['seat'] => ({ cuts: [{ angle: 45, width: 1.4 }], seat: 0, outer: mm(43), ...more })
const place = (where: Bodies['portPlace']['place'], done = true): Bodies['portPlace'] => ({ place: where, way: 'take', amount: mm(1), done })

it('a run keeps its number: one before it is struck out, one is put right, one put back', () => {
  const bench = oneCylinder()
  const [first, second, third] = ['as it came', 'bowl', 'seat'].map(name => run(bench, { name })) as [string, string, string]
  const numbers = () => flowRuns(standing(bench)).map(({ n, entry }) => [n, entry.body.name])
  const gone = bench.add('void', at, { reason: 'bumped' }, { supersedes: first })
  expect(numbers()).toEqual([[2, 'bowl'], [3, 'seat']])
  bench.add('flowRun', at, body({ name: 'bowl opened' }), { supersedes: second, at: bench.entries.find(e => e.id === second)!.at })
  run(bench, { name: 'again' })
  expect(numbers()).toEqual([[2, 'bowl opened'], [3, 'seat'], [4, 'again']])
  bench.add('flowRun', at, body({ name: 'as it came' }), { supersedes: gone, at: bench.entries.find(e => e.id === first)!.at })
  expect(numbers()).toEqual([[1, 'as it came'], [2, 'bowl opened'], [3, 'seat'], [4, 'again']])
  expect(third).toBe(flowRuns(standing(bench))[2]!.entry.id)
})

describe('what changed between two runs', () => {
  const ROWS: [name: string, between: (bench: Bench) => unknown, things: FlowThing[], after?: Partial<Bodies['flowRun']>][] = [
    ['nothing', () => undefined, []],
    ['a chamber that was ground', b => b.add('relief', cylinder, { state: 'done', added: cc(1) }), [{ what: 'chamber' }]],
    ['grinding that is only planned', b => b.add('relief', cylinder, { state: 'planned', added: cc(1) }), []],
    ['seat work', b => b.add('seatWork', cylinder, { state: 'done', added: cc(0.3), valve: 'intake' }), [{ what: 'seat' }]],
    ['seat work on the other valve', b => b.add('seatWork', cylinder, { state: 'done', added: cc(0.3), valve: 'exhaust' }), []],
    ['a face cut', b => b.add('faceCut', { level: 'head', head: 1 }, { state: 'done', depth: mm(0.3) }), [{ what: 'face' }]],
    ['a bowl, and what is only marked', b => [b.add('portPlace', at, place('bowl')), b.add('portPlace', at, place('floor', false)), b.add('portPlace', { ...at, port: 'exhaust' } as Scope, place('roof'))], [{ what: 'place', place: 'bowl' }]],
    ['a hollow that was left', b => b.add('portPlace', at, { place: 'vane', way: 'leave', done: true }), []],
    ['a pour after work that nobody named', b => b.add('pour', cylinder, { encloses: 'intakePort', fills: [{ start: 0, end: 90 }], typed: '', instrument: burette, afterWork: true }), [{ what: 'port' }]],
    ['a pour after work on the other of two ports', b => b.add('pour', cylinder, { encloses: 'intakePort', n: 2, fills: [{ start: 0, end: 90 }], typed: '', instrument: burette, afterWork: true }), []],
    ['hours of work that nobody named', () => undefined, [{ what: 'work' }], { hours: 2 }],
    ['hours of work at a place that is named', b => b.add('portPlace', at, place('bowl')), [{ what: 'place', place: 'bowl' }], { hours: 2 }],
    ['another valve', () => undefined, [{ what: 'valve' }], { valve: 'back cut 30°' }],
    ['a larger valve', () => undefined, [{ what: 'valve' }], { across: mm(46) }],
    ['an entry', () => undefined, [{ what: 'entry' }], { entry: 'radius' }],
    ['a manifold', () => undefined, [{ what: 'manifold' }], { manifold: 'two into one' }],
    ['a pipe', () => undefined, [{ what: 'pipe' }], { pipe: 'long' }],
    ['several', b => [b.add('portPlace', at, place('bowl')), b.add('portPlace', at, place('guideBoss'))], [{ what: 'valve' }, { what: 'place', place: 'bowl' }, { what: 'place', place: 'guideBoss' }], { valve: 'new' }]
  ]
  it.each(ROWS)('%s', (_, between, things, after = {}) => {
    const bench = oneCylinder()
    run(bench)
    between(bench)
    run(bench, after)
    expect(compared(bench).changed).toEqual(things)
    const r = standing(bench)
    const [first, last] = flowRuns(r)
    expect(changesBetween(r, last!, first!)).toEqual(things)
    expect(things.every(t => canPutBack(t) === ['pipe', 'entry', 'manifold', 'valve'].includes(t.what))).toBe(true)
  })
  it('no other valve where the same one is named in other letters, or its size is the engine’s own', () => {
    const bench = oneCylinder()
    bench.state('intakeValve', 44.5)
    run(bench, { valve: 'Back cut' })
    run(bench, { valve: 'back cut ', across: mm(44.5) })
    expect(compared(bench).changed).toEqual([])
    run(bench, { valve: 'back cut', across: mm(46) })
    expect(compared(bench).changed).toEqual([{ what: 'valve' }])
  })
  it('a flange that was opened; not one that was only read, nor another cylinder’s', () => {
    const round = (diameter: number) => ({ form: 'circle' as const, x: 0, y: 0, diameter })
    const between = (...read: [Scope, number][]) => {
      const bench = oneCylinder(2)
      bench.add('flange', { level: 'build' }, { port: 'intake', part: 'port', outline: round(38) })
      run(bench)
      for (const [scope, d] of read) bench.add('flange', scope, { port: 'intake', part: 'port', outline: round(d) })
      run(bench)
      return compared(bench).changed
    }
    expect(between([{ level: 'build' }, 38])).toEqual([])
    expect(between([{ level: 'cylinder', cylinder: 2 }, 40], [{ level: 'cylinder', cylinder: 2 }, 41])).toEqual([])
    expect(between([cylinder, 40])).toEqual([])
    expect(between([{ level: 'build' }, 40])).toEqual([{ what: 'flange' }])
  })
  it('a seat that is cut anew, and a throat that was opened; not one that was only read again', () => {
    const bench = oneCylinder()
    bench.add('seat', seatAt, seat())
    bench.add('throat', at, { across: mm(38) })
    run(bench)
    bench.add('seat', seatAt, seat({ leak: 'tight' }))
    bench.add('throat', at, { across: mm(38.05) })
    run(bench)
    expect(compared(bench).changed).toEqual([])
    // One that is still to be cut is none yet.
    bench.add('seat', seatAt, seat({ cuts: [{ angle: 50, width: 1.2 }], seat: 0, up: mm(0.3) }))
    run(bench)
    expect(compared(bench).changed).toEqual([])
    bench.add('seat', seatAt, seat({ cuts: [{ angle: 45, width: 1.2 }, { angle: 30, width: 1 }] }))
    bench.add('throat', at, { across: mm(39) })
    run(bench)
    expect(compared(bench).changed).toEqual([{ what: 'seat' }, { what: 'throat' }])
  })
  it('the shortest set of runs: one for each thing that can be put back, but for the last where no metal was cut', () => {
    expect(runsApart([{ what: 'valve' }])).toEqual({ putBack: [], metal: [] })
    expect(runsApart([{ what: 'valve' }, { what: 'entry' }])).toEqual({ putBack: [{ what: 'valve' }], metal: [] })
    expect(runsApart([{ what: 'valve' }, { what: 'entry' }, { what: 'seat' }])).toEqual({ putBack: [{ what: 'valve' }, { what: 'entry' }], metal: [] })
    expect(runsApart([{ what: 'entry' }, { what: 'seat' }, { what: 'chamber' }])).toEqual({ putBack: [{ what: 'entry' }], metal: [{ what: 'seat' }, { what: 'chamber' }] })
  })
})

describe('comparing honestly', () => {
  it.each([
    [{ bench: 'Bench two' }, 'bench'], [{ depression: Pa(2490.89) }, 'depression'], [{ fixture: mm(84) }, 'fixture'], [{ pipe: 'short' }, 'pipe'], [{ specimen: 'a practice head' }, 'specimen'], [{ claimed: 'a seller' }, 'claimed']
  ] as const)('%j: no verdict', (more, why) => {
    const bench = oneCylinder()
    run(bench)
    run(bench, more, 1.2)
    const found = compared(bench)
    expect(found.why).toEqual([why])
    expect(found.whole).toBeUndefined()
    expect(found.lifts).toEqual([])
  })
  it('another port says nothing, nor do runs without a lift in common; names are not minded by their letters', () => {
    const bench = oneCylinder()
    run(bench)
    run(bench, {}, 1, { ...at, port: 'exhaust' } as Scope)
    expect(compared(bench).why).toEqual(['specimen'])
    run(bench, { rows: [{ lift: 3, flow: 40 }, { lift: 5, flow: 60 }] })
    const r = standing(bench)
    expect(compareRuns(r, flowRuns(r)[0]!, flowRuns(r)[2]!).why).toEqual(['lifts'])
    run(bench, { bench: 'BENCH one ' })
    expect(incomparable(flowRuns(standing(bench))[0]!, flowRuns(standing(bench))[3]!)).toEqual([])
  })
  it('by the usual errors: √2 of both for a lift; the mean of repeats for less', () => {
    const bench = oneCylinder()
    run(bench)
    bench.add('portPlace', at, place('bowl'))
    run(bench, {}, 1.04)
    const one = compared(bench)
    const each = Math.hypot(USUAL_BENCH.setup, USUAL_BENCH.reading)
    expect(one.lifts.map(l => [l.lift, l.verdict])).toEqual([[2, 'more'], [4, 'more'], [6, 'more'], [8, 'more']].map(row => [row[0], 1.04 * Math.SQRT2 * each * 2 > 0.04 ? 'none' : row[1]]))
    expect(one.lifts[0]!.u).toBeCloseTo(1.04 * Math.SQRT2 * each, 9)
    run(bench, {}, 1.04)
    const two = compareRuns(standing(bench), flowRuns(standing(bench))[0]!, flowRuns(standing(bench))[2]!)
    expect(two.after).toHaveLength(2)
    const { setup, reading } = errorsOf(standing(bench), 'Bench one')
    expect(two.lifts[0]!.u).toBeCloseTo(1.04 * Math.sqrt(1.5) * Math.hypot(setup, reading), 9)
    // The bench repeated to the digit: its errors are smaller for it, and the two of one state compare as themselves.
    expect(setup).toBeLessThan(USUAL_BENCH.setup)
    expect(compared(bench)).toMatchObject({ changed: [], whole: { verdict: 'none' } })
  })
  it('in one mounting its error is not in the change; repeats in one mounting are one run', () => {
    const bench = oneCylinder()
    run(bench)
    run(bench, { sameMounting: true, valve: 'back cut' }, 1.02)
    const found = compared(bench)
    expect(found.oneMounting).toBe(true)
    expect(found.lifts[0]!.u).toBeCloseTo(1.02 * Math.SQRT2 * USUAL_BENCH.reading, 9)
    expect(found.whole!.verdict).toBe('more')
    run(bench, { sameMounting: true, valve: 'back cut' }, 1.02)
    expect(errorsOf(standing(bench), 'Bench one').runs).toBe(0)
    run(bench, { valve: 'back cut' }, 1.02)
    expect(errorsOf(standing(bench), 'Bench one').runs).toBe(2)
    // Hours were put in: whatever was done, it is no repeat.
    run(bench, { valve: 'back cut', hours: 1 }, 1.03)
    expect(errorsOf(standing(bench), 'Bench one').runs).toBe(2)
    bench.entries.pop()
    // A copy of the build repeats the same and counts once; another head on the same bench counts beside it, one on another bench not.
    const own = benchRepeats(standing(bench))
    const other = [{ bench: 'bench one', heads: [{ ...own[0]!.heads[0]!, within: 0.001 }] }, { bench: 'bench two', heads: own[0]!.heads }]
    expect(errorsOf(standing(bench), 'Bench One ', own)).toEqual(errorsOf(standing(bench), 'Bench one'))
    expect(errorsOf(standing(bench), 'Bench one', other).runs).toBe(4)
    expect(repeatsOf(standing(bench), flowRuns(standing(bench))).map(g => g.length)).toEqual([1, 3])
  })
  it('says what lies between, where it dips, and what it is worth to the cam, an hour and a cc', () => {
    const bench = oneCylinder()
    const cam = liftProfile(8, 260, 131)
    const pour = (end: number, afterWork?: true) => bench.add('pour', cylinder, { encloses: 'intakePort', fills: [{ start: 0, end }], typed: '', instrument: burette, ...afterWork ? { afterWork } : {} })
    pour(90)
    run(bench)
    bench.add('portPlace', at, place('bowl'))
    run(bench, { hours: 1 }, 1.03)
    bench.add('portPlace', at, place('roof'))
    pour(94, true)
    run(bench, { hours: 1.5, rows: [{ lift: 2, flow: 27 }, { lift: 4, flow: 49 }, { lift: 6, flow: 66 }, { lift: 8, flow: 60 }] }, 1.06)
    const r = standing(bench)
    const [first, middle, last] = flowRuns(r)
    const found = compareRuns(r, first!, last!, cam)
    expect(found.between).toEqual([middle])
    expect(found.dips.map(d => d.lift)).toEqual([8])
    expect(found.gain).toMatchObject({ hours: 2.5, added: expect.closeTo(4, 6) })
    const straight = compareRuns(r, first!, middle!, cam)
    // Every flow 3 % up is 3 % up over the cam.
    expect(straight.gain!.overCam).toBeCloseTo(0.03 * curveFigures(flowCurve(r, first!, 6974.49), 2, 8, cam).over!.flow, 9)
    expect(straight.gain!.perHour).toBe(straight.whole!.verdict === 'none' ? undefined : straight.gain!.overCam)
  })
})

describe('random ledgers', () => {
  it('every two runs of any build can be asked about, and every curve drawn', () => {
    fc.assert(fc.property(anyLedger, (entries) => {
      const r = replay(entries)
      if (!r) return
      const all = flowRuns(r)
      const cam = liftProfile(9, 260, 61)
      for (const one of all) {
        const curve = flowCurve(r, one, 6974.49)
        for (const value of curve.rows.flatMap(row => [row.flow, row.u, row.curtain ?? 0, row.seat ?? 0, row.speed ?? 0])) expect(Number.isFinite(value)).toBe(true)
        expect(curveFigures(curve, 1, 3, cam).over!.flow).toBeGreaterThanOrEqual(0)
        for (const other of all) {
          if (one === other) continue
          const found = compareRuns(r, one, other, cam)
          expect(found.why.length === 0).toBe(found.whole !== undefined)
          expect(Number.isFinite(found.errors.setup + found.errors.reading + (found.whole?.change ?? 0))).toBe(true)
        }
      }
    }), { numRuns: 150 })
  })
})

describe('a curve as it is shown', () => {
  it.each<[string, (number | 'run' | 'throat' | 'bowl')[], number | undefined]>([
    ['read before it', [38, 'run', 40], 38], ['read after it, where nobody read it before', ['run', 38, 40], 38], ['read last before it', [38, 39, 'run'], 39],
    ['read after its own work', [38, 'throat', 'run', 40], 40], ['opened after it', [38, 'run', 'throat', 40], 38], ['whatever was done in the bowl', [38, 'bowl', 'run', 40], 38],
    ['opened since it was read, and not read again', [38, 'throat', 'run'], undefined], ['opened before and after', [38, 'throat', 'run', 'throat', 40], undefined]
  ])('has the speed in the throat that was %s', (_, steps, across) => {
    const bench = oneCylinder()
    for (const step of steps) {
      if (typeof step === 'number') bench.add('throat', at, { across: mm(step) })
      else if (step === 'run') run(bench)
      else bench.add('portPlace', at, place(step))
    }
    const r = standing(bench)
    const [row] = flowCurve(r, flowRuns(r)[0]!, 6974.49).rows
    if (across === undefined) expect(row).not.toHaveProperty('speed')
    else expect(row!.speed).toBeCloseTo(row!.flow * 1000 / (Math.PI / 4 * across ** 2), 6)
  })
  it('at one depression, coefficients by the one that was measured', () => {
    const bench = oneCylinder()
    bench.state('intakeValve', 44.5)
    bench.add('throat', at, { across: mm(38) })
    run(bench, { depression: Pa(2490.89), rows: [{ lift: 5, flow: 30 }, { lift: 9, missed: 'retainer' }] })
    const r = standing(bench)
    const curve = flowCurve(r, flowRuns(r)[0]!, 6974.49)
    expect(curve.from).toBe(2490.89)
    expect(curve.rows).toHaveLength(1)
    expect(curve.rows[0]).toMatchObject({ flow: expect.closeTo(30 * Math.sqrt(2.8), 3), speed: expect.closeTo(30 * Math.sqrt(2.8) * 1000 / (Math.PI * 361), 1) })
    // 30 L/s over what π·44.5·5 passes ideally at 10 inH₂O: near √(2Δp/ρ) = 64.3 m/s, a little less for thinner air.
    expect(curve.rows[0]!.curtain).toBeCloseTo(30 / (Math.PI * 44.5 * 5 * 64.3 / 1000), 1)
    expect(curveFigures(curve, 1, 9).under).toBeUndefined()
  })
  it('of the hill-climb twin: a repeat is no change, the bowl and the valve are more, three things at once are nobody’s', () => {
    const twin = replay(demoShop.builds.find(b => b.name === 'Caldbeck Twin')!.entries)!
    const runs = flowRuns(twin)
    expect(runs).toHaveLength(8)
    expect(compareRuns(twin, runs[0]!, runs[1]!)).toMatchObject({ changed: [], again: true, whole: { verdict: 'none' } })
    expect(compareRuns(twin, runs[0]!, runs[2]!)).toMatchObject({ again: false, changed: [{ what: 'place', place: 'bowl' }], whole: { verdict: 'more' } })
    expect(compareRuns(twin, runs[3]!, runs[4]!)).toMatchObject({ changed: [{ what: 'valve' }], whole: { verdict: 'more' } })
    expect(compareRuns(twin, runs[5]!, runs[6]!).changed).toHaveLength(3)
    expect(compareRuns(twin, runs[0]!, runs[7]!).why).toContain('claimed')
    // Both drawn and poured: the seat's own area is known too.
    expect(flowCurve(twin, runs[0]!, 6974.49).rows.every(row => row.seat! > 0.3 && row.seat! < 1)).toBe(true)
  })
})
