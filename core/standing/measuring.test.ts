import { describe, expect, it } from 'vitest'
import { shares, uncertainty } from '../estimate'
import { all, burette, head, mm, oneCylinder, PAIR_U, READING_U, type Bench, nextMove } from '../../tests/support/ledgerBench'
import { NO_SOLIDS, asIf, clearancesOf, headCut, portRow, quantityOf, replay, ridgesOf, squishOf, type PourBody, type Replay } from '..'

const one = { level: 'cylinder', cylinder: 1 } as const
const cc = (value: number) => ({ value, unit: 'cc', typed: String(value) })
const open = (bench: Bench): Replay => replay(bench.entries)!
/** Nothing of these is drawn: their mouths are all there is. */
const cutOf = (bench: Bench) => headCut(open(bench), 1, open(bench).planned, NO_SOLIDS)
const pourOf = (bench: Bench, more: Partial<PourBody> & Pick<PourBody, 'encloses' | 'fills'>, cylinder = 1) =>
  bench.add('pour', { level: 'cylinder', cylinder }, { typed: '', instrument: burette, ...more })
const spots = (...list: [number, number, number][]) => ({ readings: list.map(([x, y, value]) => ({ x, y, figure: mm(value) })) })

describe('a ridge that a cutter left', () => {
  it('is told until somebody grinds at it; of a valve’s the last that was measured', () => {
    const bench = oneCylinder(2)
    const at = { level: 'valve', cylinder: 1, valve: 'exhaust' } as const
    const body = (height: number) => ({ height: { value: height, unit: 'mm', typed: '' }, width: { value: 1.5, unit: 'mm', typed: '' }, across: { value: 42, unit: 'mm', typed: '' }, arc: { value: 120, unit: '°', typed: '' } })
    bench.add('ridge', at, body(1.6))
    bench.add('ridge', at, body(0.8))
    const volumes = (c: number) => ridgesOf(open(bench), c).map(r => Number(r.volume.toFixed(5)))
    expect([volumes(1), volumes(2)]).toEqual([[0.02639], []])
    bench.add('relief', { level: 'cylinder', cylinder: 1 }, { state: 'planned', added: { value: 0.03, unit: 'cc', typed: '' } })
    expect(volumes(1)).toEqual([])
    bench.add('ridge', at, body(0.4))
    expect(volumes(1)).toEqual([0.01319])
  })
})

describe('a crown in its bore', () => {
  /** π/4·92²·10 = 66.4761 cc over a flat crown 10 mm down. */
  const over = Math.PI / 4 * 92 ** 2 * 10 / 1000
  it('sealed at the crown’s edge is poured less the cylinder; at the ring the crevice comes off too', () => {
    const bench = oneCylinder()
    pourOf(bench, { encloses: 'crown', fills: [{ start: 0, end: 69.5 }], sealed: 'crown', depth: mm(10) })
    expect(open(bench).asIs[0]!.parts.crown!.estimate.value).toBeCloseTo(69.5 - over, 6)
    const ring = oneCylinder()
    pourOf(ring, { encloses: 'crown', fills: [{ start: 0, end: 70.2 }], sealed: 'ring', depth: mm(10) })
    // crevice 0.655 cc: π/4·(92² − 91.35²)·7
    expect(open(ring).asIs[0]!.parts.crown!.estimate.value).toBeCloseTo(70.2 - over - 0.65519, 4)
  })
  it('doubts its depth by a dial’s 0.02 mm over the whole bore, and says so', () => {
    const bench = oneCylinder()
    const id = pourOf(bench, { encloses: 'crown', fills: [{ start: 0, end: 69.5 }], sealed: 'crown', depth: mm(10) })
    const { estimate, provenance } = open(bench).asIs[0]!.parts.crown!
    expect(provenance).toBe('measured')
    expect(uncertainty(estimate)).toBeCloseTo(Math.hypot(0.2 / Math.sqrt(3), READING_U, 6.64761 * 0.02), 4)
    expect(shares(estimate)[0]!.source).toBe(`entry:${id}:depth`)
  })
  it('gives way to a figure stated later for just this cylinder, and comes back when that is voided', () => {
    const bench = oneCylinder()
    pourOf(bench, { encloses: 'crown', fills: [{ start: 0, end: 69.5 }], sealed: 'crown', depth: mm(10) })
    const stated = bench.state('crownVolume', 2.5, 'measure', one)
    expect(open(bench).asIs[0]!.parts.crown!.estimate.value).toBe(2.5)
    bench.add('void', one, { reason: 'typo' }, { supersedes: stated })
    expect(open(bench).asIs[0]!.parts.crown!.estimate.value).toBeCloseTo(69.5 - over, 6)
  })
  it('starts afresh once it was worked on', () => {
    const bench = oneCylinder()
    pourOf(bench, { encloses: 'crown', fills: [{ start: 0, end: 69.5 }], sealed: 'crown', depth: mm(10) })
    pourOf(bench, { encloses: 'crown', fills: [{ start: 0, end: 71.5 }], sealed: 'crown', depth: mm(10), afterWork: true })
    expect(open(bench).asIs[0]!.parts.crown!.estimate.value).toBeCloseTo(71.5 - over, 6)
    expect(open(bench).challenges).toEqual([])
  })
})

