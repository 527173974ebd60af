import Module from 'manifold-3d'
import { beforeAll, describe, expect, it } from 'vitest'
import { Bench, all, head, mm } from '../../tests/support/ledgerBench'
import { HIDDEN_SHAPES, hiddenEngine, hiddenGlass, hiddenSize, luckOf, type HiddenShape, type HiddenSize, type Luck } from '../../tests/support/hiddenEngine'
import { RUNS, SOAKING, report } from '../../tests/support/soak'
import { PLAIN } from '../../tests/support/solidChambers'
import { DEFAULT_U, linear, uncertainty, type Sourced } from '../estimate'
import {
  NO_SOLIDS, advice, asIf, calibratedLive, compressionRatio, cutsTogether, cylinderVolume, flatCut, headCut, openingArea, planOf, reckon, solveCut, startingSpec, volumeAboveCut,
  type ChamberSpec, type Chambers, type Cut, type EntryOf, type Instrument, type Lesson, type SolidKit
} from '..'

const GLASS: Instrument & { name: string } = { id: 'glass', name: 'Long burette', kind: 'burette', capacity: 100, tolerance: 0.2, resolution: 0.1, repeatability: 0.08 }
type Cell = 'ratio' | 'differences' | 'depth' | 'first prediction' | 'second prediction'
/** How the mouth is known: by its traced area, by a drawing that was set out from it, or not at all. */
type Mouth = 'stated' | 'drawn' | 'unstated'
/** A drawing set out from what is known of a chamber, as the page does it, and its shape. */
interface Drawing { spec: ChamberSpec, chambers: Chambers }

/** Of how many the truth lies inside ± 2u, how far off they were on the whole, and as they claimed. */
class Covered {
  private readonly off: number[] = []
  private readonly claimed: number[] = []
  add(told: Sourced, truth: number) {
    this.off.push(told.value - truth)
    this.claimed.push(uncertainty(told))
  }

  static together(some: Covered[]): Covered {
    const all = new Covered()
    for (const one of some) {
      all.off.push(...one.off)
      all.claimed.push(...one.claimed)
    }
    return all
  }

  get share() { return this.off.filter((d, i) => Math.abs(d) <= 2 * this.claimed[i]!).length / this.off.length }
  get bias() { return this.off.reduce((a, b) => a + b, 0) / this.off.length }
  get rms() { return Math.sqrt(this.off.reduce((a, b) => a + b * b, 0) / this.off.length) }
}

function drawingOf(kit: SolidKit, shape: HiddenShape, size: HiddenSize, luck: Luck): Drawing {
  const { bore, mouth, chamber } = size
  const spec = startingSpec(shape, { bore, intake: bore * 0.42, exhaust: bore * 0.35, mouthArea: mouth * (1 + luck.normal(0.01)), poured: chamber })
  const { mesh, volume, factor } = calibratedLive(planOf(kit, spec, PLAIN), spec, chamber)
  const over = (cut: Cut) => ({ volume: volumeAboveCut(mesh, cut), opening: openingArea(mesh, { ...cut, depth: cut.depth + 1e-6 }) })
  return {
    spec,
    chambers: { shape: ({ done }, poured) => {
      // Chambers of a head differ by less than one per cent: one shape answers for all, over what each of them holds.
      const now = over(done)
      const off = (poured ?? volume) - now.volume
      return {
        source: 'rings', volume: now.volume + off, opening: now.opening, factor,
        above: (cut) => {
          const left = over(cutsTogether([done, cut]))
          return { ...left, volume: left.volume + off }
        },
        solve: (setup, free, left, x) => solveCut(mesh, { x, y: 0 }, setup, free, left - off, done)
      }
    } }
  }
}

