import type { Content } from 'pdfmake/interfaces'
import { pistonOrders, type PistonOrder } from '#core'
import { digits, say, sayCylinders } from '#shared/figures'
import { headOf, length, range, type PaperCase } from './paperCase'
import { paper, table } from './pdf'

const TITLE = 'Order for new pistons'

/** What one make of piston is to be, by the one that is fitted, and what it comes to. */
function make(of: PaperCase, { cylinders, bores, fitted, holds, rise, pockets, ratios, squish }: PistonOrder): Content[] {
  const crown = (cc: number) => `${say(Math.abs(cc), 'volume')}, ${cc < 0 ? 'a dome' : 'a dish'}`
  const rows: [string, string][] = [
    ['Pistons', `${cylinders.length}, for ${sayCylinders(cylinders, of.r.layout.cylinders.length).toLowerCase()}`], ['Cylinder bore', range(bores, mm => length(mm, of))],
    ['Crown holds', `${crown(holds)}${holds < 0 ? '' : ', pockets counted in'}`], ['Fitted now', crown(fitted)],
    ['Compression height', rise === 0 ? 'as the fitted piston' : `${length(Math.abs(rise), of)} ${rise > 0 ? 'more' : 'less'} than the fitted piston`],
    ['Valve pockets', pockets === undefined ? 'not known: measure valve to piston first, both valves' : pockets === 0 ? 'as the fitted piston' : `${length(pockets, of)} deeper than those of the fitted piston`],
    ...ratios.length > 0 ? [['Ratio it comes to', range(ratios, r => digits(r, 2))] as [string, string]] : [], ...squish.length > 0 ? [['Squish then, running', range(squish, mm => length(mm, of))] as [string, string]] : []
  ]
  return [{ stack: [table(['What', 'To make'], rows.map(([what, to]) => [what, { text: to, bold: true }]), [130, '*'], [0, 1])], fontSize: 12 }]
}

/** An order for new pistons, as they are planned. */
export function orderSheet(of: PaperCase): ReturnType<typeof paper> {
  const orders = of.planned ? pistonOrders(of.r, of.planned) : []
  if (orders.length === 0) return paper(headOf(TITLE, of), of.size, ['No new piston is planned: Route finds what it has to be, where new pistons are let in among its levers.'])
  return paper(headOf(TITLE, of), of.size, [
    ...orders.flatMap(order => make(of, order)),
    { text: 'With the order', style: 'head' },
    { ul: [
      'Send one fitted piston with the order: every figure is by that one. Pin, rings and skirt stay as the maker has them.',
      'Pour every new crown and measure its deck clearance before the engine goes together.',
      'The maker of the pistons decides what crown, pockets and speed they stand.',
      'Weigh them: another weight is another balance.'
    ] }
  ])
}