describe('a crown that is cut', () => {
  const crown = (bench: ReturnType<typeof oneCylinder>) => open(bench).asIs[0]!.parts.crown!.estimate.value
  const work = (bench: ReturnType<typeof oneCylinder>, state: 'planned' | 'done', cc = 1.2) => bench.add('crownWork', one, { state, added: mm(cc) })
  it('holds so much more as planned, and as done; stated or poured; a pour since counts in its place', () => {
    const over = Math.PI / 4 * 92 ** 2 * 10 / 1000
    const pourCrown = (bench: ReturnType<typeof oneCylinder>, end: number) => pourOf(bench, { encloses: 'crown', fills: [{ start: 0, end }], sealed: 'crown', depth: mm(10) })
    const stated = oneCylinder()
    work(stated, 'planned')
    expect(crown(stated)).toBe(3)
    expect(open(stated).asPlanned[0]!.parts.crown!.estimate.value).toBeCloseTo(4.2, 9)
    const poured = oneCylinder()
    pourCrown(poured, 69.5)
    work(poured, 'done')
    work(poured, 'done', -0.5)
    expect(crown(poured)).toBeCloseTo(69.5 - over + 0.7, 6)
    work(poured, 'planned')
    expect(open(poured).asPlanned[0]!.parts.crown!.estimate.value).toBeCloseTo(69.5 - over + 1.9, 6)
    pourCrown(poured, 70.3)
    pourCrown(poured, 70.3)
    expect(crown(poured)).toBeCloseTo(70.3 - over, 6)
    expect(open(poured).challenges).toEqual([])
  })
  it('another piston stands higher besides, and takes its pockets from what the valves lose', () => {
    const bench = oneCylinder()
    bench.add('measure', all, { quantity: 'intakeClearance', figure: mm(2) })
    bench.add('measure', all, { quantity: 'domeToChamber', figure: mm(2) })
    const piston = bench.add('crownWork', one, { state: 'planned', added: mm(-1.5), rise: mm(0.3), pockets: mm(0.1) })
    const told = () => ({ planned: open(bench).asPlanned[0]!, squish: asIf(open(bench), open(bench).planned, NO_SOLIDS).cylinders[0]!.squish.gap!.estimate.value, clearance: asIf(open(bench), open(bench).planned, NO_SOLIDS).cylinders[0]!.clearances.map(s => s.then.value) })
    expect(told().planned.parts.crown!.estimate.value).toBeCloseTo(1.5, 9)
    // π/4 · 92² · 0.06
    expect(told().planned.parts.deck!.estimate.value).toBeCloseTo(0.39885, 4)
    expect(told().squish).toBeCloseTo(1.26, 9)
    expect(told().clearance).toEqual([expect.closeTo(1.8, 9), expect.closeTo(1.7, 9)])
    bench.add('crownWork', one, { state: 'done', added: mm(-1.5), rise: mm(0.3), pockets: mm(0.1) }, { supersedes: piston })
    expect(told().squish).toBeCloseTo(1.26, 9)
    expect(told().clearance).toEqual([expect.closeTo(1.8, 9), expect.closeTo(1.7, 9)])
    // A deck that is measured afterwards counts before what was reckoned.
    bench.state('deckClearance', 0.1, 'measure', all)
    expect(told().squish).toBeCloseTo(1.3, 9)
  })
  it('settles between two whole clearances', () => {
    const bench = oneCylinder()
    const whole = (end: number) => pourOf(bench, { encloses: 'assembled', fills: [{ start: 0, end }], sealed: 'crown' })
    whole(66)
    work(bench, 'done', 2)
    whole(68.1)
    const [settled] = open(bench).settlements
    expect(settled!.predicted.value).toBeCloseTo(68, 6)
    expect(settled!.difference.value).toBeCloseTo(0.1, 6)
  })
})