/** One job from the first pour to the second cut, and what it was told on the way beside what was so. */
function job(shape: HiddenShape, size: HiddenSize, mouth: Mouth, drawing: Drawing | undefined, pours: number, luck: Luck, cells: Record<Cell, Covered>, untaught: Covered, taught: Covered) {
  const engine = hiddenEngine(shape, size, luck)
  const chambers = drawing?.chambers ?? NO_SOLIDS
  const glass = hiddenGlass(luck, GLASS)
  const bench = new Bench()
  const cylinders = [1, 2, 3, 4]
  bench.add('layout', all, { heads: [cylinders], banks: [cylinders], engine: { strokes: 4, arrangement: 'inLine', first: 'front', head: 'removable', intakes: 1, exhausts: 1, chamber: shape } })
  const read = (quantity: Parameters<Bench['state']>[0], truth: number, u: number, scope = all) => void bench.state(quantity, truth + luck.normal(u), 'measure', scope)
  read('bore', engine.bore, DEFAULT_U.bore)
  read('stroke', engine.stroke, DEFAULT_U.stroke)
  read('gasketBore', engine.gasket.bore, DEFAULT_U.gasketBore)
  read('gasketThickness', engine.gasket.thickness, DEFAULT_U.gasketThickness)
  read('crownVolume', engine.crown, DEFAULT_U.measuredVolume)
  cylinders.forEach((c, i) => read('deckClearance', engine.decks[i]!, DEFAULT_U.depth, { level: 'cylinder', cylinder: c } as never))
  if (drawing) bench.add('chamberModel', head, { spec: drawing.spec, mirrored: [] })
  if (mouth === 'stated') read('mouthArea', engine.mouth, engine.mouth * 0.01)
  bench.add('target', all, { ratio: mm(engine.ratio), tolerance: mm(0.1), countsCrevice: false })
  let face = 0
  const pourAll = () => {
    for (let n = 0; n < pours; n++) cylinders.forEach((c, i) => {
      const fill = glass(engine.chambers[i]!.volume(face))
      bench.pour(c, fill.end, GLASS, [fill])
    })
  }
  const cutBy = (depth: number) => {
    const went = depth + luck.normal(DEFAULT_U.cutDialled)
    // As the page enters it: with what its drawing says the cut takes.
    const [planned] = asIf(reckon(bench.entries)!, [flatCut(1, depth)], chambers).operations as EntryOf<'faceCut'>[]
    bench.add('faceCut', head, { ...planned!.body, state: 'done', measured: mm(went + luck.normal(DEFAULT_U.cutMeasured)) })
    face += went
    pourAll()
  }
  pourAll()
  const standing = reckon(bench.entries)!
  standing.asIs.forEach((state, i) => cells.ratio.add(state.ratio!.estimate, compressionRatio(cylinderVolume(engine.bore, engine.stroke), engine.clearance(i, 0))))
  const [a, b] = [standing.asIs[0]!.parts.chamber!.estimate, standing.asIs[3]!.parts.chamber!.estimate]
  cells.differences.add(linear([[1, b], [-1, a]]), engine.chambers[3]!.volume(0) - engine.chambers[0]!.volume(0))
  const cut = headCut(standing, 1, [], chambers)
  // A mouth that nobody stated is asked for before anybody is told to cut.
  const asked = advice(standing, undefined, chambers)
  const first = (what: (one: (typeof asked)[number]) => boolean) => (asked.findIndex(what) + asked.length + 1) % (asked.length + 1)
  if (mouth === 'unstated' && pours === 2) expect(first(one => one.kind === 'assumed' && one.quantity === 'mouthArea')).toBeLessThan(first(one => one.kind === 'plan' && one.way === 'cut'))
  const wanted = engine.swept / (engine.ratio - 1)
  for (const { cylinder, depth } of cut.cylinders) {
    let [low, high] = [0, 6]
    for (let i = 0; i < 40; i++) {
      const middle = (low + high) / 2
      if (engine.clearance(cylinder - 1, middle) > wanted) low = middle
      else high = middle
    }
    // Of one that is at its target already nobody asks a depth.
    if (low > 0.05) cells.depth.add(depth, low)
  }
  const deep = Math.max(0.3, cut.deepest!.depth.value)
  cutBy(0.55 * deep)
  cutBy(0.4 * deep)
  const done = reckon(bench.entries)!
  const of = (n: number) => cylinders.map(c => done.settlements.filter(s => s.cylinder === c)[n]!)
  for (const settled of of(0)) cells['first prediction'].add(settled.difference, 0)
  for (const settled of of(1)) cells['second prediction'].add(settled.difference, 0)
  // The next cut of half a millimetre: what mouth or drawing alone say, and with what the head has taught.
  const next = (lessons: Lesson[]) => {
    const known = { ...done, lessons }
    const { cylinders: [one] } = asIf(known, [flatCut(1, 0.5)], chambers)
    return linear([[1, done.asIs[0]!.parts.chamber!.estimate], [-1, one!.state.parts.chamber!.estimate]])
  }
  const truth = engine.chambers[0]!.volume(face) - engine.chambers[0]!.volume(face + 0.5)
  untaught.add(next([]), truth)
  taught.add(next(done.lessons), truth)
}

