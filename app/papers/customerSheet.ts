import type { CanvasElement, Content } from 'pdfmake/interfaces'
import { againstTarget, clearancesOf, modelOf, mouthOf, roundEdge, squishOf, targetBand, uncertainty, valveFrame, type CylinderState, type Scope } from '#core'
import { capital, digits, say, sayCylinders, sayList } from '#shared/figures'
import { NEAR } from '../words/cuts'
import { sayEntry, sayKind, sayScope } from '../words/entries'
import { captioned, findings, headOf, known, length, ofAll, openStops, plusMinus, range, sayFinding, type PaperCase } from './paperCase'
import { MARGIN, PT, SHEET, paper, photoRows, table } from './pdf'

/** How much stands on the sheet, the roomiest first: it stays one page. Heights in points; what is left out is counted, and in the full record. */
const DETAILS = [
  { photo: 84, work: 9, found: 4, watch: 6, row: 15, plan: true },
  { photo: 64, work: 6, found: 3, watch: 5, row: 12, plan: true },
  { photo: 46, work: 4, found: 2, watch: 3, row: 11, plan: false },
  { photo: 0, work: 3, found: 1, watch: 2, row: 11, plan: false },
  { photo: 0, work: 2, found: 0, watch: 1, row: 11, plan: false }
] as const
type Detail = (typeof DETAILS)[number]
const MOST_PHOTOS = 3
/** A ratio against what was wanted, in a customer’s words. */
const AGAINST = { under: 'under', on: 'as wanted', over: 'over', unknown: '' }
/** The first of a list, and how many more there are. */
const firstOf = (list: readonly string[], most: number): string[] => [...list.slice(0, most), ...list.length > most ? [`${most > 0 ? 'and ' : ''}${list.length - most} ${most > 0 ? 'more' : list.length === 1 ? 'finding' : 'findings'}, in the full record`] : []]

/** Ratios before and after against what was wanted: a line a cylinder, an open ring as it came, a dot with its ± as it is. */
function spread(of: PaperCase, now: readonly CylinderState[], came: readonly (number | undefined)[], row: number, beside?: Drawn): Content[] {
  const band = targetBand(of.r.target)
  const ratios = now.flatMap((state, i) => [state.ratio ? [state.ratio.estimate.value - 2 * uncertainty(state.ratio.estimate), state.ratio.estimate.value + 2 * uncertainty(state.ratio.estimate)] : [], came[i] ?? []].flat())
  if (ratios.length === 0) return []
  const all = [...ratios, ...band ? [band.low, band.high] : []]
  const [low, high] = [Math.floor(Math.min(...all) * 10 - 0.5) / 10, Math.ceil(Math.max(...all) * 10 + 0.5) / 10]
  const [left, wide] = [70, (SHEET[of.size].width - 2 * MARGIN) * PT - 90 - (beside ? PLAN + 12 : 0)]
  const x = (ratio: number) => left + (ratio - low) / (high - low) * wide
  const tall = row * now.length
  const canvas: CanvasElement[] = [
    ...band ? [{ type: 'rect' as const, x: x(band.low), y: 0, w: x(band.high) - x(band.low), h: tall, color: '#ead9ae' }] : [],
    ...now.flatMap((state, i): CanvasElement[] => {
      const y = row * (i + 0.5)
      const before = came[i]
      const ratio = state.ratio?.estimate
      return [
        { type: 'line', x1: left, y1: y, x2: left + wide, y2: y, lineWidth: 0.3, lineColor: '#c3ccd2' },
        ...before === undefined ? [] : [{ type: 'ellipse' as const, x: x(before), y, r1: 3, r2: 3, lineWidth: 1 }],
        ...ratio ? [{ type: 'line' as const, x1: x(ratio.value - 2 * uncertainty(ratio)), y1: y, x2: x(ratio.value + 2 * uncertainty(ratio)), y2: y, lineWidth: 1.5, lineColor: '#1B3FA0' }, { type: 'ellipse' as const, x: x(ratio.value), y, r1: 3, r2: 3, color: '#1B3FA0' }] : []
      ]
    }),
    { type: 'line', x1: left, y1: tall + 3, x2: left + wide, y2: tall + 3, lineWidth: 0.8 }
  ]
  const marks = [low, (low + high) / 2, high]
  const chart: Content = {
    stack: [
      { canvas },
      { columnGap: 0, columns: [{ text: '', width: left - 12 }, { text: digits(marks[0]!, 2), fontSize: 8, width: wide / 2 }, { text: digits(marks[1]!, 2), fontSize: 8, width: wide / 2 - 4 }, { text: digits(marks[2]!, 2), fontSize: 8 }] },
      { text: `A line for each cylinder, ${now[0]!.cylinder} at the top. ${came.some(one => one !== undefined) ? 'Rings: as it came. ' : ''}Dots: as it is, with its ±.${band ? ' Band: what was wanted.' : ''}`, style: 'quiet' },
      ...beside ? [{ text: beside.words, style: 'quiet' }] : []
    ],
    margin: [0, 4, 0, 0]
  }
  return [beside ? { columns: [{ width: '*', stack: [chart] }, { width: PLAN, canvas: beside.canvas, margin: [0, 4, 0, 0] }], columnGap: 12 } : chart]
}

