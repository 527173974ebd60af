import { describe, expect, it } from 'vitest'
import { skerryChamber } from '../../demo/chambers'
import { fineBurette } from '../../demo/instruments'
import { demoShop } from '../../demo/shop'
import { Bench, all, head, mm, nextMove } from '../../tests/support/ledgerBench'
import { RUNS, chance, report } from '../../tests/support/soak'
import { DOME_FORMS, NO_SOLIDS, asIf, clearanceForRatio, cylinderVolume, quantityOf, replay, reliefLesson, squishBandOf, turnedPlan, turnedSteps, turnedVolume, type Bodies, type Figure, type Replay, type TurnedShape } from '..'

const one = { level: 'cylinder', cylinder: 1 } as const
const ratio = (value: number): Figure => ({ value, unit: ':1', typed: String(value) })
const cc = (value: number): Figure => ({ value, unit: 'cc', typed: String(value) })

/** A turned single with its dome drawn; everything but squish, target and pours is stated. */
function turner({ bore, stroke, target, tolerance, shape }: { bore: number, stroke: number, target: number, tolerance: number, shape: TurnedShape }): Bench {
  const bench = new Bench()
  bench.add('layout', all, { heads: [[1]], banks: [[1]], engine: { strokes: 2, arrangement: 'single', first: 'front', head: 'turned', intakes: 0, exhausts: 0, chamber: 'turnedDome' } })
  for (const [quantity, value] of [['bore', bore], ['stroke', stroke], ['deckClearance', 0.5], ['gasketThickness', 0.3], ['gasketBore', bore + 1], ['crownVolume', 0], ['crownDiameter', bore - 0.2], ['topLandHeight', 4], ['squishRecess', shape.recess]] as const) bench.state(quantity, value)
  bench.add('wish', all, { quantity: 'wantedSquish', figure: mm(0.8 + shape.recess) })
  bench.add('target', all, { ratio: ratio(target), tolerance: ratio(tolerance), countsCrevice: false })
  const { form, mouth, depth, corner } = shape.dome
  bench.add('chamberModel', head, {
    mirrored: [], spec: {
      ...skerryChamber(), outline: Array.from({ length: 16 }, (_, i) => [bore / 2 * Math.cos(Math.PI * i / 8), bore / 2 * Math.sin(Math.PI * i / 8)]),
      roof: { shape: 'turned', recess: shape.recess, band: shape.band, domeRadius: mouth, height: depth, toroid: form === 'torus', ...(form === 'cone' || form === 'flat' ? { section: form, corner } : {}) }
    }
  })
  return bench
}
const pour = (bench: Bench, end: number, column = 1.88) => bench.add('pour', one, { encloses: 'assembled', fills: end > 50 ? [{ start: 0, end: 50 }, { start: 0, end: end - 50 }] : [{ start: 0, end }], typed: end.toFixed(1), instrument: fineBurette, sealed: 'crown', plugColumn: cc(column) } as Bodies['pour'])
const plan = (bench: Bench) => {
  const r = replay(bench.entries)!
  return { r, plan: turnedPlan(r, 1, [], NO_SOLIDS)! }
}
/** Does what is planned, and says so. */
function finish(bench: Bench, operations: ReturnType<typeof turnedPlan> & object) {
  for (const { kind, scope, body } of operations.operations) bench.add(kind, scope, { ...body, state: 'done', ...(kind === 'faceCut' ? { measured: body.depth } : {}) } as never)
}

