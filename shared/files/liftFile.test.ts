import { describe, expect, it } from 'vitest'
import { readLiftTable } from './liftFile'

const table = [{ angle: 0, lift: 0 }, { angle: 10, lift: 0.4 }, { angle: 20, lift: 1.25 }]

describe('a lift table as text', () => {
  it.each([
    ['commas', '0,0\n10,0.4\n20,1.25'],
    ['commas and spaces', '0, 0\n10, 0.4\n20, 1.25\n'],
    ['semicolons and decimal commas', '0;0\r\n10;0,4\r\n20;1,25'],
    ['tabs', '0\t0\n10\t0.4\n20\t1.25'],
    ['spaces', '  0   0\n 10  .4\n 20 1.25'],
    ['a heading', 'angle,lift\n0,0\n10,0.4\n20,1.25'],
    ['a heading with units', 'degrees; lift mm\n0°; 0\n10°; 0,4\n\n20°; 1,25']
  ])('is read with %s', (_, text) => {
    expect(readLiftTable(text, 'mm')).toEqual(table)
  })
  it('turns inches into mm', () => {
    expect(readLiftTable('0,0\n10,0.1\n20,0', 'in')).toEqual([{ angle: 0, lift: 0 }, { angle: 10, lift: 2.54 }, { angle: 20, lift: 0 }])
  })
  it.each([
    ['0,0\n10,abc\n20,1', 'Line 2 is no angle and lift: “10 abc”.'],
    ['angle lift\n\n0 0\n1o 1\n20 1', 'Line 4 is no angle and lift: “1o 1”.'],
    ['0,0\n10,1,4\n20,1', 'Line 2 is no angle and lift: “10 1 4”.'],
    ['0,0\n10,1', 'A lift table has 3 to 721 places.'],
    ['', 'A lift table has 3 to 721 places.'],
    ['0,0\n10,1\n5,2', 'The angle of place 3 can’t be right: angles rise, over 720° at most.'],
    ['0,0\n10,-1\n20,2', 'The lift of place 2 can’t be right: 0 to 60 mm.'],
    ['0,0\n10,0\n20,0', 'In this table the valve never opens.'],
    ['1'.repeat(20_001), 'That is too long for a lift table.']
  ])('is refused where it is none: %j', (text, sentence) => {
    expect(readLiftTable(text, 'mm')).toBe(sentence)
  })
})