/** How wide the picture of a chamber is, points. */
const PLAN = 104

/** What is drawn beside the spread, and what is said of it. */
interface Drawn { canvas: CanvasElement[], words: string }

/** A chamber from below, as the head lies on the bench: its mouth over the bore, and the valves' seats. */
function chamberPlan(of: PaperCase, cylinder: number): Drawn[] {
  const spec = modelOf(of.r, cylinder)?.spec
  const bore = known(of, 'bore', cylinder)
  if (!spec || bore === undefined) return []
  const R = PLAN / 2
  const scale = (R - 2) / Math.max(bore / 2, ...mouthOf(spec).map(([x, y]) => Math.hypot(x, y)))
  const outline = (points: readonly (readonly number[])[], more: object): CanvasElement => ({ type: 'polyline', closePath: true, points: points.map(([x, y]) => ({ x: R + x! * scale, y: R + y! * scale })), lineWidth: 0.8, lineColor: '#12202c', ...more })
  return [{
    canvas: [
      { type: 'ellipse', x: R, y: R, r1: bore / 2 * scale, r2: bore / 2 * scale, lineWidth: 0.6, dash: { length: 3, space: 3 } },
      outline(mouthOf(spec), { color: '#e3e8ec', lineWidth: 1.4 }),
      ...spec.valves.map((valve) => {
        const { axis, seat, seatRadius } = valveFrame(valve)
        return outline(roundEdge({ centre: seat, axis, diameter: 2 * seatRadius }), { color: '#ffffff' })
      })
    ],
    words: `Chamber ${cylinder}, from below; the bore is dashed.`
  }]
}

/** The bore in section at the top of the stroke, `y` down the page; what stands open is white. Heights are not to scale: volumes stand under it. */
function boreSection({ cylinder, parts, clearance }: CylinderState, y: number): Drawn[] {
  const { chamber, gasket, deck, crown, crevice, other } = parts
  if (!clearance || !chamber || !gasket || !deck || !crown) return []
  const cc = (part: { estimate: { value: number } }) => digits(part.estimate.value, 1)
  /** Drawn at all only where it is worth a hair. */
  const side = (value: number, over: number, under: number) => value > 0.05 ? over : value < -0.05 ? under : 0
  const [left, right, face] = [8, PLAN - 8, y + 30]
  const [metal, piston] = ['#c9d2d8', '#8b9aa5']
  const flat = face + 5 + side(deck.estimate.value, 4, -3)
  const bow = side(crown.estimate.value, 7, -9)
  const top = Array.from({ length: 21 }, (_, i) => ({ x: left + 16 + i / 20 * (right - left - 32), y: flat + bow * Math.sin(i / 20 * Math.PI) }))
  const wall = (x: number, w: number): CanvasElement[] => [{ type: 'rect', x, y: face, w, h: 5, color: '#12202c' }, { type: 'rect', x, y: face + 5, w, h: 38, color: metal }]
  return [{
    canvas: [
      { type: 'rect', x: 0, y, w: PLAN, h: 30, color: metal },
      { type: 'polyline', closePath: true, color: '#ffffff', points: [{ x: left + 4, y: face }, { x: left + 12, y: face - 18 }, { x: PLAN / 2, y: face - 25 }, { x: right - 12, y: face - 18 }, { x: right - 4, y: face }] },
      ...wall(0, left), ...wall(right, PLAN - right),
      { type: 'polyline', closePath: true, color: piston, points: [{ x: left + 1.5, y: flat }, ...top, { x: right - 1.5, y: flat }, { x: right - 1.5, y: face + 43 }, { x: left + 1.5, y: face + 43 }] }
    ],
    words: `Cylinder ${cylinder} in section, its piston at the top: chamber ${cc(chamber)}, gasket ${cc(gasket)}, deck ${cc(deck)}, piston’s top ${cc(crown)}${crevice ? `, over the rings ${cc(crevice)}` : ''}${other?.estimate.value ? `, other ${cc(other)}` : ''}. In all ${cc(clearance)} cc.`
  }]
}

