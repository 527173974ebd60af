import { cylindersOf, findingsOf, onFace, quantityOf, type EntryOf, type Advice, type AsIf, type Entry, type Photograph, type Quantity, type Replay, type ShopRules } from '#core'
import { digits, say, type LengthUnit } from '#shared/figures'
import { groupOf, sayAdvice } from '../words/advice'
import { sayDate, sayEntry } from '../words/entries'
import { FINDING_WORDS, sayOnFace } from '../words/findings'
import type { PaperHead, PaperSize } from './pdf'

/** A photograph as a paper has it: JPEG as a data address. */
export interface PaperPhoto extends Photograph { data: string }

/** What papers are made of: the build as it is, as it came, and with everything planned. */
export interface PaperCase {
  name: string
  reference: string
  r: Replay
  received?: Replay
  planned?: AsIf
  /** The whole ledger, what was replaced or struck out among it. */
  entries: readonly Entry[]
  opens: readonly Advice[]
  /** Those of what was found at take-in first. */
  photos: readonly PaperPhoto[]
  rules: ShopRules
  lengths: LengthUnit
  size: PaperSize
  /** When it is printed. */
  now: string
}

export const length = (mm: number, { lengths }: Pick<PaperCase, 'lengths'>, extra = 0): string => say(mm, 'length', lengths, extra)
export const known = ({ r }: PaperCase, name: Quantity, cylinder = r.layout.cylinders[0]!): number | undefined => quantityOf(r, name, cylinder)?.estimate.value
/** What several come to, as they print: one where they print alike. */
export const range = (list: readonly number[], print: (value: number) => string): string => [...new Set([Math.min(...list), Math.max(...list)].map(print))].join(' to ')
/** A dimension of all cylinders; nothing where one is not known. */
export function ofAll(of: PaperCase, name: Quantity): string | undefined {
  const all = of.r.layout.cylinders.map(cylinder => known(of, name, cylinder))
  return all.every(one => one !== undefined) ? range(all, one => length(one, of)) : undefined
}
/** ± of a figure, k = 2. */
export const plusMinus = (u: number, decimals: number): string => digits(2 * u, decimals)

/** What is still open, without what is only the next step of the work. */
export const openStops = ({ opens, r, lengths }: PaperCase): string[] => opens.filter(one => groupOf(one) === 'stop' || groupOf(one) === 'disagree').map(one => sayAdvice(one, r.layout.cylinders.length, lengths).sentence)

/** Head and foot of a paper of this build. */
export function headOf(title: string, of: PaperCase): PaperHead {
  // That a paper was printed changes none.
  const last = of.r.live.entries.filter(entry => entry.kind !== 'printed').at(-1)
  const open = of.opens.filter(one => one.kind !== 'onTarget').length
  return {
    title, name: of.name, reference: of.reference, asOf: `printed ${sayDate(of.now)}, last entry ${last ? sayDate(last.at) : 'none'}`,
    open: `${open === 0 ? 'Nothing is open.' : `${open} ${open === 1 ? 'thing is' : 'things are'} still open.`} Entries after ${last ? sayDate(last.at) : 'now'} are not in this paper.`
  }
}

/** What was found, and where. */
function sayFound(of: PaperCase, { body, scope }: EntryOf<'finding'>): string {
  const first = scope.level === 'head' ? cylindersOf(of.r.layout, scope.head)[0] : undefined
  const bore = known(of, 'bore', first) ?? 90
  const where = body.place && scope.level === 'head' ? onFace(of.r.layout, scope.head, body.place, { bore, spacing: known(of, 'boreSpacing', first) ?? bore * 1.1 }) : undefined
  return `${FINDING_WORDS[body.what]}${where && body.what !== 'numbering' ? ` ${sayOnFace(where)}` : ''}`
}

/** A finding in a line: what, where, who was told, what was decided. */
export function sayFinding(of: PaperCase, entry: EntryOf<'finding'>): string {
  const { body } = entry
  return [`${sayFound(of, entry)}${body.words ? `: ${body.words}` : ''}`, ...body.told ? [`told ${body.told}`] : [], ...body.decided ? [body.decided] : []].join('; ')
}

/** What was found on the heads as they came in, or on one of them. */
export const findings = (of: PaperCase, head?: number): EntryOf<'finding'>[] =>
  findingsOf(of.r).map(({ entry }) => entry).filter(({ scope }) => head === undefined || (scope.level === 'head' && scope.head === head))

/** What stands under a photograph. */
export const captioned = (of: PaperCase, { entry, of: shown, data }: PaperPhoto): { data: string, words: string } =>
  ({ data, words: entry.kind === 'photograph' && entry.body.words ? entry.body.words : shown.kind === 'finding' ? sayFound(of, shown) : sayEntry(shown, of.lengths) })
