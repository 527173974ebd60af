import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { chance } from '#demo/chance'
import { SimulatedFlowBench } from '../../simulator/flowBench'
import {
  atDepression, benchErrors, curveChange, dipsIn, dischargeCoefficient, flowByAngle, flowChange, flowOverLift, flowUnderCurve, idealFlow, liftProfile, liftsOfBoth, repeatSums, rootReadsHigh, USUAL_BENCH, type FlowRow
} from '..'

const LIFTS = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10]
const TEN = 2490.89
const TWENTY_EIGHT = 6974.49
const room = { temperature: 20, pressure: 101325 }
const rows = (of: (lift: number) => number, lifts = LIFTS): FlowRow[] => lifts.map(lift => ({ lift, flow: of(lift) }))
const anyRows = fc.array(fc.double({ min: 1, max: 200, noNaN: true }), { minLength: 3, maxLength: 15 }).map(flows => flows.map((flow, i) => ({ lift: i + 1, flow })))

describe('flows and depressions', () => {
  it('hold the worked examples', () => {
    expect(atDepression(80, TEN, TWENTY_EIGHT)).toBeCloseTo(133.8656, 4)
    expect(dischargeCoefficient({ flow: 90, area: 1200, depression: TWENTY_EIGHT, ...room })).toBeCloseTo(0.724034, 6)
    // From 10 to 28 inH₂O the square root reads about 2.5 % high.
    expect(rootReadsHigh(TEN, TWENTY_EIGHT, room)).toBeCloseTo(0.025, 3)
  })
  it('a small depression is Bernoulli’s: √(2Δp/ρ)', () => {
    const density = 101325 / (287.05 * 293.15)
    expect(idealFlow(1000, { depression: 50, ...room })).toBeCloseTo(Math.sqrt(2 * 50 / density), 2)
  })
  it('to another depression and back is the identity', () => {
    fc.assert(fc.property(fc.double({ min: 0, max: 500, noNaN: true }), fc.double({ min: 100, max: 20000, noNaN: true }), fc.double({ min: 100, max: 20000, noNaN: true }), (flow, a, b) => {
      expect(atDepression(atDepression(flow, a, b), b, a)).toBeCloseTo(flow, 9)
    }))
  })
  it('what can’t be is refused by name', () => {
    expect(() => idealFlow(1000, { depression: 48000, ...room })).toThrow(/depression is 48000: .*choked/)
    for (const [bad, name] of [[() => atDepression(-1, 1, 1), 'flow'], [() => atDepression(1, 0, 1), 'measured'], [() => atDepression(1, 1, Number.NaN), 'wanted'], [() => idealFlow(0, { depression: 1, ...room }), 'area'],
      [() => idealFlow(1, { depression: 1, pressure: 1e5, temperature: -300 }), 'temperature'], [() => dischargeCoefficient({ flow: Number.NaN, area: 1, depression: 1, ...room }), 'flow']] as const) expect(bad, name).toThrow(new RegExp(`^${name} `))
  })
})