/** Chamber and section as one picture: pdfmake moves a second one to the next sheet. */
function pictures(of: PaperCase, state: CylinderState): Drawn | undefined {
  const plan = chamberPlan(of, state.cylinder)
  const all = [...plan, ...boreSection(state, plan.length > 0 ? PLAN + 8 : 0)]
  return all.length === 0 ? undefined : { canvas: all.flatMap(one => one.canvas), words: all.map(one => one.words).join(' ') }
}

/** One page for whoever owns the engine: what came, what was wanted, what it is now, what was done and what to watch. With less and less on it, for the first that is one page. */
export const customerSheet = (of: PaperCase): ReturnType<typeof paper>[] => DETAILS.map(detail => sheetOf(of, detail))

/** What its book states of the ratio, and what the engine came with. */
function againstBook(of: PaperCase): string {
  const told = (of.received ?? of.r).asIs.flatMap(({ cylinder, ratio }) => {
    const book = known(of, 'bookRatio', cylinder)
    return book === undefined || !ratio ? [] : [{ book, came: ratio.estimate.value }]
  })
  if (told.length === 0) return ''
  const ratios = (all: number[]) => range(all, one => digits(one, 2))
  return ` Its book states a ratio of ${ratios(told.map(one => one.book))}; measured as it came: ${ratios(told.map(one => one.came))}.`
}

