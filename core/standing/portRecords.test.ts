import { describe, expect, it } from 'vitest'
import type { Bench } from '../../tests/support/ledgerBench'
import { all, burette, mm, oneCylinder } from '../../tests/support/ledgerBench'
import { demoShop } from '../../demo/shop'
import {
  NO_SOLIDS, STARTING_RULES, asIf, clearancesOf, demandOf, flangeRecord, headOf, machIndex, modelOf, mouldsIn, mouldsOut, neighbours, peakDemand, placeAlong, placesIn, portReceived, portReckoned, portScope, portStages, portWorkedSince, portsIn, replay, rowBeginsAt, seatRecord, seatWanted, sectionsRecord, sinking, throatRecord, uncertainty, valveAcross, type Bodies, type PortName, type Scope
} from '..'

const port: PortName = { cylinder: 1, valve: 'intake', n: 1 }
const at: Scope = { level: 'port', cylinder: 1, port: 'intake' }
const seatAt: Scope = { level: 'valve', cylinder: 1, valve: 'intake' }
const standing = (bench: Bench) => replay(bench.entries)!
const seat = (more: Partial<Bodies['seat']> = {}): Bodies['seat'] => ({ cuts: [{ angle: 60, width: 2 }, { angle: 45, width: 1.4 }, { angle: 30, width: 1 }], seat: 1, outer: mm(43), ...more })
const portPour = (of: number | { end: number, afterWork: boolean }): Bodies['pour'] => {
  const { end, ...more } = typeof of === 'number' ? { end: of } : of
  return { encloses: 'intakePort', fills: [{ start: 0, end: 100 }, { start: 0, end: end - 100 }], typed: '', instrument: burette, ...more }
}
const pours = (bench: Bench, ...ends: [number, boolean?][]) => ends.forEach(([end, afterWork]) =>
  bench.add('pour', { level: 'cylinder', cylinder: 1 }, portPour(afterWork ? { end, afterWork } : end)))

describe('ports of an engine', () => {
  it('are one a valve, numbered where there are several', () => {
    const layout = { cylinders: [1, 2], heads: [[1, 2]], banks: [[1, 2]] }
    expect(portsIn(layout)).toHaveLength(4)
    const four = { ...layout, engine: { strokes: 4, arrangement: 'inLine', first: 'front', head: 'removable', intakes: 2, exhausts: 1, chamber: 'pentRoof' } as const }
    expect(portsIn(four, 'intake').map(p => [p.cylinder, p.n])).toEqual([[1, 1], [1, 2], [2, 1], [2, 2]])
    expect(portScope(four, { cylinder: 2, valve: 'intake', n: 2 })).toEqual({ level: 'port', cylinder: 2, port: 'intake', n: 2 })
    expect(portScope(four, { cylinder: 2, valve: 'exhaust', n: 1 })).toEqual({ level: 'port', cylinder: 2, port: 'exhaust' })
  })

  it.each<[string, heads: number[][], banks: number[][], pairs: number[][], begins: (number | undefined)[], fromLeft?: number[]]>([
    ['a head of four', [[1, 2, 3, 4]], [[1, 2, 3, 4]], [[1, 2], [3, 4]], [1, 1, 1, 1]],
    ['a vee of six', [[1, 3, 5], [2, 4, 6]], [[1, 3, 5], [2, 4, 6]], [[1, 3], [2, 4]], [1, 2, 1, 2, 1, 2], [2]],
    ['barrels with a head each', [[1], [2], [3]], [[1, 2, 3]], [[1, 2]], [2, 1, 1]],
    ['the same from the left', [[1], [2], [3]], [[1, 2, 3]], [[1, 2]], [2, 1, 1], [1, 2, 3]],
    ['two barrels apart', [[1], [2]], [[1], [2]], [[1, 2]], [undefined, undefined]],
    ['one cylinder', [[1]], [[1]], [], [undefined]]
  ])('are paired along the head, and told by where its row begins: %s', (_, heads, banks, pairs, begins, fromLeft = []) => {
    const layout = { cylinders: heads.flat().sort(), heads, banks, fromLeft }
    expect(neighbours(layout)).toEqual(pairs)
    expect(layout.cylinders.map(cylinder => rowBeginsAt(layout, cylinder)?.cylinder)).toEqual(begins)
    for (const cylinder of layout.cylinders) {
      const end = rowBeginsAt(layout, cylinder)
      // The next one lies at the other end of a row than the first.
      if (end) expect(end.left).toBe(fromLeft.includes(headOf(layout, cylinder)) !== (end.cylinder > cylinder))
      // The cylinder that a row begins with lies to the side that is told.
      const row = layout.heads[headOf(layout, cylinder) - 1]!
      if (end && row.length > 1) expect(Math.sign(placeAlong(layout, row[0]!, 100))).toBe(end.left ? -1 : 1)
    }
  })
})

