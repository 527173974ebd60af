import { describe, expect, it } from 'vitest'
import { readPoints, readSections } from './sectionText'

describe('sections of a port, as they are typed', () => {
  it.each([
    ['0 1150\n25 1020', 'mm', [{ at: 0, area: 1150 }, { at: 25, area: 1020 }]],
    ['0;1150\r\n25,5;1020,4\n\n', 'mm', [{ at: 0, area: 1150 }, { at: 25.5, area: 1020.4 }]],
    ['0 32 x 38 r 8\n40 33×40 r8\n90 34*42', 'mm', [{ at: 0, width: 32, height: 38, radius: 8 }, { at: 40, width: 33, height: 40, radius: 8 }, { at: 90, width: 34, height: 42 }]],
    ['0: 0 0; 32 0; 32,5 38; 0 38\n25 1020', 'mm', [{ at: 0, points: [[0, 0], [32, 0], [32.5, 38], [0, 38]] }, { at: 25, area: 1020 }]],
    ['.5: -1 -1 ; 1, -1; 0 1;\n2 1.5', 'in', [{ at: 12.7, points: [[-25.4, -25.4], [25.4, -25.4], [0, 25.4]] }, { at: 50.8, area: 967.74 }]],
    ['0\t1.5\n2 1.25 x 1.5', 'in', [{ at: 0, area: 967.74 }, { at: 50.8, width: 31.75, height: 38.1 }]]
  ] as const)('%j in %s', (text, unit, rows) => expect(readSections(text, unit)).toEqual(rows))
  it.each([
    ['0 1150', 'two|2 sections'], ['', 'sections'], ['0 1150\n25 wide', 'Line 2'], ['0 1150\n25', 'Line 2'], ['0 1150\n25 30 x', 'Line 2'], ['0 1150\n25 x 40', 'Line 2'], ['0 1150\n25 30 x 40 r', 'Line 2'], ['0 1150\n25 1020 r 8', 'Line 2'], ['0 1150\n25 1 2 3 4', 'Line 2'], ['25 1150\n0 1020', 'further'], ['0 1150\n0 1020', 'further'],
    ['0 1150\n900 1020', '400 mm'], ['0 1150\n25 1e9', 'Line 2'], ['0 1150\n25 99999999', 'An area lies between 10 and 20000 mm²'], ['0 1150\n25 30 x 40 r 30', 'radius'], ['0 1150\n25 -4', 'Line 2'], [Array.from({ length: 61 }, (_, i) => `${i} 1000`).join('\n'), '60'],
    [Array.from({ length: 10_000 }, (_, i) => `${i} 1000`).join('\n'), 'too long'], ['0 1150\n25 <script>', 'Line 2'],
    ['0 1150\n25: 0 0; 30 30; 30 0; 0 30', 'crosses itself'], ['0 1150\n25: 0 0; 30 0', 'between 3 and 200 points; this one has 2'], ['0 1150\n25: 0 0; 30 0; wide', 'no traced section'], ['0 1150\n25: 0 0: 1 1', 'no traced section'],
    ['0 1150\n-5: 0 0; 30 0; 30 30', 'no traced section'], ['0 1150\n25: 0 0; 2e9 0; 30 30', 'no traced section'], ['0 1150\n25: 0 0; 0.1 0; 0.1 0.1', 'enclose nothing'],
    [`0 1150\n25: ${Array.from({ length: 201 }, (_, i) => `${(20 * Math.cos(i / 32)).toFixed(2)} ${(20 * Math.sin(i / 32)).toFixed(2)}`).join(';')}`, 'between 3 and 200 points; this one has 201']
  ])('%j gets a sentence', (text, said) => expect(readSections(text, 'mm')).toMatch(new RegExp(said)))
})

it.each([
  ['0 0\n10 0\n\n12,5 8', 'mm', [[0, 0], [10, 0], [12.5, 8]]], ['0,0\n1,-.5', 'in', [[0, 0], [25.4, -12.7]]], ['', 'mm', []],
  ['0 0\n; 5', 'mm', 'Line 2'], ['\n0 0 0', 'mm', 'Line 2'], ['0x10 1', 'mm', 'Line 1'], ['0 0\n'.repeat(200_000), 'mm', 'too long']
] as const)('points of an outline: %#', (text, unit, told) => {
  const read = readPoints(text, unit)
  if (typeof told === 'string') expect(read).toContain(told)
  else expect(read).toEqual(told)
})