describe('under a curve', () => {
  it('trapezoids from nought, and a cam’s own lifts', () => {
    expect(flowUnderCurve([{ lift: 2, flow: 20 }, { lift: 4, flow: 36 }], 1, 4)).toBeCloseTo(15 + 56, 9)
    expect(flowOverLift([{ lift: 10, flow: 100 }], [{ angle: 0, lift: 0 }, { angle: 10, lift: 10 }, { angle: 20, lift: 0 }])).toEqual({ flow: 50, beyond: 0 })
    // Half of each flank lies past the last row: 5 of 10 mm.
    expect(flowOverLift([{ lift: 5, flow: 60 }], [{ angle: 0, lift: 0 }, { angle: 10, lift: 10 }, { angle: 20, lift: 0 }]).beyond).toBeCloseTo(0.5, 9)
    // A shut table before and after changes nothing.
    expect(flowOverLift([{ lift: 10, flow: 100 }], [{ angle: -30, lift: 0 }, { angle: 0, lift: 0 }, { angle: 10, lift: 10 }, { angle: 20, lift: 0 }, { angle: 90, lift: 0 }]).flow).toBeCloseTo(50, 9)
  })
  it('a straight line from nought has its triangle and its mean lift', () => {
    fc.assert(fc.property(fc.double({ min: 0.1, max: 20, noNaN: true }), fc.double({ min: 2, max: 9.9, noNaN: true }), (slope, most) => {
      const line = rows(lift => slope * lift)
      expect(flowUnderCurve(line, 0, most)).toBeCloseTo(slope * most ** 2 / 2, 6)
      // A raised cosine lifts half of its height in the mean.
      expect(flowOverLift(line, liftProfile(most, 260, 261)).flow).toBeCloseTo(slope * most / 2, 4)
      // By the degree: what flows at the top of the cam, and half of it a quarter of the way round.
      const through = flowByAngle(line, liftProfile(most, 260, 261))
      expect([through[0]!.flow, through[65]!.flow, through[130]!.flow]).toEqual([0, expect.closeTo(slope * most / 2, 6), expect.closeTo(slope * most, 6)])
    }))
  })
  it('a dip counts past its error only', () => {
    expect(dipsIn([{ lift: 8, flow: 100 }, { lift: 9, flow: 97 }, { lift: 10, flow: 101 }], 0.005)).toEqual([{ lift: 9, fall: 0.03 }])
    expect(dipsIn([{ lift: 8, flow: 100 }, { lift: 9, flow: 98.7 }], 0.005)).toEqual([])
  })
  it.each([
    ['rows', () => flowUnderCurve([], 0, 1)], ['rows[1].lift', () => flowUnderCurve([{ lift: 2, flow: 1 }, { lift: 2, flow: 1 }], 0, 1)], ['rows[0].lift', () => flowUnderCurve([{ lift: 0, flow: 1 }], 0, 1)],
    ['rows[0].flow', () => flowUnderCurve([{ lift: 1, flow: -1 }], 0, 1)], ['from', () => flowUnderCurve(rows(l => l), -1, 1)], ['to', () => flowUnderCurve(rows(l => l), 1, 10.1)], ['to', () => flowUnderCurve(rows(l => l), 2, 2)],
    ['liftTable', () => flowOverLift(rows(l => l), [{ angle: 0, lift: 0 }, { angle: 1, lift: 0 }])], ['liftTable[1].angle', () => flowOverLift(rows(l => l), [{ angle: 1, lift: 0 }, { angle: 1, lift: 1 }])], ['reading', () => dipsIn(rows(l => l), -1)]
  ] as const)('%s out of its domain is refused', (name, call) => expect(call).toThrow(name))
})

