import { describe, expect, it } from 'vitest'
import type { Bench } from '../../tests/support/ledgerBench'
import { all, mm, nextMove, oneCylinder } from '../../tests/support/ledgerBench'
import { STARTING_RULES, advice, allSprings, floatOf, replay, shimToEven, springStanding, type Bodies, type PortName, type Scope } from '..'

const figure = (value: number, unit: string) => ({ value, unit, typed: String(value) })
const port: PortName = { cylinder: 1, valve: 'exhaust', n: 1 }
const at = (cylinder = 1): Scope => ({ level: 'valve', cylinder, valve: 'exhaust' })
const coil = (rate: number, free: number, solid: number): Bodies['spring']['coils'][number] => ({ rate: figure(rate, 'N/mm'), free: mm(free), solid: mm(solid) })
const read = (bench: Bench) => replay(bench.entries)!
/** Lift 10, one spring of 30 N/mm that is solid at 28.5, installed at 40 with 12 to the seal: 300 N, 600 N, 1.5 and 2 left. */
function sprung(cylinders = 1): Bench {
  const bench = oneCylinder(cylinders)
  bench.state('exhaustLift', 10)
  bench.add('spring', all, { valve: 'exhaust', coils: [coil(30, 50, 28.5)] })
  bench.add('installed', at(), { height: mm(40), seal: mm(12) })
  return bench
}
const work = (bench: Bench, state: 'planned' | 'done', sunk: number, more: object = {}) => bench.add('seatWork', { level: 'cylinder', cylinder: 1 }, { state, added: mm(0.1), sunk: mm(sunk), valve: 'exhaust', ...more })

