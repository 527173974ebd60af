import type { FlowMiss, FlowReading } from '#core'
import { UNITS } from '#shared/figures'
import { flowRowsFault } from '#shared/dto'
import { cellsOf, numberTyped } from './cells'

/** Longest text that is read as a run. */
export const FLOW_TEXT_LIMIT = 20_000

/** Units that a run's rows are typed in. */
export interface FlowUnits { lengths: 'mm' | 'in', flow: 'L/s' | 'cfm' }

/** How a lift that was not reached is written. */
export const MISS_TEXT: Record<FlowMiss, string> = { retainer: 'retainer', coilBind: 'coil bind', bench: 'bench', other: 'not reached' }
const MISSES = new Map<string, FlowMiss>([...(Object.entries(MISS_TEXT) as [FlowMiss, string][]).map(([miss, text]): [string, FlowMiss] => [text, miss]), ['-', 'other'], ['–', 'other'], ['seal', 'retainer'], ['bind', 'coilBind']])

/**
 * Reads a run's rows, a lift and its flow a line, parted by comma, semicolon, tab or spaces; a heading or none. A lift that was not
 * reached has the reason in the flow's place, or a dash.
 *
 * @param text typed, pasted or out of a file
 * @param units of lifts and flows
 * @returns rows in mm and L/s, or a sentence that names the line
 * @example readFlowRows('2 24.1\n4 46.8\n8 retainer', { lengths: 'mm', flow: 'L/s' })
 */
export function readFlowRows(text: string, { lengths, flow }: FlowUnits): FlowReading[] | string {
  if (text.length > FLOW_TEXT_LIMIT) return 'That is too long for a run.'
  const rows: FlowReading[] = []
  for (const [i, line] of text.split(/\r?\n/).entries()) {
    const [first, ...rest] = cellsOf(line)
    if (first === undefined) continue
    const second = rest.join(' ').toLowerCase()
    const [missed, lift, flows] = [MISSES.get(second), numberTyped(first), numberTyped(second)]
    if (lift >= 0 && (flows >= 0 || missed)) {
      rows.push({ lift: Number((lift * UNITS[lengths].factor).toFixed(4)), ...missed ? { missed } : { flow: Number((flows * UNITS[flow].factor).toFixed(4)) } })
      // A heading has no number in it; a row in which one is spelt wrong has.
    } else if (rows.length > 0 || [first, ...rest].some(cell => Number.isFinite(numberTyped(cell)))) {
      return `Line ${i + 1} is no lift and flow: “${line.trim().slice(0, 24)}”. Give the lift and its flow, or “retainer”, “coil bind” or “bench” where it was not reached.`
    }
  }
  return flowRowsFault(rows) ?? rows
}

/**
 * The reverse of {@link readFlowRows}: a run's rows as they are typed.
 *
 * @param rows in mm and L/s
 * @example writeFlowRows([{ lift: 2, flow: 24.1 }, { lift: 8, missed: 'retainer' }], { lengths: 'mm', flow: 'L/s' }) // '2 24.1\n8 retainer'
 */
export function writeFlowRows(rows: readonly FlowReading[], { lengths, flow }: FlowUnits): string {
  const plain = (value: number) => String(Number(value.toFixed(7)))
  return rows.map(row => `${plain(row.lift / UNITS[lengths].factor)} ${row.flow === undefined ? MISS_TEXT[row.missed ?? 'other'] : plain(row.flow / UNITS[flow].factor)}`).join('\n')
}

/**
 * What a flow bench sends, a lift and its flow: “4.00 mm 46.8 L/s”.
 *
 * @returns undefined for what is no such line; mm and L/s
 */
export function readBenchLine(message: unknown): { lift: number, flow: number } | undefined {
  if (typeof message !== 'string' || message.length > 60) return undefined
  const found = /^\s*\+?(\d{1,2}(?:\.\d{1,4})?) ?(mm|in)[ ;,]+\+?(\d{1,4}(?:\.\d{1,3})?) ?(L\/s|cfm)\s*$/.exec(message)
  if (!found) return undefined
  return { lift: Number(found[1]) * UNITS[found[2] as 'mm' | 'in'].factor, flow: Number(found[3]) * UNITS[found[4] as 'L/s' | 'cfm'].factor }
}
