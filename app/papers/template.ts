import { PT, pdfOf } from './pdf'
import { directionIn, headPlane, mouthOf, roundEdge, valveFrame, type ChamberSpec, type Point, type RowEnd, type XY } from '#core'

/** What a scribe template shows; all in mm, the chamber's own frame. `rowBegins`: the cylinder that one end is told by, where there is one. */
export interface TemplateCase { rowBegins?: RowEnd, spec: ChamberSpec, bore: number, gasketBore: number, line: number, edge: number[][], marks: number[], valve: number, lift: number, title: string }

/** Lines and words of a template, in mm from its top left corner, as the head lies on the bench: +y points down. */
export interface Template { width: number, height: number, lines: { points: Point[], closed: boolean, weight: number, dash?: number }[], words: { at: Point, text: string, size: number }[] }

const PAGE = { width: 210, height: 297 }
/** Room for “to cylinder 12” left of the gasket's ring, mm. */
const BESIDE = 28
/** Length of the ruler that shows whether the printer kept the scale, mm. */
const RULER = 100

/**
 * A 1:1 template to scribe by: gasket, limit and bore, mouth and developed mouth, valves with their middles, pin marks,
 * and a ruler.
 */
export function scribeTemplate({ spec, bore, gasketBore, line, edge, marks, valve, lift, title, rowBegins }: TemplateCase): Template {
  const [cx, cy] = [PAGE.width / 2, 110]
  // Seen from below: x to the right, y down the page.
  const put = ([x, y]: readonly number[]): Point => [cx + x!, cy + y!]
  const ring = (R: number): Point[] => Array.from({ length: 180 }, (_, i) => put([R * Math.cos(i * Math.PI / 90), R * Math.sin(i * Math.PI / 90)]))
  const lines: Template['lines'] = [
    { points: ring(gasketBore / 2), closed: true, weight: 0.2, dash: 3 }, { points: ring(line), closed: true, weight: 0.35 }, { points: ring(bore / 2), closed: true, weight: 0.15, dash: 1 },
    { points: mouthOf(spec).map(put), closed: true, weight: 0.2 },
    ...edge.map(loop => ({ points: Array.from({ length: loop.length / 3 }, (_, i) => put([loop[3 * i]!, loop[3 * i + 1]!])), closed: true, weight: 0.5 }))
  ]
  const cross = ([x, y]: Point, long: number) => {
    lines.push({ points: [[x - long, y], [x + long, y]], closed: false, weight: 0.2 }, { points: [[x, y - long], [x, y + long]], closed: false, weight: 0.2 })
  }
  cross(put([0, 0]), 4)
  spec.valves.forEach((v) => {
    const { axis, seat, seatRadius } = valveFrame(v)
    lines.push({ points: roundEdge({ centre: seat, axis, diameter: 2 * seatRadius }, 120).map(put), closed: true, weight: 0.2 })
    cross(put(seat), 3)
  })
  const one = spec.valves[valve]
  if (one) {
    const plane = headPlane(one, lift)
    for (const mark of marks) {
      const d = directionIn(plane, mark)
      const at = (far: number) => put([plane.centre[0] + d[0] * far, plane.centre[1] + d[1] * far])
      lines.push({ points: [at(plane.radius - 1), at(plane.radius + 8)], closed: false, weight: 0.5 })
    }
  }
  const ruler = rulerOn(lines)
  return {
    ...PAGE, lines,
    words: [
      { at: [20, 22], text: title, size: 5 }, { at: [20, 29], text: 'Seen from below, as the head lies on the bench. 1 : 1', size: 3.5 },
      { at: [cx - 12, 50], text: 'intake side', size: 3.5 }, ...rowBegins ? [{ at: [rowBegins.left ? cx - gasketBore / 2 - BESIDE : cx + gasketBore / 2 + 4, cy + 1] as Point, text: `to cylinder ${rowBegins.cylinder}`, size: 3.5 }] : [],
      ruler,
      { at: [20, 240], text: 'Heavy: the limit (never past it) and the developed wall. Dashed: gasket ring and bore. Short strokes: where the pin', size: 3.2 },
      { at: [20, 245], text: 'touches and comes free. Locate by the dowels, check against the gasket that will be fitted.', size: 3.2 },
      { at: [20, 253], text: 'Lay it on with the intake sides together: the thin outline must lie on the chamber’s edge all round. If it only does turned', size: 3.2 },
      { at: [20, 258], text: 'over, the chamber was drawn mirrored: do not scribe by this sheet.', size: 3.2 }
    ]
  }
}

