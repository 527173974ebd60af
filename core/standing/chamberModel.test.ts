import { quantityOf, modelOf } from './asked'
import { describe, expect, it } from 'vitest'
import type { Relief } from '../chamber'
import { launchChamber } from '../../demo/chambers'
import type { Bench } from '../../tests/support/ledgerBench'
import { head, mm, oneCylinder, nextMove } from '../../tests/support/ledgerBench'
import { fromSource, uncertainty } from '../estimate'
import { NO_SOLIDS, asIf, reliefLesson, reliefPrediction, replay, seatHeightNow, type FaceCutBody } from '..'

const tan = (degrees: number) => Math.tan(degrees * Math.PI / 180)
const COS24 = Math.cos(24 * Math.PI / 180)
/** Low edge of the launch exhaust: 18.5·cos 24° before its middle at y = 3.5. */
const LOW_Y = 3.5 - 18.5 * COS24

function drawn(cylinders = 1): Bench {
  const bench = oneCylinder(cylinders)
  bench.add('chamberModel', head, { spec: launchChamber(), mirrored: cylinders > 1 ? [2] : [] })
  return bench
}
const cut = (more: Partial<FaceCutBody> = {}): FaceCutBody => ({
  state: 'planned', depth: mm(1), removed: [{ cylinder: 1, x: 0, cc: 4.58, perMm: 4.5, factor: 1.02 }], ...more
})

describe('a chamber’s drawing in the ledger', () => {
  it('is nobody’s until somebody draws it, and its own before its head’s', () => {
    expect(modelOf(replay(oneCylinder().entries)!, 1)).toBeUndefined()
    const bench = drawn(2)
    bench.add('chamberModel', { level: 'cylinder', cylinder: 1 }, { spec: { ...launchChamber(), draft: 11 }, mirrored: [] })
    expect(modelOf(replay(bench.entries)!, 1)!.spec.draft).toBe(11)
    expect(modelOf(replay(bench.entries)!, 2)!.spec.draft).toBe(7)
  })
  it('takes stated tilts, heights and sinking, and keeps the guessed ones as assumed', () => {
    const bench = drawn()
    expect(modelOf(replay(bench.entries)!, 1)!.seats).toEqual({ intake: 'assumed', exhaust: 'assumed' })
    bench.state('exhaustSeatHeight', 1.4)
    bench.state('exhaustTopCutHeight', 0.95)
    bench.state('exhaustTilt', 24)
    bench.state('intakeSunk', 0.6)
    const model = modelOf(replay(bench.entries)!, 1)!
    expect(model.seats).toEqual({ intake: 'assumed', exhaust: 'measured' })
    const [intake, exhaust] = model.spec.valves
    expect(intake!.sunk).toBe(0.6)
    expect(exhaust!.topCutWidth).toBeCloseTo(0.4817, 4)
    expect(seatHeightNow(exhaust!)).toBeCloseTo(1.4, 9)
  })
  it('a valve that is found so far sunk is so with all that was cut before it was read', () => {
    const bench = drawn()
    const work = (sunk: number) => bench.add('seatWork', { level: 'cylinder', cylinder: 1 }, { state: 'done', added: mm(0.3), sunk: mm(sunk), valve: 'intake' })
    const sunk = () => modelOf(replay(bench.entries)!, 1)!.spec.valves[0]!.sunk
    work(0.2)
    expect(sunk()).toBeCloseTo(0.2, 9)
    bench.state('intakeSunk', 0.6)
    expect(sunk()).toBeCloseTo(0.6, 9)
    work(0.1)
    expect(sunk()).toBeCloseTo(0.7, 9)
  })
  it('keeps a measured seat where it was measured, whatever was sunk and cut before', () => {
    const bench = drawn()
    bench.state('exhaustTilt', 24)
    bench.state('exhaustSunk', 0.5)
    bench.add('faceCut', head, { state: 'done', depth: mm(0.3), measured: mm(0.3) })
    bench.state('exhaustSeatHeight', 1.4)
    const model = modelOf(replay(bench.entries)!, 1)!
    // Over the face as cast it lies 0.3 mm higher.
    expect(seatHeightNow(model.spec.valves[1]!)).toBeCloseTo(1.7, 9)
    expect(model.done.depth).toBeCloseTo(0.3, 12)
  })
  it('sinks with seat work that is planned, only in the column that asks', () => {
    const bench = drawn()
    bench.add('seatWork', { level: 'cylinder', cylinder: 1 }, { state: 'planned', added: mm(0.593), sunk: mm(0.5), valve: 'exhaust' })
    const r = replay(bench.entries)!
    expect(modelOf(r, 1)!.spec.valves.map(v => v.sunk)).toEqual([0, 0])
    expect(modelOf(r, 1, 'beforeCut')!.spec.valves.map(v => v.sunk)).toEqual([0, 0.5])
  })
  it('stands along the head by its number, and the other way round where it is mirrored', () => {
    const bench = drawn(2)
    bench.state('boreSpacing', 104)
    const r = replay(bench.entries)!
    expect([1, 2].map(c => modelOf(r, c)!.x)).toEqual([52, -52])
    expect(modelOf(r, 2)!.spec.valves[1]!.x).toBe(-23.9)
    expect(modelOf(r, 2)!.spec.valves[1]!.leans).toBe(180 - 270)
    expect(modelOf(replay(drawn(2).entries)!, 1)!.spacing).toBe('assumed')
  })
})

