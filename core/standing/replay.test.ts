import { quantityOf } from './asked'
import { describe, expect, it } from 'vitest'
import { shares, uncertainty } from '../estimate'
import { Bench, READING_U, SCALE_U, all, burette, head, mm, oneCylinder } from '../../tests/support/ledgerBench'
import { replay, upcast, type Entry } from '..'
import v1 from '../ledger/fixtures/v1.json'

const first = (bench: Bench) => replay(bench.entries)!.asIs[0]!

describe('replay', () => {
  it('is nothing before there is a layout', () => {
    expect(replay([])).toBeUndefined()
  })
  it('sums a cylinder as a builder does on the deck face', () => {
    const bench = oneCylinder()
    bench.pour(1, 56.2)
    const state = first(bench)
    // gasket π/4·94²·1.2 = 8.3277, deck π/4·92²·0.36 = 2.3931, crown 3, crevice 0.6552
    expect(state.parts.gasket!.estimate.value).toBeCloseTo(8.3277, 4)
    expect(state.parts.deck!.estimate.value).toBeCloseTo(2.3931, 4)
    expect(state.clearance!.estimate.value).toBeCloseTo(56.2 + 8.3277 + 2.3931 + 3 + 0.6552, 3)
    // (565.0469 + 70.5760)/70.5760
    expect(state.ratio!.estimate.value).toBeCloseTo(9.0062, 4)
    // 565.0469/8.9 = 63.4884: 7.0876 over
    expect(state.gap!.estimate.value).toBeCloseTo(7.0876, 3)
    expect(state.targetChamber!.estimate.value).toBeCloseTo(49.1124, 3)
  })
  it('leaves the crevice out where the target does not count it', () => {
    const bench = oneCylinder()
    bench.add('target', all, { ratio: mm(9.9), tolerance: mm(0.1), countsCrevice: false })
    bench.pour(1, 56.2)
    expect(first(bench).parts.crevice).toBeUndefined()
    expect(first(bench).ratio!.estimate.value).toBeCloseTo((565.0469 + 69.9208) / 69.9208, 4)
  })
  it('says what is missing instead of guessing it', () => {
    const bench = new Bench()
    bench.add('layout', all, { heads: [[1]], banks: [[1]] })
    expect(first(bench).missing).toEqual(['bore', 'stroke', 'chamberVolume'])
    expect(first(bench).ratio).toBeUndefined()
  })
  it('has no ratio for a dome larger than what holds it', () => {
    const bench = oneCylinder()
    bench.state('crownVolume', -80)
    bench.pour(1, 56.2)
    expect(first(bench).ratio).toBeUndefined()
  })
  it('gives provenance by the kind of entry, and falls back when a measurement is voided', () => {
    const bench = oneCylinder()
    bench.state('chamberVolume', 53, 'book')
    const pour = bench.pour(1, 56.2)
    expect(first(bench).parts.chamber!.provenance).toBe('measured')
    bench.add('void', all, { reason: 'bubble' }, { supersedes: pour })
    expect(first(bench).parts.chamber).toMatchObject({ provenance: 'book' })
    expect(first(bench).parts.chamber!.estimate.value).toBe(53)
    expect(replay(bench.entries)!.live.standing.get(pour)).toBe('void')
  })
  it('lets a cylinder’s own figure beat the one for all, and measured beat book whenever it was written', () => {
    const bench = oneCylinder(2)
    bench.state('deckClearance', 0.5, 'measure', { level: 'cylinder', cylinder: 2 })
    bench.state('stroke', 86, 'book')
    const r = replay(bench.entries)!
    expect(quantityOf(r, 'deckClearance', 1)!.estimate.value).toBe(0.36)
    expect(quantityOf(r, 'deckClearance', 2)!.estimate.value).toBe(0.5)
    expect(quantityOf(r, 'stroke', 1)!.estimate.value).toBe(85)
  })
  it('puts a correction in the place of what it corrects, in time too', () => {
    const bench = oneCylinder()
    const pour = bench.pour(1, 65.2)
    bench.cut(1, 1)
    const at = bench.entries.find(e => e.id === pour)!.at
    bench.add('pour', { level: 'cylinder', cylinder: 1 }, { encloses: 'chamber', fills: [{ start: 0, end: 56.2 }], typed: '56.2', instrument: burette }, { supersedes: pour, at })
    // 56.2 − 1 mm · 4.65 cc/mm
    expect(first(bench).parts.chamber!.estimate.value).toBeCloseTo(51.55, 10)
    expect(first(bench).parts.chamber!.provenance).toBe('derived')
  })
  it('assumes what nobody stated, with its doubt under one name for all cylinders', () => {
    const bench = new Bench()
    bench.add('layout', all, { heads: [[1, 2]], banks: [[1, 2]] })
    bench.state('bore', 92)
    bench.state('stroke', 85)
    bench.pour(1, 56.2)
    const state = first(bench)
    expect(state.parts.crown!.provenance).toBe('assumed')
    expect(shares(state.ratio!.estimate)[0]!.source).toBe('standIn:deckClearance')
  })
})