/** The ruler that shows whether a printer kept the scale, a tick every 10 mm; returns what is said under it. */
function rulerOn(lines: Template['lines']): Template['words'][number] {
  const [rx, ry] = [(PAGE.width - RULER) / 2, 215]
  lines.push({ points: [[rx, ry], [rx + RULER, ry]], closed: false, weight: 0.4 })
  for (let i = 0; i <= RULER; i += 10) lines.push({ points: [[rx + i, ry], [rx + i, ry - (i % 50 === 0 ? 6 : 3)]], closed: false, weight: 0.4 })
  return { at: [rx, ry + 6], text: `This line is ${RULER} mm. If it is not, the printer changed the scale: do not use the sheet.`, size: 3.5 }
}

/** A flange's openings, mm about its bolts or dowels, y up: the one to cut to, what is there now, and the metal between. */
export interface FlangeCase { title: string, onto: string, to: readonly XY[], now?: readonly XY[], metal: readonly (readonly XY[])[] }

/** A 1:1 template for a flange, seen as one looks at it: heavy what to cut to, thin what is there, dashed the metal to take. */
export function flangeTemplate({ title, onto, to, now, metal }: FlangeCase): Template {
  const [cx, cy] = [PAGE.width / 2, 120]
  const put = ([x, y]: XY): Point => [cx + x, cy - y]
  const lines: Template['lines'] = [
    { points: to.map(put), closed: true, weight: 0.5 }, ...now ? [{ points: now.map(put), closed: true, weight: 0.2 }] : [],
    ...metal.map(points => ({ points: points.map(put), closed: true, weight: 0.2, dash: 1 })),
    { points: [[cx - 6, cy], [cx + 6, cy]], closed: false, weight: 0.2 }, { points: [[cx, cy - 6], [cx, cy + 6]], closed: false, weight: 0.2 }
  ]
  const ruler = rulerOn(lines)
  return {
    ...PAGE, lines,
    words: [
      { at: [20, 22], text: title, size: 5 }, { at: [20, 29], text: `Seen as you look at the ${onto}, roof up. 1 : 1`, size: 3.5 }, { at: [cx - 4, 60], text: 'roof', size: 3.5 }, { at: [cx - 4, 190], text: 'floor', size: 3.5 }, ruler,
      { at: [20, 240], text: 'Heavy: the opening to cut to. Thin: the opening as it is. Dashed: the metal between them. The cross is where bolts or', size: 3.2 },
      { at: [20, 245], text: 'dowels put the flange: locate by them, dye the face, and scribe.', size: 3.2 }
    ]
  }
}

/** The template as SVG, mm for mm. */
export function templateSvg({ width, height, lines, words }: Template): string {
  const safe = (text: string) => text.replace(/[<>&"]/g, '')
  const path = (points: Point[], closed: boolean) => `M${points.map(([x, y]) => `${x.toFixed(3)} ${y.toFixed(3)}`).join('L')}${closed ? 'Z' : ''}`
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">`,
    ...lines.map(l => `<path d="${path(l.points, l.closed)}" fill="none" stroke="#000" stroke-width="${l.weight}"${l.dash ? ` stroke-dasharray="${l.dash}"` : ''}/>`),
    ...words.map(w => `<text x="${w.at[0]}" y="${w.at[1]}" font-size="${w.size}" font-family="sans-serif">${safe(w.text)}</text>`),
    '</svg>'
  ].join('\n')
}

/** How far a text's own line lies under the top that a page counts it from, of its size. */
const RISE = 0.97

/** The template as a PDF page, mm for mm. */
export function templatePdf({ width, height, lines, words }: Template): Promise<Uint8Array> {
  return pdfOf({
    pageSize: { width: width * PT, height: height * PT }, pageMargins: 0, defaultStyle: { lineHeight: 1 },
    content: [
      {
        absolutePosition: { x: 0, y: 0 },
        canvas: lines.map(({ points, closed, weight, dash }) => ({
          type: 'polyline' as const, points: points.map(([x, y]) => ({ x: x * PT, y: y * PT })), closePath: closed, lineWidth: weight * PT, ...dash ? { dash: { length: dash * PT, space: dash * PT } } : {}
        }))
      },
      ...words.map(({ at, text, size }) => ({ text, fontSize: size * PT, noWrap: true, absolutePosition: { x: at[0] * PT, y: (at[1] - RISE * size) * PT } }))
    ]
  })
}