describe('a throat', () => {
  it('is a share of its valve, from the first reading to the last, and what is wanted of it', () => {
    const bench = oneCylinder()
    bench.add('throat', at, { across: mm(38.4) })
    expect(throatRecord(standing(bench), port)).toMatchObject({ received: 38.4, valve: undefined })
    bench.state('intakeValve', 44.5)
    bench.add('wish', all, { quantity: 'intakeThroatShare', figure: mm(0.885) })
    bench.add('throat', at, { across: mm(39) })
    const record = throatRecord(standing(bench), port)
    expect(record.received).toBe(38.4)
    expect(record.share).toEqual({ value: expect.closeTo(39 / 44.5, 9), standing: 'asCast' })
    expect(record.wanted!.toOpen).toBeCloseTo(0.885 * 44.5 - 39, 9)
    // The exhaust's is another.
    expect(throatRecord(standing(bench), { ...port, valve: 'exhaust' })).toEqual({ readings: [], received: undefined, valve: undefined, drawn: false })
  })
  it.each([['read and then worked on', false, 38.4], ['worked on before it was read', true, undefined]])('%s: as it came', (_, first, received) => {
    const bench = oneCylinder()
    const steps = [() => bench.add('throat', at, { across: mm(38.4) }), () => bench.add('portPlace', at, { place: 'bowl', way: 'take', done: true })]
    for (const step of first ? steps.reverse() : steps) step()
    pours(bench, [168])
    expect(throatRecord(standing(bench), port).received).toBe(received)
    expect(portReceived(standing(bench), port)).toBeUndefined()
  })
  it('that is as large as its valve has no share, and a drawn valve goes before a stated one', () => {
    const bench = oneCylinder()
    bench.state('intakeValve', 38)
    bench.add('throat', at, { across: mm(38.4) })
    expect(throatRecord(standing(bench), port).share).toBeUndefined()
    const launch = replay(demoShop.builds[0]!.entries)!
    expect(valveAcross(launch, port)!.estimate.value).toBe(44.5)
    expect(throatRecord(launch, { cylinder: 5, valve: 'exhaust', n: 1 }).share!.standing).toBe('brave')
  })
})

