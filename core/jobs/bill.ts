import type { JobBought } from '../ledger'
import type { JobCardStanding } from './card'

/** A line of a quote or of a bill: hours of a step at the shop's rate. */
export interface BillLine { step: string, hours: number, money: number }
export interface JobBill { lines: BillLine[], bought: JobBought[], hours: number, labour: number, parts: number, total: number }

/** Money is counted in hundredths. */
const rounded = (money: number): number => Math.round(money * 100) / 100

/**
 * What a job comes to: as planned for the quote, as worked for the bill. Each line is rounded, and the sums are of the rounded lines, so
 * that who adds up the paper gets what is on it.
 *
 * @param rate money an hour, ≥ 0
 * @param of which hours
 * @example billOf(card, 60, 'planned').total // 4 h at 60 and a gasket of 60: 300
 */
export function billOf(card: JobCardStanding, rate: number, of: 'planned' | 'worked'): JobBill {
  const all = of === 'planned' ? card.lines.map(({ step, hours }) => ({ step, hours })) : [...card.lines, ...card.others].map(({ step, worked }) => ({ step, hours: worked }))
  // Hours as the paper prints them: two places.
  const lines = all.map(({ step, hours }) => ({ step, hours: rounded(hours), money: rounded(rounded(hours) * rate) })).filter(({ hours }) => hours > 0)
  const { bought } = card.entry.body
  const labour = rounded(lines.reduce((sum, line) => sum + line.money, 0))
  const parts = rounded(bought.reduce((sum, thing) => sum + thing.money, 0))
  return { lines, bought, hours: rounded(lines.reduce((h, line) => h + line.hours, 0)), labour, parts, total: rounded(labour + parts) }
}