describe('what was filled beside, and warmth', () => {
  it('is taken off, with a doubt of its own that two pours share', () => {
    const bench = oneCylinder()
    for (const end of [55.6, 55.6]) pourOf(bench, { encloses: 'chamber', fills: [{ start: 0, end }], plateHole: cc(0.15), knownRelief: cc(0.25) })
    const { estimate } = open(bench).asIs[0]!.parts.chamber!
    expect(estimate.value).toBeCloseTo(55.2, 9)
    expect(uncertainty(estimate)).toBeCloseTo(Math.hypot(0.2 / Math.sqrt(3), PAIR_U, 0.03), 5)
  })
  it('scatters as much as usual where nobody said how much its glass does, and a checked glass is sure where it was checked', () => {
    const own = (instrument: Partial<typeof burette> & { check?: { at: number, u: number } }, end = 55.6) => {
      const bench = oneCylinder()
      bench.pour(1, end, { ...burette, ...instrument })
      return uncertainty(open(bench).asIs[0]!.parts.chamber!.estimate)
    }
    expect(own({ repeatability: undefined })).toBeCloseTo(Math.hypot(0.2 / Math.sqrt(3), READING_U, 0.08), 5)
    expect(own({ repeatability: 0 })).toBeCloseTo(Math.hypot(0.2 / Math.sqrt(3), READING_U), 5)
    // Checked at 33.5 to 0.05: there that alone; at 55.6 the factor's part and 22.1/33.5 of the maker's curve.
    const check = { at: 33.5, u: 0.05 }
    expect(own({ check }, 33.5)).toBeCloseTo(Math.hypot(0.05, READING_U), 5)
    expect(own({ check })).toBeCloseTo(Math.hypot(0.05 * 55.6 / 33.5, 0.2 / Math.sqrt(3) * 22.1 / 33.5, READING_U), 5)
    expect(own({ check }, 80)).toBeGreaterThan(own({}, 80))
  })
  it('the scale’s own warmth and the liquid’s in the head, by hand', () => {
    const warm = oneCylinder()
    // 60 cc on a plastic scale at 35 °C: 60.315; then 4 K warmer alcohol in the head: × 1.0044
    pourOf(warm, {
      encloses: 'chamber', fills: [{ start: 60, end: 0 }], scaleTemperature: { value: 35, unit: '°C', typed: '35' }, warmer: { value: 4, unit: '°C', typed: '4' },
      liquidExpansion: 1.1e-3, instrument: { ...burette, kind: 'syringe', capacity: 60, expansion: 3.5e-4 }
    })
    expect(open(warm).asIs[0]!.parts.chamber!.estimate.value).toBeCloseTo(60.5804, 4)
    // Far from 20 °C, but as warm in the head as in the glass: the liquid's expansion is nothing to it.
    const even = oneCylinder()
    pourOf(even, { encloses: 'chamber', fills: [{ start: 0, end: 55 }], liquidExpansion: 1.1e-3 })
    expect(open(even).asIs[0]!.parts.chamber!.estimate.value).toBeCloseTo(55, 9)
  })
})