describe('a port by stages', () => {
  it('what each stage added, with the scale of the glass cancelled', () => {
    const bench = oneCylinder()
    pours(bench, [168], [168.2], [172.1, true], [175.4, true])
    const stages = portStages(standing(bench), port)
    expect(stages.map(s => s.pours.length)).toEqual([2, 1, 1])
    expect(stages[1]!.added!.value).toBeCloseTo(172.1 - 168.1, 9)
    expect(stages[2]!.added!.value).toBeCloseTo(3.3, 9)
    expect(uncertainty(stages[2]!.added!)).toBeLessThan(uncertainty(stages[2]!.part.estimate))
    expect(portStages(standing(bench), { ...port, valve: 'exhaust' })).toEqual([])
  })
  it('what was ticked since it was poured is reckoned on top of it, until a pour takes its place', () => {
    const bench = oneCylinder()
    const place = (adds: number, done: boolean, more = {}) => bench.add('portPlace', at, { place: 'bowl', way: 'take', adds: mm(adds), done }, more)
    const bowl = place(2, false)
    expect(portReckoned(standing(bench), port)).toBeUndefined()
    pours(bench, [168])
    place(1.5, false)
    const reckoned = (now: number, done: number) => ({ poured: expect.closeTo(168, 9), now: expect.closeTo(now, 9), done: expect.closeTo(done, 9) })
    expect(portReckoned(standing(bench), port)).toEqual(reckoned(168, 171.5))
    place(2, true, { supersedes: bowl })
    expect(portReckoned(standing(bench), port)).toEqual(reckoned(170, 171.5))
    pours(bench, [170.4, true])
    const [, worked] = portStages(standing(bench), port)
    expect([worked!.added!.value, worked!.reckoned]).toEqual([expect.closeTo(2.4, 9), 2])
    expect(portReckoned(standing(bench), port)).toEqual({ poured: expect.closeTo(170.4, 9), now: expect.closeTo(170.4, 9), done: expect.closeTo(171.9, 9) })
    // A pour where no place said what it would add has nothing beside it.
    pours(bench, [171, true])
    expect(portStages(standing(bench), port)[2]).not.toHaveProperty('reckoned')
  })
  it.each<[string, unknown[], number[]]>([
    ['as the pours say', [168, 168.2, { end: 172, afterWork: true }], [2, 1]],
    ['where a place was ticked that metal went from', [168, 'tick', 172, 172.1], [1, 2]],
    ['not where the pour says that nothing was done since', [168, 'tick', { end: 168.1, afterWork: false }], [2]],
    ['not where a place is only marked, or left as it is', [168, 'mark', 'leave', 168.1], [2]],
    ['once where both say it', [168, 'tick', { end: 172, afterWork: true }], [1, 1]],
    ['not before it was poured', ['tick', 168, 168.1], [2]]
  ])('is parted %s', (_, steps, parts) => {
    const bench = oneCylinder()
    for (const step of steps) {
      if (typeof step === 'string') bench.add('portPlace', at, { place: 'bowl', way: step === 'leave' ? 'leave' : 'take', done: step !== 'mark' })
      else bench.add('pour', { level: 'cylinder', cylinder: 1 }, portPour(step as number))
    }
    const r = standing(bench)
    expect(portStages(r, port).map(s => s.pours.length)).toEqual(parts)
    expect(r.ports[0]!.pours).toHaveLength(parts.at(-1)!)
    expect(portReceived(r, port)?.estimate.value).toEqual(steps[0] === 'tick' ? undefined : expect.closeTo(168, 0))
    expect(r.challenges).toEqual([])
    expect(portWorkedSince(r.ledger, port)).toBe(false)
    bench.add('portPlace', at, { place: 'roof', way: 'round', done: true })
    expect(portWorkedSince(standing(bench).ledger, port)).toBe(true)
  })
  it.each<[string, (number | string | { end: number, afterWork: boolean })[], number | undefined]>([
    ['poured before and after the work that was ticked between', [168, 'sections', 'tick', 190], 168],
    ['or after it', [150, 'tick', 'sections', 168], 168],
    ['by no pour where it was worked on since each', [150, 'tick', 'sections', 'tick', 190], undefined],
    ['by the nearer where nothing says when it was worked on', [150, 'sections', { end: 168, afterWork: true }], 168],
    ['whichever that is', [168, 'sections', { end: 190, afterWork: true }], 168]
  ])('its sections are held against the port as it was then: %s', (_, steps, poured) => {
    const bench = oneCylinder()
    for (const step of steps) {
      if (step === 'sections') bench.add('portSections', at, { rows: [{ at: 0, area: 1200 }, { at: 140, area: 1200 }] })
      else if (step === 'tick') bench.add('portPlace', at, { place: 'bowl', way: 'take', done: true })
      else bench.add('pour', { level: 'cylinder', cylinder: 1 }, portPour(step as number))
    }
    const { pour } = sectionsRecord(standing(bench), port)!
    if (poured === undefined) expect(pour).toBeUndefined()
    else expect([pour!.value, pour!.at !== undefined]).toEqual([expect.closeTo(poured, 9), steps.at(-1) !== poured && (steps.at(-1) as { end: number }).end !== poured])
  })
  it('two of one kind are poured, compared and challenged each by itself', () => {
    const { entries } = demoShop.builds.find(b => b.name === 'Hollin 16')!
    const last = entries.at(-1)!
    const add = (...list: [cylinder: number, end: number, n?: number][]) => list.map(([cylinder, end, n], i) => ({
      ...last, id: `port-pour-${i}`, seq: (last.seq ?? 0) + 1 + i, kind: 'pour', scope: { level: 'cylinder', cylinder }, body: { encloses: 'intakePort', ...n ? { n } : {}, fills: [{ start: 0, end }], typed: '', instrument: burette }
    } as typeof last))
    const pairs = { ...last, id: 'pairs', seq: (last.seq ?? 0) + 9, kind: 'portPairs', scope: all, body: { valve: 'intake', pairs: [[1, 2]], poor: [] } } as typeof last
    const r = replay([...entries, ...add([1, 80, 1], [1, 84, 2], [2, 80.1, 1], [2, 81, 2], [2, 83, 2]), pairs])!
    expect(r.ports.map(p => [p.cylinder, p.n, p.part.estimate.value])).toEqual([[1, 1, 80], [1, 2, 84], [2, 1, expect.closeTo(80.1, 9)], [2, 2, expect.closeTo(82, 9)]])
    expect(r.portPairs.map(p => [p.n, p.difference.value, p.verdict])).toEqual([[1, expect.closeTo(-0.1, 9), 'same'], [2, expect.closeTo(2, 9), 'differ']])
    expect(r.challenges.filter(c => c.encloses === 'intakePort').map(c => [c.cylinder, c.n, c.disagreement!.difference])).toEqual([[2, 2, expect.closeTo(2, 9)]])
  })
  it.each([[168, 'agree'], [190, 'differ']] as const)('its sections hold %d cc or they do not', (poured, verdict) => {
    const bench = oneCylinder()
    bench.add('portSections', at, { rows: [{ at: 0, area: 1200 }, { at: 140, area: 1200 }] })
    pours(bench, [poured])
    const { volume, pour, least } = sectionsRecord(standing(bench), port)!
    expect(volume.value).toBeCloseTo(168, 9)
    expect(least).toEqual({ at: 0, area: 1200 })
    expect(Math.abs(pour!.difference) <= pour!.allowed).toBe(verdict === 'agree')
  })
  it('is asked for what its cylinder draws, shared between its intakes', () => {
    const bench = oneCylinder()
    expect(demandOf(standing(bench), 1)).toBeUndefined()
    bench.state('rodLength', 150)
    bench.add('wish', all, { quantity: 'revs', figure: { value: 6000, unit: 'rpm', typed: '6000' } })
    bench.add('portSections', at, { rows: [{ at: 0, area: 1000 }, { at: 140, width: 40, height: 40, radius: 20 }] })
    expect(demandOf(standing(bench), 1)).toEqual({ revs: 6000, peak: expect.closeTo(184.541, 3), coefficient: 0.35, assumed: true })
    bench.state('intakeValve', 44.5)
    bench.state('intakeFlowCoefficient', 0.4)
    const demand = demandOf(standing(bench), 1)!
    expect(demand.assumed).toBe(false)
    expect(demand.mach).toBeCloseTo(machIndex({ bore: 92, stroke: 85, rpm: 6000, valveDiameter: 44.5, valves: 1, meanFlowCoefficient: 0.4, soundSpeed: Math.sqrt(1.4 * 287.05 * 295.15) }), 9)
    expect(demand.falls!.to / demand.falls!.from).toBeCloseTo(1.2, 9)
    const { sections } = sectionsRecord(standing(bench), port)!
    expect(sections[0]!.speed).toBeCloseTo(peakDemand({ bore: 92, stroke: 85, rodLength: 150, rpm: 6000 }), 6)
  })
})

