import { digits, say, type LengthUnit } from '#shared/figures'
import type { Template } from './template'

/** What pistons are ordered by: cc and mm; `crown` as the fitted ones hold (+ dish, − dome), the rest by the fitted piston. */
export interface PistonOrder { title: string, count: number, bore: number, crown: number, added: number, rise: number, pockets: number, valvesMeasured: boolean, ratios: number[], squish: number[] }

const PAGE = { width: 210, height: 297 }
const LEFT = 20
const RIGHT = 95

/** An order sheet for new pistons: what to make, by the piston that is fitted, and what it comes to. */
export function pistonOrder({ title, count, bore, crown, added, rise, pockets, valvesMeasured, ratios, squish }: PistonOrder, lengths: LengthUnit): Template {
  const mm = (value: number) => say(value, 'length', lengths)
  const range = (list: number[], one: (value: number) => string) => [...new Set([Math.min(...list), Math.max(...list)].map(one))].join(' to ')
  const held = crown + added
  const rows: [string, string][] = [
    ['Pistons', String(count)], ['Cylinder bore', mm(bore)],
    ['Crown holds', `${say(Math.abs(held), 'volume')}, ${held < 0 ? 'a dome' : 'a dish, pockets counted in'}`], ['Fitted now', `${say(Math.abs(crown), 'volume')}, ${crown < 0 ? 'a dome' : 'a dish'}`],
    ['Compression height', rise === 0 ? 'as the fitted piston' : `${mm(Math.abs(rise))} ${rise > 0 ? 'more' : 'less'} than the fitted piston`],
    ['Valve pockets', !valvesMeasured ? 'not known: measure valve to piston first, both valves' : pockets === 0 ? 'as the fitted piston' : `${mm(pockets)} deeper than those of the fitted piston`],
    ['Ratio it comes to', range(ratios, r => digits(r, 2))], ...squish.length > 0 ? [['Squish then, running', range(squish, mm)] as [string, string]] : []
  ]
  const notes = [
    'Send one fitted piston with the order: every figure is by that one. Pin, rings and skirt stay as the maker has them.',
    'Pour every new crown and measure its deck clearance before the engine goes together.',
    'The maker of the pistons decides what crown, pockets and speed they stand.',
    'Weigh them: another weight is another balance.'
  ]
  return {
    ...PAGE, lines: rows.map((_, i) => ({ points: [[LEFT, 57 + 11 * i], [PAGE.width - LEFT, 57 + 11 * i]], closed: false, weight: 0.15 })),
    words: [
      { at: [LEFT, 25], text: 'Order for new pistons', size: 7 }, { at: [LEFT, 34], text: title, size: 4.5 },
      ...rows.flatMap(([name, value], i) => [{ at: [LEFT, 54 + 11 * i] as [number, number], text: name, size: 4 }, { at: [RIGHT, 54 + 11 * i] as [number, number], text: value, size: 4.5 }]),
      ...notes.map((text, i) => ({ at: [LEFT, 66 + 11 * rows.length + 7 * i] as [number, number], text, size: 3.4 }))
    ]
  }
}