describe('doubt by source', () => {
  // Alike, so the mean lies in the middle: χ² = 2·(1/u)², u of the mean u/√2, so u·√χ² is half of what they are apart.
  it.each([[2, 1], [0.2, Math.hypot(SCALE_U, READING_U) / Math.SQRT2]])('two glasses %f cc apart: as doubtful as that where they contradict each other', (apart, u) => {
    const bench = oneCylinder()
    bench.pour(1, 55)
    bench.pour(1, 55 + apart, { ...burette, id: 'other' })
    const { estimate } = first(bench).parts.chamber!
    expect([estimate.value, uncertainty(estimate)]).toEqual([expect.closeTo(55 + apart / 2, 9), expect.closeTo(u, 6)])
  })
  it('agrees with a hand-propagated chamber and ratio', () => {
    const bench = oneCylinder()
    bench.pour(1, 56.2)
    const { chamber } = first(bench).parts
    expect(uncertainty(chamber!.estimate)).toBeCloseTo(Math.hypot(SCALE_U, READING_U), 6)
    // u(r) = Vs/Vc² · u(Vc) = 565.0469/70.5760² · 0.122474 = 0.0138935
    expect(uncertainty(first(bench).ratio!.estimate)).toBeCloseTo(0.0138935, 5)
    const [scale, reading] = shares(first(bench).ratio!.estimate)
    // 0.1154701² : 0.0408248² = 0.013333 : 0.0016667
    expect(scale).toMatchObject({ source: 'scale:long' })
    expect(scale!.share).toBeCloseTo(0.8889, 4)
    expect(reading!.share).toBeCloseTo(0.1111, 4)
  })
  it('cancels one burette’s scale error before and after a cut', () => {
    const bench = oneCylinder()
    bench.pour(1, 56.2)
    bench.cut(1, 1.02)
    bench.pour(1, 51.6)
    const [settled] = replay(bench.entries)!.settlements
    // predicted 56.2 − 1.02 · 4.65 = 51.457, so the head gave 0.143 cc less than predicted
    expect(settled!.predicted.value).toBeCloseTo(51.457, 6)
    expect(settled!.difference.value).toBeCloseTo(0.143, 6)
    // two readings, 1.02 mm · 0.0465 cc/mm of geometry, 4.65 · 0.02 mm of depth, 2 % a mm of walls; no scale at all
    const byHand = Math.hypot(READING_U, READING_U, 1.02 * 0.0465, 4.65 * 0.02, 4.65 * 0.02 * 1.02 ** 2 / 2)
    expect(uncertainty(settled!.difference)).toBeCloseTo(byHand, 6)
    expect(settled!.difference.by.get('scale:long')).toBeCloseTo(0, 12)
    expect(settled!.lesson!.value).toBeCloseTo(4.6 / 1.02, 6)
  })
  it('keeps two burettes’ scale errors apart', () => {
    const bench = oneCylinder()
    bench.pour(1, 56.2)
    bench.cut(1, 1)
    bench.pour(1, 51.6, { ...burette, id: 'other' })
    const [settled] = replay(bench.entries)!.settlements
    expect(uncertainty(settled!.lesson!)).toBeCloseTo(Math.hypot(SCALE_U, SCALE_U, READING_U, READING_U, 4.6 * 0.02), 5)
  })
  it('takes the scale as one error in a build’s every chamber', () => {
    const bench = oneCylinder(2)
    bench.pour(1, 56.2)
    bench.pour(2, 55.2)
    const [a, b] = replay(bench.entries)!.asIs
    expect(a!.parts.chamber!.estimate.by.get('scale:long')).toBeCloseTo(SCALE_U, 6)
    expect(b!.parts.chamber!.estimate.by.get('scale:long')).toBeCloseTo(SCALE_U, 6)
  })
})

