import type { CanvasElement, Content } from 'pdfmake/interfaces'
import { cutAtChamber, cutPlane, cylindersOf, depthSet, finishesOf, leastCut, metOnTheWay, oldFace, placeAlong, quantityOf, reachOf, rowBeginsAt, type EntryOf } from '#core'
import { capital, say } from '#shared/figures'
import { sayFaceLeft, sayLaid, sayMet, sayWhere } from '../words/cuts'
import { sayGroup } from '../words/entries'
import { findings, headOf, known, length, openStops, sayFinding, type PaperCase } from './paperCase'
import { MARGIN, PT, ROOM, SHEET, paper, table } from './pdf'

/** An arrow along the head, of lines: pdfmake loses an outline where a heading is moved to the next sheet. */
const arrow = (x: number, y: number, way: 1 | -1): CanvasElement[] => [[x, y], [x + way * 24, y - 4], [x + way * 24, y + 4]].map(([x1, y1]) => ({ type: 'line', x1: x1!, y1: y1!, x2: x + way * 30, y2: y, lineWidth: 1.2 }))
/** Beside the head: an arrow, and the cylinder it points to. */
const BESIDE = 70

/** Bores of a head as whoever cuts sees its face: the intake side up the page, the way of every template. */
function facePlan(of: PaperCase, head: number, bore: number): Content {
  const row = cylindersOf(of.r.layout, head)
  const begins = rowBeginsAt(of.r.layout, row[0]!)
  const spacing = known(of, 'boreSpacing', row[0]) ?? bore
  const places = row.map(c => placeAlong(of.r.layout, c, spacing))
  const [long, wide] = [Math.max(...places) - Math.min(...places) + bore * 1.3, bore * 1.5]
  const room = (SHEET[of.size].width - 2 * MARGIN) * PT - 120
  const scale = Math.min(room / long, 120 / wide)
  const [w, h] = [long * scale, wide * scale]
  const left = begins?.left ? BESIDE : 0
  const x = (mm: number) => left + w / 2 + mm * scale
  const canvas: CanvasElement[] = [
    { type: 'rect', x: left, y: 0, w, h, lineWidth: 1.2 },
    ...places.map(place => ({ type: 'ellipse' as const, x: x(place), y: h / 2, r1: bore / 2 * scale, r2: bore / 2 * scale, lineWidth: 0.8 })),
    ...begins === undefined ? [] : begins.left ? arrow(left - 10, h / 2, -1) : arrow(w + 10, h / 2, 1)
  ]
  return {
    stack: [
      { text: 'intake side', fontSize: 8, margin: [left + w / 2 - 20, 0, 0, 2] },
      { stack: [{ canvas }, ...row.map((c, i): Content => ({ text: String(c), fontSize: 16, bold: true, relativePosition: { x: x(places[i]!) - 6, y: -h / 2 - 11 } })), ...begins === undefined ? [] : [{ text: `to cylinder ${begins.cylinder}`, fontSize: 8, relativePosition: { x: begins.left ? 0 : w + 8, y: -h / 2 + 8 } }]] },
      { text: 'The exhaust side is towards you. Seen as you stand at it, the face up: not mirrored.', fontSize: 8, margin: [0, 3, 0, 0] }
    ],
    margin: [0, 6, 0, 6]
  }
}

/** Signed for by whoever cut. */
const signed: Content = { columns: ['Done by', 'on'].map(text => ({ stack: [{ text, style: 'quiet' }, { canvas: [{ type: 'line' as const, x1: 0, y1: 16, x2: 180, y2: 16, lineWidth: 0.6 }] }] })), margin: [0, 6, 0, 0] }

/** A cut of a bank's deck, or of its barrels' foot: how deep, and where each crown then stands. */
function deckOrder(of: PaperCase, { scope, body }: EntryOf<'deckCut'>): Content[] {
  const { r } = of
  const bank = scope.level === 'bank' ? scope.bank : 1
  const depth = body.depth.value
  const clearance = (cylinder: number, column: 'asIs' | 'asPlanned') => {
    const part = quantityOf(r, 'deckClearance', cylinder, column)
    return part ? length(part.estimate.value, of) : '–'
  }
  return [
    { text: `${body.foot ? 'Barrel’s foot' : 'Deck'}${r.layout.banks.length > 1 ? `, ${sayGroup('bank', bank, r.layout.banks)}` : ''}`, style: 'head' },
    { columns: [{ width: 'auto', stack: [{ text: `Take off the ${body.foot ? 'foot' : 'deck'}`, style: 'quiet' }, { text: length(depth, of), fontSize: 34, bold: true, noWrap: true }] }, { width: '*', margin: [24, 6, 0, 0], ul: [
      body.foot ? 'Square to the bore, and the same off every barrel of the bank.' : 'Square to the bores, and the same depth from end to end.',
      `Not deeper than ${length(depth, of)}: metal can’t be put back. Stop short rather than past it, and say by how much.`,
      'Deburr, and wash every hole.'
    ] }] },
    { text: 'Deck clearance, negative where the piston stands proud', style: 'head' },
    table(['Cylinder', 'as it is', 'with all that is planned', 'measured after'], r.layout.banks[bank - 1]!.map(c => [String(c), clearance(c, 'asIs'), clearance(c, 'asPlanned'), ROOM]), [60, '*', '*', '*']),
    signed
  ]
}