describe('challenges', () => {
  it('a bubble at the second pour, in any vessel, comes before everything but a leak', () => {
    const bench = oneCylinder()
    bench.pour(1, 55.4)
    bench.pour(1, 55.4)
    for (const end of [90, 90.8]) pourOf(bench, { encloses: 'intakePort', fills: [{ start: 0, end }] })
    expect(nextMove(open(bench))).toMatchObject({ kind: 'disagree', encloses: 'intakePort', cylinders: [1] })
    expect((nextMove(open(bench)) as { change: number }).change).toBeCloseTo(0.8, 9)
    pourOf(bench, { encloses: 'chamber', fills: [{ start: 0, end: 55.4 }], watch: { seconds: 75, reading: 55.8 } })
    expect(nextMove(open(bench))).toMatchObject({ kind: 'leak', encloses: 'chamber', cylinders: [1] })
  })
  it('a final size by syringe is sent to the burette before a cut is planned', () => {
    const bench = oneCylinder()
    const syringe = { ...burette, id: 'syringe', kind: 'syringe' as const, capacity: 60, tolerance: 1.5, resolution: 1 }
    for (let i = 0; i < 2; i++) pourOf(bench, { encloses: 'chamber', fills: [{ start: 60, end: 5 }], instrument: syringe })
    expect(nextMove(open(bench))).toMatchObject({ kind: 'pourFine', cylinders: [1] })
    bench.pour(1, 55.3)
    expect(nextMove(open(bench)).kind).toBe('plan')
  })
})

describe('deck by dial', () => {
  it('takes rock out and is a measured deck clearance, until it is voided', () => {
    const bench = oneCylinder()
    const id = bench.add('deckReadings', one, spots([0, 40, 0.52], [0, -40, 0.36]))
    const [state] = open(bench).asIs
    // centre 0.44: π/4·92²·0.44 = 2.92495 cc
    expect(state!.parts.deck!.estimate.value).toBeCloseTo(2.92495, 4)
    expect(state!.parts.deck!.provenance).toBe('measured')
    bench.add('void', one, { reason: 'stand slipped' }, { supersedes: id })
    expect(open(bench).asIs[0]!.parts.deck!.estimate.value).toBeCloseTo(Math.PI / 4 * 92 ** 2 * 0.36 / 1000, 6)
  })
  it('goes down with a deck cut that follows', () => {
    const bench = oneCylinder()
    bench.add('deckReadings', one, spots([0, 40, 0.52], [0, -40, 0.36]))
    bench.add('deckCut', { level: 'bank', bank: 1 }, { state: 'done', depth: mm(0.2), measured: mm(0.21) })
    expect(quantityOf(open(bench), 'deckClearance', 1)!.estimate.value).toBeCloseTo(0.23, 9)
  })
})

