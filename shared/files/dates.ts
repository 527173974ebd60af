/** Which comes first in dates written with strokes or dots. */
export type DateOrder = 'dayFirst' | 'monthFirst'

const ISO = /^(\d{4})-(\d\d)-(\d\d)(?:[T ](\d\d):(\d\d)(?::(\d\d)(?:\.(\d{1,3}))?)?(Z|[+-]\d\d:?\d\d)?)?$/
const STROKES = /^(\d{1,2})([/.-])(\d{1,2})\2(\d{4})(?:[T ]+(\d{1,2}):(\d\d)(?::(\d\d))?)?$/

/**
 * A time out of a file: as ISO 8601, or with day and month in the order that was said. Nothing is guessed.
 *
 * @param text what stands in the file
 * @param order what was said about the file's dates, if anything
 * @returns the time in UTC, why it is none, or that the order has to be asked for. A day without a time is that day's noon,
 *   here; a time without a zone is the time here
 */
export function readWhen(text: string, order?: DateOrder): { at: string } | { refused: string } | { asks: true } {
  const iso = ISO.exec(text)
  if (iso) {
    const [, y, mo, d, h, mi, s, ms, zone] = iso
    return timeOf(text, [y, mo, d, h ?? (zone ? '0' : '12'), mi ?? '0', s ?? '0', (ms ?? '').padEnd(3, '0')].map(Number), zone)
  }
  const strokes = STROKES.exec(text)
  if (!strokes) return { refused: `“${text.slice(0, 24)}” is no date: write it as 2026-03-09, or 2026-03-09T14:30.` }
  if (!order) return { asks: true }
  const [, first, , second, y, h, mi, s] = strokes
  const [d, mo] = order === 'dayFirst' ? [first, second] : [second, first]
  return timeOf(text, [y, mo, d, h ?? '12', mi ?? '0', s ?? '0', '0'].map(Number), undefined)
}

function timeOf(text: string, parts: number[], zone: string | undefined): { at: string } | { refused: string } {
  const [y, mo, d, h, mi, s, ms] = parts as [number, number, number, number, number, number, number]
  // The thirtieth of February would silently become the second of March.
  const day = new Date(Date.UTC(y, mo - 1, d))
  if (mo < 1 || mo > 12 || day.getUTCDate() !== d || day.getUTCMonth() !== mo - 1) return { refused: `“${text.slice(0, 24)}” is no day of the calendar.` }
  if (h > 23 || mi > 59 || s > 59) return { refused: `“${text.slice(0, 24)}” is no time of the day.` }
  if (!zone) return { at: new Date(y, mo - 1, d, h, mi, s, ms).toISOString() }
  const off = zone === 'Z' ? 0 : (zone.startsWith('-') ? -1 : 1) * (Number(zone.slice(1, 3)) * 60 + Number(zone.slice(-2)))
  return { at: new Date(Date.UTC(y, mo - 1, d, h, mi, s, ms) - off * 60_000).toISOString() }
}