describe('a cut predicted by its solid', () => {
  it('takes what the model says, with its depth’s and its walls’ doubt, by hand', () => {
    const bench = drawn()
    bench.pour(1, 56.2)
    bench.add('faceCut', head, cut())
    const planned = replay(bench.entries)!.asPlanned[0]!.parts.chamber!
    expect(planned.estimate.value).toBeCloseTo(56.2 - 4.58, 10)
    // depth 0.05·4.5; walls 2 % of 4.58, and 1 % more a mm in its middle; the pour's stretch 5 % of 0.02 of it; the pour itself
    const own = Math.hypot(0.1154701, 0.0408248)
    expect(uncertainty(planned.estimate)).toBeCloseTo(Math.hypot(0.225, 0.0916, 4.58 * 0.005, 0.00458, own), 5)
  })
  it('a measured depth moves it by the opening there', () => {
    const bench = drawn()
    bench.pour(1, 56.2)
    bench.add('faceCut', head, cut({ state: 'done', measured: mm(1.04) }))
    expect(replay(bench.entries)!.asIs[0]!.parts.chamber!.estimate.value).toBeCloseTo(56.2 - 4.58 - 0.04 * 4.5, 10)
  })
  it('is settled by the next pour: a flat one teaches cc per mm, an angled one does not', () => {
    const settled = (more: Partial<FaceCutBody>) => {
      const bench = drawn()
      bench.pour(1, 56.2)
      bench.add('faceCut', head, cut({ state: 'done', measured: mm(1), ...more }))
      bench.pour(1, 51.5)
      return replay(bench.entries)!.settlements[0]!
    }
    const flat = settled({})
    expect(flat.difference.value).toBeCloseTo(51.5 - (56.2 - 4.58), 10)
    expect(flat.lesson!.value).toBeCloseTo(4.7, 10)
    expect(settled({ slopeY: tan(1) }).noLesson).toBe('angled')
  })
})

