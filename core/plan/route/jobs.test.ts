import { expect, it } from 'vitest'
import { Bench, all, mm } from '../../../tests/support/ledgerBench'
import { HIDDEN_SHAPES, hiddenEngine, hiddenGlass, hiddenSize, luckOf, type Luck } from '../../../tests/support/hiddenEngine'
import { RUNS, SOAKING, report } from '../../../tests/support/soak'
import { DEFAULT_U, NO_SOLIDS, STARTING_RULES, WALL_SLOPE_OF, compressionRatio, replay, type Fill, type Instrument } from '../..'
import { drained, searchRoutes, startingLimits } from '.'

const GLASS: Instrument & { name: string } = { id: 'glass', name: 'Long burette', kind: 'burette', capacity: 100, tolerance: 0.2, resolution: 0.01, repeatability: 0.08 }
const TOLERANCE = 0.22
const CYLINDERS = [1, 2, 3]
/** cc that a chamber holds with so much off its face. */
type Holds = (face: number) => number

/** Walls, glass and every length out by what their sources state, no more and no less. */
function asStated(luck: Luck) {
  const size = hiddenSize('wedge', luck)
  const slope = WALL_SLOPE_OF.wedge.value + luck.normal(WALL_SLOPE_OF.wedge.u)
  const out = luck.between(-GLASS.tolerance, GLASS.tolerance)
  // As with the decks: what the two pours come to is drawn, and what is there is that less the errors. Chambers that are drawn
  // alike and then read lie further apart as read than as they are, and the chance told of what was read is then too low.
  const errors = CYLINDERS.map(() => [luck.normal(GLASS.repeatability!), luck.normal(GLASS.repeatability!)] as const)
  const chambers = errors.map(([a, b]): Holds => {
    const whole = size.chamber * (1 + luck.normal(0.008)) - out - (a + b) / 2
    return face => whole - size.mouth / 1000 * (face - slope * face * face / 2)
  })
  return { shape: 'wedge' as const, size, chambers, pour: (cc: number, c: number, n: number): Fill => ({ start: 0, end: Math.round((cc + out + errors[c - 1]![n]!) * 100) / 100 }) }
}

/** Engines whose walls are none of our forms, and a glass that is crooked besides. */
function foreign(luck: Luck, n: number) {
  const shape = HIDDEN_SHAPES[n % HIDDEN_SHAPES.length]!
  const size = hiddenSize(shape, luck)
  const engine = hiddenEngine(shape, size, luck)
  return { shape, size, chambers: CYLINDERS.map((c): Holds => face => engine.chambers[c - 1]!.volume(face)), pour: hiddenGlass(luck, { ...GLASS, resolution: 0.1 }) }
}

/** One job: measured, searched, cut by a machinist who errs by what is stated of him. */
function job({ shape, size, chambers, pour }: ReturnType<typeof asStated | typeof foreign>, luck: Luck): { told: number, inside: boolean, past: boolean } | undefined {
  const bench = new Bench()
  bench.add('layout', all, { heads: [CYLINDERS], banks: [CYLINDERS], engine: { strokes: 4, arrangement: 'inLine', first: 'front', head: 'removable', intakes: 1, exhausts: 1, chamber: shape } })
  const read = (quantity: Parameters<Bench['state']>[0], truth: number, u: number, scope = all) => void bench.state(quantity, truth + luck.normal(u), 'measure', scope)
  read('bore', size.bore, DEFAULT_U.bore)
  read('stroke', size.stroke, DEFAULT_U.stroke)
  read('gasketBore', size.gasket.bore, DEFAULT_U.gasketBore)
  read('gasketThickness', size.gasket.thickness, DEFAULT_U.gasketThickness)
  read('crownVolume', size.crown, DEFAULT_U.measuredVolume)
  read('mouthArea', size.mouth, size.mouth * 0.01)
  // Read apart by less than the band is wide, or no single cut could bring all of them inside; what is there is that and the gauge's error.
  // (Drawn the other way round, from decks that are known to be alike, what is read would lie further apart than what is there.)
  const decks = CYLINDERS.map((cylinder) => {
    const gauge = luck.between(0.1, 0.35)
    bench.state('deckClearance', gauge, 'measure', { level: 'cylinder', cylinder })
    return gauge + luck.normal(DEFAULT_U.depth)
  })
  bench.add('target', all, { ratio: mm(size.ratio), tolerance: mm(TOLERANCE), countsCrevice: false })
  for (const c of CYLINDERS) for (let i = 0; i < 2; i++) {
    const fill = pour(chambers[c - 1]!(0), c, i)
    bench.pour(c, fill.end, GLASS, [fill])
  }
  const r = replay(bench.entries)!
  const answer = drained(searchRoutes(r, STARTING_RULES, NO_SOLIDS, { levers: ['face'], limits: { ...startingLimits(r, STARTING_RULES), faceMost: 3.5, edges: 'seatJob', setUps: 1 } }))
  if (answer === 'notReady' || answer.kind !== 'routes' || answer.routes.length === 0) return undefined
  const [route] = answer.routes
  const error = luck.normal(DEFAULT_U.cutDialled)
  const ratiosAt = (face: number) => decks.map((deck, i) => compressionRatio(size.swept, chambers[i]!(face) + Math.PI / 4000 * (size.gasket.bore ** 2 * size.gasket.thickness + size.bore ** 2 * deck) + size.crown))
  return {
    told: route!.chance, inside: ratiosAt(route!.figures.faces[0]! + error).every(ratio => Math.abs(ratio - size.ratio) <= TOLERANCE),
    past: Math.max(...ratiosAt(route!.firstCuts[0]! + error)) > size.ratio + TOLERANCE
  }
}

// Where errors are as stated the chance is what happens; where walls are others' than ours it may be on the safe side, and nowhere else.
it.each([['as stated', asStated, 0, 500], ['of foreign walls', foreign, 0.1, 150]] as const)('jobs %s: the chance that is told comes true, and a first cut passes the far side one time in twenty at most', (name, made, safer, usual) => {
  const luck = luckOf(180)
  const done = Array.from({ length: RUNS(usual, 20_000) }, (_, n) => job(made(luck, n), luck)).filter(d => d !== undefined)
  const mean = (of: (d: NonNullable<ReturnType<typeof job>>) => number) => done.reduce((sum, d) => sum + of(d), 0) / done.length
  const [told, came, past] = [mean(d => d.told), mean(d => Number(d.inside)), mean(d => Number(d.past))]
  report(`routes ${name}`, { jobs: done.length, told: told.toFixed(4), came: came.toFixed(4), past: past.toFixed(4) })
  const threeErrors = 3 * Math.sqrt(mean(d => d.told * (1 - d.told)) / done.length)
  expect(done.length).toBeGreaterThan(0.9 * usual)
  expect(told - came).toBeLessThan(threeErrors)
  expect(came - told).toBeLessThan(threeErrors + safer)
  expect(past).toBeLessThanOrEqual(SOAKING ? 0.055 : 0.07)
}, 3_600_000)
