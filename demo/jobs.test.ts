import { describe, expect, it } from 'vitest'
import { JOB_STEPS, JOB_TEMPLATES, jobCardOf, replay, shownByLedger, stepsOf, workDone, workPlanned, type Bodies, type JobStep, type Scope } from '#core'
import { burette, mm, oneCylinder, type Bench } from '../tests/support/ledgerBench'
import { demoShop } from './shop'

const of = (name: string) => replay(demoShop.builds.find(b => b.name === name)!.entries)!
const LATER = Date.UTC(2026, 11, 1)

describe('job cards of the demo shop', () => {
  it.each([
    ['Brackwater 34', 'deck pourReceived portsReceived throats target flange clearances'],
    ['Hollin 16', 'deck pourReceived target clearances springs'],
    ['Skerry 247', 'deck pourReceived squishReceived target rough pourAgain face dome pourLast squish'],
    ['Skerry 125', 'deck pourReceived squishReceived target face squish'],
    ['Caldbeck Twin', 'deck pourReceived flowBefore target ports clearances flowAfter'],
    ['Millrace test six', 'takeIn deck pourReceived target rough seats pourAgain face dome pourLast gasket'],
    ['Practice head A', 'takeIn pourReceived throats rough face dome'],
    ['Practice head B', 'takeIn pourReceived throats rough dome']
  ])('%s: its ledger shows what was done, and nothing else', (name, steps) => {
    expect(JOB_STEPS.filter(step => shownByLedger(of(name), step)).join(' ')).toBe(steps)
  })
  it('has every build of it in that table', () => expect(demoShop.builds).toHaveLength(8))
  it('a step that is struck out of the ledger is open again', () => {
    const { entries } = demoShop.builds.find(b => b.name === 'Millrace test six')!
    const target = entries.find(e => e.kind === 'target')!
    const out = { ...target, id: '00000000-0000-4000-8000-000000000001', seq: 9999, kind: 'void' as const, body: { reason: 'wrong' }, supersedes: target.id }
    expect(shownByLedger(replay([...entries, out])!, 'target')).toBe(false)
  })
  it('adds up the finished six by hand: 9.1 h planned, 11.4 worked', () => {
    const card = jobCardOf(of('Millrace test six'), LATER)!
    // 0.5 + 1 + 1.8 + 0.3 + 0.5 + 2 + 1.8 + 0.7 + 0.5; 0.5 + 1.1 + 1.6 + 0.2 + 0.4 + 2.4 + 4.2 + 0.6 + 0.4.
    expect(card.planned).toBeCloseTo(9.1, 9)
    expect(card.worked).toBeCloseTo(11.4, 9)
    expect(card.next).toBeUndefined()
    expect(card.lines.map(l => l.done)).toEqual(['ledger', 'hand', 'ledger', 'ledger', 'hand', 'ledger', 'ledger', 'hand', 'hand'])
    // 2.4 h of roughing over 0.9 + 0.5 + 1.1 + 0.7 + 0.8 cc; 1.6 + 4.2 h over four rounds of twelve pours.
    const work = workDone(of('Millrace test six'), LATER)
    expect(work.grind!.hours / work.grind!.amount).toBeCloseTo(0.6, 9)
    expect(work.pour!.hours / work.pour!.amount).toBeCloseTo(5.8 / 48, 9)
  })
  it('a closed barrel’s card has its foot and neither face nor valves, and its ledger ticks them', () => {
    const engine = { strokes: 2, arrangement: 'single', first: 'front', head: 'blind', intakes: 0, exhausts: 0, chamber: 'hemispherical' } as const
    expect(stepsOf('fourStroke', engine, 1)).toEqual(['takeIn', 'clean', 'deck', 'pourReceived', 'target', 'ports', 'pourAgain', 'foot', 'deburr', 'pourLast', 'squish', 'writeUp'])
    expect(stepsOf('fourStroke', undefined, 1)).toEqual(JOB_TEMPLATES.fourStroke)
    const bench = oneCylinder()
    Object.assign(bench.entries[0]!.body, { engine })
    const assembled = () => bench.add('pour', { level: 'cylinder', cylinder: 1 }, { encloses: 'assembled', fills: [{ start: 0, end: 62 }], typed: '62', instrument: burette })
    const shown = () => (['pourReceived', 'foot', 'pourLast'] as const).map(step => shownByLedger(replay(bench.entries)!, step))
    assembled()
    const planned = bench.add('deckCut', { level: 'bank', bank: 1 }, { state: 'planned', depth: mm(0.3), foot: true })
    expect(shown()).toEqual([true, false, false])
    bench.add('deckCut', { level: 'bank', bank: 1 }, { state: 'done', depth: mm(0.3), foot: true }, { supersedes: planned })
    expect(shown()).toEqual([true, true, false])
    assembled()
    expect(shown()).toEqual([true, true, true])
  })
  it.each([['is off target', 56.2, [false, false]], ['is on target without a cut', 49.1, [true, true]]] as const)('the face is cut with one of two heads, while the other %s', (_what, second, shown) => {
    const bench = oneCylinder(2)
    bench.add('layout', { level: 'build' }, { heads: [[1], [2]], banks: [[1], [2]] }, { supersedes: bench.entries[0]!.id })
    bench.pour(1, 56.2)
    bench.pour(2, second)
    bench.cut(1.5, 1.5)
    bench.pour(1, 49.2)
    expect((['face', 'pourLast'] as const).map(step => shownByLedger(replay(bench.entries)!, step))).toEqual(shown)
  })
  const [port, valve] = [{ level: 'port', cylinder: 1, port: 'intake' }, { level: 'valve', cylinder: 1, valve: 'intake' }] as const
  const run = (bench: Bench, more: Partial<Bodies['flowRun']> = {}, scope: Scope = port) => bench.add('flowRun', scope, { bench: 'One', depression: { value: 7000, unit: 'Pa', typed: '' }, pipe: 'none', entry: 'clay', rows: [{ lift: 2, flow: 30 }, { lift: 6, flow: 70 }], ...more })
  const pour = (bench: Bench, n: number, cylinder = 1, encloses: 'intakePort' | 'exhaustPort' = 'intakePort') => bench.add('pour', { level: 'cylinder', cylinder }, { encloses, fills: [{ start: 0, end: n }], typed: '', instrument: burette })
  const place = (bench: Bench, name: 'bowl' | 'roof', done: boolean) => bench.add('portPlace', port, { place: name, way: 'take', done })
  const installed = (bench: Bench) => (['intake', 'exhaust'] as const).forEach(v => bench.add('installed', { ...valve, valve: v }, { height: mm(40) }))
  const seats = (bench: Bench) => bench.add('seatWork', { level: 'cylinder', cylinder: 1 }, { state: 'done', added: mm(0.3), sunk: mm(0.2) })
  const rooms = (bench: Bench, scope: Scope = { level: 'build' }) => (['intakeClearance', 'exhaustClearance'] as const).forEach(q => bench.state(q, 3, 'measure', scope))
  const cut = (bench: Bench) => bench.cut(0.5, 0.5)
  const twoHeads = (bench: Bench) => bench.add('layout', { level: 'build' }, { heads: [[1], [2]], banks: [[1], [2]] }, { supersedes: bench.entries[0]!.id })
  it.each<[JobStep, string, ((bench: Bench) => unknown)[], boolean]>([
    ['clearances', 'both were read on one cylinder', [rooms], true],
    ['clearances', 'the face was cut since', [rooms, cut], false],
    ['clearances', 'they were read again after that', [rooms, cut, rooms], true],
    ['clearances', 'one of two heads was read', [twoHeads, b => rooms(b, { level: 'cylinder', cylinder: 1 })], false],
    ['clearances', 'both heads were read', [twoHeads, b => rooms(b, { level: 'cylinder', cylinder: 1 }), b => rooms(b, { level: 'cylinder', cylinder: 2 })], true],
    ['portsReceived', 'those of one cylinder of two were poured', [twoHeads, b => pour(b, 80)], false],
    ['portsReceived', 'the intakes of both were, and no exhaust', [twoHeads, b => pour(b, 80), b => pour(b, 81, 2)], true],
    ['portsReceived', 'and one exhaust', [twoHeads, b => pour(b, 80), b => pour(b, 81, 2), b => pour(b, 60, 2, 'exhaustPort')], false],
    ['flowAfter', 'a bowl between two runs', [run, b => place(b, 'bowl', true), run], true],
    ['flowAfter', 'the other port, which has another valve', [b => run(b, { across: mm(44) }), b => run(b, { across: mm(36) }, { ...port, port: 'exhaust' })], false],
    ['flowAfter', 'another entry', [run, b => run(b, { entry: 'radius' })], false],
    ['flowAfter', 'another valve', [run, b => run(b, { valve: 'back cut' })], true],
    ['portsAgain', 'one of two ports that were poured was worked on, and poured since', [b => pour(b, 80), b => place(b, 'bowl', true), b => pour(b, 84)], true],
    ['portsAgain', 'it was not poured since', [b => pour(b, 80), b => place(b, 'bowl', true)], false],
    ['portsAgain', 'another place is still to be done', [b => pour(b, 80), b => place(b, 'bowl', true), b => pour(b, 84), b => place(b, 'roof', false)], false],
    ['springs', 'every valve was read', [installed], true],
    ['springs', 'its seats were cut since', [installed, seats], false],
    ['springs', 'it was read again after that', [installed, seats, installed], true]
  ])('%s: %s', (step, _, steps, shown) => {
    const bench = oneCylinder()
    for (const one of steps) one(bench)
    expect(shownByLedger(replay(bench.entries)!, step)).toBe(shown)
  })
  it.each([[{}, 4], [{ valve: 'intake' }, 2], [{ valve: 'intake', n: 2 }, 1]] as const)('counts the seats that a piece of seat work is on: %o, %d', (which, amount) => {
    const bench = oneCylinder()
    Object.assign(bench.entries[0]!.body, { engine: { strokes: 4, arrangement: 'single', first: 'front', head: 'removable', intakes: 2, exhausts: 2, chamber: 'pentRoof' } })
    bench.add('jobCard', { level: 'build' }, { template: 'fourStroke', lines: [{ step: 'seats', hours: 2 }], bought: [] } as never)
    bench.add('worked', { level: 'build' }, { step: 'seats', hours: 3 } as never)
    bench.add('seatWork', { level: 'cylinder', cylinder: 1 }, { state: 'done', added: mm(0.3), ...which })
    expect(workDone(replay(bench.entries)!, LATER).seats).toEqual({ hours: 3, amount })
  })
  it('keeps the launch engine’s clock, and what its cut waits for', () => {
    const card = jobCardOf(of('Brackwater 34'), LATER)!
    expect(card.lines.find(l => l.step === 'ports')).toMatchObject({ done: false, running: [] })
    expect(card.lines.find(l => l.step === 'ports')!.worked).toBeCloseTo(1.5, 9)
    expect(card.lines.find(l => l.step === 'face')!.waits).toMatchObject({ waits: 'customer' })
    expect(card.next!.step).toBe('scribe')
    expect(card.lines[0]!.checks.map(c => c.done)).toEqual([true, true, false])
  })
  it('plans a step by the shop’s table: twelve pours, twelve seats, one face', () => {
    const launch = of('Brackwater 34')
    expect(workPlanned(launch, 'pourReceived')).toBeCloseTo(1.8, 9)
    expect(workPlanned(launch, 'seats')).toBeCloseTo(4.8, 9)
    expect(workPlanned(launch, 'face')).toBeCloseTo(0.5, 9)
    expect(workPlanned(launch, 'scribe')).toBeUndefined()
    // Nobody has planned any grinding.
    expect(workPlanned(launch, 'rough')).toBeUndefined()
  })
})
