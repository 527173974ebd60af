import { describe, expect, it } from 'vitest'
import { all, mm, nextMove, oneCylinder } from '../../../tests/support/ledgerBench'
import { NO_SOLIDS, STARTING_RULES, asIf, gasketsOffered, replay, type Lever } from '../..'
import { drained, leversOf, searchRoutes, startingLimits, type Found } from '.'

describe('an engine whose revs nobody said', () => {
  // Gasket 1.20: 1.80 stand at first, then 0.80, then 0.50; 0.75 is the widest minimum for steel rods.
  it.each([[0.6, 0.75], [-0.4, 0.75], [-0.7, 0.5]])('with %f mm of deck no way closes its squish past %f', (deck, least) => {
    const bench = oneCylinder()
    bench.state('deckClearance', deck)
    bench.pour(1, 60)
    const r = replay(bench.entries)!
    const limits = startingLimits(r, STARTING_RULES)
    expect(asIf(r, [], NO_SOLIDS).cylinders[0]!.squish.running).toBeUndefined()
    expect(limits.squishLeast).toBe(least)
    expect(limits.squishMost).toBeUndefined()
    const { routes } = drained(searchRoutes(r, STARTING_RULES, NO_SOLIDS, { levers: ['face', 'deck'], limits })) as Found
    expect(routes.length).toBeGreaterThan(0)
    for (const { stages } of routes) expect(Math.min(...stages.flatMap(s => s.cylinders.map(c => c.squish!)))).toBeGreaterThan(least - 0.011)
  })
})

it('a limit is that of whoever asks for most: of the head whose deck may lose least, of the bank with aluminium rods', () => {
  const bench = oneCylinder(4)
  const [one, other] = [[1, 3], [2, 4]]
  Object.assign(bench.entries[0]!.body, { heads: [one, other], banks: [one, other] })
  bench.state('revs', 5000)
  const limits = () => startingLimits(replay(bench.entries)!, STARTING_RULES)
  // The window of steel rods up to a bore of 100 and 6 500 rpm; that of aluminium ones.
  expect(limits()).toMatchObject({ squishLeast: 0.6, squishMost: 1.1 })
  expect(limits().deckLeft).toBeUndefined()
  bench.state('leastDeckThickness', 9, 'book', { level: 'head', head: 2 })
  bench.add('rod', { level: 'bank', bank: 2 }, { material: 'aluminium' })
  expect(limits()).toMatchObject({ squishLeast: 0.9, squishMost: 1.6, deckLeft: 9 })
  bench.state('leastDeckThickness', 8, 'book', { level: 'head', head: 1 })
  expect(limits().deckLeft).toBe(9)
})

it('a recessed pad is a limit of the face until it lies in it, and what the face leaves is the deck’s', () => {
  const found = (recess: number, levers: readonly Lever[]) => {
    const bench = oneCylinder()
    bench.state('squishRecess', recess)
    bench.add('target', all, { ratio: mm(9.9), tolerance: mm(0.3), countsCrevice: true })
    // 0.6 mm over at 4.65 cc a mm; 9.65 after 0.2 of it.
    bench.pour(1, 49.11 + 0.6 * 4.65)
    const r = replay(bench.entries)!
    return drained(searchRoutes(r, STARTING_RULES, NO_SOLIDS, { levers, limits: { ...startingLimits(r, STARTING_RULES), squishLeast: 1.56 + recess - 0.2 } })) as Found
  }
  // 0.20 may come off while the pad is nearer than its recess; with 0.15 of it the pad lies in the face before that.
  expect(found(0.6, ['face']).routes[0]!.figures.faces[0]).toBeCloseTo(0.2, 6)
  expect(found(0.15, ['face']).routes[0]!.figures.faces[0]).toBeGreaterThan(0.55)
  for (const { figures: { faces, decks } } of found(0.15, ['face', 'deck']).routes) expect(decks[0]! + Math.min(faces[0]!, 0.15)).toBeLessThan(0.2 + 1e-6)
})

