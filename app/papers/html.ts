import type { CanvasElement, Content, ContentTable, TDocumentDefinitions } from 'pdfmake/interfaces'

const safe = (text: unknown): string => String(text as string).replace(/[&<>"']/g, c => `&#${c.charCodeAt(0)};`)
type Any = Record<string, unknown>

const dashed = ({ dash }: { dash?: { length: number, space?: number } }) => dash ? ` stroke-dasharray="${dash.length} ${dash.space ?? dash.length}"` : ''
const shape = (of: CanvasElement): string => {
  switch (of.type) {
    case 'line': return `<path d="M${of.x1} ${of.y1}L${of.x2} ${of.y2}" stroke="${safe(of.lineColor ?? '#000')}" stroke-width="${of.lineWidth ?? 1}"${dashed(of)}/>`
    case 'rect': return `<rect x="${of.x}" y="${of.y}" width="${of.w}" height="${of.h}" fill="${safe(of.color ?? 'none')}"${of.color ? '' : ` stroke="#000" stroke-width="${of.lineWidth ?? 1}"`}/>`
    case 'ellipse': return `<ellipse cx="${of.x}" cy="${of.y}" rx="${of.r1}" ry="${of.r2 ?? of.r1}" fill="${safe(of.color ?? 'none')}"${of.color ? '' : ` stroke="#000" stroke-width="${of.lineWidth ?? 1}"`}${dashed(of)}/>`
    case 'polyline': return `<path d="M${of.points.map(p => `${p.x} ${p.y}`).join('L')}${of.closePath ? 'Z' : ''}" fill="${safe(of.color ?? 'none')}" stroke="#000" stroke-width="${of.lineWidth ?? 1}"${dashed(of)}/>`
    default: return ''
  }
}

/** How far a drawing reaches to the right and down, points. */
function reach(list: readonly CanvasElement[]): [number, number] {
  const all = list.flatMap((of): [number, number][] => of.type === 'line' ? [[of.x1, of.y1], [of.x2, of.y2]] : of.type === 'rect' ? [[of.x + of.w, of.y + of.h]] : of.type === 'ellipse' ? [[of.x + of.r1, of.y + (of.r2 ?? of.r1)]] : of.points.map((p): [number, number] => [p.x, p.y]))
  return [Math.max(1, ...all.map(p => p[0])) + 2, Math.max(1, ...all.map(p => p[1])) + 2]
}

function tableOf({ table }: ContentTable): string {
  const heads = table.headerRows ?? 0
  const cell = (of: unknown, tag: 'td' | 'th') => `<${tag}${(of as Any).alignment === 'right' ? ' class="r"' : ''}>${piece(of as Content)}</${tag}>`
  return `<table>${table.body.map((row, i) => `<tr>${row.map(of => cell(of, i < heads ? 'th' : 'td')).join('')}</tr>`).join('')}</table>`
}

/** One piece of a paper as HTML: what the papers are made of, and nothing else. */
function piece(of: Content): string {
  if (Array.isArray(of)) return of.map(piece).join('')
  if (typeof of !== 'object' || of === null) return safe(of)
  const one = of as unknown as Any
  if ('table' in one) return tableOf(of as ContentTable)
  if ('stack' in one) return `<div>${(one.stack as Content[]).map(piece).join('')}</div>`
  if ('columns' in one) return `<div class="columns">${(one.columns as Content[]).map(c => `<div>${piece(c)}</div>`).join('')}</div>`
  if ('ul' in one) return `<ul>${(one.ul as Content[]).map(c => `<li>${piece(c)}</li>`).join('')}</ul>`
  if ('canvas' in one) {
    const list = one.canvas as CanvasElement[]
    const [w, h] = reach(list)
    return `<svg viewBox="0 0 ${w} ${h}" width="${w}" height="${h}" aria-hidden="true">${list.map(shape).join('')}</svg>`
  }
  // Only what stands in the page itself, and only a photograph.
  if ('image' in one) return /^data:image\/jpeg;base64,[A-Za-z0-9+/=]+$/.test(String(one.image)) ? `<img src="${String(one.image)}" alt="${safe(one.alt ?? '')}">` : ''
  if (!('text' in one)) return ''
  const text = piece(one.text as Content)
  return one.style === 'head' ? `<h2>${text}</h2>` : one.bold ? `<strong>${text}</strong>` : one.style === 'quiet' ? `<p class="quiet">${text}</p>` : `<span>${text}</span>`
}

/** A paper as one page of HTML that needs nothing beside it: no script, no address of anything, pictures in the page itself. */
export function htmlOf(definition: TDocumentDefinitions): string {
  const title = safe(definition.info?.title ?? 'Precise Bowl')
  const header = definition.header as Content
  const footer = typeof definition.footer === 'function' ? definition.footer(1, 1, {} as never) as Any | undefined : undefined
  const foot = (footer?.columns as Content[] | undefined)?.[0]
  return [
    '<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">',
    '<meta http-equiv="Content-Security-Policy" content="default-src \'none\'; style-src \'unsafe-inline\'; img-src data:">', `<title>${title}</title>`,
    '<style>body{font:16px/1.45 sans-serif;max-width:760px;margin:24px auto;padding:0 16px;color:#12202c;background:#fff}h2{font-size:1.15em;margin:1.2em 0 .3em}table{border-collapse:collapse;width:100%}td,th{border-bottom:1px solid #9aa5ad;padding:4px;text-align:left;font-variant-numeric:tabular-nums}th{font-weight:400;color:#46545e}.r{text-align:right}.quiet,footer{color:#46545e;font-size:.85em}.columns{display:flex;justify-content:space-between;gap:16px;flex-wrap:wrap}header{border-bottom:1px solid}header strong{font-size:1.3em}svg,img{max-width:100%;height:auto}.columns>div{flex:1 1 160px}</style></head><body>',
    `<header>${piece(withoutRules(header))}</header><main>${piece(definition.content)}</main><footer>${foot ? piece(foot) : ''}</footer></body></html>`
  ].join('\n')
}

/** The rule under a head is a border on a page. */
const withoutRules = (of: Content): Content => {
  const one = of as unknown as Any
  return Array.isArray(one?.stack) ? { ...one, stack: (one.stack as Any[]).filter(c => !('canvas' in c)) } as unknown as Content : of
}