describe('a turned head', () => {
  const skerry = () => replay(demoShop.builds.find(b => b.name === 'Skerry 247')!.entries.filter(e => e.at < '2026-03-19'))!
  it('of the demo: 0.85 off, 1.03 to open, and the round that is planned leaves the target one time in twenty at most', () => {
    const r = skerry()
    const told = turnedPlan(r, 1, [], NO_SOLIDS)!
    expect(told.toOpen!.value).toBeCloseTo(1.03, 2)
    expect(told.operations).toMatchObject([{ kind: 'faceCut', body: { depth: { value: 0.85 } } }, { kind: 'relief', body: { drawn: expect.anything() as unknown, turned: { mouth: 24.04 } } }])
    const done = asIf(r, told.operations, NO_SOLIDS).cylinders[0]!
    expect(done.squish.gap!.estimate.value).toBeCloseTo(quantityOf(r, 'wantedSquish', 1)!.estimate.value, 2)
    // Not past the middle by its plan, and no shorter of it than what is unsure.
    expect(done.state.ratio!.estimate.value).toBeGreaterThanOrEqual(11.2 - 1e-6)
    expect(told.round!.cc).toBeGreaterThan(1.03 / 2)
    expect(turnedSteps(r, 1, told).map(([step, state]) => `${step} ${state}`)).toEqual(['squish done', 'face next', 'top done', 'pour done', 'open later'])
  })
  it('with squish under the wanted: nothing comes off, what it lacks is told, and the face is not done', () => {
    const bench = turner({ bore: 47, stroke: 42, target: 10, tolerance: 0.15, shape: { bore: 47, recess: 0, band: 8, dome: { form: 'sphere', mouth: 16, depth: 7, corner: 0 } } })
    // 0.5 deck + 0.3 gasket − the 0.80 wanted
    for (const [wanted, tight] of [[0.8, undefined], [0.84, undefined], [1, 0.2]] as const) {
      bench.add('wish', all, { quantity: 'wantedSquish', figure: mm(wanted) })
      const { r, plan: told } = plan(bench)
      expect(told.off.value, String(wanted)).toBeCloseTo(0, 9)
      expect(told.tight?.value).toEqual(tight && expect.closeTo(tight, 9))
      expect(new Map(turnedSteps(r, 1, told)).get('face')).toBe(tight ? 'later' : 'done')
    }
    // Read by solder, and off its target: that comes before the dome.
    bench.add('solder', one, { readings: [20, -20].map(x => ({ x, y: 0, figure: mm(0.8) })) })
    for (const end of [9, 9]) pour(bench, end)
    const { toOpen, round, operations } = plan(bench).plan
    expect([toOpen, round, operations]).toEqual([undefined, undefined, []])
    expect(nextMove(plan(bench).r)).toMatchObject({ kind: 'squish', figure: expect.closeTo(0.8, 6) as number, limit: 1, cylinders: [1], at: { station: 'mockup', leaf: 'turned' } })
    // What was planned before that was wanted waits as well, until something opens it: a gasket of 0.5 where 0.3 is fitted.
    bench.add('relief', one, { state: 'planned', added: cc(1.2) })
    expect(nextMove(plan(bench).r)).toMatchObject({ kind: 'squish', figure: expect.closeTo(0.8, 6) as number, limit: 1, cylinders: [1] })
    bench.add('gasketChange', head, { state: 'planned', thickness: mm(0.5), bore: mm(48) })
    expect(nextMove(plan(bench).r)).toMatchObject({ kind: 'do', what: 'relief' })
  })
  it('what came out is settled against what was set, and the next round goes by it', () => {
    const shape: TurnedShape = { bore: 47, recess: 0.5, band: 8, dome: { form: 'sphere', mouth: 16, depth: 7, corner: 0 } }
    const bench = turner({ bore: 47, stroke: 42, target: 10, tolerance: 0.15, shape })
    for (const end of [9, 9]) pour(bench, end)
    const first = plan(bench)
    // 72.868/9 = 8.096 wanted, 9 − 1.88 = 7.12 there
    expect(first.plan.toOpen!.value).toBeCloseTo(0.976, 2)
    const { cc: set } = first.plan.round!
    finish(bench, first.plan)
    // Ten parts in a hundred more came out than was set.
    for (const end of [9 + 1.1 * set, 9 + 1.1 * set]) pour(bench, end)
    const { r, plan: second } = plan(bench)
    expect(r.settlements).toHaveLength(1)
    expect(r.settlements[0]!.difference.value).toBeCloseTo(0.1 * set, 2)
    expect(reliefLesson(r.settlements)!.share.value).toBeCloseTo(1.1, 2)
    expect(r.asIs[0]!.clearance!.estimate.value).toBeCloseTo(7.12 + 1.1 * set, 6)
    // Poured on the stop, the ratio is the target's: what was poured before the work has no part in it.
    const stop = r.asIs[0]!.targetClearance!.estimate.value + 1.88
    bench.add('relief', one, { state: 'done', added: cc(0.1) })
    pour(bench, stop)
    expect(replay(bench.entries)!.asIs[0]!.ratio!.estimate.value).toBeCloseTo(10, 2)
    expect(second.round ? second.round.share : 1.1).toBeGreaterThan(1)
  })
  it('two cylinders under heads of their own are each their own plan; the drawing says band and edge', () => {
    const bench = turner({ bore: 47, stroke: 42, target: 10, tolerance: 0.15, shape: { bore: 47, recess: 0.5, band: 8, dome: { form: 'sphere', mouth: 16, depth: 7, corner: 0 } } })
    Object.assign(bench.entries[0]!.body, { heads: [[1], [2]], banks: [[1, 2]] })
    bench.add('chamberModel', { level: 'head', head: 2 }, { ...bench.entries.find(e => e.kind === 'chamberModel')!.body as Bodies['chamberModel'] })
    for (const [cylinder, end] of [[1, 9], [2, 9.2], [1, 9], [2, 9.2]] as const) bench.add('pour', { level: 'cylinder', cylinder }, { encloses: 'assembled', fills: [{ start: 0, end }], typed: String(end), instrument: fineBurette, plugColumn: cc(1.88) } as Bodies['pour'])
    const r = replay(bench.entries)!
    const [first, second] = [1, 2].map(c => turnedPlan(r, c, [], NO_SOLIDS)!)
    expect(first!.toOpen!.value - second!.toOpen!.value).toBeCloseTo(0.2, 6)
    expect(second!.operations).toMatchObject([{ kind: 'relief', scope: { cylinder: 2 } }])
    // What is planned of its own dome is planned anew; what comes out of the other teaches it nothing.
    const own = { kind: 'relief', scope: { level: 'cylinder', cylinder: 2 }, body: { state: 'planned', added: cc(0.3) } } as const
    expect(turnedPlan(r, 2, [own], NO_SOLIDS)!.toOpen!.value).toBeCloseTo(second!.toOpen!.value, 9)
    finish(bench, first!)
    const out = 9 + 1.1 * first!.round!.cc
    for (let i = 0; i < 2; i++) bench.add('pour', one, { encloses: 'assembled', fills: [{ start: 0, end: out }], typed: String(out), instrument: fineBurette, plugColumn: cc(1.88) } as Bodies['pour'])
    expect(replay(bench.entries)!.settlements).toHaveLength(1)
    expect(turnedPlan(replay(bench.entries)!, 2, [], NO_SOLIDS)!.round).not.toHaveProperty('share')
    // π·(23.5² − 16²) and 2π·16
    expect(squishBandOf(r, 2).area).toBeCloseTo(930.7, 1)
    expect(squishBandOf(r, 2).edge).toBeCloseTo(100.53, 2)
  })
  it('without a gasket there is none in the stack', () => {
    const bench = turner({ bore: 47, stroke: 42, target: 10, tolerance: 0.15, shape: { bore: 47, recess: 0.5, band: 8, dome: { form: 'sphere', mouth: 16, depth: 7, corner: 0 } } })
    bench.state('gasketThickness', 0)
    // 0.5 deck + 0.5 recess are left of the squish, and as wanted.
    bench.add('wish', all, { quantity: 'wantedSquish', figure: mm(1) })
    for (const end of [9, 9]) pour(bench, end)
    expect(replay(bench.entries)!.asIs[0]!.parts.gasket!.estimate.value).toBe(0)
    expect(plan(bench).plan.toOpen!.value).toBeCloseTo(0.976, 2)
  })
  it('band and plug stay: what does not go inside them is not planned', () => {
    const shape: TurnedShape = { bore: 47, recess: 0.5, band: 8, dome: { form: 'sphere', mouth: 16, depth: 7, corner: 0 } }
    const bench = turner({ bore: 47, stroke: 42, target: 9, tolerance: 0.3, shape })
    bench.state('plugRoom', 0.5)
    bench.add('wish', all, { quantity: 'leastBand', figure: mm(7) })
    for (const end of [9, 9]) pour(bench, end)
    const { round, operations, toOpen } = plan(bench).plan
    expect(toOpen!.value).toBeGreaterThan(1.9)
    expect(round!.lathe).toMatchObject({ set: { limits: ['plug', 'band'] } })
    expect(round!.cc).toBeLessThan(toOpen!.value - 0.5)
    const relief = operations.find(op => op.kind === 'relief')!.body as Bodies['relief']
    expect(relief.turned!.mouth).toBeCloseTo(16.5, 6)
    bench.add('wish', all, { quantity: 'toolNose', figure: mm(20.5) })
    expect(plan(bench).plan.round!.lathe).toMatchObject({ fault: 'nose' })
  })
})

