import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readGauge } from '#shared/figures'
import { readLines } from './lines'

describe('what a gauge sends', () => {
  it('is read however the pieces fall', () => {
    const lines = readLines()
    expect([...lines('+55'), ...lines('.4 c'), ...lines('c\r\n0.34mm\n'), ...lines('ERR 2\n-0.02\r+4.00 mm +46'), ...lines('.8 L/s\r\n4 mm\t2 L/s\n')]).toEqual(['+55.4 cc', '0.34mm', '-0.02', '+4.00 mm +46.8 L/s'])
  })
  it('drops what runs on without an end, and goes on after it', () => {
    const lines = readLines()
    expect(lines('9'.repeat(100_000))).toEqual([])
    expect(lines('\n1.5 mm\n')).toEqual(['1.5 mm'])
  })
  it('becomes what somebody would type', () => {
    expect(readGauge('+55.4 cc')).toBe('55.4 cc')
    expect(readGauge(' 0,34mm ')).toBe('0,34 mm')
    for (const odd of ['', 'ERR', '1e9', '12 13', 'x'.repeat(99), '<b>1</b>', 7, null, undefined, { toString: () => '1' }]) expect(readGauge(odd)).toBeUndefined()
  })
  it('a thousand random streams never break it, and all it lets through can be read', () => {
    fc.assert(fc.property(fc.array(fc.oneof(fc.string(), fc.constantFrom('\n', '1.2 mm\r\n', '55.4', ' cc\n', '\u0000', '💥')), { maxLength: 30 }), (pieces) => {
      const lines = readLines()
      for (const line of pieces.flatMap(lines)) {
        expect(line.length).toBeLessThanOrEqual(64)
        const reading = readGauge(line)
        if (reading !== undefined) expect(reading).toMatch(/^-?\d/)
      }
    }), { numRuns: 1000 })
    fc.assert(fc.property(fc.anything(), (message) => {
      const reading = readGauge(message)
      expect(reading === undefined || typeof reading === 'string').toBe(true)
    }), { numRuns: 1000 })
  })
})
