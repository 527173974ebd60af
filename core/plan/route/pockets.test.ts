import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { all, mm, oneCylinder } from '../../../tests/support/ledgerBench'
import { RUNS } from '../../../tests/support/soak'
import { NO_SOLIDS, STARTING_RULES, asIf, clearanceSteps, pocketArea, replay, type Lever, type Replay, type Valve } from '../..'
import { drained, searchRoutes, startingLimits, type Found, type RouteLimits } from '.'
import { takenWork } from './taken'

const AREA = 4.7
/** A single of 81 × 73.2: what its valves have to the piston, and the ratio that is wanted of it. */
function single(intake: number, exhaust: number, target: number, valves: 'sized' | 'unsized' = 'sized'): Replay {
  const bench = oneCylinder(1)
  const figures = { bore: 81, stroke: 73.2, gasketBore: 82.5, gasketThickness: 1.1, crownVolume: 2.1, deckClearance: 0.12, intakeTilt: 20, exhaustTilt: 22, intakeClearance: intake, exhaustClearance: exhaust, mouthArea: AREA * 1000 } as const
  for (const [quantity, value] of Object.entries(figures)) bench.state(quantity as keyof typeof figures, value)
  if (valves === 'sized') for (const [quantity, value] of [['intakeValve', 30], ['exhaustValve', 34]] as const) bench.state(quantity, value)
  bench.add('target', all, { ratio: mm(target), tolerance: mm(0.1), countsCrevice: false })
  for (let i = 0; i < 2; i++) bench.pour(1, 38.2)
  return replay(bench.entries)!
}
const routesOf = (r: Replay, levers: Lever[], most: Partial<RouteLimits> = {}): Found => {
  const answer = drained(searchRoutes(r, STARTING_RULES, NO_SOLIDS, { levers, limits: { ...startingLimits(r, STARTING_RULES), squishLeast: undefined, squishMost: undefined, deckMost: 3, ...most } }))
  if (answer === 'notReady' || answer.kind !== 'routes') throw new Error('no routes')
  return answer
}
const circle = (d: number) => Math.PI / 4 * d * d / 1000
const SWEPT = circle(81) * 73.2
/** cc by the mm of pocket, 1.2 mm round each valve. */
const GAINS = [circle(32.4) * Math.cos(20 * Math.PI / 180), circle(36.4) * Math.cos(22 * Math.PI / 180)] as const
const CLEARANCE = 38.2 + circle(82.5) * 1.1 + circle(81) * 0.12 + 2.1