describe('300 heads turned by a machinist who errs', () => {
  it('in tolerance within two rounds nine times in ten, past it after the first one time in twenty at most', () => {
    const luck = chance(1600)
    const heads = RUNS(300, 3000)
    const between = (low: number, high: number) => low + (high - low) * luck.next()
    const normal = (u: number) => u * Math.sqrt(-2 * Math.log(1 - luck.next())) * Math.cos(2 * Math.PI * luck.next())
    let [past, within, firstWithin] = [0, 0, 0]
    for (let i = 0; i < heads; i++) {
      const bore = between(44, 80)
      const stroke = bore * between(0.85, 1.1)
      const mouth = bore / 2 * between(0.62, 0.8)
      const depth = mouth * between(0.25, 0.5)
      const shape: TurnedShape = { bore, recess: between(0.2, 0.8), band: between(0, 12), dome: { form: luck.pick(DOME_FORMS), mouth, depth, corner: depth * between(0.2, 0.6) } }
      // What the drawing says is there; what is there is as large as its pour says, and opens by its own share of what is set.
      let truth = turnedVolume(shape) * between(0.95, 1.05) + cylinderVolume(bore, 0.8)
      const swept = cylinderVolume(bore, stroke)
      const target = 1 + swept / (truth * between(1.03, 1.16))
      const tolerance = target * 0.012
      const own = 1 + normal(0.07)
      const scale = between(-0.05, 0.05)
      const column = 1.88 + normal(0.03)
      const bench = turner({ bore, stroke, target, tolerance, shape })
      const reading = () => Math.round((truth + column + scale + normal(0.05)) * 10) / 10
      for (let n = 0; n < 2; n++) pour(bench, reading())
      const off = () => truth - clearanceForRatio(swept, target)
      const most = clearanceForRatio(swept, target - tolerance) - clearanceForRatio(swept, target)
      const least = clearanceForRatio(swept, target + tolerance) - clearanceForRatio(swept, target)
      const inside = () => off() <= most && off() >= least
      for (let round = 1; round <= 2 && !inside(); round++) {
        const told: { r: Replay, plan: ReturnType<typeof plan>['plan'] } = plan(bench)
        const lathe = told.plan.round?.lathe
        if (!lathe || !('set' in lathe) || told.plan.operations.length === 0) break
        const { from, set } = lathe
        const perMm = turnedVolume({ ...set.to, dome: { ...set.to.dome, depth: set.to.dome.depth + 0.1 } }) / 0.1 - turnedVolume(set.to) / 0.1
        const opened = turnedVolume(set.to) - turnedVolume(from) + perMm * normal(0.03)
        truth += Math.max(0, opened * own)
        finish(bench, told.plan)
        for (let n = 0; n < 2; n++) pour(bench, reading())
        if (round === 1 && off() > most) past++
        if (round === 1 && inside()) firstWithin++
      }
      if (inside()) within++
    }
    report('turned heads', { heads, past: past / heads, within: within / heads, first: firstWithin / heads })
    expect(past / heads).toBeLessThanOrEqual(0.05)
    expect(within / heads).toBeGreaterThanOrEqual(0.9)
  }, 120_000)
})