describe('lessons', () => {
  const cutAndPour = (bench: Bench) => {
    bench.pour(1, 56.2)
    bench.cut(1, 1)
    bench.pour(1, 51.7)
  }
  it('turn the next prediction: the mean of geometry and lesson by 1/u²', () => {
    const bench = oneCylinder()
    cutAndPour(bench)
    const { estimate, lessons, geometry } = replay(bench.entries)!.perMm.get(1)!
    expect(geometry.estimate.value).toBeCloseTo(4.65, 10)
    expect(lessons[0]!.perMm.value).toBeCloseTo(4.5, 10)
    // At the face, 1 mm up: geometry 0.0465 and 4.65·0.02 of the lean; the lesson, of half a mm up, √(2·0.0408248² + (4.5·0.02)²)
    // and 4.5·0.01 of the same lean, so that the weights are Vl − C to Vg − C.
    const [lg, ll] = [4.65 * 0.02, 4.5 * 0.01]
    const [vg, vl, c] = [0.0465 ** 2 + lg ** 2, 2 * READING_U ** 2 + 0.09 ** 2 + ll ** 2, lg * ll]
    expect(estimate.value).toBeCloseTo((4.65 * (vl - c) + 4.5 * (vg - c)) / (vg + vl - 2 * c), 6)
    // What another chamber's pours tell of the same cut shares its depth's doubt: it hardly adds.
    const six = oneCylinder(6)
    const alone = oneCylinder(6)
    for (const c of [1, 2, 3, 4, 5, 6]) {
      six.pour(c, 56.2)
      if (c === 1) alone.pour(c, 56.2)
    }
    for (const b of [six, alone]) b.cut(1, 1)
    for (const c of [1, 2, 3, 4, 5, 6]) {
      six.pour(c, 51.7)
      if (c === 1) alone.pour(c, 51.7)
    }
    const u = (b: Bench) => uncertainty(replay(b.entries)!.perMm.get(1)!.estimate)
    expect(u(six)).toBeLessThan(u(alone))
    expect(u(six)).toBeGreaterThan(0.9 * u(alone))
  })
  it('come from one kind of work only, with a measured depth, between two pours', () => {
    const reason = (work: (bench: Bench) => void, before = true, after = 51) => {
      const bench = oneCylinder()
      bench.state('chamberVolume', 53, 'book')
      if (before) bench.pour(1, 56.2)
      work(bench)
      bench.pour(1, after)
      const r = replay(bench.entries)!
      expect(r.lessons).toEqual([])
      return r.settlements[0]!.noLesson
    }
    const ground = (bench: Bench) => bench.add('relief', { level: 'cylinder', cylinder: 1 }, { state: 'done', added: mm(0.8) })
    expect(reason((b) => {
      b.cut(1, 1)
      ground(b)
    })).toBe('severalKinds')
    expect(reason(b => ground(b))).toBe('notAFaceCut')
    expect(reason(b => b.cut(1))).toBe('depthNotMeasured')
    expect(reason(b => b.cut(1, 1), false)).toBe('noPourBefore')
    expect(reason(b => b.cut(1, 1), true, 57)).toBe('notSmaller')
  })
  it('belong to their head and no other', () => {
    const bench = new Bench()
    bench.add('layout', all, { heads: [[1], [2]], banks: [[1], [2]] })
    bench.state('bore', 92)
    bench.state('stroke', 85)
    cutAndPour(bench)
    const r = replay(bench.entries)!
    expect(r.perMm.get(1)!.lessons).toHaveLength(1)
    expect(r.perMm.get(2)!.lessons).toHaveLength(0)
  })
})