describe('places and moulds', () => {
  it('a place that is ticked stands once, and one that is struck out is gone', () => {
    const bench = oneCylinder()
    const turn = bench.add('portPlace', at, { place: 'shortTurn', way: 'round', done: false })
    const vane = bench.add('portPlace', at, { place: 'vane', way: 'leave', done: false })
    bench.add('portPlace', at, { place: 'shortTurn', way: 'round', done: true }, { supersedes: turn })
    bench.add('void', at, { reason: 'not to be done' }, { supersedes: vane })
    expect(placesIn(standing(bench), port).map(e => [e.body.place, e.body.done])).toEqual([['shortTurn', true]])
  })
  it('a mould is due so many hours after it was poured, whatever happened meanwhile, until it is out', () => {
    const bench = oneCylinder()
    const body = { compound: 'Soft silicone', release: 'Wax', hours: 16, steps: 2 as const, out: false }
    const id = bench.add('mould', at, body, { at: '2026-03-28T20:00:00Z' })
    bench.add('mould', { level: 'port', cylinder: 1, port: 'exhaust' }, { ...body, hours: 1.5 }, { at: '2026-03-28T21:00:00Z' })
    // Over the night in which clocks are put forward: hours are hours.
    expect(mouldsIn(standing(bench)).map(m => [m.port.valve, new Date(m.due).toISOString()])).toEqual([['exhaust', '2026-03-28T22:30:00.000Z'], ['intake', '2026-03-29T12:00:00.000Z']])
    bench.add('mould', at, { ...body, out: true }, { supersedes: id })
    expect(mouldsIn(standing(bench)).map(m => m.port.valve)).toEqual(['exhaust'])
    expect(mouldsOut(standing(bench)).map(m => [m.port.valve, m.entry.body.out])).toEqual([['intake', true]])
  })
})

