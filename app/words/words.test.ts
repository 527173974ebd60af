import { describe, expect, it } from 'vitest'
import { nextMove, replay, shares, type Entry, type NextMove } from '#core'
import { demoShop } from '#demo/shop'
import { sayEntry, sayScope, typedOf } from './entries'
import { clearanceFormula, ratioFormula } from './formulas'
import { layoutBody } from './layouts'
import { sayGap, sayNextMove } from './nextMove'
import { sayImprovement, saySource } from './sources'

const launch = demoShop.builds[0]!
const replayed = replay(launch.entries)!
const byId = new Map(launch.entries.map(e => [e.id, e]))

describe('the next move is said', () => {
  it.each<[NextMove, RegExp]>([
    [{ kind: 'layOut' }, /how many cylinders/],
    [{ kind: 'pourSecond', cylinders: [2, 5] }, /^Cylinders 2 and 5 have one pour only\. Pour again before you cut\.$/],
    [{ kind: 'pour', cylinders: [1, 2, 3, 4, 5, 6] }, /^All six cylinders have not been poured/],
    [{ kind: 'pourAgain', cylinders: [4] }, /since cylinder 4 was poured/],
    [{ kind: 'disagree', cylinders: [3], encloses: 'chamber', difference: 0.7, change: -0.7, allowed: 0.26 }, /differ by 0\.70 cc; the glass allows 0\.26 cc/],
    [{ kind: 'state', cylinders: [1], quantity: 'bore' }, /^State the bore: without it there is no ratio/],
    [{ kind: 'state', cylinders: [1], quantity: 'crownVolume', share: 0.41 }, /crown volume: it is only assumed, and makes 41 %/],
    [{ kind: 'stop', cause: 'cutReachesSeat', cylinders: [1], valve: 'exhaust', left: -0.12 }, /0\.12 mm past the exhaust seats/],
    [{ kind: 'stop', cause: 'passesTarget', cylinders: [2] }, /Cylinder 2 would pass the target/],
    [{ kind: 'plan', head: 1, cylinders: [4], depth: 1.12 }, /1\.12 mm is the most head 1 can lose/],
    [{ kind: 'plan', head: 1, cylinders: [4], depth: 0 }, /even the chambers first/],
    [{ kind: 'plan', head: 1, cylinders: [4] }, /stands above the target/],
    [{ kind: 'do', what: 'faceCut', operation: 'x', cylinders: [1], depth: 1.08 }, /^Cut 1\.08 mm, measure/],
    [{ kind: 'do', what: 'deckCut', operation: 'x', cylinders: [1], depth: 0.2 }, /^Cut 0\.20 mm off the deck/],
    [{ kind: 'do', what: 'relief', operation: 'x', cylinders: [2, 5] }, /^Grind cylinders 2 and 5 as planned/],
    [{ kind: 'do', what: 'seatWork', operation: 'x', cylinders: [1] }, /^Do the seats of cylinder 1/],
    [{ kind: 'do', what: 'gasketChange', operation: 'x', cylinders: [1] }, /^Fit the gasket/],
    [{ kind: 'leak', cylinders: [2], encloses: 'intakePort', rate: 0.24 }, /intake port of cylinder 2 loses 0\.24 cc a minute/],
    [{ kind: 'disagree', cylinders: [2], encloses: 'crown', difference: 0.9, change: 0.9, allowed: 0.3 }, /^The crown pours of cylinder 2 .*a leak past a valve/],
    [{ kind: 'pourFine', cylinders: [1, 2] }, /only measured with a syringe/],
    [{ kind: 'squish', cylinders: [1], excess: 0.85 }, /^Squish first: it is 0\.85 mm wider/],
    [{ kind: 'stop', cause: 'squishTouches', cylinders: [3], left: -0.04 }, /squish of cylinder 3 would be −0\.04 mm\. It touches/],
    [{ kind: 'onTarget' }, /Every cylinder is on target/],
    [{ kind: 'setTarget' }, /target ratio/]
  ])('%o', (move, says) => expect(sayNextMove(move, 6, 'mm').sentence).toMatch(says))
  it('calls a stop by its name and points to where it is mended', () => {
    expect(sayNextMove({ kind: 'stop', cause: 'passesTarget', cylinders: [2] }, 6, 'mm')).toMatchObject({ urgent: true, station: 'cut' })
    expect(sayNextMove(nextMove(replayed), 6, 'mm').station).toBe('pour')
  })
  it('says a gap over, under, or on target', () => {
    expect(sayGap(7.09, 0.7)).toBe('7.1 cc over')
    expect(sayGap(-1.2, 0.7)).toBe('1.2 cc under')
    expect(sayGap(0.5, 0.7)).toBe('on target')
  })
})

describe('entries and sources are said', () => {
  it('names every source of a ratio, and what would make it surer', () => {
    const said = shares(replayed.asIs[0]!.ratio!.value).map(s => saySource(s.source, byId, 'mm'))
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

describe('layouts', () => {
  it('put the first half of the numbers on bank 1', () => {
    expect(layoutBody(5, 'twoBanks')).toEqual({ heads: [[1, 2, 3], [4, 5]], banks: [[1, 2, 3], [4, 5]] })
    expect(layoutBody(2, 'oneEach')).toEqual({ heads: [[1], [2]], banks: [[1, 2]] })
    expect(layoutBody(1, 'twoBanks')).toEqual({ heads: [[1]], banks: [[1]] })
  })
})
