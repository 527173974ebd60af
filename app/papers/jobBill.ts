import type { Content } from 'pdfmake/interfaces'
import { billOf, jobCardOf } from '#core'
import { sayStep } from '../words/jobs'
import { headOf, type PaperCase } from './paperCase'
import { paper, table } from './pdf'

const TITLES = { planned: 'Quote', worked: 'Bill of hours' } as const

/** What the job is to come to, or came to: hours step by step at the shop's rate, and what is bought in. */
export function jobBill(of: PaperCase, hours: keyof typeof TITLES): ReturnType<typeof paper> {
  const card = jobCardOf(of.r, Date.parse(of.now))
  if (!card) return paper(headOf(TITLES[hours], of), of.size, ['Nobody has begun a job card: begin one at Daybook, Job card.'])
  const bill = billOf(card, of.rules.rate, hours)
  const running = card.lines.filter(line => line.running.length > 0)
  const content: Content[] = [
    { text: `${bill.total.toFixed(2)}`, fontSize: 26, bold: true },
    { text: hours === 'planned' ? `${bill.hours.toFixed(2)} h planned at ${of.rules.rate.toFixed(2)} an hour, and what is bought in` : `${bill.hours.toFixed(2)} h worked at ${of.rules.rate.toFixed(2)} an hour, and what was bought in; ${card.planned.toFixed(2)} h were planned`, style: 'quiet' },
    { text: 'Hours', style: 'head' },
    table(['Step', 'hours', 'money'], [...bill.lines.map(line => [sayStep(line.step), line.hours.toFixed(2), line.money.toFixed(2)]), [{ text: 'Hours together', bold: true }, { text: bill.hours.toFixed(2), bold: true }, { text: bill.labour.toFixed(2), bold: true }]], ['*', 70, 90]),
    ...bill.bought.length ? [{ text: 'Bought in', style: 'head' }, table(['What', 'money'], [...bill.bought.map(thing => [thing.words, thing.money.toFixed(2)]), [{ text: 'Bought in together', bold: true }, { text: bill.parts.toFixed(2), bold: true }]], ['*', 90])] : [],
    { text: `${bill.labour.toFixed(2)} + ${bill.parts.toFixed(2)} = ${bill.total.toFixed(2)}, in this shop’s own money. Tax is not in it.`, margin: [0, 8, 0, 4] },
    ...hours === 'planned' ? [{ text: 'A quote is what the job is planned to take. What is found once the head is open is told before it is worked on.', style: 'quiet' }] : [],
    ...hours === 'worked' && running.length ? [{ text: `A clock still runs at ${running.map(line => sayStep(line.step).toLowerCase()).join(', ')}: this bill is of the moment.`, style: 'quiet' }] : []
  ]
  return paper(headOf(TITLES[hours], of), of.size, content)
}