describe('a seat', () => {
  it('is judged by the shop’s limits for its valve, and says how far the valve has gone up and that its angle changed', () => {
    const bench = oneCylinder()
    bench.add('seat', seatAt, seat({ tip: mm(48.2), margin: mm(0.9) }))
    expect(seatRecord(standing(bench), STARTING_RULES, port)).toMatchObject({ faults: [], form: { topCut: 30, seatWidth: 1.4 } })
    bench.add('seat', seatAt, seat({ cuts: [{ angle: 50, width: 2.2 }], seat: 0, tip: mm(48.5), runOut: mm(0.08) }))
    const record = seatRecord(standing(bench), STARTING_RULES, port)!
    expect(record.faults.map(f => f.kind)).toEqual(['runOut', 'wide'])
    expect(record.sunk).toBeCloseTo(0.3, 9)
    expect(record.angleWas).toBe(45)
    // By the seat that is there now, as if it had been 0.30 shallower; what was entered since is no longer asked for.
    const { form, topCut } = record.form
    expect(record.gave).toEqual({ sunk: expect.closeTo(0.3, 9), added: expect.closeTo(sinking({ diameter: form - 0.6 / Math.tan(topCut * Math.PI / 180), topCut }, 0.3).added, 9) })
    bench.add('seatWork', { level: 'cylinder', cylinder: 1 }, { state: 'done', added: mm(0.3), sunk: mm(0.3), valve: 'intake' })
    expect(seatRecord(standing(bench), STARTING_RULES, port)!.gave).toBeUndefined()
    // The same margin is too thin on an exhaust.
    bench.add('seat', { level: 'valve', cylinder: 1, valve: 'exhaust' }, seat({ margin: mm(0.9) }))
    expect(seatRecord(standing(bench), STARTING_RULES, { ...port, valve: 'exhaust' })!.faults).toEqual([{ kind: 'margin', figure: 0.9, bound: 1 }])
    expect(seatRecord(standing(bench), STARTING_RULES, { ...port, cylinder: 2 })).toBeUndefined()
  })
  it.each<[string, (number | undefined)[], boolean]>([
    ['that was ground and ground again is the same', [1.2, 1, 0.8], false], ['whose margin nobody read is taken for the same', [undefined, undefined, undefined], false], ['that was read once a little thicker is the same', [1, 1.05, 1], false],
    ['whose margin grew is another', [0.8, 1.4, 1.3], true], ['that was replaced last is another', [0.8, undefined, 1.4], true]
  ])('of a valve %s', (_, margins, another) => {
    const bench = oneCylinder()
    margins.forEach((margin, i) => bench.add('seat', seatAt, seat({ tip: mm([48, 48.3, 48.5][i]!), ...margin ? { margin: mm(margin) } : {} })))
    const record = seatRecord(standing(bench), STARTING_RULES, port)!
    expect(record.sunk).toBeCloseTo(0.5, 9)
    expect(record.anotherValve ?? false).toBe(another)
  })
  it.each([[148.2, 45, 30], [52, 10, 6]])('whose stem is a slip of the hand, %d, takes nothing else with it', (tip, angle, top) => {
    const bench = oneCylinder()
    const flat = { cuts: [{ angle, width: 1 }, { angle: top, width: 0.5 }], seat: 0, outer: mm(20) }
    bench.add('seat', seatAt, seat({ ...flat, tip: mm(48.2) }))
    bench.add('seat', seatAt, seat({ ...flat, tip: mm(tip) }))
    const record = seatRecord(standing(bench), STARTING_RULES, port)!
    expect(record.sunk).toBeCloseTo(tip - 48.2, 9)
    expect(record.gave).toBeUndefined()
  })
  it('that was recorded is the one that is drawn, of its own valve alone', () => {
    const entries = demoShop.builds[0]!.entries
    const last = entries.at(-1)!
    const cuts = [{ angle: 50, width: 1.9 }, { angle: 35, width: 0.6 }, { angle: 20, width: 0.5 }]
    const r = replay([...entries, { ...last, id: '3a6a9f1e-0f4b-4c61-8f0e-7b6d1d5a2c11', seq: 1 + (last.seq ?? 0), kind: 'seat', scope: seatAt, body: seat({ cuts, seat: 0, outer: mm(44.5) }) } as typeof last])!
    const [intake, exhaust] = modelOf(r, 1)!.spec.valves
    const rad = Math.PI / 180
    const [out, up] = [0.6 * Math.cos(35 * rad) + 0.5 * Math.cos(20 * rad), 0.6 * Math.sin(35 * rad) + 0.5 * Math.sin(20 * rad)]
    expect(intake).toMatchObject({ seatAngle: 50, seatWidth: 1.9, topCutWidth: expect.closeTo(out, 9), topCutAngle: expect.closeTo(Math.atan2(up, out) / rad, 9) })
    expect(exhaust!.seatAngle).toBe(45)
    expect(modelOf(r, 3)!.spec.valves[0]!.seatAngle).toBe(45)
  })
  it('of one of two that went up leaves the other as near the piston as it was, and the drawing moves that one alone', () => {
    const entries = demoShop.builds.find(b => b.name === 'Hollin 16')!.entries
    const last = entries.at(-1)!
    const sunkBy = (n?: number) => {
      const body = { state: 'done', added: { value: 0.2, unit: 'cc', typed: '' }, sunk: mm(0.3), valve: 'intake', ...n ? { n } : {} }
      return replay([...entries, { ...last, id: '5c0d5b0e-63f0-4d0e-9a37-1f2a4e6b7c18', seq: 1 + (last.seq ?? 0), kind: 'seatWork', scope: { level: 'cylinder', cylinder: 1 }, body } as typeof last])!
    }
    const now = (r: ReturnType<typeof sunkBy>) => clearancesOf(r, 1).find(c => c.name === 'intakeClearance')!.now.value
    const sunk = (r: ReturnType<typeof sunkBy>) => modelOf(r, 1)!.spec.valves.filter(v => v.valve === 'intake').map(v => v.sunk)
    const before = replay(entries)!
    const [one, both] = [sunkBy(2), sunkBy()]
    expect(now(one)).toBe(now(before))
    expect(now(both)).toBeGreaterThan(now(before) + 0.25)
    const [a, b] = sunk(before)
    expect(sunk(one)).toEqual([a, b! + 0.3])
    expect(sunk(both)).toEqual([a! + 0.3, b! + 0.3])
    // Its chamber gains what it gains, whichever of them it was; pushrods are cut to the one that stands up most.
    expect(one.asIs[0]!.parts.chamber!.estimate.value).toBeCloseTo(both.asIs[0]!.parts.chamber!.estimate.value, 9)
    expect(asIf(one, [], NO_SOLIDS).cylinders[0]!.moves.sunk.done).toBeCloseTo(0.3, 9)
  })
  it('that is to be cut is drawn once its work is planned, and the next record takes its place', () => {
    const { entries } = demoShop.builds[0]!
    const last = entries.at(-1)!
    const more = (n: number, kind: string, scope: Scope, body: object) => ({ ...last, id: `planned-${n}`, seq: (last.seq ?? 0) + n, at: new Date(Date.parse(last.at) + n * 60_000).toISOString(), kind, scope, body } as typeof last)
    const cuts = [{ angle: 50, width: 1.9 }, { angle: 30, width: 0.7 }]
    const wish = more(1, 'seat', seatAt, seat({ cuts, seat: 0, outer: mm(44.5), up: mm(0.4) }))
    const angle = (r: NonNullable<ReturnType<typeof replay>>, column: 'asIs' | 'beforeCut' = 'asIs') => modelOf(r, 1, column)!.spec.valves.map(v => [v.seatAngle, v.sunk])
    const [wished] = [replay([...entries, wish])!]
    const [[was, sunk], [other]] = angle(wished) as [number[], number[]]
    expect(was).toBe(45)
    // The frustum of the form: D2 = 44.5 + 2·0.7·cos30°, D1 = D2 − 2·0.4/tan30°.
    const wide = 44.5 + 1.4 * Math.cos(Math.PI / 6)
    const before = wide - 0.8 / Math.tan(Math.PI / 6)
    expect(seatWanted(wished, port)).toMatchObject({ up: 0.4, before: expect.closeTo(before, 9), added: expect.closeTo(Math.PI * 0.4 / 12 * (wide ** 2 + wide * before + before ** 2) / 1000, 9), ledge: expect.closeTo(0.4 / (Math.tan(50 * Math.PI / 180) - Math.tan(Math.PI / 6)), 9) })
    const work = (state: 'planned' | 'done') => more(2, 'seatWork', { level: 'cylinder', cylinder: 1 }, { state, added: mm(0.5), sunk: mm(0.4), valve: 'intake' })
    expect(angle(replay([...entries, wish, work('planned')])!, 'beforeCut')).toEqual([[50, sunk! + 0.4], [other, expect.any(Number)]])
    expect(angle(replay([...entries, wish, work('planned')])!)[0]).toEqual([45, sunk])
    expect(angle(replay([...entries, wish, work('done')])!)[0]).toEqual([50, sunk! + 0.4])
    const cut = replay([...entries, wish, work('done'), more(3, 'seat', seatAt, seat())])!
    expect([seatWanted(cut, port), angle(cut)[0]![0]]).toEqual([undefined, 45])
    expect(seatRecord(wished, STARTING_RULES, port)?.entry.id).not.toBe('planned-1')
  })
  it('sunk by its record it gives what its cone swept, on the form that is recorded', () => {
    const { form, topCut } = seatRecord(standing((() => {
      const bench = oneCylinder()
      bench.add('seat', seatAt, seat())
      return bench
    })()), STARTING_RULES, port)!.form
    expect(sinking({ diameter: form, topCut }, 0.5).diameter).toBeCloseTo(form + 1 / Math.tan(Math.PI / 6), 9)
  })
})

