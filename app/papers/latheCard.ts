import type { CanvasElement, Column, Content } from 'pdfmake/interfaces'
import { turnedProfile, uncertainty, type Lathe, type TurnedPlan } from '#core'
import { digits, say, sayDoubt } from '#shared/figures'
import { headOf, length, openStops, type PaperCase } from './paperCase'
import { MARGIN, PT, ROOM, SHEET, paper, table } from './pdf'

/** A turned head's way to its target, for one cylinder. */
export interface LatheJob { cylinder: number, plan: TurnedPlan }

/** Half the head in section, the seat face below: what is there dashed, what is to be turned drawn through. */
function halfSection(of: PaperCase, { from, set }: Extract<Lathe, { set: unknown }>): Content {
  const R = from.bore / 2
  const scale = Math.min(150 / (set.depth + 3), ((SHEET[of.size].width - 2 * MARGIN) * PT - 120) / R)
  const h = (set.depth + 3) * scale
  const points = (shape: typeof from) => turnedProfile(shape).map(([r, depth]) => ({ x: r * scale, y: h - depth * scale }))
  const canvas: CanvasElement[] = [
    { type: 'line', x1: 0, y1: 0, x2: 0, y2: h + 10, lineWidth: 0.6, dash: { length: 8, space: 3 } },
    { type: 'line', x1: 0, y1: h, x2: R * scale + 20, y2: h, lineWidth: 0.8 },
    { type: 'polyline', points: points(from), lineWidth: 0.8, dash: { length: 4, space: 3 } },
    { type: 'polyline', points: points(set.to), lineWidth: 2 }
  ]
  return { stack: [{ canvas }, { text: 'Half of the head in section: its axis at the left, the seat face below. Dashed as it is, drawn through as it is to be.', style: 'quiet' }], margin: [0, 8, 0, 4] }
}

/** What whoever turns the head sets: the seat face first, then the dome, this round, with the reading to stop at. */
export function latheCard(of: PaperCase, jobs: readonly LatheJob[], reading: (volume: number) => string | undefined): ReturnType<typeof paper> {
  const large = (label: string, value: string): Column => ({ width: 'auto', stack: [{ text: label, style: 'quiet' }, { text: value, fontSize: 26, bold: true, noWrap: true }] })
  const stops = openStops(of)
  const content = jobs.flatMap(({ cylinder, plan }, i): Content[] => {
    const cuts = plan.operations.some(op => op.kind === 'faceCut')
    const { round } = plan
    const lathe = round && 'set' in round.lathe ? round.lathe : undefined
    const stop = round && reading(round.clearance)
    return [
      { text: `Cylinder ${cylinder}`, style: 'head', ...i > 0 ? { pageBreak: 'before' as const } : {} },
      ...cuts ? [{ columns: [large('1. Off the seat face', length(plan.off.value, of)), { width: '*', margin: [24, 6, 0, 0] as [number, number, number, number], ul: [`${sayDoubt(uncertainty(plan.off), 'length', of.lengths)}. Re-cut the band at its angle first, then take the seat face down.`, 'Not deeper: metal can’t be put back. Measure after every cut.'] }] }] : [],
      ...round && round.cc > 0
        ? [
            { columnGap: 24, margin: [0, 8, 0, 0] as [number, number, number, number], columns: [large(`${cuts ? '2. ' : ''}Open the dome, this round`, `${digits(round.cc, 2)} cc`), ...stop ? [large('The glass then reads', stop)] : []] },
            ...lathe
              ? [
                  { columnGap: 24, margin: [0, 8, 0, 0] as [number, number, number, number], columns: [large('Mouth, across', length(lathe.set.mouthDiameter, of)), large('Depth from the face', length(lathe.set.depth, of)), large('Radius', length(lathe.set.round.radius, of))] },
                  { ul: [
                    `The middle of the nose runs on a radius of ${length(lathe.set.round.path, of)}${lathe.set.round.r > 0 ? `, struck ${length(lathe.set.round.r, of)} from the axis` : ''}, its centre ${length(Math.abs(lathe.set.round.z), of)} ${lathe.set.round.z < 0 ? 'outside' : 'inside'} the seat face${lathe.set.round.angle === undefined ? '' : `, the side at ${say(lathe.set.round.angle, 'angle', of.lengths)}`}.`,
                    `Band left: ${length(lathe.set.bandLeft, of)}.`
                  ], margin: [0, 6, 0, 0] as [number, number, number, number] },
                  halfSection(of, lathe)
                ]
              : []
          ]
        : [{ text: plan.tight ? `Squish is ${length(plan.tight.value, of)} under what is wanted: a thicker gasket or more under the barrel comes first. How much to open in the dome follows then.` : plan.toOpen ? 'Nothing is to be opened in the dome this round.' : 'How much to open is not known yet: pour the cylinder through its plug hole.', margin: [0, 8, 0, 0] as [number, number, number, number] }],
      { text: 'Send back with it, measured', style: 'head' },
      table(['', 'seat face down', 'mouth', 'depth', 'poured, cc'], [[`as it came out, ${of.lengths}`, ROOM, ROOM, ROOM, ROOM]], [110, '*', '*', '*', '*'])
    ]
  })
  // Each cylinder has a sheet of its own: no heading is to be moved, and laid out a second time pdfmake loses the dome's outline.
  return { ...paper(headOf('Lathe card', of), of.size, [
    ...stops.length && content.length ? [{ text: 'Not to be turned before this is settled', style: 'head' }, { ul: stops, bold: true }] : [],
    ...content.length ? [...content, { text: 'Keep loose sleeves and rags away from the chuck.', bold: true, margin: [0, 8, 0, 0] as [number, number, number, number] }] : ['Nothing is to be turned on this build yet. State the squish you want and a target, and pour.']
  ]), pageBreakBefore: undefined }
}
