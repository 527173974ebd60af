import type { Content } from 'pdfmake/interfaces'
import { pouredFirst, volumeHeld, stopsOf, type CylinderState, type Enclosed, type PlannedStage } from '#core'
import { digits } from '#shared/figures'
import { sayKind } from '../words/entries'
import { headOf, type PaperCase } from './paperCase'
import { paper } from './pdf'

/**
 * What each chamber, or the whole where an engine of this kind is filled assembled, is to read when it is right: large, for whoever
 * has a lamp in his eyes. Every planned stage that changes it has its own readings.
 */
export function stopCard(of: PaperCase, stages: readonly PlannedStage[], reading: (volume: number, what: Enclosed) => string | undefined): ReturnType<typeof paper> {
  const what = pouredFirst(of.r.layout.engine)
  const atTarget = ({ targetClearance, targetChamber }: CylinderState) => (what === 'assembled' ? targetClearance : targetChamber)?.estimate.value
  const row = (cylinder: number, now: number | undefined, stop: number | undefined) => ({ cylinder, now, stop, glass: stop === undefined ? undefined : reading(stop, what) })
  const stops = of.r.layout.cylinders.flatMap(cylinder => stopsOf(of.r, stages, cylinder, what).map(stop => ({ cylinder, ...stop })))
  const told = stages.flatMap((stage) => {
    const rows = stops.filter(s => s.stage === stage).map(({ cylinder, before, stop }) => row(cylinder, before, stop))
    return rows.length === 0 ? [] : [{ rows, work: sayKind(stage.operations[0]!.kind) }]
  })
  // Another gasket or deck moves what is to be read at the target, and no chamber.
  const then = stages.at(-1)?.after.cylinders.map(c => c.state) ?? of.r.asIs
  const tables = told.length > 0 ? told : [{ rows: then.map(state => row(state.cylinder, volumeHeld(state, what), atTarget(state) ?? volumeHeld(state, what))), work: '' }]
  const table = (rows: ReturnType<typeof row>[]): Content => {
    const size = rows.length > 8 ? 24 : rows.length > 4 ? 34 : 48
    const cell = (text: string, big = false): Content => ({ text, fontSize: big ? size : 14, bold: big, alignment: 'right', margin: [0, big ? 0 : (size - 14) * 0.6, 0, 0] })
    return { layout: 'lightHorizontalLines', table: { headerRows: 1, widths: [70, '*', '*', '*'], body: [
      ['Cylinder', `${told.length > 1 ? 'before' : 'now'}, cc`, 'stop at, cc', 'on the glass'].map(text => ({ text, alignment: 'right' as const, fontSize: 10 })),
      ...rows.map(row => [cell(String(row.cylinder), true), cell(row.now === undefined ? '–' : digits(row.now, 1)), cell(row.stop === undefined ? '–' : digits(row.stop, 1), true), cell(row.glass ?? '–')])
    ] } }
  }
  const when = told.length > 1 ? 'What the glass is to read after each stage of what is planned.' : told.length === 1 ? 'What the glass is to read once everything planned is done.' : `What the glass is to read at the target, with all else as it ${stages.length > 0 ? 'is planned' : 'is'}.`
  return paper(headOf('Stop card', of), of.size, [
    { text: `${what === 'assembled' ? 'Filled assembled, through the plug’s hole. ' : ''}${when}`, margin: [0, 0, 0, 8] },
    ...tables.map(({ rows, work }, i): Content => ({ unbreakable: rows.length <= 12, stack: [...told.length > 1 ? [{ text: `${i + 1} ${work}`, style: 'head' } as Content] : [], table(rows)] }))
  ])
}
