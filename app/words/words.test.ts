import { describe, expect, it } from 'vitest'
import { advice, flatCut, replay, shares, type Advice, type Entry, type Moves, type Tried } from '#core'
import type { Stage } from '#core/plan/route'
import { demoShop } from '#demo/shop'
import { RulesRequest, check } from '#shared/dto'
import { sayEntry, sayScope, typedOf } from './entries'
import { sayDrop } from './cuts'
import { clearanceFormula, ratioFormula } from './formulas'
import { sayAdvice, sayGap } from './advice'
import { sayImprovement, saySource } from './sources'
import { inTyped } from './refusals'
import { sayToState, typedFigure } from './statement'
import { sayOffer } from './gaskets'
import { sayFirstCut, sayMissing, sayStage } from './routes'

const launch = demoShop.builds[0]!
const replayed = replay(launch.entries)!
const byId = new Map(launch.entries.map(e => [e.id, e]))

type Told = Advice extends infer A ? A extends Advice ? Omit<A, 'cylinders' | 'heads' | 'at'> : never : never
const open = (told: Told, cylinders: number[] = [1], heads: number[] = [1]) => ({ ...told, cylinders, heads, at: { station: 'cut' } }) as Advice

it.each([
  ['40 thou', 'thou', '40 thou'], ['7.2in2', 'in2', '7.2in2'], ['1 1/4"', 'in', '1 1/4"'], ['92', 'mm', '92 mm'], ['10 - 2', 'mm', '10 - 2 mm'], ['−0,2', 'in', '−0,2 in'], ['9.9', ':1', '9.9'], ['24°', '°', '24°'], ['', 'mm', '']
])('what was typed, %j, has its unit once', (typed, unit, told) => expect(typedFigure({ value: 1, unit, typed })).toBe(told))

it('what nobody stated is asked for by its name, and where', () => {
  const without = (...names: string[]) => replay(launch.entries.filter(e => !('quantity' in e.body) || !names.includes(e.body.quantity)))
  const asked = ['stroke', 'rodLength', 'revs'] as const
  expect(sayToState(without('revs', 'rodLength'), 1, asked, 'mockup')).toBe('State the rod length on the Sheet, and the highest revs')
  expect(sayToState(without('revs'), 1, asked, 'ports')).toBe('State the highest revs at Mock-up')
  expect(sayToState(without(), 1, asked, 'mockup')).toBeUndefined()
})