let kit: SolidKit
beforeAll(async () => {
  kit = await Module()
  kit.setup()
})

describe('jobs on engines nobody has seen the inside of', () => {
  /** A drawing serves jobs of one pour and of two. */
  const drawings = new Map<string, Drawing & { size: HiddenSize }>()
  const drawn = (shape: HiddenShape, i: number) => {
    const luck = luckOf(270 + 1000 * HIDDEN_SHAPES.indexOf(shape) + i)
    const size = hiddenSize(shape, luck)
    const known = drawings.get(`${shape} ${i}`) ?? { size, ...drawingOf(kit, shape, size, luck) }
    drawings.set(`${shape} ${i}`, known)
    return known
  }
  const JOBS = RUNS(100, 1000)
  const shapes = new Map<HiddenShape, { depth: Covered, untaught: Covered, taught: Covered }[]>()
  const cases = HIDDEN_SHAPES.flatMap(shape => (['stated', 'drawn', 'unstated'] as const).flatMap(mouth => [1, 2].map(pours => [shape, mouth, pours] as const)))
  it.each(cases)('%s, mouth %s, %i pours: what is told covers what is so', (shape, mouth, pours) => {
    const cells = Object.fromEntries((['ratio', 'differences', 'depth', 'first prediction', 'second prediction'] as const).map(name => [name, new Covered()])) as Record<Cell, Covered>
    const [untaught, taught] = [new Covered(), new Covered()]
    const luck = luckOf(1700 + cases.findIndex(c => c[0] === shape && c[1] === mouth && c[2] === pours))
    // Engines of one size share a drawing, which is what takes long.
    const each = mouth === 'drawn' ? RUNS(17, 10) : 1
    for (let i = 0; i < JOBS / each; i++) {
      const size = mouth === 'drawn' ? drawn(shape, i).size : hiddenSize(shape, luck)
      const drawing = mouth === 'drawn' ? drawn(shape, i) : undefined
      for (let k = 0; k < each; k++) job(shape, size, mouth, drawing, pours, luck, cells, untaught, taught)
    }
    report(`jobs: ${shape}, mouth ${mouth}, ${pours} pours`, {
      ...Object.fromEntries(Object.entries(cells).map(([name, cell]) => [name, Number(cell.share.toFixed(4))])),
      'depth bias, mm': Number(cells.depth.bias.toFixed(4)), 'next cut off, cc, untaught': Number(untaught.rms.toFixed(4)), 'taught': Number(taught.rms.toFixed(4))
    })
    for (const [name, cell] of Object.entries(cells)) {
      expect(cell.share, name).toBeGreaterThanOrEqual(SOAKING ? 0.93 : 0.9)
      if (SOAKING && mouth !== 'unstated') expect(cell.share, name).toBeLessThanOrEqual(0.985)
    }
    // Where nobody knew the mouth a lesson is worth most; what it is worth of one that was traced or drawn is told of the shape below.
    if (mouth === 'unstated') expect(taught.rms).toBeLessThan(0.9 * untaught.rms)
    else shapes.set(shape, [...shapes.get(shape) ?? [], { depth: cells.depth, untaught, taught }])
  }, 600_000)
  it.each(HIDDEN_SHAPES)('%s: depths are right in the mean, and a lesson makes the next cut surer', (shape) => {
    const jobs = shapes.get(shape) ?? []
    const all = (of: 'depth' | 'untaught' | 'taught') => Covered.together(jobs.map(one => one[of]))
    report(`jobs: ${shape}, mouth stated or drawn`, { 'depth bias, mm': Number(all('depth').bias.toFixed(4)), 'next cut off, cc, untaught': Number(all('untaught').rms.toFixed(4)), 'taught': Number(all('taught').rms.toFixed(4)) })
    expect(jobs).toHaveLength(4)
    expect(Math.abs(all('depth').bias)).toBeLessThan(0.03)
    expect(all('taught').rms).toBeLessThan(all('untaught').rms * (SOAKING ? 1 : 1.1))
  })
})