describe('squish', () => {
  it('is deck + gasket until solder says better; then the difference is explained', () => {
    const bench = oneCylinder()
    expect(squishOf(open(bench), 1).gap!.estimate.value).toBeCloseTo(1.56, 9)
    bench.add('solder', one, spots([40, 0, 1.75], [-40, 0, 1.75], [0, 40, 1.79], [0, -40, 1.71]))
    const squish = squishOf(open(bench), 1)
    expect(squish.gap!.estimate.value).toBeCloseTo(1.75, 9)
    expect(squish.contact!.estimate.value).toBeCloseTo(1.71, 9)
    expect(squish.difference).toMatchObject({ agrees: false })
    expect(squish.difference!.estimate.value).toBeCloseTo(0.19, 9)
    expect(squish.difference!.causes[0]).toBe('gasketNotCrushed')
  })
  it('is carried over a thinner gasket and a deck cut; a face cut leaves a pad in the face alone', () => {
    const bench = oneCylinder()
    bench.add('solder', one, spots([0, 40, 1.6], [0, -40, 1.6]))
    bench.add('gasketChange', head, { state: 'planned', thickness: mm(0.9), bore: mm(94) })
    bench.add('deckCut', { level: 'bank', bank: 1 }, { state: 'planned', depth: mm(0.1) })
    bench.add('faceCut', head, { state: 'planned', depth: mm(1) })
    expect(squishOf(open(bench), 1, 'asPlanned').gap!.estimate.value).toBeCloseTo(1.2, 9)
    expect(squishOf(open(bench), 1).gap!.estimate.value).toBeCloseTo(1.6, 9)
  })
  it('of a recessed pad comes down with the face until the cut reaches it', () => {
    const bench = oneCylinder()
    bench.state('squishRecess', 0.5)
    expect(squishOf(open(bench), 1).gap!.estimate.value).toBeCloseTo(2.06, 9)
    bench.add('faceCut', head, { state: 'done', depth: mm(0.3), measured: mm(0.3) })
    expect(squishOf(open(bench), 1).gap!.estimate.value).toBeCloseTo(1.76, 9)
    bench.add('faceCut', head, { state: 'done', depth: mm(0.6), measured: mm(0.6) })
    expect(squishOf(open(bench), 1).gap!.estimate.value).toBeCloseTo(1.56, 9)
  })
  it('takes what stands in for rod and heat by their metals and the engine’s size', () => {
    const running = (metals: { material?: 'steel' | 'aluminium', block?: 'iron' | 'aluminium' }[]) => {
      const bench = oneCylinder()
      bench.state('rodLength', 150)
      bench.state('revs', 5500)
      for (const of of metals) bench.add('rod', all, of)
      return squishOf(open(bench), 1).running!
    }
    const [steel, light, said] = [running([]), running([{ material: 'aluminium' }]), running([{ block: 'iron' }, { material: 'aluminium' }])]
    // 206/71 as soft, 1.75 times as thick, its beam 0.62 of the weight.
    expect(light.stretch.estimate.value / steel.stretch.estimate.value).toBeCloseTo(206 / 71 / 1.75 * (0.6199 + 0.62 * 0.12498) / (0.6199 + 0.12498), 2)
    expect(light.heat.estimate.value - steel.heat.estimate.value).toBeCloseTo(150 * 11.3e-6 * 90, 6)
    expect(said).toMatchObject({ material: 'aluminium', block: 'iron' })
    expect(said.heat.estimate.value).toBeGreaterThan(light.heat.estimate.value)
    expect(uncertainty(said.heat.estimate)).toBeLessThan(uncertainty(light.heat.estimate))
  })
  it('loses rod stretch, play, rock and heat when it runs, and stops where it would touch', () => {
    const bench = oneCylinder()
    for (const [q, v] of [['rodLength', 150], ['revs', 5500], ['pistonMass', 0.62], ['rodBeamMass', 0.25], ['rodSection', 150], ['bearingPlay', 0.09], ['heatGrowth', 0.05]] as const) bench.state(q, v)
    bench.add('rod', all, { material: 'steel' })
    const { running } = squishOf(open(bench), 1)
    expect(running!.stretch.estimate.value).toBeCloseTo(0.065, 3)
    // 1.56 − 0.0654 − 0.09 − 0 − 0.05
    expect(running!.gap.estimate.value).toBeCloseTo(1.3546, 3)
    bench.pour(1, 55.4)
    bench.add('deckCut', { level: 'bank', bank: 1 }, { state: 'planned', depth: mm(1.4) })
    expect(nextMove(open(bench))).toMatchObject({ kind: 'squishTouches', cylinders: [1] })
  })
})

describe('a gasket opening that is no circle', () => {
  it('is its area times its thickness, until another gasket goes in', () => {
    const bench = oneCylinder()
    bench.state('gasketArea', 7200)
    expect(open(bench).asIs[0]!.parts.gasket!.estimate.value).toBeCloseTo(8.64, 9)
    bench.add('gasketChange', head, { state: 'done', thickness: mm(0.9), bore: mm(94) })
    expect(open(bench).asIs[0]!.parts.gasket!.estimate.value).toBeCloseTo(Math.PI / 4 * 94 ** 2 * 0.9 / 1000, 6)
    bench.add('gasketChange', head, { state: 'done', thickness: mm(1), bore: mm(94), area: { value: 7300, unit: 'mm2', typed: '7300' } })
    expect(open(bench).asIs[0]!.parts.gasket!.estimate.value).toBeCloseTo(7.3, 9)
  })
})