describe('deeper valve pockets as a part of a way', () => {
  it('hold by hand what the area of a leaning circle says', () => expect(pocketArea(34, 1.2, 22)).toBeCloseTo(circle(36.4) * 0.92718, 4))
  it.each<[string, clearances: [intake: number, exhaust: number], cuts: ('face' | 'deck')[], both: boolean]>([
    ['of both kinds of valve', [2.3, 2.9], ['face'], true], ['of the one kind alone that comes too near', [4, 2.6], ['face'], false], ['where the deck is cut', [2.3, 2.9], ['deck'], true],
    ['where neither face nor deck may give as much alone', [2.3, 2.9], ['face', 'deck'], true]
  ])('%s', (_, [intake, exhaust], cuts, both) => {
    const r = single(intake, exhaust, 9.8)
    const most: Partial<RouteLimits> = cuts.length > 1 ? { faceMost: 0.7, deckMost: 0.6 } : {}
    expect(routesOf(r, cuts, most).routes).toEqual([])
    const route = routesOf(r, [...cuts, 'crown'], most).routes.find(x => x.way.pockets)!
    const { depth, cc } = route.figures.pockets!
    const [face, deck] = [route.figures.faces[0]!, route.figures.decks[0]!]
    const cut = face + deck
    // Of the two the deck takes more by the mm, and goes to its limit.
    if (cuts.length > 1) expect(deck).toBe(most.deckMost)
    const [gi, ge] = [GAINS[0] * depth.intake, GAINS[1] * depth.exhaust]
    expect(cc.get(1)!.intake + cc.get(1)!.exhaust).toBeCloseTo(gi + ge, 6)
    const left = CLEARANCE + gi + ge - face * AREA - deck * circle(81)
    expect(Math.abs(SWEPT / left + 1 - 9.8)).toBeLessThan(0.01)
    expect(route.cylinders[0]!.ratio).toBeCloseTo(SWEPT / left + 1, 2)
    // Tenths, and no tenth more than it takes.
    const spare = { intake: intake - cut + depth.intake - 2, exhaust: exhaust - cut + depth.exhaust - 2.5 }
    for (const valve of both ? ['intake', 'exhaust'] as const : ['exhaust'] as const) {
      expect(depth[valve] * 10).toBeCloseTo(Math.round(depth[valve] * 10), 9)
      expect(spare[valve]).toBeGreaterThanOrEqual(0)
      expect(spare[valve]).toBeLessThan(0.2)
    }
    if (!both) expect(depth.intake).toBe(0)
    // Planned as it is told: crowns first, and every clearance as it will be.
    const { work } = takenWork(r, route)
    expect(work.map(op => op.kind)).toEqual([...both ? ['crownWork', 'crownWork'] : ['crownWork'], ...[...cuts].reverse().map(kind => `${kind}Cut`)])
    const then = Object.fromEntries(clearanceSteps(r.ledger, 1, asIf(r, work, NO_SOLIDS).operations).map(step => [step.name, step.then.value]))
    expect(then.intakeClearance).toBeCloseTo(intake - cut + depth.intake, 2)
    expect(then.exhaustClearance).toBeCloseTo(exhaust - cut + depth.exhaust, 2)
    expect(asIf(r, work, NO_SOLIDS).cylinders[0]!.state.ratio!.estimate.value).toBeCloseTo(route.cylinders[0]!.ratio, 3)
  })
  it.each<[string, Replay, Valve[]?]>([['no valve comes too near', single(6, 6, 9.8, 'unsized')], ['the size of a valve is not known', single(2.3, 2.9, 9.8, 'unsized'), ['intake', 'exhaust']]])('are not looked for where %s', (_, r, wanted) => {
    const { routes, nearest, unsized } = routesOf(r, ['face', 'crown'])
    expect([...routes, ...nearest ? [nearest] : []].some(x => x.way.pockets)).toBe(false)
    // Which sizes are wanted is said where a valve comes too near, and crowns may be cut at all.
    expect(unsized).toEqual(wanted)
    expect(routesOf(r, ['face']).unsized).toBeUndefined()
  })
  it('are found wherever a fine grid of face, deck and pockets finds any, with no more metal than it does', () => {
    const between = (min: number, max: number) => fc.double({ min, max, noNaN: true })
    let together = 0
    fc.assert(fc.property(between(2, 4), between(2.5, 4.5), between(9.3, 10), between(0.4, 1.2), between(0.4, 1.2), between(1, 6), (intake, exhaust, target, faceMost, deckMost, crownMost) => {
      const GRID = 0.02
      // What a whole tenth of both pockets and what stands over the least come to, in mm of the face.
      const ROOM = 0.15
      const pocket = (left: number, least: number, drop: number) => Math.max(0, Math.ceil((least - left + drop) * 10 - 1e-9) / 10)
      let [least, both] = [Infinity, true]
      for (let face = 0; face <= faceMost - ROOM; face += GRID) for (let deck = 0; deck <= deckMost - ROOM; deck += GRID) {
        const holds = GAINS[0] * pocket(intake, 2, face + deck) + GAINS[1] * pocket(exhaust, 2.5, face + deck)
        const left = CLEARANCE + holds - face * AREA - deck * circle(81)
        if (holds > crownMost - ROOM * AREA || Math.abs(SWEPT / left + 1 - target) > 0.01) continue
        least = Math.min(least, face + deck)
        both &&= Math.min(face, deck) > ROOM
      }
      if (least === Infinity) return
      if (both) together++
      const { routes } = routesOf(single(intake, exhaust, target), ['face', 'deck', 'crown'], { faceMost, deckMost, crownMost })
      expect(Math.min(...routes.filter(x => x.figures.ground.size === 0).map(x => x.metal))).toBeLessThan(least + ROOM)
    }), { numRuns: RUNS(150, 1500), seed: 18 })
    // Those that took a cut of both.
    expect(together).toBeGreaterThan(5)
  }, 120_000)
  it('are held by what may come out of a crown', () => {
    const { missing, nearest } = routesOf(single(0.5, 1, 9.8), ['face', 'crown'])
    expect([nearest!, ...missing].find(x => x.way.pockets)?.breaches).toMatchObject([{ kind: 'crown', bound: STARTING_RULES.route.crownMost }])
  })
})