describe('operations', () => {
  it('show as they are and as planned, in two columns', () => {
    const bench = oneCylinder()
    bench.pour(1, 56.2)
    const plan = bench.add('gasketChange', head, { state: 'planned', thickness: mm(0.9), bore: mm(94) })
    bench.add('faceCut', head, { state: 'planned', depth: mm(1.08) })
    const r = replay(bench.entries)!
    expect(r.asIs[0]!.ratio!.estimate.value).toBeCloseTo(9.0062, 4)
    // 56.2 − 5.022 + π/4·94²·0.9 + 2.3931 + 3 + 0.6552 = 63.4721
    expect(r.asPlanned[0]!.clearance!.estimate.value).toBeCloseTo(63.4721, 3)
    expect(r.beforeCut[0]!.parts.chamber!.estimate.value).toBe(56.2)
    expect(r.beforeCut[0]!.parts.gasket!.estimate.value).toBeCloseTo(6.2458, 4)
    bench.add('gasketChange', head, { state: 'dropped', thickness: mm(0.9), bore: mm(94) }, { supersedes: plan })
    expect(replay(bench.entries)!.asPlanned[0]!.parts.gasket!.estimate.value).toBeCloseTo(8.3277, 4)
  })
  it('take a deck cut off a clearance measured before it, and not off one measured after', () => {
    const bench = oneCylinder()
    bench.add('deckCut', { level: 'bank', bank: 1 }, { state: 'done', depth: mm(0.2), measured: mm(0.2) })
    expect(quantityOf(replay(bench.entries)!, 'deckClearance', 1)!.estimate.value).toBeCloseTo(0.16, 10)
    bench.state('deckClearance', 0.17)
    expect(quantityOf(replay(bench.entries)!, 'deckClearance', 1)!).toMatchObject({ provenance: 'measured' })
    expect(quantityOf(replay(bench.entries)!, 'deckClearance', 1)!.estimate.value).toBe(0.17)
  })
  it('carry a clearance back over a cut when only a later reading is known', () => {
    const bench = new Bench()
    bench.add('layout', all, { heads: [[1]], banks: [[1]] })
    bench.add('pour', { level: 'cylinder', cylinder: 1 }, { encloses: 'assembled', fills: [{ start: 0, end: 70 }], typed: '70', instrument: burette })
    bench.add('deckCut', { level: 'bank', bank: 1 }, { state: 'done', depth: mm(0.2), measured: mm(0.2) })
    bench.state('bore', 92, 'measure', all, 0)
    bench.state('stroke', 85)
    bench.state('deckClearance', 0.16)
    // at the time of the pour the deck stood at 0.36: chamber = 70 − gasket − 2.3931 − …; 0.2 mm less deck now
    const now = first(bench)
    expect(now.clearance!.estimate.value).toBeCloseTo(70 - 1.3295, 3)
  })
})

describe('an assembled pour', () => {
  const assembled = (bench: Bench, end: number) => bench.add('pour', { level: 'cylinder', cylinder: 1 },
    { encloses: 'assembled', fills: [{ start: 0, end }], typed: String(end), instrument: burette, plugColumn: mm(1.5) })
  it('sets the total and leaves the chamber by difference', () => {
    const bench = oneCylinder()
    assembled(bench, 72)
    const state = first(bench)
    expect(state.clearance!.estimate.value).toBeCloseTo(70.5, 10)
    expect(state.clearance!.provenance).toBe('measured')
    expect(state.parts.chamber!.estimate.value).toBeCloseTo(70.5 - 8.3277 - 2.3931 - 3 - 0.6552, 3)
    expect(state.parts.chamber!.provenance).toBe('derived')
  })
  it('leaves the crown by difference when the chamber was poured, and the total’s doubt is the pour’s alone', () => {
    const bench = oneCylinder()
    bench.state('crownVolume', 2, 'assume')
    bench.pour(1, 56)
    const crown = bench.entries.find(e => e.kind === 'measure' && e.body.quantity === 'crownVolume')!
    bench.add('void', all, { reason: 'only a guess' }, { supersedes: crown.id })
    assembled(bench, 72)
    const state = first(bench)
    expect(state.parts.crown!.provenance).toBe('derived')
    expect(state.clearance!.estimate.value).toBeCloseTo(70.5, 9)
    expect(uncertainty(state.clearance!.estimate)).toBeCloseTo(Math.hypot(SCALE_U, READING_U, 0.05), 5)
  })
})

describe('stored versions', () => {
  it('replays the fixture of version 1', () => {
    const entries = (v1 as unknown as Entry[]).map(upcast)
    // cylinder 4 was poured 56.3 and 56.1: the same stack as the one above
    expect(replay(entries)!.asIs[3]!.ratio!.estimate.value).toBeCloseTo(9.0062, 4)
  })
  it('refuses a version it does not know', () => {
    expect(() => upcast({ ...(v1[0] as unknown as Entry), v: 99 })).toThrow(/entry.v is 99: it must be a whole number from 1 to 1/)
  })
})