describe('clearances', () => {
  it('lose what each convention says, and get back what sinking gives', () => {
    const bench = oneCylinder()
    bench.state('intakeTilt', 30)
    bench.add('measure', all, { quantity: 'intakeClearance', figure: mm(3), convention: 'pocket' })
    bench.state('intakeSide', 1.5)
    bench.state('valveToValve', 2)
    bench.state('domeToChamber', 1.6)
    bench.add('faceCut', head, { state: 'planned', depth: mm(0.6) })
    bench.add('seatWork', one, { state: 'planned', added: cc(0.3), sunk: mm(0.4) })
    const step = (name: string) => clearancesOf(open(bench), 1).find(s => s.name === name)!
    // 0.6·cos 30° = 0.5196 off, 0.4 back along the valve
    expect(step('intakeClearance').planned.map(p => p.change.value)[0]).toBeCloseTo(-0.5196, 4)
    expect(step('intakeClearance').then.value).toBeCloseTo(3 - 0.5196 + 0.4, 4)
    // 0.6·sin 30°
    expect(step('intakeSide').then.value).toBeCloseTo(1.2, 9)
    expect(step('valveToValve').then.value).toBe(2)
    expect(step('domeToChamber').then.value).toBeCloseTo(1, 9)
  })
})

describe('seat work', () => {
  it('brings a seat up along its valve, and only the valves it was done on', () => {
    const bench = oneCylinder()
    for (const valve of ['intake', 'exhaust'] as const) {
      bench.state(`${valve}SeatHeight`, 1.4)
      bench.state(`${valve}Tilt`, 24)
      bench.add('measure', all, { quantity: `${valve}Clearance`, figure: mm(3), convention: 'alongValve' })
    }
    bench.add('faceCut', head, { state: 'done', depth: mm(1), measured: mm(1) })
    bench.add('seatWork', one, { state: 'done', added: cc(0.6), sunk: mm(0.5), valve: 'exhaust' })
    const height = (valve: string) => quantityOf(open(bench), `${valve}SeatHeight` as 'intakeSeatHeight', 1)!.estimate.value
    expect(height('intake')).toBeCloseTo(0.4, 9)
    // 1.4 − 1 + 0.5·cos 24°
    expect(height('exhaust')).toBeCloseTo(0.8568, 4)
    const now = (name: string) => clearancesOf(open(bench), 1).find(c => c.name === name)!.now.value
    // 1/cos 24° gone from both; 0.5 back along the exhaust
    expect(now('intakeClearance')).toBeCloseTo(3 - 1.0946, 4)
    expect(now('exhaustClearance')).toBeCloseTo(3 - 1.0946 + 0.5, 4)
  })
  it('that is planned lets the face be cut past the number', () => {
    const bench = oneCylinder()
    bench.pour(1, 56.2)
    const before = cutOf(bench).deepest!.depth.value
    bench.add('seatWork', one, { state: 'planned', added: cc(0.593), sunk: mm(0.5), valve: 'exhaust' })
    expect(cutOf(bench).deepest!.depth.value - before).toBeCloseTo(0.593 / 4.65, 6)
  })
})

describe('ports beside each other', () => {
  it('each from their mean, and the range', () => {
    const bench = oneCylinder(3)
    const port = (cylinder: number, end: number) => bench.add('pour', { level: 'cylinder', cylinder }, { encloses: 'intakePort', fills: [{ start: 0, end }], typed: String(end), instrument: burette })
    for (const [c, end] of [[1, 90], [2, 90.4], [3, 91.2]] as const) port(c, end)
    const { ports, spread } = portRow(replay(bench.entries)!.ports)
    // mean 90.5333
    expect(ports.map(p => Number(p.off.toFixed(4)))).toEqual([-0.5333, -0.1333, 0.6667])
    expect(spread).toBeCloseTo(1.2, 9)
    expect(portRow([])).toEqual({ ports: [], spread: 0 })
  })
})

