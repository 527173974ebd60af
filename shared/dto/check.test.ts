import { describe, expect, it } from 'vitest'
import { mayCorrect } from '#core'
import { checkEntry, check, InstrumentRequest } from './index'
import v1 from '../../core/ledger/fixtures/v1.json'

const frame = { at: '2026-03-09T08:00:00Z', hand: 'ML', v: 1, scope: { level: 'build' } }
const bore = (value: unknown) => ({ ...frame, kind: 'measure', body: { quantity: 'bore', figure: { value, unit: 'mm', typed: '92' } } })
const pour = (fills: unknown) => ({
  ...frame, kind: 'pour', scope: { level: 'cylinder', cylinder: 1 },
  body: {
    encloses: 'chamber', fills, typed: '55.4',
    instrument: { id: 'b3a1c1de-9c1f-4a7e-8f36-5d1b2a7c4e90', name: 'Long burette', kind: 'burette', capacity: 100, tolerance: 0.2, resolution: 0.1, scale: 'deliver', film: 0, repeatability: 0 }
  }
})
const faults = (entry: unknown) => {
  const checked = checkEntry(entry)
  return checked.ok ? [] : checked.fields
}

describe('an entry is checked', () => {
  it('takes what is sound', () => {
    expect(faults(bore(92))).toEqual([])
    expect(faults(pour([{ start: 0, end: 55.4 }]))).toEqual([])
  })
  it.each<[string, unknown, string, RegExp]>([
    ['a negative bore', bore(-92), 'body.figure', /−92.000 mm can’t be right for the bore: it must lie between 20.000 mm and 300.000 mm/],
    ['an absurd bore', bore(9200), 'body.figure', /can’t be right/],
    ['text for a number', bore('92'), 'body.figure', /A number is needed for the bore/],
    ['null for a number', bore(null), 'body.figure', /A number is needed/],
    ['a unit of another kind', { ...bore(92), body: { quantity: 'bore', figure: { value: 92, unit: 'cc', typed: '92' } } }, 'body.figure', /unit does not fit/],
    ['an unknown field in the frame', { ...bore(92), extra: 1 }, 'extra', /“extra” is not known here/],
    ['an unknown field in the body', { ...bore(92), body: { ...bore(92).body, flag: 'measured' } }, 'body.flag', /not known/],
    ['an unknown field in a figure', { ...bore(92), body: { quantity: 'bore', figure: { value: 92, unit: 'mm', typed: '92', x: 1 } } }, 'body.figure', /“x” is not known/],
    ['a quantity from the object’s workings', { ...bore(92), body: { ...bore(92).body, quantity: 'constructor' } }, 'body.quantity', /must be one of/],
    ['a measured chamber that is no pour', { ...frame, kind: 'measure', body: { quantity: 'chamberVolume', figure: { value: 55, unit: 'cc', typed: '55' } } }, 'body.quantity', /is a pour/],
    ['a ratio that was measured', { ...frame, kind: 'measure', body: { quantity: 'bookRatio', figure: { value: 9.5, unit: ':1', typed: '9.5' } } }, 'body.quantity', /follows from the volumes/],
    ['a reading beyond the scale', pour([{ start: 0, end: 120 }]), 'body.fills[0].end', /120 can’t be right: it must be on the scale, 0 to 100/],
    ['the scale the wrong way round', pour([{ start: 0, end: 60 }, { start: 50, end: 10 }]), 'body.fills[1].end', /a burette counts what was delivered/],
    ['no fills', pour([]), 'body.fills', /between one fill and twenty/],
    ['text in a fill', pour([{ start: 0, end: 'x' }]), 'body.fills[0].end', /A number is needed for the end reading/],
    ['a ratio of 1', { ...frame, kind: 'target', body: { ratio: { value: 1, unit: ':1', typed: '1' }, tolerance: { value: 0.1, unit: ':1', typed: '.1' }, countsCrevice: true } }, 'body.ratio', /target ratio/],
    ['a script in a note', { ...bore(92), note: '<script>alert(1)</script>' }, 'note', /plain words/],
    ['a hand of digits', { ...bore(92), hand: '12' }, 'hand', /Initials/],
    ['a time in words', { ...bore(92), at: 'yesterday' }, 'at', /time/],
    ['a time in the future', { ...bore(92), at: '2126-03-09T08:00:00Z' }, 'at', /future/],
    ['a scope that does not fit', { ...bore(92), kind: 'faceCut', body: { state: 'planned', depth: { value: 1, unit: 'mm', typed: '1' } } }, 'scope', /about the head/],
    ['a scope with two places', { ...bore(92), scope: { level: 'head', head: 1, cylinder: 2 } }, 'scope', /nothing else/],
    ['a measured depth on a plan', { ...frame, kind: 'faceCut', scope: { level: 'head', head: 1 }, body: { state: 'planned', depth: { value: 1, unit: 'mm', typed: '1' }, measured: { value: 1, unit: 'mm', typed: '1' } } }, 'body.measured', /was done/],
    ['a void of nothing', { ...frame, kind: 'void', body: { reason: 'x' } }, 'supersedes', /which entry/],
    ['an unknown kind', { ...frame, kind: 'erase', body: {} }, 'kind', /must be one of/],
    ['a list', [], '', /object/],
    ['a way into the prototype', JSON.parse('{"__proto__":{"x":1}}'), '__proto__', /not known/],
    ['a cylinder in two heads', { ...frame, kind: 'layout', body: { heads: [[1, 2], [2]], banks: [[1, 2]] } }, 'body.heads', /one group only/]
  ])('refuses %s with the field’s path and a sentence', (_what, entry, path, says) => {
    const found = faults(entry)
    expect(found.map(f => f.path)).toContain(path)
    expect(found.find(f => f.path === path)!.sentence).toMatch(says)
  })
  it('takes a share in per cent, says its bounds so, and still takes one that was kept as a part of one', () => {
    const share = (value: number, unit: string) => ({ ...frame, kind: 'wish', body: { quantity: 'intakeThroatShare', figure: { value, unit, typed: '89' } } })
    expect(faults(share(0.89, '%'))).toEqual([])
    expect(faults(share(0.89, ':1'))).toEqual([])
    expect(faults(share(0.0089, '%'))[0]!.sentence).toMatch(/^0.89 % can’t be right for .*between 60.00 % and 98.00 %/)
  })
  it('says a bound in the unit that was typed, and takes a difference of temperature as it was once kept', () => {
    const beside = (name: 'warmer' | 'scaleTemperature', value: number, unit: string) => {
      const entry = pour([{ start: 0, end: 55.4 }])
      return faults({ ...entry, body: { ...entry.body, [name]: { value, unit, typed: '' } } }).map(f => f.sentence)
    }
    // 60 °C is 140 °F; 60 °C more is 108 °F more.
    expect(beside('scaleTemperature', 70, '°F')[0]).toContain('158.00 °F can’t be right')
    expect(beside('scaleTemperature', 70, '°F')[0]).toContain('140.00 °F')
    expect(beside('warmer', 70, 'F°')[0]).toContain('108.00 °F')
    expect([beside('warmer', 10, '°C'), beside('warmer', 10, 'K'), beside('scaleTemperature', 20, '°F')]).toEqual([[], [], []])
    expect(beside('warmer', 10, '°F')[0]).toMatch(/unit does not fit/)
  })
  it('still takes every stored body of version 1', () => {
    for (const { id: _id, build: _build, seq: _seq, ...sent } of v1 as Record<string, unknown>[]) expect(faults(sent)).toEqual([])
  })
})

describe('instruments and corrections', () => {
  it('wants an instrument whose figures can be', () => {
    const checked = check(InstrumentRequest, { name: 'X; DROP TABLE entries', kind: 'bucket', capacity: -1, tolerance: 'wide', resolution: 0.1, scale: 'deliver', film: 0, repeatability: 0, hand: 'ML' })
    expect(checked.ok ? [] : checked.fields.map(f => f.path).sort()).toEqual(['capacity', 'kind', 'name', 'tolerance'])
  })
  it('lets statements change their basis and nothing else its kind', () => {
    expect(mayCorrect('book', 'measure')).toBe(true)
    expect(mayCorrect('pour', 'measure')).toBe(false)
    expect(mayCorrect('void', 'void')).toBe(false)
    expect(mayCorrect('faceCut', 'faceCut')).toBe(true)
  })
})
