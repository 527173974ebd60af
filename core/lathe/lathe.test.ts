import { describe, expect, it } from 'vitest'
import { RUNS, chance } from '../../tests/support/soak'
import { DOME_FORMS, NoseTooLarge, broughtTo, domeHeight, domeVolume, latheSettings, roundsLikely, safeRound, struck, turnedDepth, turnedVolume, type Dome, type DomeForm, type TurnedShape } from '.'

/** Volume of a solid of revolution by the midpoint rule on rings between its corners: nothing of the closed forms in it. */
function turned(height: (r: number) => number, ...corners: number[]): number {
  const n = 12_000
  return [0, ...corners].sort((a, b) => a - b).reduce(([sum, from], to) => {
    let ring = 0
    for (let i = 0; i < n; i++) {
      const r = from + (i + 0.5) * (to - from) / n
      ring += 2 * Math.PI * r * height(r)
    }
    return [sum + ring * (to - from) / n / 1000, to] as const
  }, [0, 0] as readonly [number, number])[0]
}
const between = (luck: ReturnType<typeof chance>, low: number, high: number) => low + (high - low) * luck.next()
function anyDome(luck: ReturnType<typeof chance>, form: DomeForm): Dome {
  const mouth = between(luck, 6, 40)
  const depth = mouth * between(luck, 0.15, 1.3)
  return { form, mouth, depth, corner: form === 'flat' ? Math.min(mouth, depth) * between(luck, 0.05, 0.9) : between(luck, 0.5, 12) }
}
const anyHead = (luck: ReturnType<typeof chance>, form: DomeForm): TurnedShape => {
  const dome = anyDome(luck, form)
  return { bore: 2 * dome.mouth + 2 * between(luck, 2, 12), recess: between(luck, 0, 2), band: between(luck, 0, 14), dome }
}

describe('what a dome holds', () => {
  it.each([
    // π·14·(3·24² + 14²)/6 = 14104; a hemisphere of 10 on a wall of 2: π·100·2 + 2/3·π·1000
    ['a cap', { form: 'sphere', mouth: 24, depth: 14, corner: 0 }, 14.1037], ['a hemisphere on a wall', { form: 'sphere', mouth: 10, depth: 12, corner: 0 }, 2.72271],
    // Pappus: half a circle of 12, π·72, its middle 12 out: π·72·2π·12
    ['a torus', { form: 'torus', mouth: 24, depth: 12, corner: 0 }, 17.0546],
    // a third of π·15²·10, and the same less what a tip of radius 3 leaves: in the flat form a plain cylinder
    ['a sharp cone', { form: 'cone', mouth: 15, depth: 10, corner: 0 }, 2.35619], ['a cylinder', { form: 'flat', mouth: 15, depth: 6, corner: 0 }, 4.24115],
    // a cylinder of 13 by 6, the ring round it to 4, a quarter-round on that: π·(13²·6 + (15² − 13²)·4) + π²/2·13·2² + 2/3·π·2³
    ['a flat roof with a corner', { form: 'flat', mouth: 15, depth: 6, corner: 2 }, (Math.PI * (169 * 6 + 56 * 4) + Math.PI ** 2 / 2 * 13 * 4 + 2 / 3 * Math.PI * 8) / 1000]
  ] as const)('%s', (_, dome, cc) => expect(domeVolume(dome)).toBeCloseTo(cc, 3))
  it.each(DOME_FORMS)('%s: as its own outline turned round, of any size', (form) => {
    const luck = chance(61)
    for (let i = 0; i < RUNS(40, 400); i++) {
      const dome = anyDome(luck, form)
      const outline = turned(domeHeight(dome), dome.mouth)
      expect(Math.abs(domeVolume(dome) / outline - 1), JSON.stringify(dome)).toBeLessThan(2e-4)
      // Where it is deepest it is as deep as it says.
      expect(Math.max(...Array.from({ length: 401 }, (_, k) => domeHeight(dome)(dome.mouth * k / 401)))).toBeCloseTo(dome.depth, 2)
    }
  })
  it('with recess and band is the head, and its pour says how deep the dome is', () => {
    const luck = chance(62)
    for (const form of DOME_FORMS) {
      for (let i = 0; i < RUNS(10, 100); i++) {
        const head = anyHead(luck, form)
        expect(Math.abs(turnedVolume(head) / turned(turnedDepth(head), head.dome.mouth, head.bore / 2) - 1)).toBeLessThan(2e-4)
        const back = broughtTo({ ...head, dome: { ...head.dome, depth: head.dome.depth * 1.2 } }, turnedVolume(head))
        expect(back!.dome.depth).toBeCloseTo(head.dome.depth, 6)
      }
    }
  })
  it.each([{ mouth: 0 }, { depth: -1 }, { corner: -1 }, { depth: Number.NaN }, { form: 'flat', corner: 9 }] as const)('refuses %o', fault =>
    expect(() => domeVolume({ form: 'sphere', mouth: 15, depth: 6, corner: 2, ...fault })).toThrow(RangeError))
})

