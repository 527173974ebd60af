import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it, vi } from 'vitest'
import { demoShop } from '../../../demo/shop'
import { mm } from '../../../tests/support/ledgerBench'
import { PLAIN, solidChambers } from '../../../tests/support/solidChambers'
import { DomainError, STARTING_RULES, STARTING_SHAPING, asIf, replay, schoolWork, type Chambers, type Entry, type Lever, type Replay, type Walls } from '../..'
import { bestOf, drained, searchRoutes, startingLimits, type Found, type RouteLimits } from '.'
import { takenWork } from './taken'

let solids: Chambers & Walls
beforeAll(async () => {
  solids = await solidChambers('rings', PLAIN)
})
const build = (name: string) => demoShop.builds.find(b => b.name === name)!.entries

vi.setConfig({ testTimeout: 120_000 }) // Six chambers are lifted again and again.

describe('the schools of Shape as ways', () => {
  const withWalls = (r: Replay, on: Lever[], walls: Walls | undefined, limits: Partial<RouteLimits> = {}): Found => {
    const answer = drained(searchRoutes(r, STARTING_RULES, solids, { levers: on, limits: { ...startingLimits(r, STARTING_RULES), ...limits } }, solids, walls))
    if (answer === 'notReady' || answer.kind !== 'routes') throw new Error('no routes')
    return answer
  }
  it('on the launch engine each school gives up room for the valves and is paid back by the thinner gasket and the face', () => {
    const r = replay(build('Brackwater 34'))!
    const { routes } = withWalls(r, ['gasket', 'grind', 'school', 'face'], solids, { squishMost: undefined, edges: 'seatJob' })
    const work = schoolWork(r, solids, 'pin', STARTING_SHAPING)
    if (work === 'notReady') throw new Error(work)
    const [route, even] = (['pin', 'evenChambers'] as const).map(g => routes.find(x => x.way.grinding === g && x.way.down === 'face' && x.way.gasket)!)
    const [first] = route!.stages
    expect(first!.operations.map(op => op.scope)).toEqual(r.layout.cylinders.map(cylinder => ({ level: 'cylinder', cylinder })))
    expect(['match', 'line']).toContain(routes[bestOf(routes).freest]!.way.grinding)
    const pockets = takenWork(r, route!).work.filter(op => op.kind === 'relief')
    expect(pockets.map(op => op.body.reliefs)).toEqual(work.map(op => op.body.reliefs))
    // Ground on by hand until all hold what the largest then holds.
    const holds = first!.cylinders.map(c => c.chamber!)
    expect(Math.max(...holds) - Math.min(...holds)).toBeLessThan(0.02)
    // What the school takes the face pays back: so much deeper than evened alone, over a mouth that it has opened.
    const deeper = route!.figures.faces[0]! - even!.figures.faces[0]!
    const mean = work.reduce((sum, op) => sum + op.body.added.value, 0) / work.length
    const perMm = r.perMm.get(1)!.estimate.value
    expect(deeper).toBeGreaterThan(0.8 * mean / perMm)
    expect(deeper).toBeLessThan(1.1 * mean / perMm)
    // All there is up to the line is more than a face could pay back above the seats.
    expect(routes.some(x => x.way.grinding === 'line')).toBe(false)
  })
  it('a machinist with two set-ups rolls first and cuts flat to the pour', () => {
    const r = replay(build('Brackwater 34'))!
    const { routes } = withWalls(r, ['grind', 'face', 'roll'], undefined, { squishMost: undefined, rollMost: 4 })
    const roll = routes.find(x => x.way.down === 'roll' && x.way.setUps === 2)!
    const [first] = roll.begins.filter(op => op.kind === 'faceCut')
    expect(first!.body).toMatchObject({ slopeY: roll.figures.slope, depth: { value: roll.firstCuts[0] } })
    // Done and poured as it was told, what is left is flat, and the rest of the depth.
    const after = asIf(r, roll.begins, solids)
    const rest = asIf(r, [...roll.begins, { kind: 'faceCut', scope: { level: 'head', head: 1 }, body: { state: 'planned', depth: mm(roll.figures.faces[0]! - roll.firstCuts[0]!) } }], solids)
    expect(after.cylinders[0]!.state.ratio!.estimate.value).toBeLessThan(9.9)
    for (const [i, { state }] of rest.cylinders.entries()) expect(state.ratio!.estimate.value).toBeCloseTo(roll.cylinders[i]!.ratio, 1)
  })
  it('a valve that has no wall to look at keeps no school from the other', () => {
    const r = replay(build('Brackwater 34'))!
    const one: Walls = { ...solids, walls: (model, poured, open, ...more) => {
      if (open === 0) throw new DomainError('seat', 0, 'above the face')
      return solids.walls(model, poured, open, ...more)
    } }
    const work = schoolWork(r, one, 'line', STARTING_SHAPING)
    if (work === 'notReady') throw new Error(work)
    expect(work.map(op => op.body.reliefs!.map(relief => relief.valve))).toEqual(r.layout.cylinders.map(() => [1]))
  })
  it.each([['the largest', 4], ['a smaller one', 1]])('%s of the chambers is left alone where it can’t be ground', (_, cylinder) => {
    const entries = build('Brackwater 34')
    const last = entries.at(-1)!
    const r = replay([...entries, { ...last, id: randomUUID(), seq: (last.seq ?? 0) + 1, kind: 'hold', scope: { level: 'cylinder', cylinder }, body: { held: true }, supersedes: undefined } as Entry])!
    const { routes, nearest } = withWalls(r, ['gasket', 'grind', 'school', 'open', 'face'], solids, { squishMost: undefined, edges: 'seatJob', past: 0.5 })
    const grinding = [...routes, ...nearest ? [nearest] : []].map(x => x.stages.flatMap(s => s.operations).filter(op => op.kind === 'relief'))
    const ground = grinding.filter(ops => ops.length > 0)
    expect(ground.length).toBeGreaterThan(1)
    for (const ops of ground) {
      expect(ops.filter(op => op.scope.level === 'cylinder' && op.scope.cylinder === cylinder)).toEqual([])
      expect(ops.length).toBeGreaterThan(3)
    }
  })
  it('grinding that nobody has drawn stays inside the scribed line, unless that is let go', () => {
    const r = replay(build('Brackwater 34'))!
    const short: Walls = { walls: solids.walls, metal: () => 0.12 }
    const at = withWalls(r, ['gasket', 'grind', 'face'], short, { squishMost: undefined })
    expect(at.routes.filter(x => x.way.grinding !== 'none')).toEqual([])
    expect(at.missing.flatMap(m => m.breaches).find(b => b.kind === 'line')).toMatchObject({ bound: expect.closeTo(0.12, 2) })
    for (const [walls, limits] of [[short, { insideLine: false }], [solids, {}]] as const) {
      expect(withWalls(r, ['gasket', 'grind', 'face'], walls, { squishMost: undefined, ...limits }).routes.some(x => x.way.grinding === 'evenChambers')).toBe(true)
    }
  })
  it('drawn grinding is evened out by hand no further than the walls go up to the line, unless that is let go', () => {
    const wide = { id: 'target', build: 'b', seq: 9999, at: '2030-01-01T00:00:00.000Z', hand: 'TT', kind: 'target', v: 1, scope: { level: 'build' }, body: { ratio: mm(9.9), tolerance: mm(0.4), countsCrevice: true } } as Entry
    const r = replay([...build('Brackwater 34'), wide])!
    // 0.5 cc in every wall: the smallest chamber is 1.6 cc from the largest.
    const short: Walls = { walls: solids.walls, metal: () => 0.5 }
    const at = (limits: Partial<RouteLimits>) => withWalls(r, ['grind', 'school', 'deck'], short, { squishMost: undefined, squishLeast: undefined, deckMost: 3, edges: 'seatJob', ...limits })
      .routes.filter(x => x.way.grinding === 'pin').flatMap(x => x.stages[0]!.operations.flatMap(op => op.kind === 'relief' ? [op.body.added.value] : []))
    const [inside, past] = [at({}), at({ insideLine: false })]
    expect(inside.length).toBeGreaterThan(0)
    expect(Math.max(...inside)).toBeLessThan(0.51)
    expect(Math.max(...past)).toBeGreaterThan(1.5)
  })
})
