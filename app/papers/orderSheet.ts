import { pistonOrder } from '#core'
import { digits, say } from '#shared/figures'
import { headOf, length, type PaperCase } from './paperCase'
import { paper, table } from './pdf'

/** An order for new pistons: what to make, by the piston that is fitted, and what it comes to. */
export function orderSheet(of: PaperCase): ReturnType<typeof paper> {
  const order = of.planned && pistonOrder(of.r, of.planned)
  if (!order) return paper(headOf('Order for new pistons', of), of.size, ['No new piston is planned: Route finds what it has to be, where new pistons are let in among its levers.'])
  const { count, bore, fitted, holds, rise, pockets, ratios, squish } = order
  const crown = (cc: number) => `${say(Math.abs(cc), 'volume')}, ${cc < 0 ? 'a dome' : 'a dish'}`
  const range = (list: number[], one: (value: number) => string) => [...new Set([Math.min(...list), Math.max(...list)].map(one))].join(' to ')
  const rows: [string, string][] = [
    ['Pistons', String(count)], ['Cylinder bore', length(bore, of)], ['Crown holds', `${crown(holds)}${holds < 0 ? '' : ', pockets counted in'}`], ['Fitted now', crown(fitted)],
    ['Compression height', rise === 0 ? 'as the fitted piston' : `${length(Math.abs(rise), of)} ${rise > 0 ? 'more' : 'less'} than the fitted piston`],
    ['Valve pockets', pockets === undefined ? 'not known: measure valve to piston first, both valves' : pockets === 0 ? 'as the fitted piston' : `${length(pockets, of)} deeper than those of the fitted piston`],
    ...ratios.length > 0 ? [['Ratio it comes to', range(ratios, r => digits(r, 2))] as [string, string]] : [], ...squish.length > 0 ? [['Squish then, running', range(squish, mm => length(mm, of))] as [string, string]] : []
  ]
  return paper(headOf('Order for new pistons', of), of.size, [
    { stack: [table(['What', 'To make'], rows.map(([what, to]) => [what, { text: to, bold: true }]), [130, '*'], [0, 1])], fontSize: 12 },
    { text: 'With the order', style: 'head' },
    { ul: [
      'Send one fitted piston with the order: every figure is by that one. Pin, rings and skirt stay as the maker has them.',
      'Pour every new crown and measure its deck clearance before the engine goes together.',
      'The maker of the pistons decides what crown, pockets and speed they stand.',
      'Weigh them: another weight is another balance.'
    ] }
  ])
}