describe('what changed', () => {
  it('holds the worked example, and grows no verdict out of the bench', () => {
    const found = flowChange({ before: 100, after: 103, setup: 0.005, reading: 0.005 })
    expect(found).toEqual({ change: expect.closeTo(0.03, 12), u: expect.closeTo(0.0103, 6), verdict: 'more' })
    expect(flowChange({ before: 100, after: 98.2, setup: 0.005, reading: 0.005 }).verdict).toBe('none')
    expect(flowChange({ before: 100, after: 97.8, setup: 0.005, reading: 0.005 }).verdict).toBe('less')
    // Four mountings each: half the doubt.
    expect(flowChange({ before: 100, after: 103, setup: 0.005, reading: 0.005, beforeRuns: 4, afterRuns: 4 }).u).toBeCloseTo(0.00515, 6)
  })
  it('a curve against itself is no change, lift by lift and whole', () => {
    fc.assert(fc.property(anyRows, (curve) => {
      for (const { before, after } of liftsOfBoth(curve, curve)) expect(flowChange({ before: before.flow, after: after.flow, setup: 0.006, reading: 0.005 }).verdict).toBe('none')
      expect(curveChange({ before: curve, after: curve, setup: 0.006, reading: 0.005 })).toMatchObject({ change: 0, verdict: 'none', from: 1, to: curve.length })
    }))
  })
  it('counts the mounting once for a whole curve, and readings by their part of it', () => {
    // Parts ¼, ½, ¼ of three even lifts: √(2·0.006² + 2·0.005²·0.375)·1.02.
    const flat = (flow: number) => rows(() => flow, [1, 2, 3])
    expect(curveChange({ before: flat(100), after: flat(102), setup: 0.006, reading: 0.005 }).u).toBeCloseTo(1.02 * Math.sqrt(2 * 0.006 ** 2 + 2 * 0.005 ** 2 * 0.375), 9)
    expect(() => curveChange({ before: flat(100), after: rows(() => 1, [7, 8]), setup: 0, reading: 0 })).toThrow('lifts of both is 0')
  })
  it('of 500 heads that nobody touched 6.5 % of lifts are called a change at most; of 500 with 4 % more, 95 % of whole curves are', () => {
    const traits = { mounting: 0.006, reading: 0.005 }
    const errors = { setup: traits.mounting, reading: traits.reading }
    const luck = chance(11)
    let [called, told] = [0, 0]
    for (let i = 0; i < 500; i++) {
      const bench = new SimulatedFlowBench(traits, 100 + i)
      const truth = rows(lift => (60 + 60 * luck.uniform()) * Math.tanh(lift / 6))
      const run = (more = 1) => (bench.mount(), truth.map(({ lift, flow }) => ({ lift, flow: bench.read(flow * more) })))
      const [before, same, better] = [run(), run(), run(1.04)]
      called += liftsOfBoth(before, same).filter(pair => flowChange({ before: pair.before.flow, after: pair.after.flow, ...errors }).verdict !== 'none').length
      told += curveChange({ before, after: better, ...errors }).verdict === 'more' ? 1 : 0
    }
    expect(called / 5000).toBeLessThanOrEqual(0.065)
    expect(told / 500).toBeGreaterThanOrEqual(0.95)
  })
})

describe('a bench’s own errors', () => {
  it('are the usual ones until it has repeats, and few repeats do not outweigh them', () => {
    expect(benchErrors([])).toEqual({ ...USUAL_BENCH, runs: 0 })
    expect(benchErrors([repeatSums([[rows(l => l)]])])).toEqual({ ...USUAL_BENCH, runs: 0 })
    // One pair that agrees to the digit: 1 of 5 parts of the mounting, 9 of 13 of the reading.
    const agreed = benchErrors([repeatSums([[rows(l => 10 * l), rows(l => 10 * l)]])])
    expect(agreed).toEqual({ setup: expect.closeTo(USUAL_BENCH.setup * Math.sqrt(4 / 5), 9), reading: expect.closeTo(USUAL_BENCH.reading * Math.sqrt(4 / 13), 9), runs: 2 })
  })
  it('are found by many: what the bench truly is, within three standard errors', () => {
    const traits = { mounting: 0.012, reading: 0.003 }
    const bench = new SimulatedFlowBench(traits, 7)
    const repeats = Array.from({ length: 200 }, () => Array.from({ length: 4 }, () => (bench.mount(), rows(lift => bench.read(80 * Math.tanh(lift / 6))))))
    const { setup, reading, runs } = benchErrors([repeatSums(repeats)])
    // A bench is the shop's: what two builds repeated adds up.
    const both = benchErrors([repeatSums(repeats.slice(0, 5)), repeatSums(repeats.slice(5))])
    expect(both.setup).toBeCloseTo(setup, 12)
    expect(both).toMatchObject({ runs })
    expect(runs).toBe(800)
    // A standard deviation of ν degrees of freedom is good to 1/√(2ν): 600 of the mounting, 5400 of the reading.
    expect(Math.abs(setup / traits.mounting - 1)).toBeLessThan(3 / Math.sqrt(2 * 600))
    expect(Math.abs(reading / traits.reading - 1)).toBeLessThan(3 / Math.sqrt(2 * 5400))
  })
  it('refuse a flow that is none', () => expect(() => repeatSums([[rows(() => 0), rows(() => 1)]])).toThrow('flow is 0'))
})
