import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it, vi } from 'vitest'
import { demoShop } from '../../../demo/shop'
import { mm } from '../../../tests/support/ledgerBench'
import { PLAIN, solidChambers } from '../../../tests/support/solidChambers'
import { STARTING_RULES, asIf, replay, seatWanted, targetBand, type Chambers, type Entry, type Lever, type Replay } from '../..'
import { drained, searchRoutes, startingLimits, type Found, type RouteLimits } from '.'
import { takenWork, uncounted } from './taken'
import { seatCones, seatsGive } from './way'

let solids: Chambers
beforeAll(async () => {
  solids = await solidChambers('rings', PLAIN)
})
vi.setConfig({ testTimeout: 120_000 })

const launch = () => demoShop.builds.find(b => b.name === 'Brackwater 34')!.entries
const find = (r: Replay, levers: Lever[], limits: Partial<RouteLimits> = {}): Found => {
  const answer = drained(searchRoutes(r, STARTING_RULES, solids, { levers, limits: { ...startingLimits(r, STARTING_RULES), squishMost: undefined, ...limits } }))
  if (answer === 'notReady' || answer.kind !== 'routes') throw new Error(answer === 'notReady' ? answer : answer.kind)
  return answer
}
const cc = (value: number) => ({ value, unit: 'cc', typed: String(value) })
/** The launch engine with more entered at its end. */
const withMore = (list: { kind: string, scope: object, body: object }[]) => {
  const entries = launch()
  const frame = { build: entries[0]!.build, seq: null, at: '2030-01-01T00:00:00.000Z', hand: '', v: 1 }
  return replay([...entries, ...list.map(more => ({ ...frame, id: randomUUID(), ...more }) as unknown as Entry)])!
}

describe('a seat job on the fitted gasket, where a flat cut goes into the seats', () => {
  it.each([['before', 'seatsFirst', 'topCut'], ['before', 'seatsFirst', 'never'], ['after', 'seats', 'seatJob']] as const)('%s the face (%s, edges: %s) brings every seat clear of it, and no further than it has to', (when, lever, edges) => {
    const r = replay(launch())!
    const band = targetBand(r.target)!
    const route = find(r, [...edges === 'never' ? ['gasket' as const] : [], 'grind', 'face', lever], { edges }).routes.find(x => x.way.seats === when)!
    expect(route.stages.map(s => s.work).filter(work => work !== 'gasket')).toEqual(when === 'before' ? ['grind', 'seats', 'face'] : ['grind', 'face', 'seats'])
    const [face] = route.figures.faces
    // Exhaust seats stand 1.40 mm over the face of the launch engine and lean 24°; a tenth of a mm is left.
    if (edges !== 'never') expect(route.figures.sunk.exhaust).toBeCloseTo((face! - 1.4 + 0.1) / Math.cos(24 * Math.PI / 180), 1)
    const then = asIf(r, route.stages.flatMap(s => s.operations), solids)
    for (const { room, state } of then.cylinders) {
      expect(Math.abs(state.ratio!.estimate.value - 9.9)).toBeLessThanOrEqual((band.high - band.low) / 2)
      for (const { seat, topCut } of room!.valves) {
        expect(seat.margin).toBeGreaterThan(0.05)
        if (edges === 'never') expect(topCut.margin).toBeGreaterThan(0.05)
      }
    }
    // No valve may go up by so much: the way is missing, and says why.
    const short = find(r, ['grind', 'face', lever], { edges, seatsUp: 0.05 })
    expect(short.routes.some(x => x.way.seats !== undefined)).toBe(false)
  })
  it('cut before, the seats are poured before the face goes by them; cut after, what they gave is doubtful to the end, however often the face is cut', () => {
    const r = replay(launch())!
    const way = (lever: 'seats' | 'seatsFirst') => find(r, ['grind', 'face', lever], { edges: 'seatJob', setUps: 2 }).routes.find(x => x.way.seats !== undefined)!
    const [before, after] = [way('seatsFirst'), way('seats')]
    expect(before.figures.faces[0]).toBeCloseTo(after.figures.faces[0]!, 1)
    expect(before.hours).toBeGreaterThan(after.hours)
    expect(before.chance).toBeGreaterThan(after.chance)
  })
})