describe('what is open is said', () => {
  it.each<[Told, number[], RegExp]>([
    [{ kind: 'layOut' }, [], /how many cylinders/],
    [{ kind: 'pourSecond' }, [2, 5], /^Cylinders 2 and 5 have one pour only\. Pour again before you cut\.$/],
    [{ kind: 'pour' }, [1, 2, 3, 4, 5, 6], /^All six cylinders are still to be poured/],
    [{ kind: 'pourAgain' }, [4], /Cylinder 4 has been worked on since the last pour/],
    [{ kind: 'pourCrown' }, [4], /^The crown of cylinder 4 was changed and not measured since: the ratio goes by what was planned\. Pour it\.$/],
    [{ kind: 'pourCrown' }, [1, 2, 3, 4, 5, 6], /^The crowns of all six cylinders were changed/],
    [{ kind: 'disagree', encloses: 'chamber', figure: 0.7, change: -0.7, limit: 0.26 }, [3], /differ by 0\.70 cc; the glass allows 0\.26 cc/],
    [{ kind: 'state', quantity: 'bore' }, [1], /^State the bore: without it there is no ratio/],
    [{ kind: 'assumed', quantity: 'crownVolume', of: 'ratio', figure: 0.41, limit: 0.25 }, [1], /crown volume: it is only assumed, and makes 41 %/],
    [{ kind: 'assumed', quantity: 'mouthArea', of: 'depth', figure: 0.94, limit: 0.25 }, [1], /the mouth area of head 1: .* 94 % of what is unsure about the depth of a cut/],
    [{ kind: 'assumed', quantity: 'exhaustSeatHeight', of: 'seat', figure: 1, limit: 0.25 }, [1], /only assumed, and the cut would reach it/],
    [{ kind: 'seatLost', valve: 'exhaust', figure: -0.12, limit: 0, planned: true }, [1], /planned cut goes 0\.12 mm past the exhaust seats/],
    [{ kind: 'seatLost', valve: 'intake', figure: -0.12, limit: 0, planned: false }, [1], /The face is 0\.12 mm past the intake seats/],
    [{ kind: 'passesTarget', figure: 10.24, limit: 10, planned: true }, [2], /Cylinder 2 would pass the target, 10\.24 where 10\.00 is the most/],
    [{ kind: 'passesTarget', figure: 10.24, limit: 10, planned: false }, [2], /Cylinder 2 is past the target at 10\.24; 10\.00 is the most\. Open the chamber/],
    [{ kind: 'passesTarget', figure: 10.24, limit: 10, planned: false, lift: true }, [1], /is the most\. Lift the barrel/],
    [{ kind: 'tooClose', clearance: 'exhaustClearance', figure: 1.02, limit: 2.5, planned: false }, [1], /is 1\.02 mm on cylinder 1, 1\.48 mm under the shop’s minimum/],
    [{ kind: 'tooClose', clearance: 'exhaustClearance', figure: 0.53, limit: 2.5, planned: true }, [1, 2], /would come to 0\.53 mm on the worst of cylinders 1 and 2/],
    [{ kind: 'springRoom', room: 'travel', valve: 'intake', figure: 0.4, limit: 1.2, planned: false }, [3], /The intake spring of cylinder 3 has 0\.40 mm left before it is solid; the minimum is 1\.20 mm\. Do not turn the engine over/],
    [{ kind: 'springRoom', room: 'travel', valve: 'exhaust', figure: -0.2, limit: 1.2, planned: true }, [1, 2], /The exhaust spring of the worst of cylinders 1 and 2 would be solid 0\.20 mm before its valve is open/],
    [{ kind: 'springRoom', room: 'seal', valve: 'exhaust', figure: -0.3, limit: 1, planned: false }, [1], /The exhaust retainer of cylinder 1 is 0\.30 mm into the seal/],
    [{ kind: 'springRoom', room: 'seal', valve: 'exhaust', figure: 0.6, limit: 1, planned: true }, [1], /The exhaust retainer of cylinder 1 would come within 0\.60 mm of the seal; the minimum is 1\.00 mm/],
    [{ kind: 'gasketInBore', figure: 91, limit: 92, planned: false }, [1], /91\.00 mm across and the bore 92\.00 mm/],
    [{ kind: 'plan', way: 'cut', figure: 1.12, source: 'solid', waiting: false }, [4], /at 1\.12 mm off head 1 the first cylinder reaches/],
    [{ kind: 'plan', way: 'cut', figure: 0.49, waiting: false, past: { kind: 'seat', cylinder: 1, valve: 'exhaust', figure: 0.19, assumed: false } }, [1], /^0\.49 mm off head 1 reaches the target, but goes into the exhaust seat of cylinder 1\. Route has the other ways\.$/],
    [{ kind: 'plan', way: 'cut', figure: 0.49, waiting: false, past: { kind: 'seat', cylinder: 1, valve: 'exhaust', figure: 0.19, assumed: true } }, [1], /only assumed, is met before\. Measure that height first\.$/],
    [{ kind: 'plan', way: 'cut', figure: 0.58, waiting: false, past: { kind: 'clearance', cylinder: 2, clearance: 'exhaustClearance', figure: 2.12, least: 2.5 } }, [2], /leaves the exhaust valve 2\.12 mm from the piston on cylinder 2/],
    [{ kind: 'plan', way: 'cut', figure: 0.58, waiting: false, past: { kind: 'clearance', cylinder: 2, clearance: 'exhaustClearance', figure: -0.3, least: 2.5 } }, [2], /puts the exhaust valve 0\.30 mm into the piston on cylinder 2/],
    [{ kind: 'plan', way: 'even', waiting: false }, [4], /another of head 1 is there already: even the chambers first/],
    [{ kind: 'plan', way: 'cut', waiting: true }, [4], /Plan the cut of head 1: the Cut station tells/],
    [{ kind: 'plan', way: 'open', waiting: false }, [4], /stands above the target/],
    [{ kind: 'plan', way: 'foot', waiting: false, figure: 0.23, first: 2 }, [1, 2], /^Plan 0\.23 mm off the barrel’s foot: cylinder 2/],
    [{ kind: 'plan', way: 'foot', waiting: false, figure: 0.23, past: { kind: 'squish', cylinder: 1, figure: 0.27, least: 0.75 } }, [1], /leaves 0\.27 mm of squish at cylinder 1, where 0\.75 mm is the shop’s minimum\. Route/],
    [{ kind: 'plan', way: 'lift', waiting: false }, [1], /^Cylinder 1 stands above the target\. Lift the barrel/],
    [{ kind: 'do', what: 'deckCut', operations: ['x'], figure: 0.23, foot: true }, [1], /^Cut 0\.23 mm off the barrel’s foot/],
    [{ kind: 'squishTight', figure: 0.4, limit: 0.75, planned: true, still: true }, [2, 3], /^The squish of the worst of cylinders 2 and 3 would come to 0\.40 mm, 0\.35 mm under the shop’s minimum\. State the highest revs/],
    [{ kind: 'squishTight', figure: 0.4, limit: 0.6, planned: false, still: false }, [2], /^The squish of cylinder 2 is 0\.40 mm running, 0\.20 mm under/],
    [{ kind: 'do', what: 'faceCut', operations: ['x'], figure: 1.08 }, [1], /^Cut 1\.08 mm off head 1, measure/],
    [{ kind: 'do', what: 'faceCut', operations: ['x'], figure: 1.02, laid: { slopeY: -0.0087269 } }, [1], /^Cut head 1, laid over 0\.50° about the crank, 1\.02 mm in all at the bore line, measure/],
    [{ kind: 'do', what: 'faceCut', operations: ['x'], figure: 1.02, laid: { slopeX: 0.0087269 } }, [1], /laid over 0\.50° across the crank, 1\.02 mm in all in the middle, measure/],
    [{ kind: 'do', what: 'deckCut', operations: ['x'], figure: 0.2 }, [1, 3, 5], /^Cut 0\.20 mm off the deck of cylinders 1, 3 and 5, measure/],
    [{ kind: 'do', what: 'relief', operations: ['x'] }, [2, 5], /^Grind cylinders 2 and 5 as planned/],
    [{ kind: 'do', what: 'seatWork', operations: ['x'] }, [1], /^Do the seats of cylinder 1/],
    [{ kind: 'do', what: 'gasketChange', operations: ['x'] }, [1], /^Fit the gasket that is planned on head 1/],
    [{ kind: 'leak', encloses: 'intakePort', figure: 0.24, limit: 0.2 }, [2], /intake port of cylinder 2 loses 0\.24 cc a minute/],
    [{ kind: 'disagree', encloses: 'crown', figure: 0.9, change: 0.9, limit: 0.3 }, [2], /^The crown pours of cylinder 2 .*a leak past a valve/],
    [{ kind: 'pourFine' }, [1, 2], /only measured with a syringe/],
    [{ kind: 'squish', figure: 1.95, limit: 1.1 }, [1], /^Squish first: it is 0\.85 mm wider/],
    [{ kind: 'squishTouches', figure: -0.1, limit: 0, planned: true, still: true }, [2], /^With the engine still, the squish of cylinder 2 would be −0\.10 mm: piston and head touch/],
    [{ kind: 'squishTouches', figure: -0.04, limit: 0, planned: true, still: false }, [3], /^With the engine running, the squish of cylinder 3 would be −0\.04 mm: piston and head touch/],
    [{ kind: 'onTarget' }, [1], /Every cylinder is on target/],
    [{ kind: 'setTarget' }, [1], /target ratio/]
  ])('%o', (told, cylinders, says) => expect(sayAdvice(open(told, cylinders), 6, 'mm').sentence).toMatch(says))
  it('contact, lost metal and challenges are stops', () => {
    expect(sayAdvice(open({ kind: 'passesTarget', figure: 10.2, limit: 10, planned: true }), 6, 'mm').urgent).toBe(true)
    expect(sayAdvice(open({ kind: 'pour' }), 6, 'mm').urgent).toBeUndefined()
    expect(advice(replayed)[0]!.at).toEqual({ station: 'pour', fill: 'chamber' })
  })
  it('says a gap over, under, or on target', () => {
    expect(sayGap(7.09, false)).toBe('7.1 cc over')
    expect(sayGap(-1.2, false)).toBe('1.2 cc under')
    expect(sayGap(0.5, true)).toBe('on target')
  })
})

