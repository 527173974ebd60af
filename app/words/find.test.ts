import { describe, expect, it } from 'vitest'
import { QUANTITIES } from '#core'
import { QUANTITY_WORDS } from '#shared/words/quantities'
import { findable, matchOf } from './find'
import { STATIONS } from './stations'

const FINDABLE = findable()
const best = (sought: string) => [...FINDABLE].map(f => ({ f, m: matchOf(f, sought) })).filter(({ m }) => m > 0).sort((a, b) => b.m - a.m)[0]?.f

describe('finding things in a build', () => {
  it('knows every station, every leaf and every figure that can be stated', () => {
    for (const { name, leaves } of Object.values(STATIONS)) for (const n of [name, ...leaves.map(l => l.name)]) expect(best(n)?.name, n).toBe(n)
    for (const q of Object.keys(QUANTITIES)) expect(FINDABLE.some(f => f.place.field === q), q).toBe(true)
    for (const { place } of FINDABLE) if (place.leaf) expect(STATIONS[place.station].leaves.map(l => l.key), place.leaf).toContain(place.leaf)
  })
  it.each([
    ['mock', 'mockup', undefined], ['shape', 'shape', undefined], ['squish', 'mockup', 'squish'], ['solder', 'mockup', 'squish'], ['TDC', 'mockup', 'tdc'],
    ['rod', 'sheet', 'section'], ['burette', 'pour', undefined], ['skim', 'cut', 'face'], ['undo', 'daybook', 'entries'], ['unshroud', 'shape', 'gap'], ['lathe', 'mockup', 'turned'],
    // Stations without leaves go by the trade's words as well.
    ['bill of hours', 'papers', undefined], ['way to the target', 'route', undefined], ['clock, hours', 'daybook', 'card']
  ] as const)('“%s” leads to %s', (sought, station, leaf) => {
    const found = best(sought)
    expect(found?.place.station).toBe(station)
    if (leaf) expect(found?.place.leaf).toBe(leaf)
  })
  it('an engine that has no valves has its exhaust port’s opening on the Sheet, and nothing of a valve', () => {
    const list = findable({ strokes: 2, arrangement: 'single', first: 'front', head: 'turned', intakes: 0, exhausts: 0, chamber: 'turnedDome' }, 1)
    expect(list.find(f => f.place.field === 'exhaustDuration')).toMatchObject({ place: { station: 'sheet', leaf: 'section' }, where: expect.stringContaining('Sheet') })
    expect(FINDABLE.find(f => f.place.field === 'exhaustDuration')?.place).toMatchObject({ station: 'mockup', leaf: 'springs' })
    expect(list.filter(f => /SeatHeight|Float|ThroatShare/.test(f.place.field ?? '') || f.place.leaf === 'springs')).toEqual([])
  })
  it('what nothing is called by finds nothing', () => expect(best('zzz')).toBeUndefined())
  it('every field is found by its label', () => {
    for (const words of Object.values(QUANTITY_WORDS)) expect(best(words.label), words.label).toBeDefined()
  })
})
