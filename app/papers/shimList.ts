import type { Content } from 'pdfmake/interfaces'
import { THINNEST_SHIM, allSprings, shimToEven, springsOf } from '#core'
import { say, shown } from '#shared/figures'
import { headOf, length, type PaperCase } from './paperCase'
import { paper, table } from './pdf'

/** What goes under each spring so that all of a kind carry alike, and what is left before one is solid. */
export function shimList(of: PaperCase): ReturnType<typeof paper> {
  const all = allSprings(of.r, of.rules)
  const force = shown(0, 'force', of.lengths).unit
  const load = (newtons?: number) => newtons === undefined ? '–' : shown(newtons, 'force', of.lengths).number
  const coming = all.some(s => s.sunk.planned > 0)
  const content = (['intake', 'exhaust'] as const).flatMap((valve): Content[] => {
    const rows = all.filter(s => s.port.valve === valve && s.height)
    const coils = springsOf(of.r, valve)?.body.coils ?? []
    if (rows.length === 0) return []
    const shims = rows.map(row => shimToEven(rows, row))
    const wanted = shims.filter(shim => shim !== undefined && shim >= THINNEST_SHIM).length
    return [
      { text: `${valve === 'intake' ? 'Intake' : 'Exhaust'} valves: ${wanted === 0 ? 'no shims' : wanted === 1 ? 'one shim' : `${wanted} shims`}`, style: 'head' },
      ...coils.length ? [{ text: coils.map((coil, i) => `${coils.length === 1 ? 'Spring' : ['Outer spring', 'Inner spring', 'Third spring'][i]}: ${say(coil.rate.value, 'rate', of.lengths)}, ${length(coil.free.value, of)} free, solid at ${length(coil.solid.value, of)}`).join('. '), style: 'quiet' }] : [],
      table(['Cylinder', 'no.', 'installed height', 'shim under it', `load shut, ${force}`, `load open, ${force}`, 'travel left'], rows.map((row, i) => {
        const shim = shims[i]
        return [String(row.port.cylinder), String(row.port.n ?? 1), length(row.height!.estimate.value, of), row.faults.some(f => f.room === 'travel') ? 'stop' : shim === undefined || shim < THINNEST_SHIM ? 'none' : { text: length(shim, of), bold: true },
          load(row.loads?.shut), load(row.loads?.open), row.travel === undefined ? '–' : length(row.travel, of)]
      }), [48, 24, '*', '*', '*', '*', '*'])
    ]
  })
  return paper(headOf('Spring shims', of), of.size, content.length
    ? [...content, { text: `${coming ? 'Heights, loads and travel are as they will be with the seat work that is planned' : 'Loads and travel are as it stands now'}, before shims. Where it says stop, the spring has less room than the shop’s minimum: no shim goes under it. Measure every height again with its shim in.`, style: 'quiet' }]
    : ['No installed height is known: read them at Mock-up, Springs.'])
}