describe('entries and sources are said', () => {
  it('names every source of a ratio, and what would make it surer', () => {
    const said = shares(replayed.asIs[0]!.ratio!.estimate).map(s => saySource(s.source, byId, 'mm'))
    expect(said).toContain('Gasket, fitted 1.20 mm (book)')
    expect(said).toContain('The scale of Long burette, 100 cc')
    expect(said).toContain('Deck clearance 0.34 mm (measured), cyl. 1')
    expect(said).not.toContain('A reading')
    const pour = launch.entries.find(e => e.kind === 'pour')!
    expect(saySource(`entry:${pour.id}:depth`, byId, 'mm')).toBe('How far the piston stood down, cyl. 1')
    expect(saySource(`takenOff:${pour.id}`, byId, 'mm')).toBe('What was filled beside and taken off')
    expect(saySource(`entry:${pour.id}:sunk`, byId, 'mm')).not.toMatch(/undefined/)
    expect(sayImprovement(`entry:${launch.entries.find(e => e.kind === 'solder')!.id}`, byId)).toMatch(/another place/i)
    expect(saySource('standIn:deckClearance', byId, 'mm')).toBe('Deck clearance: nobody has stated it')
    expect([saySource('model:ground1', byId, 'mm'), sayImprovement('model:ground1', byId)]).toEqual(['How much the grinding widened the mouth', 'Measure the mouth’s area again, now that it is ground.'])
    expect(sayImprovement('standIn:deckClearance', byId)).toMatch(/Measure it/)
    expect(sayImprovement('scale:x', byId)).toMatch(/finer burette/)
  })
  it('says each kind of entry in one line without a gap', () => {
    const all: Entry[] = demoShop.builds.flatMap(b => b.entries)
    for (const entry of all) expect(sayEntry(entry, 'mm')).not.toMatch(/undefined|NaN|\[object/)
    expect(new Set(all.map(e => e.kind)).size).toBeGreaterThanOrEqual(9)
    expect(typedOf(all.find(e => e.kind === 'pour')!)).toBe('55.4')
    expect(sayScope({ level: 'cylinder', cylinder: 4 })).toBe('cyl. 4')
  })
  it('puts the numbers into the formulas', () => {
    expect(ratioFormula(replayed.asIs[3]!)).toBe('(swept + clearance) / clearance = (565.05 + 70.58) / 70.58')
    expect(clearanceFormula(replayed.asIs[3]!)).toBe('chamber 56.20 + gasket 8.33 + deck 2.39 + crown 3.00 + crevice 0.66')
  })
})

describe('what a shop rule is refused for', () => {
  const clearances = { intake: 2, exhaust: 2.5, side: 1.2, aluminiumMore: 0.5, valveToValve: 1, domeToChamber: 1 }
  const row = { rod: 'steel', boreTo: 90, revsTo: 6000, least: 0.6, most: 1.1 }
  const told = (rules: object) => {
    const checked = check(RulesRequest, { hand: 'TT', squish: [row], clearances, ...rules })
    return checked.ok ? [] : checked.fields.map(f => inTyped(f.sentence, 'in'))
  }
  it('is said in the inches it was typed in, and names no millimetre', () => {
    const all = [
      ...told({ squish: [{ ...row, boreTo: 5, least: 'x', most: 0.2 }] }), ...told({ squish: [{ ...row, most: 'y' }] }), ...told({ squish: [{ ...row, most: 12 }] }),
      ...Object.keys(clearances).flatMap(name => [...told({ clearances: { ...clearances, [name]: 70 } }), ...told({ clearances: { ...clearances, [name]: 'z' } })])
    ]
    expect(all.length).toBeGreaterThan(14)
    for (const sentence of all) expect(sentence).not.toMatch(/\bmm\b/)
    expect(told({ clearances: { ...clearances, intake: 70 } })[0]).toBe('2.7559 in can’t be right for the intake’s minimum: it must lie between 0 in and 0.3937 in.')
    expect(told({ squish: [{ ...row, most: 'y' }] })[0]).toMatch(/^A number is needed for the maximum, (in inches|between 0.0020 in and 0.3150 in)\.$/)
  })
})

describe('a stage on several heads', () => {
  const way = { grinding: 'none', down: 'face', setUps: 1 } as const
  const figuresOf = (faces: number[], decks: number[] = [0]) => ({ faces, decks, slope: 0, ground: new Map<number, number>(), sunk: { intake: 0, exhaust: 0 } })
  const faceStage = (...cuts: [head: number, depth: number][]): Stage => ({ work: 'face', depths: cuts.map(([, d]) => d), operations: cuts.map(([head, depth]) => flatCut(head, depth)), cylinders: [] })
  it.each<[[head: number, depth: number][], number, string]>([
    [[[1, 0.5]], 1, 'Cut 0.50 mm off the face'], [[[1, 0.5], [2, 0.5]], 2, 'Cut 0.50 mm off the face'], [[[2, 0.5]], 2, 'Cut the face: 0.50 mm off head 2'],
    [[[1, 0.5], [2, 0.7]], 2, 'Cut the face: 0.50 mm off head 1 and 0.70 mm off head 2']
  ])('%j of %i is said of whom it is', (cuts, heads, told) => {
    expect(sayStage({ way, figures: figuresOf(Array.from({ length: heads }, (_, i) => cuts.find(([head]) => head === i + 1)?.[1] ?? 0)) }, faceStage(...cuts), 'mm')).toBe(told)
  })
  it('valves that go up by less than the others are said so', () => {
    const seats = (['intake', 'exhaust'] as const).map((valve, i): Tried => ({ kind: 'seatWork', scope: { level: 'cylinder', cylinder: 1 }, body: { state: 'planned', valve, added: { value: 0.2, unit: 'cc', typed: '' }, sunk: { value: 0.1 + i * 0.2, unit: 'mm', typed: '' } } }))
    expect(sayStage({ way, figures: figuresOf([0]) }, { work: 'seats', depths: [], operations: seats, cylinders: [] }, 'mm')).toBe('Recut the intake seats, valves up by 0.10 mm, and the exhaust seats, valves up by 0.30 mm')
  })
  it.each<[number[], number[], RegExp | undefined]>([
    [[0.4], [0.4], undefined], [[0.3], [0.4], /^First cut 0.30 mm at most:.*this head’s/], [[0.3, 0.5], [0.4, 0.6], /^First cut 0.30 mm off head 1 and 0.50 mm off head 2 at most:.*each head’s/],
    [[0.3, 0], [0.4, 0], /^First cut 0.30 mm off head 1 at most/], [[0.3, 0.3], [0.4, 0.6], /^First cut 0.30 mm at most/], [[0, 0.5], [0.4, 0.6], /^No first cut of the face of head 1 is safe.*before you cut. First cut 0.50 mm off head 2/], [[0, 0], [0.4, 0.6], /^No first cut of the face is safe/]
  ])('a first cut of %j out of %j is told for every head', (firstCuts, faces, told) => {
    const sentence = sayFirstCut({ firstCuts, figures: figuresOf(faces) }, 'mm')
    if (told) expect(sentence).toMatch(told)
    else expect(sentence).toBeUndefined()
  })
})

describe('what brings a head down is said', () => {
  const none = { done: 0, all: 0 }
  const still = { face: none, deck: none, under: none, gasket: none, sunk: none, drop: none }
  const both = (all: number, done = 0) => ({ done, all })
  it.each<[string, Partial<Moves>, string]>([
    ['a cut', { face: both(0.8, 0.3), drop: both(0.8, 0.3) }, 'With 0.80 mm off the face, the head comes down; 0.30 mm of it is done'],
    ['all of it', { face: both(0.8), deck: both(0.2), gasket: both(-0.3), drop: both(1.3) }, 'With 0.80 mm off the face, 0.20 mm off the deck and a gasket 0.30 mm thinner, the head comes down'],
    ['a barrel that was lifted, and a cut to come', { face: both(0.8), under: both(0.5, 0.5), drop: both(0.3, -0.5) }, 'With 0.80 mm off the face and 0.50 mm more under the barrel, the head comes down; so far it has gone up 0.50 mm'],
    ['a barrel lifted', { under: both(0.5, 0.5), drop: both(-0.5, -0.5) }, 'With 0.50 mm more under the barrel, the head goes up; 0.50 mm of it is done'],
    ['nothing', {}, 'Nothing is cut or changed: the head comes down']
  ])('%s', (_, moves, told) => {
    const { by, way, done } = sayDrop({ ...still, ...moves }, 'mm')
    expect(`${by} ${way}${done}`).toBe(told)
  })
})

describe('why a way is missing is said', () => {
  const way = { grinding: 'none', down: 'face', setUps: 1 } as const
  const missing = (ratio: number, ...face: number[]) => ({
    way, faces: [2.5], decks: [0], ratios: [ratio, ratio], breaches: [
      ...face.map(figure => ({ kind: 'face' as const, figure, bound: 2, cylinders: [], grains: 10 })), { kind: 'ratio' as const, figure: ratio, bound: 8.4, cylinders: [1, 2], grains: 9 }
    ]
  })
  it.each([
    [missing(8.21, 2.5), 'mm', '2.50 mm off the face alone would go past the 2.00 mm that may come off the face, and end with the worst of cylinders 1 and 2 at 8.21, where 8.40 is the minimum.'],
    [missing(8.21, 2.5), 'in', '0.0984 in off the face alone would go past the 0.0787 in that may come off the face, and end with the worst of cylinders 1 and 2 at 8.21, where 8.40 is the minimum.'],
    [missing(8.21), 'mm', '2.50 mm off the face alone ends at 8.21.']
  ] as const)('%#: a figure once', (told, lengths, sentence) => expect(sayMissing(told, undefined, 2, lengths)).toBe(sentence))
})

describe('a gasket that is offered is named', () => {
  // Fitted: 1.20 mm, round, 94.00 across.
  const offered = (...offers: [thickness: number, bore: number][]) => replay([...launch.entries, ...offers.map(([thickness, bore], i): Entry => ({
    ...launch.entries[0]!, id: `offer ${i}`, seq: 9000 + i, kind: 'offer', v: 1, scope: { level: 'build' }, body: { thickness: { value: thickness, unit: 'mm', typed: '' }, bore: { value: bore, unit: 'mm', typed: '' } }
  } as Entry))])!
  it.each<[string, [number, number][], string]>([
    ['by its thickness', [[0.8, 94]], '0.80 mm'], ['beside one of another opening', [[0.8, 94], [0.8, 96]], '0.80 mm, bore 94.00 mm'],
    ['beside the one that is fitted', [[1.2, 96]], '1.20 mm, bore 96.00 mm'], ['offered twice', [[0.8, 94], [0.8, 94]], '0.80 mm']
  ])('%s', (_, offers, name) => expect(sayOffer(offered(...offers), 'offer 0', 'mm')).toBe(name))
})