describe('springs of a valve', () => {
  it('carry and leave what their closed forms say', () => {
    expect(springStanding(read(sprung()), STARTING_RULES, port)).toMatchObject({ loads: { shut: 300, open: 600 }, travel: 1.5, sealLeft: 2, faults: [] })
    const bench = sprung()
    bench.add('spring', all, { valve: 'exhaust', coils: [coil(30, 50, 28.5), coil(10, 45, 29)] })
    // The tighter coil decides, and the loads add.
    expect(springStanding(read(bench), STARTING_RULES, port)).toMatchObject({ loads: { shut: 350, open: 750 }, travel: 1, faults: [{ room: 'travel', left: 1, least: 1.2, planned: false }] })
  })
  // Travel 1.5 of the least 1.2 and seal 2: height and seal are read so much lower.
  it.each<[string, number, number, string[]]>([['travel', 0.9, 1.2, ['travel', 'seal']], ['seal', 0.5, 1.9, ['seal', 'travel']]])('what is shortest of its least is told first: %s', (_, travel, seal, rooms) => {
    const bench = sprung()
    bench.add('installed', at(), { height: mm(40 - travel), seal: mm(12 - seal) })
    expect(springStanding(read(bench), STARTING_RULES, port).faults.map(f => f.room)).toEqual(rooms)
  })
  it('a cut changes nothing, a valve that goes up by 0.3 moves height and seal by just that, a shim the height alone', () => {
    const bench = sprung()
    bench.cut(0.5)
    expect(springStanding(read(bench), STARTING_RULES, port)).toMatchObject({ travel: 1.5, sealLeft: 2, sunk: { done: 0, planned: 0 } })
    work(bench, 'done', 0.3)
    const sunk = springStanding(read(bench), STARTING_RULES, port)
    expect(sunk.sunk).toEqual({ done: 0.3, planned: 0 })
    expect([sunk.height!.provenance, springStanding(read(sprung()), STARTING_RULES, port).height!.provenance]).toEqual(['derived', 'measured'])
    expect([sunk.height!.estimate.value, sunk.loads!.shut, sunk.travel, sunk.sealLeft]).toEqual([expect.closeTo(40.3, 9), expect.closeTo(291, 9), expect.closeTo(1.8, 9), expect.closeTo(2.3, 9)])
    work(bench, 'planned', 0.2)
    const planned = springStanding(read(bench), STARTING_RULES, port)
    expect(planned.loads!.shut).toBeCloseTo(285, 9)
    // What a hand would measure now is without what is only planned.
    expect([planned.now!.height.estimate.value, planned.now!.seal, planned.height!.estimate.value]).toEqual([expect.closeTo(40.3, 9), expect.closeTo(12.3, 9), expect.closeTo(40.5, 9)])
    // Read again on a shim of 0.5: what was done before no longer counts, what is planned does.
    bench.add('installed', at(), { height: mm(39.8), seal: mm(12.3) })
    expect(springStanding(read(bench), STARTING_RULES, port)).toMatchObject({ sunk: { done: 0, planned: 0.2 }, travel: expect.closeTo(1.5, 9), sealLeft: expect.closeTo(2.5, 9) })
  })
  it('work on another kind of valve, or on the other of two, leaves them alone', () => {
    const bench = sprung()
    bench.add('seatWork', { level: 'cylinder', cylinder: 1 }, { state: 'done', added: mm(0.1), sunk: mm(0.3), valve: 'intake' })
    work(bench, 'done', 0.3, { n: 2 })
    expect(springStanding(read(bench), STARTING_RULES, port).sunk.done).toBe(0)
    work(bench, 'done', 0.3, { n: 1 })
    expect(springStanding(read(bench), STARTING_RULES, port).sunk.done).toBe(0.3)
  })
  it('says nothing of what was not read', () => {
    const bench = oneCylinder()
    expect(springStanding(read(bench), STARTING_RULES, port)).toMatchObject({ faults: [] })
    const unread = oneCylinder()
    work(unread, 'planned', 0.2)
    expect(springStanding(read(unread), STARTING_RULES, port).sunk).toEqual({ done: 0, planned: 0 })
    bench.add('installed', at(), { height: mm(40) })
    const { loads, travel, sealLeft } = springStanding(read(bench), STARTING_RULES, port)
    expect([loads, travel, sealLeft]).toEqual([undefined, undefined, undefined])
    bench.add('spring', all, { valve: 'exhaust', coils: [coil(30, 50, 28.5)] })
    // Springs of a valve whose lift nobody knows carry something, and nobody says what is left.
    const shutOnly = springStanding(read(bench), STARTING_RULES, port)
    expect([shutOnly.travel, shutOnly.loads]).toEqual([undefined, { shut: 300 }])
  })
  it('shims make loads alike: up to the strongest', () => {
    const bench = sprung(3)
    bench.add('installed', at(2), { height: mm(40.4) })
    bench.add('installed', at(3), { height: mm(39.9) })
    const exhausts = allSprings(read(bench), STARTING_RULES).filter(s => s.port.valve === 'exhaust')
    expect(exhausts.map(s => shimToEven(exhausts, s))).toEqual([expect.closeTo(0.1, 9), expect.closeTo(0.5, 9), expect.closeTo(0, 9)])
    // One without its room is no example for the others: 39.7 − 10 − 28.5 is 1.2 but for a hair, 39.6 is under.
    bench.add('installed', at(3), { height: mm(39.6) })
    const short = allSprings(read(bench), STARTING_RULES).filter(s => s.port.valve === 'exhaust')
    expect(short.map(s => shimToEven(short, s))).toEqual([expect.closeTo(0, 9), expect.closeTo(0.4, 9), undefined])
  })
  it('the speed at which a valve leaves its cam is that of the one that carries least', () => {
    const bench = sprung(2)
    bench.add('installed', at(2), { height: mm(40.5) })
    bench.state('exhaustMovingMass', 0.15)
    const rows = Array.from({ length: 126 }, (_, i) => ({ angle: 2 * i, lift: 5 * (1 + Math.cos(2 * Math.PI * (2 * i - 125) / 250)) }))
    expect(floatOf(read(bench), STARTING_RULES, 'exhaust')).toBeUndefined()
    bench.add('liftTable', all, { valve: 'exhaust', rows })
    // 30·(9.5 + 10) N over 0.15 kg and 5·(2π/250)² mm a degree².
    expect(floatOf(read(bench), STARTING_RULES, 'exhaust')!.rpm / (Math.sqrt(585 / (150e-6 * 5 * (2 * Math.PI / 250) ** 2)) / 6)).toBeCloseTo(1, 2)
    const bound = floatOf(read(bench), STARTING_RULES, 'exhaust')!
    bench.state('revs', 9000)
    expect(floatOf(read(bench), STARTING_RULES, 'exhaust')).toEqual({ rpm: bound.rpm, seen: false, over: { revs: 9000 } })
    // Four times as much to move on one cylinder: half the speed, whichever it is.
    bench.state('exhaustMovingMass', 0.6, 'measure', { level: 'cylinder', cylinder: 2 })
    expect(floatOf(read(bench), STARTING_RULES, 'exhaust')!.rpm).toBeCloseTo(bound.rpm / 2, 6)
    bench.entries.pop()
    // So does what was seen of one, not of the first.
    bench.state('exhaustFloat', 5600, 'measure', { level: 'cylinder', cylinder: 2 })
    expect(floatOf(read(bench), STARTING_RULES, 'exhaust')!.rpm).toBe(5600)
    bench.entries.pop()
    // What the engine did outranks what its springs promise.
    bench.state('exhaustFloat', 5400)
    expect(floatOf(read(bench), STARTING_RULES, 'exhaust')).toEqual({ rpm: 5400, seen: true, over: { revs: 9000 } })
    expect(floatOf(read(bench), STARTING_RULES, 'intake')).toBeUndefined()
    // The same springs entered again are no others; stronger ones were never seen.
    const springs = bench.entries.find(e => e.kind === 'spring')!.body as Bodies['spring']
    bench.add('spring', all, springs)
    expect(floatOf(read(bench), STARTING_RULES, 'exhaust')!.seen).toBe(true)
    bench.add('spring', all, { ...springs, coils: springs.coils.map(c => ({ ...c, rate: { ...c.rate, value: 4 * c.rate.value } })) })
    expect(floatOf(read(bench), STARTING_RULES, 'exhaust')).toEqual({ rpm: expect.closeTo(2 * bound.rpm, 6), seen: false, before: 5400 })
    bench.entries.splice(-3)
    bench.add('liftTable', all, { valve: 'exhaust', rows: [{ angle: 0, lift: 0 }, { angle: 10, lift: 2 }, { angle: 30, lift: 6 }, { angle: 40, lift: 5 }, { angle: 60, lift: 0 }] })
    expect(floatOf(read(bench), STARTING_RULES, 'exhaust')).toBeUndefined()
  })
})

describe('a spring without room is a stop', () => {
  it('before the target, once what is planned brings it there as well', () => {
    const bench = sprung()
    for (let i = 0; i < 2; i++) bench.pour(1, 49.11)
    expect(nextMove(read(bench)).kind).toBe('onTarget')
    bench.add('installed', at(), { height: mm(39.5), seal: mm(10.8) })
    const stops = advice(read(bench)).filter(a => a.kind === 'springRoom')
    expect(stops).toMatchObject([{ room: 'travel', limit: 1.2, cylinders: [1], at: { station: 'mockup', leaf: 'springs' }, planned: false }, { room: 'seal', limit: 1, planned: false }])
    expect(stops.map(s => s.kind === 'springRoom' && s.figure)).toEqual([expect.closeTo(1, 9), expect.closeTo(0.8, 9)])
    // A valve that goes up makes room of both kinds.
    work(bench, 'planned', 0.3)
    expect(advice(read(bench)).filter(a => a.kind === 'springRoom')).toEqual([])
  })
})