describe('port pairs', () => {
  it('match, differ, or are built so', () => {
    const bench = oneCylinder(4)
    ;[80, 80.1, 82, 80.2].forEach((end, i) => pourOf(bench, { encloses: 'intakePort', fills: [{ start: 0, end }] }, i + 1))
    bench.add('portPairs', all, { valve: 'intake', pairs: [[1, 2], [3, 4]], poor: [] })
    expect(open(bench).portPairs.map(p => p.verdict)).toEqual(['same', 'differ'])
    expect(open(bench).portPairs[1]).toMatchObject({ smaller: 4, larger: 3 })
    bench.add('portPairs', all, { valve: 'intake', pairs: [[1, 2], [3, 4]], poor: [4] })
    expect(open(bench).portPairs[1]!.verdict).toBe('asBuilt')
  })
})

describe('voiding any one measurement', () => {
  it('turns its part into derived, book or assumed, and never leaves it measured', () => {
    const bench = oneCylinder()
    bench.state('gasketThickness', 1.25, 'book')
    bench.state('chamberVolume', 53, 'book')
    const crown = pourOf(bench, { encloses: 'crown', fills: [{ start: 0, end: 69.5 }], sealed: 'crown', depth: mm(10) })
    const deck = bench.add('deckReadings', one, spots([0, 40, 0.4], [0, -40, 0.32]))
    const chamber = bench.pour(1, 55.4)
    const parts = () => open(bench).asIs[0]!.parts
    const of = (quantity: string) => bench.entries.find(e => e.kind === 'measure' && e.body.quantity === quantity)!.id
    const takeOut = (id: string) => bench.add('void', one, { reason: 'test' }, { supersedes: id })
    expect(Object.values(parts()).map(p => p.provenance)).not.toContain('assumed')
    takeOut(chamber)
    expect(parts().chamber).toMatchObject({ provenance: 'book' })
    takeOut(of('gasketThickness'))
    expect(parts().gasket!.provenance).toBe('book')
    takeOut(deck)
    takeOut(of('deckClearance'))
    expect(parts().deck!.provenance).toBe('assumed')
    takeOut(crown)
    takeOut(of('crownVolume'))
    expect(parts().crown!.provenance).toBe('assumed')
    takeOut(of('topLandHeight'))
    expect(parts().crevice!.provenance).toBe('assumed')
    // And the ratio names what to improve first.
    expect(shares(open(bench).asIs[0]!.ratio!.estimate)[0]!.source).toMatch(/^(entry|standIn):/)
  })
})

describe('a part that a whole cylinder’s pour leaves over', () => {
  /** A chamber of 56.2 cc and 71 cc over the piston: gasket, deck and crevice stated, so the crown is what is left. */
  function poured() {
    const bench = oneCylinder()
    bench.entries.splice(bench.entries.findIndex(e => e.kind === 'measure' && e.body.quantity === 'crownVolume'), 1)
    for (let i = 0; i < 2; i++) bench.pour(1, 56.2)
    bench.add('pour', { level: 'cylinder', cylinder: 1 }, { encloses: 'assembled', fills: [{ start: 0, end: 71 }], typed: '71', instrument: burette })
    return bench
  }
  it('stays as it was when the face is cut: the cut makes the clearance smaller, and is promised so', () => {
    const bench = poured()
    const crown = replay(bench.entries)!.asIs[0]!.parts.crown!.estimate.value
    const before = bench.entries.length
    bench.add('faceCut', head, { state: 'planned', depth: mm(1) })
    const promised = replay(bench.entries)!.asPlanned[0]!
    bench.entries.splice(before)
    bench.cut(1, 1)
    const after = replay(bench.entries)!.asIs[0]!
    expect(after.parts.crown!.estimate.value).toBeCloseTo(crown, 9)
    // 71 cc less 4.65 for the millimetre that went, under π/4 · 9.2² · 8.5 swept.
    const swept = Math.PI / 4 * 9.2 ** 2 * 8.5
    expect(after.ratio!.estimate.value).toBeCloseTo(1 + swept / (71 - 4.65), 6)
    expect(promised.ratio!.estimate.value).toBeCloseTo(after.ratio!.estimate.value, 9)
    // Poured again after the cut, the chamber is its own; the crown is not asked to make up for it.
    for (let i = 0; i < 2; i++) bench.pour(1, 51.6)
    expect(replay(bench.entries)!.asIs[0]!.parts.crown!.estimate.value).toBeCloseTo(crown, 9)
  })
})