function sheetOf(of: PaperCase, detail: Detail): ReturnType<typeof paper> {
  const { r, received, lengths } = of
  const { cylinders } = r.layout
  const now = r.asIs
  const before = (cylinder: number) => received?.asIs.find(state => state.cylinder === cylinder)
  const [bore, stroke] = [ofAll(of, 'bore'), ofAll(of, 'stroke')]
  const target = r.target?.body
  const why = r.live.entries.flatMap(entry => entry.kind === 'reasons' ? [sayEntry(entry, lengths)] : []).at(-1)
  const band = targetBand(r.target)
  /** Columns of how it came stand where it is another now. */
  const came = <T>(one: T): T[] => received ? [one] : []
  const casting = r.live.entries.flatMap(entry => entry.kind === 'casting' ? [sayEntry(entry, lengths)] : []).at(-1)
  /** What was done, a line for each kind of work: what, and to which cylinders. */
  const work = new Map<string, Map<string, Scope[]>>()
  for (const op of r.done) {
    const done = work.get(sayKind(op.kind)) ?? new Map<string, Scope[]>()
    const what = sayEntry(op, lengths).replace(/^done, /, '')
    work.set(sayKind(op.kind), done.set(what, [...done.get(what) ?? [], op.scope]))
  }
  const whose = (scopes: readonly Scope[]) => {
    const own = scopes.flatMap(scope => scope.level === 'cylinder' ? [scope.cylinder] : [])
    if (own.length === scopes.length) return cylinders.length === 1 ? '' : ` (${sayCylinders([...new Set(own)], cylinders.length).toLowerCase()})`
    const only = scopes.every(({ level }) => (level === 'head' ? r.layout.heads : r.layout.banks).length === 1)
    return only ? '' : ` (${sayList([...new Set(scopes.map(sayScope))])})`
  }
  const grouped = [...work].map(([kind, done]) => `${kind}: ${[...done].map(([what, scopes]) => `${what}${whose(scopes)}`).join('; ')}`)
  const squishes = cylinders.flatMap(c => squishOf(r, c).running?.gap.estimate.value ?? [])
  const nearest = cylinders.flatMap(c => clearancesOf(r, c)).sort((a, b) => a.now.value - b.now.value)[0]
  const found = findings(of).filter(({ body }) => body.what !== 'numbering').map(one => capital(sayFinding(of, one)))
  const photos = detail.photo > 0 ? of.photos.slice(0, MOST_PHOTOS).map(photo => captioned(of, photo)) : []
  // No heading is moved to a sheet of its own here: what does not fit on one sheet is made with less on it, and laid out a second time
  // pdfmake loses its outlines.
  return { ...paper(headOf('What was done to your engine', of), of.size, [
    { text: 'What came in', style: 'head' },
    { text: [cylinders.length === 1 ? 'One cylinder' : `${cylinders.length} cylinders`, bore && stroke ? `, bore ${bore}, stroke ${stroke}` : '', casting ? `. Casting ${casting}` : '', `.${againstBook(of)}`] },
    ...found.length ? [{ ul: firstOf(found, detail.found) }] : [],
    ...photos.length ? [photoRows(photos, of.size, detail.photo)] : [],
    { text: 'What was wanted', style: 'head' },
    { text: target ? `A compression ratio of ${digits(target.ratio.value, 2)}, and no cylinder more than ${digits(target.tolerance.value, 2)} away from it.${why ? ` Chosen for: ${why}.` : ''}` : 'No target was stated.' },
    { text: 'What it is now', style: 'head' },
    table(
      ['Cylinder', ...came('chamber as it came, cc'), 'chamber now, cc', '±', ...came('ratio as it came'), 'ratio now', '±', ''],
      now.map((state) => {
        const was = before(state.cylinder)
        const [chamber, ratio] = [state.parts.chamber?.estimate, state.ratio?.estimate]
        return [
          String(state.cylinder), ...came(was?.parts.chamber ? digits(was.parts.chamber.estimate.value, 1) : '–'), chamber ? { text: digits(chamber.value, 1), bold: true } : '–', chamber ? plusMinus(uncertainty(chamber), 1) : '–',
          ...came(was?.ratio ? digits(was.ratio.estimate.value, 2) : '–'), ratio ? { text: digits(ratio.value, 2), bold: true } : '–', ratio ? plusMinus(uncertainty(ratio), 2) : '–',
          AGAINST[againstTarget(state, band) ?? 'unknown']
        ]
      }),
      [44, ...came('*' as const), '*', 26, ...came('*' as const), '*', 26, 50], [0, received ? 7 : 5]
    ),
    ...spread(of, now, now.map(state => before(state.cylinder)?.ratio?.estimate.value), detail.row, detail.plan ? pictures(of, now[0]!) : undefined),
    { text: 'What was done', style: 'head' },
    grouped.length === 0 ? { text: 'It was measured. No metal was taken and no part was changed.' } : { ul: firstOf(grouped, detail.work) },
    { text: 'What to watch', style: 'head' },
    { ul: [
      ...firstOf(openStops(of), detail.watch),
      ...squishes.length ? [`Piston to head, running: ${length(Math.min(...squishes), of)} at the least.`] : [],
      ...nearest ? [`Nearest clearance: ${NEAR[nearest.name].one} to ${NEAR[nearest.name].other}, ${say(nearest.now.value, 'length', lengths)}.`] : [],
      'The ratio is that of the volumes, measured cold. What fuel and timing the engine stands is for whoever tunes it, and the maker’s limits come first.'
    ] },
    { text: '± means: the true figure lies within it 95 times in 100.', style: 'quiet', margin: [0, 6, 0, 0] }
  ]), pageBreakBefore: undefined }
}