describe('lathe settings', () => {
  const skerry: TurnedShape = { bore: 68, recess: 0.25, band: 10, dome: { form: 'sphere', mouth: 24, depth: 14, corner: 0 } }
  it('a cap of 14 opened by 1.03 cc: 0.84 deeper, its arc smaller', () => {
    const set = latheSettings(skerry, { add: 1.03, by: 'depth', nose: 0.8, leastBand: 8 })
    // dV/dh = π(a² + h²)/2 = 1212.7 mm² at 14, 1250 at 14.8: 1030/1231 = 0.837
    expect(set.to.dome.depth - 14).toBeCloseTo(0.837, 2)
    expect(set.round.radius).toBeCloseTo((24 ** 2 + 14.837 ** 2) / (2 * 14.837), 2)
    expect(set.round.path).toBeCloseTo(set.round.radius - 0.8, 9)
    // seat face to mouth 0.25 + 10·tan 10° = 2.013
    expect(set.depth).toBeCloseTo(2.0133 + 14.837, 2)
    expect(set).toMatchObject({ bandLeft: 10, short: 0, limits: [] })
  })
  it.each(DOME_FORMS)('%s: opens what was asked for and lies nowhere under what is there; band and plug stay', (form) => {
    const luck = chance(63)
    let limited = 0
    for (let i = 0; i < RUNS(60, 600); i++) {
      const shape = anyHead(luck, form)
      const task = { add: turnedVolume(shape) * between(luck, 0.01, 0.2), by: luck.pick(['depth', 'mouth'] as const), nose: 0.1, leastBand: luck.pick([0, between(luck, 0.5, 8)]), plugRoom: luck.pick([0, between(luck, 0, 6)]) }
      const told = JSON.stringify({ shape, task })
      if (struck(shape.dome).radius < 0.6) continue
      const set = latheSettings(shape, task)
      const [was, is] = [turnedDepth(shape), turnedDepth(set.to)]
      const R = shape.bore / 2
      // Neither deeper nor wider is allowed now and then: then nothing is opened.
      expect(Math.abs(turned(r => is(r) - was(r), shape.dome.mouth, set.mouthDiameter / 2, R) - set.opened), told).toBeLessThan(1e-3 * set.opened + 1e-9)
      expect(set.opened + set.short, told).toBeCloseTo(task.add, 5)
      for (let k = 0; k < 400; k++) expect(is(R * k / 400) - was(R * k / 400), `${told} at ${R * k / 400}`).toBeGreaterThan(-1e-6)
      expect(set.bandLeft, told).toBeGreaterThanOrEqual(Math.min(task.leastBand, R - shape.dome.mouth) - 1e-6)
      if (form !== 'torus') expect(is(0) - was(0), told).toBeLessThan(task.plugRoom + 1e-6)
      if (set.limits.length > 0) limited++
      else expect(set.short).toBe(0)
    }
    if (form !== 'torus') expect(limited).toBeGreaterThan(0)
  })
  it('a nose that does not get into the corner is told the largest that does', () => {
    const flat: TurnedShape = { bore: 47, recess: 0.5, band: 0, dome: { form: 'flat', mouth: 15, depth: 6, corner: 1 } }
    expect(() => latheSettings(flat, { add: 0.3, by: 'depth', nose: 1.2, leastBand: 5 })).toThrow(NoseTooLarge)
    expect(latheSettings(flat, { add: 0.3, by: 'depth', nose: 1, leastBand: 5 }).depth).toBeCloseTo(6.5 + 300 / (Math.PI * 225), 3)
  })
})

describe('a round that does not go past', () => {
  it('leaves room for what is unsure: 1/(1 + 1.645·0.1) of a cc at a share of a tenth', () => {
    const round = { toOpen: 1, u: 0, over: 0, share: 0.1, depth: 0, perMm: 1.2 }
    expect(safeRound(round)).toBeCloseTo(0.8587, 3)
    expect(safeRound({ ...round, over: 0.2 })).toBe(1)
    expect(safeRound({ ...round, u: 0.7 })).toBe(0)
    expect(safeRound({ ...round, share: 0, depth: 0.05 })).toBeCloseTo(1 - 1.645 * 0.06, 6)
    expect(() => safeRound({ ...round, u: -1 })).toThrow(RangeError)
  })
  it('and says how many are likely', () => {
    const round = { toOpen: 1, u: 0.03, over: 0.1, share: 0.1, depth: 0.02, perMm: 1.2 }
    expect(roundsLikely({ ...round, share: 0.02 }, 0.12, 0.03)).toBe(1)
    expect(roundsLikely(round, 0.1, 0.03)).toBe(2)
    expect(roundsLikely({ ...round, share: 0.3 }, 0.1, 0.03)).toBeGreaterThan(2)
  })
})