describe('metal ground out', () => {
  const metal = { valve: 0, radii: Array.from({ length: 120 }, () => 24), below: 0.3, line: 46 }
  it('is part of the drawing once it is done, the other way round where the chamber is', () => {
    const bench = drawn(2)
    const lopsided = { ...metal, radii: metal.radii.map((r, i) => i < 30 ? r : 0) }
    for (const cylinder of [1, 2]) bench.add('relief', { level: 'cylinder', cylinder }, { state: 'done', added: mm(2), reliefs: [lopsided] })
    bench.add('relief', { level: 'cylinder', cylinder: 1 }, { state: 'planned', added: mm(1), reliefs: [metal] })
    const r = replay(bench.entries)!
    expect(modelOf(r, 1)!.spec.reliefs).toEqual([lopsided])
    expect(modelOf(r, 1, 'beforeCut')!.spec.reliefs?.length).toBe(2)
    // What lay from 0° to 87° lies from 180° down to 93° in the mirror.
    const other = modelOf(r, 2)!.spec.reliefs![0]!.radii
    expect([170, 80, 350].map(d => other[d / 3 | 0]! > 0)).toEqual([true, false, false])
  })
  it('teaches how much of what was drawn comes out', () => {
    const bench = drawn()
    bench.pour(1, 55)
    bench.add('relief', { level: 'cylinder', cylinder: 1 }, { state: 'done', added: mm(2), reliefs: [metal] })
    expect(reliefLesson(replay(bench.entries)!.settlements)).toBeUndefined()
    bench.pour(1, 57.2)
    expect(reliefLesson(replay(bench.entries)!.settlements)).toMatchObject({ share: { value: expect.closeTo(1.1, 9) as number }, count: 1 })
    bench.add('relief', { level: 'cylinder', cylinder: 1 }, { state: 'done', added: mm(1) })
    bench.cut(0.2, 0.2)
    bench.pour(1, 57)
    // Two kinds of work between: nothing is learned of either.
    expect(reliefLesson(replay(bench.entries)!.settlements)!.count).toBe(1)
  })
})

describe('what grinding to a line will add', () => {
  it('is the drawing, ten per cent unsure and never under 0.15 cc, before anybody has ground', () => {
    expect(reliefPrediction(4)).toEqual({ added: 4, u: expect.closeTo(0.4, 12) as number })
    expect(reliefPrediction(0.5).u).toBe(0.15)
    expect(() => reliefPrediction(-1)).toThrow(RangeError)
  })
  it('is the mean of the drawing and what came out, each by how sure it is', () => {
    // 1 ± 0.1 and 1.2 ± 0.1: half way. 1.2 ± 0.05 weighs four times as much: (1 + 4·1.2)/5 = 1.16, u = 0.1/√5.
    expect(reliefPrediction(4, { share: fromSource(1.2, 0.1, 'a'), count: 1 })).toEqual({ added: expect.closeTo(4.4, 12) as number, u: expect.closeTo(0.4 / Math.SQRT2, 12) as number })
    expect(reliefPrediction(4, { share: fromSource(1.2, 0.05, 'a'), count: 4 })).toEqual({ added: expect.closeTo(4.64, 12) as number, u: expect.closeTo(0.4 / Math.sqrt(5), 12) as number })
  })
  it('learns much from four cc, little from a few tenths, and nothing from grinding to a reading', () => {
    const ground = (cc: number, reliefs?: Relief[]) => {
      const bench = drawn()
      bench.pour(1, 55)
      bench.add('relief', { level: 'cylinder', cylinder: 1 }, { state: 'done', added: mm(cc), ...(reliefs ? { reliefs } : {}) })
      bench.pour(1, 55 + 1.3 * cc)
      return reliefLesson(replay(bench.entries)!.settlements)
    }
    const metal = [{ valve: 0, radii: Array.from({ length: 120 }, () => 24), below: 0.3, line: 46 }]
    const [much, little] = [ground(4, metal)!, ground(0.15, metal)!]
    expect(much.share.value).toBeCloseTo(1.3, 9)
    expect(little.share.value).toBeCloseTo(1.3, 9)
    expect(uncertainty(much.share)).toBeLessThan(0.15)
    expect(uncertainty(little.share)).toBeGreaterThan(0.3)
    expect(reliefPrediction(4, little).added).toBeLessThan(4 + 0.15)
    expect(ground(4)).toBeUndefined()
  })
  it('a lesson is of the drawing, not of what was predicted of it', () => {
    const bench = drawn()
    bench.pour(1, 55)
    bench.add('relief', { level: 'cylinder', cylinder: 1 }, { state: 'done', added: mm(2.2), drawn: mm(2), reliefs: [{ valve: 0, radii: Array.from({ length: 120 }, () => 24), below: 0.3, line: 46 }] })
    bench.pour(1, 57.4)
    const { settlements } = replay(bench.entries)!
    expect(settlements.at(-1)!.difference.value).toBeCloseTo(0.2, 9)
    expect(reliefLesson(settlements)!.share.value).toBeCloseTo(1.2, 9)
  })
})