/** What whoever cuts is to know: how deep and where, what is not to be passed, what to send back measured. */
export function workOrder(of: PaperCase): ReturnType<typeof paper> {
  const { r, lengths, planned, rules } = of
  const cuts = r.planned.filter((op): op is EntryOf<'faceCut'> => op.kind === 'faceCut' && op.scope.level === 'head')
  const content = cuts.flatMap((cut, i): Content[] => {
    const head = cut.scope.level === 'head' ? cut.scope.head : 1
    const row = cylindersOf(r.layout, head)
    const bore = known(of, 'bore', row[0])
    const depth = depthSet(cut.body)
    const { slopeX = 0, slopeY = 0 } = cut.body
    const rolled = slopeX !== 0 || slopeY !== 0
    const reach = reachOf(r, head, slopeX ? 'acrossCrank' : 'aboutCrank')
    const left = oldFace({ depth, slopeX, slopeY }, reach)
    const met = planned ? metOnTheWay(r, rules, planned.cylinders.filter(c => row.includes(c.cylinder)), depth).find(one => one.depth > depth) : undefined
    const least = leastCut(r, cut)
    const finish = finishesOf(r).find(({ entry: { scope } }) => scope.level === 'head' && scope.head === head)?.entry
    const found = findings(of, head)
    const other = r.planned.filter(op => op !== cut && op.kind === 'faceCut').length
    return [
      { text: sayGroup('Head', head, r.layout.heads), style: 'head', ...i > 0 ? { pageBreak: 'before' as const } : {} },
      { columns: [{ width: 'auto', stack: [{ text: rolled ? `Take off the face, ${sayWhere(cut.body)}` : 'Take off the face', style: 'quiet' }, { text: length(depth, of), fontSize: 34, bold: true, noWrap: true }] }, { width: '*', margin: [24, 6, 0, 0], ul: [
        'Set it by the face as it is, and take the last pass light.',
        `Not deeper than ${length(depth, of)}: metal can’t be put back. Stop short rather than past it, and say by how much.`,
        ...least && depth - least.depth >= 0.01 ? [`At least ${length(least.depth, of)}: with less, cylinder ${least.cylinder} does not reach its target.`] : [],
        ...met ? [`The next limit below it is at ${length(met.depth, of)}: ${sayMet(met)}.`] : [],
        ...rolled ? [`${capital(sayLaid(cut.body, lengths))}${cut.body.flat ? `; the last ${length(cut.body.flat.value, of)} of it off the new face, square` : ''}.`] : [],
        ...left > 0 ? [sayFaceLeft(left, reach!, lengths)] : [],
        ...finish ? [`Finish: Ra ${say(finish.body.most.value, 'roughness', lengths)} or finer, as the gasket’s maker asks.`] : ['Finish: as the gasket’s maker asks.'],
        'Leave dowels, oil drains and water holes as they are; deburr, and wash every hole.'
      ] }] },
      // A bore that nobody stated is drawn as any, and no figure is made of it.
      facePlan(of, head, bore ?? 90),
      ...rolled && bore !== undefined
        ? [table(['Cylinder', 'intake edge of the bore', 'its middle', 'exhaust edge of the bore'], row.map((c) => {
            const half = (known(of, 'bore', c) ?? bore) / 2
            const plane = cutPlane(cut, c, placeAlong(r.layout, c, known(of, 'boreSpacing', c) ?? bore))
            const at = (y: number) => length(cutAtChamber(plane, { x: 0, y }).depth, of)
            return [String(c), at(-half), at(0), at(half)]
          }), [60, '*', '*', '*'])]
        : [],
      ...found.length ? [{ text: 'Found on this head', style: 'head' }, { ul: found.map(one => sayFinding(of, one)) }] : [],
      { text: 'Send back with it, measured', style: 'head' },
      table(['Taken off, by height before and after', 'front, intake', 'front, exhaust', 'rear, intake', 'rear, exhaust'], [[`each corner, ${lengths}`, ROOM, ROOM, ROOM, ROOM], ['flatness, and finish', ROOM, ROOM, ROOM, ROOM]], [170, '*', '*', '*', '*']),
      signed,
      ...other > 0 && i === 0 ? [{ text: `This job has ${other} more ${other === 1 ? 'head' : 'heads'}, on the next ${other === 1 ? 'sheet' : 'sheets'}.`, style: 'quiet', margin: [0, 8, 0, 0] as [number, number, number, number] }] : []
    ]
  })
  for (const op of r.planned) {
    if (op.kind !== 'deckCut') continue
    const [first, ...rest] = deckOrder(of, op)
    content.push(content.length > 0 ? { stack: [first!], pageBreak: 'before' } : first!, ...rest)
  }
  const stops = openStops(of)
  const first: Content[] = stops.length && content.length ? [{ text: 'Not to be cut before this is settled', style: 'head' }, { ul: stops, bold: true }] : []
  return paper(headOf('Work order', of), of.size, content.length ? [...first, ...content] : ['No cut is planned on this build.'])
}
