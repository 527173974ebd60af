import { ofKind, type EntryOf, type JobCheck, type JobLine, type JobStepBody } from '../ledger'
import { remembered, type Replay } from '../standing'
import { hoursOf, spansOf, type ClockSpan } from './clock'
import { shownByLedger } from './shown'
import { STEP_CHECKS, isJobStep } from './steps'

/** A step of the card as it stands. */
export interface JobLineStanding extends JobLine {
  /** By what it counts as done: the ledger shows it, or a hand said so. */
  done: 'ledger' | 'hand' | false
  /** What it waits for, by the last word on it. */
  waits?: Pick<JobStepBody, 'waits' | 'words'> & { since: string }
  checks: { check: JobCheck, done: boolean }[]
  /** Hours that ran or were entered. */
  worked: number
  /** Who is at it now, and since when. */
  running: ClockSpan[]
}

export interface JobCardStanding {
  entry: EntryOf<'jobCard'>
  lines: JobLineStanding[]
  planned: number
  worked: number
  /** Hours of steps that are not on the card (any more). */
  others: { step: string, worked: number }[]
  /** The first step that is not done. */
  next?: JobLineStanding
}

/** What the ledger alone says of a card; hours that still run come with the time. */
function partsOf(r: Replay) {
  return remembered(r.ledger, 'jobCard', () => {
    const { entries } = r.live
    const words = new Map<string, EntryOf<'jobStep'>>()
    for (const entry of ofKind(entries, 'jobStep')) words.set(`${entry.body.step}/${entry.body.check ?? ''}`, entry)
    return { card: ofKind(entries, 'jobCard').at(-1), words, spans: spansOf(entries), typed: ofKind(entries, 'worked'), shown: new Map<string, boolean | undefined>() }
  })
}

/**
 * A build's job card as it stands: what is done, by the ledger or by a hand's word, what waits, and the hours.
 * A hand's word outranks nothing that the ledger shows: what is shown is done. What is not shown is as the last word says.
 *
 * @param now ms, for clocks that run
 * @returns undefined where nobody began one
 */
export function jobCardOf(r: Replay, now: number): JobCardStanding | undefined {
  const { card, words, spans, typed, shown } = partsOf(r)
  if (!card) return undefined
  const workedOn = (step: string) => spans.filter(s => s.step === step).reduce((h, s) => h + hoursOf(s, now), 0) + typed.filter(e => e.body.step === step).reduce((h, e) => h + e.body.hours, 0)
  const lines = card.body.lines.map((line): JobLineStanding => {
    const { step } = line
    if (!shown.has(step)) shown.set(step, isJobStep(step) ? shownByLedger(r, step) : undefined)
    const said = words.get(`${step}/`)
    const done = shown.get(step) ? 'ledger' as const : said?.body.done ? 'hand' as const : false
    return {
      ...line, done,
      ...!done && said?.body.waits ? { waits: { waits: said.body.waits, words: said.body.words, since: said.at } } : {},
      checks: (isJobStep(step) ? STEP_CHECKS[step] ?? [] : []).map(check => ({ check, done: words.get(`${step}/${check}`)?.body.done ?? false })),
      worked: workedOn(step), running: spans.filter(s => s.step === step && s.to === undefined)
    }
  })
  const on = new Set(lines.map(({ step }) => step))
  const others = [...new Set([...spans.map(s => s.step), ...typed.map(e => e.body.step)])].filter(step => !on.has(step)).map(step => ({ step, worked: workedOn(step) }))
  return {
    entry: card, lines, others, planned: lines.reduce((h, l) => h + l.hours, 0), worked: [...lines, ...others].reduce((h, l) => h + l.worked, 0), next: lines.find(l => !l.done)
  }
}