describe('an angled cut', () => {
  it('lowers a seat’s edge by what it takes at that edge', () => {
    const bench = drawn()
    bench.state('exhaustTilt', 24)
    bench.state('exhaustSeatHeight', 1.4)
    bench.add('faceCut', head, cut({ state: 'done', slopeY: tan(1), flat: mm(0.2) }))
    const left = quantityOf(replay(bench.entries)!, 'exhaustSeatHeight', 1)!.estimate.value
    expect(left).toBeCloseTo(1.4 - (1 + 0.2 / Math.cos(Math.PI / 180) + tan(1) * LOW_Y), 9)
  })
  it('measured is all that came off at the bore line, the flat cut that finished it too', () => {
    const at = (measured?: number) => {
      const bench = drawn()
      bench.state('exhaustTilt', 24)
      bench.state('exhaustSeatHeight', 1.4)
      bench.state('headHeight', 90)
      bench.add('faceCut', head, cut({ state: 'done', depth: mm(0.5), slopeY: tan(1), flat: mm(0.2), ...measured === undefined ? {} : { measured: mm(measured) } }))
      bench.add('headHeights', head, { readings: [[-40, -30], [40, -30], [0, 40]].map(([x, y]) => ({ x: x!, y: y!, figure: mm(89) })) })
      const r = replay(bench.entries)!
      return { before: r.heights[0]!.earlier, seat: quantityOf(r, 'exhaustSeatHeight', 1)!.estimate.value, down: asIf(r, [], NO_SOLIDS).cylinders[0]!.moves.face.done, plane: modelOf(r, 1)!.done.depth }
    }
    const both = 0.5 + 0.2 / Math.cos(Math.PI / 180)
    expect(at()).toEqual({ before: expect.closeTo(90 - 89 - both, 9) as number, seat: expect.closeTo(1.4 - both - tan(1) * LOW_Y, 9) as number, down: expect.closeTo(both, 9) as number, plane: expect.closeTo(both, 9) as number })
    expect(at(0.65)).toEqual({ before: expect.closeTo(90 - 89 - 0.65, 9) as number, seat: expect.closeTo(1.4 - 0.65 - tan(1) * LOW_Y, 9) as number, down: expect.closeTo(0.65, 9) as number, plane: expect.closeTo(0.65, 9) as number })
  })
  it('is a stop only where it reaches a seat', () => {
    const at = (slopeY: number) => {
      const bench = drawn()
      bench.pour(1, 56.2)
      bench.pour(1, 56.2)
      bench.state('exhaustTilt', 24)
      bench.state('exhaustSeatHeight', 1.4)
      bench.add('faceCut', head, cut({ depth: mm(1.5), slopeY, removed: [{ cylinder: 1, x: 0, cc: 6.9, perMm: 4.5, factor: 1 }] }))
      return nextMove(replay(bench.entries))
    }
    expect(at(0)).toMatchObject({ kind: 'seatLost', valve: 'exhaust', planned: true })
    expect(at(tan(1)).kind).toBe('do')
  })
  it('along the head it is deeper at one end', () => {
    const bench = drawn(2)
    bench.state('deckThickness', 12)
    bench.add('faceCut', head, cut({ state: 'done', slopeX: 0.002, removed: [{ cylinder: 1, x: 52, cc: 5, perMm: 4.5, factor: 1 }, { cylinder: 2, x: -52, cc: 4.2, perMm: 4.5, factor: 1 }] }))
    const r = replay(bench.entries)!
    expect(quantityOf(r, 'deckThickness', 1)!.estimate.value).toBeCloseTo(12 - 1.104, 9)
    expect(quantityOf(r, 'deckThickness', 2)!.estimate.value).toBeCloseTo(12 - 0.896, 9)
    expect([1, 2].map(c => modelOf(r, c)!.done.depth)).toEqual([expect.closeTo(1.104, 9), expect.closeTo(0.896, 9)])
  })
})