describe('a seat job with the block cut as well', () => {
  it('the deck by what the squish is too wide, the head for the rest of the ratio, the seats out of its way', () => {
    const r = replay(launch())!
    const squish = Math.max(...asIf(r, [], solids).cylinders.map(c => c.squish.running!.gap.estimate.value))
    const route = find(r, ['grind', 'face', 'deck', 'seats'], { edges: 'seatJob', squishMost: squish - 0.04, squishLeast: 0.3, deckMost: 0.04 }).routes.find(x => x.way.seats)!
    expect(route.figures.decks).toEqual([0.04])
    // As with the face alone: a tenth of a mm is left under seats that stand 1.40 mm over it and lean 24°.
    expect(route.figures.sunk.exhaust).toBeCloseTo((route.figures.faces[0]! - 1.4 + 0.1) / Math.cos(24 * Math.PI / 180), 1)
    for (const { room, state, squish: { running } } of asIf(r, route.stages.flatMap(s => s.operations), solids).cylinders) {
      expect(running!.gap.estimate.value).toBeLessThanOrEqual(squish - 0.04 + 1e-9)
      expect(Math.abs(state.ratio!.estimate.value - 9.9)).toBeLessThanOrEqual(0.1)
      for (const { seat } of room!.valves) expect(seat.margin).toBeGreaterThan(0.05)
    }
  })
})

describe('a seat job where a piston would come too near', () => {
  it.each([['face', 0], ['deck', 1]] as const)('takes the valve up by what a cut of the %s takes of its clearance, past what there is to spare', (down, at) => {
    const [valves] = launch().filter(e => e.kind === 'measure' && e.body.quantity === 'exhaustClearance')
    // 3.00 mm along a pocket at 24°, where 2.50 is the least: 0.50/cos 24° may come off, and no more.
    const r = withMore([{ kind: 'measure', scope: valves!.scope, body: { ...valves!.body, figure: mm(3) } }])
    const [cut, sunk] = [find(r, ['grind', down]), find(r, ['grind', down, 'seatsFirst'], { seatsUp: 2, deckMost: 2, squishLeast: 0 }).routes.find(x => x.way.seats)!]
    expect(cut.routes).toEqual([])
    expect(sunk.figures.sunk.exhaust).toBeCloseTo([sunk.figures.faces, sunk.figures.decks][at]![0]! * Math.cos(24 * Math.PI / 180) - 0.5 + 0.05, 1)
    for (const { clearances } of asIf(r, sunk.operations, solids).cylinders) expect(clearances.find(c => c.name === 'exhaustClearance')!.then.value).toBeGreaterThan(2.5)
  })
})

describe('seat work that is planned by hand', () => {
  it.each([[true], [undefined]])('is in every route at its own place (before the face: %s), moves the depth by what it gives, and stays when a route is taken', (first) => {
    const body = { state: 'planned', added: cc(0.6), sunk: mm(0.5), valve: 'exhaust', ...first ? { first } : {} }
    const r = withMore([1, 2, 3, 4, 5, 6].map(cylinder => ({ kind: 'seatWork', scope: { level: 'cylinder', cylinder }, body })))
    const without = replay(launch())!
    const [with_, bare] = [r, without].map(x => find(x, ['gasket', 'grind', 'face', 'seats', 'seatsFirst']).routes.find(route => route.way.gasket && route.way.grinding === 'evenChambers' && route.way.down === 'face' && route.way.setUps === 1)!)
    expect(with_!.stages.map(s => s.work)).toEqual(first ? ['grind', 'seats', 'face', 'gasket'] : ['grind', 'face', 'seats', 'gasket'])
    expect(with_!.way.seats).toBeUndefined()
    // 0.6 cc of a mouth of some 4650 mm².
    expect(with_!.figures.faces[0]! - bare!.figures.faces[0]!).toBeCloseTo(0.13, 1)
    expect(uncounted(r)).toEqual([])
    const { work, gone } = takenWork(r, with_!)
    expect([...work, ...gone].some(op => op.kind === 'seatWork')).toBe(false)
  })
  it('of a drawn valve gives what its cone holds', () => {
    // 37 across with a top cut of 0.482 at 30°: π·0.5·(18.982² + 18.982·0.866 + 0.866²/3).
    expect(seatsGive(seatCones(withMore([]), 1), { intake: 0, exhaust: 0.5 })).toBeCloseTo(0.592, 3)
  })
  it('of a form planned at Ports gives what is told there', () => {
    const seat = { cuts: [{ angle: 45, width: 1.4 }, { angle: 30, width: 1 }], seat: 0, outer: mm(36.4), up: mm(0.5) }
    const r = withMore([{ kind: 'seat', scope: { level: 'valve', cylinder: 1, valve: 'exhaust', n: 1 }, body: seat }])
    const wanted = seatWanted(r, { cylinder: 1, valve: 'exhaust', n: 1 })!
    expect(seatsGive(seatCones(r, 1), { intake: 0, exhaust: 0.5 })).toBeCloseTo(wanted.added, 9)
  })
})