describe('a flange', () => {
  const round = (diameter: number, x = 0) => ({ form: 'circle' as const, x, y: 0, diameter })
  it('is followed in the direction of flow, a cylinder’s own opening before everybody’s', () => {
    const bench = oneCylinder()
    bench.add('flange', all, { port: 'intake', part: 'pipe', outline: round(40) })
    bench.add('flange', all, { port: 'intake', part: 'port', outline: round(44) })
    expect(flangeRecord(standing(bench), 1, 'intake').steps.map(s => [s.upstream, s.downstream, Math.round(s.step.worst.step)])).toEqual([['pipe', 'port', -2]])
    bench.add('flange', { level: 'cylinder', cylinder: 1 }, { port: 'intake', part: 'port', outline: round(38) })
    bench.add('flange', all, { port: 'intake', part: 'port', outline: round(44) })
    bench.add('flange', all, { port: 'intake', part: 'gasket', outline: round(42) })
    const { steps } = flangeRecord(standing(bench), 1, 'intake')
    // 42 into 38 stands 2 in the stream and runs out over 20; 40 into 42 stands back.
    expect(steps.map(s => [s.upstream, s.downstream, s.inStream])).toEqual([['gasket', 'port', true], ['pipe', 'gasket', false]])
    expect([steps[0]!.step.worst.step, steps[0]!.fade, steps[1]!.fade]).toEqual([expect.closeTo(2, 2), expect.closeTo(20, 1), 0])
    // An exhaust flows the other way: a smaller port before a larger pipe is no step in the stream.
    for (const [part, d] of [['port', 36], ['pipe', 40]] as const) bench.add('flange', all, { port: 'exhaust', part, outline: round(d) })
    const [out] = flangeRecord(standing(bench), 1, 'exhaust').steps
    expect([out!.upstream, out!.downstream, out!.step.facing < 1e-3]).toEqual(['port', 'pipe', true])
  })
})