it('a face cut is not held by a squish that it takes nothing from; a deck cut is', () => {
  const bench = oneCylinder()
  // 1.56 of squish; 0.4 mm of face over at 4.65 cc a mm, and 0.28 of deck over at 6.65.
  bench.pour(1, 49.11 + 0.4 * 4.65)
  const r = replay(bench.entries)!
  const held = (lever: Lever) => (drained(searchRoutes(r, STARTING_RULES, NO_SOLIDS, { levers: [lever], limits: { ...startingLimits(r, STARTING_RULES), squishLeast: 1.2, faceMost: 2, deckMost: 2 } })) as Found).routes[0]!.held
  expect(held('face')).toMatchObject({ kind: 'face', bound: 2 })
  expect(held('deck')).toMatchObject({ kind: 'squishLeast', bound: 1.2, cylinders: [1] })
})

describe('a two-stroke whose heads come off and have no valves', () => {
  const bench = oneCylinder(2)
  Object.assign(bench.entries[0]!.body, { engine: { strokes: 2, arrangement: 'inLine', first: 'front', head: 'removable', intakes: 0, exhausts: 0, chamber: 'hemispherical' } })
  it('has no lever of valves or seats', () => {
    expect(leversOf(replay(bench.entries)!).map(l => l.lever)).toEqual(['gasket', 'grind', 'open', 'face', 'crown', 'piston', 'deck', 'spacer'])
  })
  it('is sent to Route where it is past its target: it has no Shape', () => {
    for (const cylinder of [1, 2, 1, 2]) bench.pour(cylinder, 46)
    expect(nextMove(replay(bench.entries)!)).toMatchObject({ kind: 'plan', way: 'open', at: { station: 'route' } })
  })
})

it('a flat head over a bowl in the piston is not cut through its roof, whatever else is short', () => {
  const bench = oneCylinder()
  bench.pour(1, 2)
  bench.state('crownVolume', 60)
  const r = replay(bench.entries)!
  const { routes, nearest, missing } = drained(searchRoutes(r, STARTING_RULES, NO_SOLIDS, { levers: ['face'], limits: startingLimits(r, STARTING_RULES) })) as Found
  expect(routes).toEqual([])
  // 2 cc over 4.65 are gone by 0.43 mm: 0.4 is the last knot of the table that leaves anything.
  for (const { faces } of [nearest!.figures, ...missing]) expect(faces[0]).toBeCloseTo(0.4, 2)
})

it('a gasket that one of two heads has already goes under the other alone, and is paid for once', () => {
  const bench = oneCylinder(2)
  Object.assign(bench.entries[0]!.body, { heads: [[1], [2]], banks: [[1], [2]] })
  const head = (of: number) => ({ level: 'head', head: of }) as const
  const thin = { thickness: mm(0.9), bore: mm(94) }
  bench.add('offer', head(1), thin)
  bench.add('offer', all, { ...thin, name: 'the same once more' })
  bench.add('gasketChange', head(1), { ...thin, state: 'done' })
  // π/4·94²·0.3 = 2.08 cc under the thinner gasket: the second head ends low without it.
  for (const [cylinder, end] of [[1, 51.2], [2, 51.2], [1, 51.2], [2, 51.2]] as const) bench.pour(cylinder, end)
  const r = replay(bench.entries)!
  expect(gasketsOffered(r, 2)).toHaveLength(1)
  const { routes } = drained(searchRoutes(r, STARTING_RULES, NO_SOLIDS, { levers: ['gasket', 'face'], limits: startingLimits(r, STARTING_RULES) })) as Found
  const fitted = routes.find(route => route.way.gasket)!.stages.find(s => s.work === 'gasket')!.operations
  expect(fitted.map(op => op.scope)).toEqual([head(2)])
  // Once it is under both it is no lever any more.
  bench.add('gasketChange', head(2), { ...thin, state: 'done' })
  expect(leversOf(replay(bench.entries)!).find(l => l.lever === 'gasket')).toEqual({ lever: 'gasket', wants: 'offer' })
  expect(leversOf(replay(bench.entries)!).find(l => l.lever === 'roll')).toEqual({ lever: 'roll', wants: 'drawing' })
  // What only one of them lacks is told of that one.
  const apart = bench.entries.filter(e => !(e.kind === 'measure' && e.body.quantity === 'deckClearance'))
  bench.state('deckClearance', 0.36, 'measure', { level: 'cylinder', cylinder: 1 })
  expect(leversOf(replay([...apart, bench.entries.at(-1)!])!).find(l => l.lever === 'deck')).toEqual({ lever: 'deck', wants: 'deckClearance', cylinder: 2 })
})
