import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import bold from '@fontsource/b612/files/b612-latin-700-normal.woff?inline'
import regular from '@fontsource/b612/files/b612-latin-400-normal.woff?inline'
import { opened } from './sfnt'

/** Points to the mm of PDF. */
export const PT = 72 / 25.4

export const SIZES = ['A4', 'LETTER'] as const
export type PaperSize = (typeof SIZES)[number]
/** Width of the sheet and of what is printed on it, mm. */
export const SHEET: Record<PaperSize, { width: number, height: number }> = { A4: { width: 210, height: 297 }, LETTER: { width: 215.9, height: 279.4 } }
export const MARGIN = 16
/** Room in a table to write in by hand. */
export const ROOM = '\u00a0\n\u00a0'

/** Letters that the fonts have; what a name holds beside them prints as a space rather than as a box. */
export const printable = (text: string): string => text.replaceAll('π', 'pi').replaceAll('₂', '2').replace(/[^\u0020-\u007E\u00A0-\u00FF\u2010-\u201E\u2022\u2026\u2032\u2033\u2190-\u2193\u2212]/g, ' ')

/** Every text of a document made printable. */
function printed<T>(content: T): T {
  if (typeof content === 'string') return printable(content) as T
  if (Array.isArray(content)) return content.map(printed) as T
  if (typeof content !== 'object' || content === null) return content
  return Object.fromEntries(Object.entries(content).map(([key, value]) => [key, key === 'style' || key === 'pageSize' || typeof value === 'function' ? value : printed(value)])) as T
}

/**
 * A document as PDF: vector, its text selectable, in the screens' own type, which goes with it.
 *
 * @param of the document; or several with less and less on them, the first of which that is one page is made, else the last
 */
export async function pdfOf(of: TDocumentDefinitions | readonly TDocumentDefinitions[]): Promise<Uint8Array> {
  const [first, ...less] = (Array.isArray(of) ? of : [of]) as TDocumentDefinitions[]
  let pages = 1
  const footer = first!.footer
  const counted = typeof footer === 'function'
    ? { ...first!, footer: ((page, all, size) => {
      pages = all
      return footer(page, all, size)
    }) satisfies TDocumentDefinitions['footer'] }
    : first!
  const made = await make(counted)
  return pages > 1 && less.length > 0 ? pdfOf(less) : made
}

/** The package with the fonts in, once for all papers; what could not be fetched once is fetched again for the next. */
let setter: ReturnType<typeof setUp> | undefined
async function setUp() {
  try {
    const { default: pdfmake } = await import('pdfmake/build/pdfmake')
    const font = async (uri: string) => {
      const letters = await opened(Uint8Array.from(atob(uri.slice(uri.indexOf(',') + 1)), c => c.charCodeAt(0)))
      return btoa(String.fromCharCode(...letters))
    }
    pdfmake.addVirtualFileSystem({ 'regular.ttf': await font(regular), 'bold.ttf': await font(bold) })
    pdfmake.addFonts({ B612: { normal: 'regular.ttf', bold: 'bold.ttf', italics: 'regular.ttf', bolditalics: 'bold.ttf' } })
    return pdfmake
  } catch (error) {
    setter = undefined
    throw error
  }
}

async function make(definition: TDocumentDefinitions): Promise<Uint8Array> {
  const pdfmake = await (setter ??= setUp())
  const bytes = await pdfmake.createPdf({ ...definition, content: printed(definition.content), defaultStyle: { font: 'B612', fontSize: 9, lineHeight: 1.15, ...definition.defaultStyle } }).getBuffer()
  return new Uint8Array(bytes)
}

/** What every paper has at its head and foot: what it is, of which build, as of when, and what was open then. */
export interface PaperHead { title: string, name: string, reference: string, asOf: string, open: string }

const LINE = { hLineWidth: () => 0.4, vLineWidth: () => 0, hLineColor: () => '#9aa5ad', paddingLeft: () => 3, paddingRight: () => 3, paddingTop: () => 2.5, paddingBottom: () => 1.5 }

/** A paper in the house's look. */
export function paper({ title, name, reference, asOf, open }: PaperHead, size: PaperSize, content: Content[]): TDocumentDefinitions {
  const m = MARGIN * PT
  return {
    info: { title: `${title}, ${name}` }, pageSize: size, pageMargins: [m, 30 * PT, m, 18 * PT],
    header: {
      margin: [m, 12 * PT, m, 0],
      stack: [
        { columnGap: 12, columns: [{ text: title, bold: true, fontSize: 15 }, { text: name, bold: true, fontSize: 11, alignment: 'right', margin: [0, 3, 0, 0] }] },
        { columnGap: 12, columns: [{ text: reference, color: '#46545e' }, { text: asOf, alignment: 'right', color: '#46545e', width: 'auto' }] },
        { canvas: [{ type: 'line', x1: 0, y1: 2, x2: (SHEET[size].width - 2 * MARGIN) * PT, y2: 2, lineWidth: 0.8 }] }
      ]
    },
    footer: (page: number, pages: number) => ({ margin: [m, 6, m, 0], columns: [{ text: printable(open), fontSize: 7.5, color: '#46545e' }, { text: `${page} of ${pages}`, alignment: 'right', fontSize: 7.5, width: 50 }] }),
    // A heading goes with what it is over.
    pageBreakBefore: (node, following) => node.style === 'head' && (following.getFollowingNodesOnPage().length === 0 || node.startPosition.verticalRatio > 0.88),
    styles: { head: { bold: true, fontSize: 11, margin: [0, 10, 0, 3] }, quiet: { color: '#46545e', fontSize: 8 } },
    content
  }
}

/** A table of a paper: figures to the right, the heading repeated on every sheet. */
export function table(heads: readonly string[], rows: readonly (readonly (string | { text: string, bold?: boolean })[])[], widths: readonly (number | 'auto' | '*')[], words: readonly number[] = [0]): Content {
  const cell = (of: string | { text: string, bold?: boolean }, i: number) => ({ ...typeof of === 'string' ? { text: of } : of, alignment: words.includes(i) ? 'left' as const : 'right' as const })
  return {
    layout: LINE, margin: [0, 2, 0, 4],
    table: { headerRows: 1, keepWithHeaderRows: 1, dontBreakRows: true, widths: [...widths], body: [heads.map((text, i) => ({ ...cell(text, i), fontSize: 8, color: '#46545e' })), ...rows.map(row => row.map(cell))] }
  }
}

/** Photographs in rows of three, each in its share of the sheet, with what stands under it. As a table, whose rows go to the next sheet whole. */
export function photoRows(photos: readonly { data: string, words: string }[], size: PaperSize, tall: number): Content {
  const ACROSS = 3
  const gap = 8
  const wide = ((SHEET[size].width - 2 * MARGIN) * PT - gap * ACROSS) / ACROSS
  const cell = (photo: { data: string, words: string } | undefined): Content => photo ? { stack: [{ image: photo.data, fit: [wide, tall], alt: photo.words } as Content, { text: photo.words, style: 'quiet' }] } : ''
  return {
    layout: { defaultBorder: false, paddingLeft: () => 0, paddingRight: () => gap, paddingTop: () => 4, paddingBottom: () => 4 },
    table: { dontBreakRows: true, widths: Array.from({ length: ACROSS }, () => wide), body: Array.from({ length: Math.ceil(photos.length / ACROSS) }, (_, row) => Array.from({ length: ACROSS }, (_, i) => cell(photos[row * ACROSS + i]))) }
  }
}
