import { JOB_TEMPLATES, lineOf, type JobTemplate } from '#core'
import { RIVER_SIX } from './castings'
import { whole, type Story } from './story'

/** A card of a template as it begins, its hours by the shop's table or as given. */
function begin(story: Story, template: JobTemplate, hours: Record<string, number>, bought: { words: string, money: number }[] = []): void {
  story.add('jobCard', whole, { lines: JOB_TEMPLATES[template].map(step => ({ ...lineOf(step), ...step in hours ? { hours: hours[step]! } : {} })), bought })
}

/** A clock that ran for some hours. */
function ran(story: Story, step: string, hours: number): void {
  story.add('clock', whole, { step, on: true })
  // The entry itself takes some minutes of the story.
  story.later(hours - 4 / 60).add('clock', whole, { step, on: false })
}

/** The launch engine's card: taken in, poured, its ports begun; the cut waits for a word from the owner. */
export function launchCard(story: Story): void {
  story.later(2)
  begin(story, 'fourStroke', { pourReceived: 1.8, seats: 4.8, face: 0.5, rough: 2 }, [{ words: 'Gasket, thin', money: 60 }])
  story.add('jobStep', whole, { step: 'takeIn', done: true })
  story.add('jobStep', whole, { step: 'takeIn', done: true, check: 'tracks' })
  story.add('jobStep', whole, { step: 'takeIn', done: true, check: 'straight' })
  story.add('jobStep', whole, { step: 'clean', done: true })
  story.add('worked', whole, { step: 'takeIn', hours: 0.4 })
  story.add('worked', whole, { step: 'clean', hours: 1.2 })
  story.add('worked', whole, { step: 'pourReceived', hours: 2.1 })
  ran(story, 'ports', 1.5)
  story.add('casting', whole, { mark: RIVER_SIX })
  story.add('jobStep', whole, { step: 'face', done: false, waits: 'customer', words: 'which gasket the owner will pay for' })
}

/** The finished six's card: every hour of it, and what the engine did afterwards. */
export function sixCard(story: Story): void {
  const last = story.entries.filter(e => e.kind === 'seatWork').at(-1)!.id
  story.later(4)
  begin(story, 'chamberOnly', { pourReceived: 1.8, rough: 2, pourAgain: 1.8 }, [{ words: 'Gasket, thin', money: 60 }])
  const hours = { takeIn: 0.5, clean: 1.1, pourReceived: 1.6, target: 0.2, scribe: 0.4, rough: 2.4, pourAgain: 4.2, deburr: 0.6, writeUp: 0.4 }
  for (const [step, of] of Object.entries(hours)) story.add('worked', whole, { step, hours: of })
  for (const step of ['clean', 'scribe', 'deburr', 'writeUp']) story.add('jobStep', whole, { step, done: true })
  story.add('casting', whole, { mark: RIVER_SIX })
  story.later(200)
  story.add('afterwards', whole, { what: 'power', power: 96.5, revs: 4900, conditions: '17 °C, 1011 hPa, third pull', ran: last })
  story.add('afterwards', whole, { what: 'plugs', words: 'all six alike, light grey', ran: last })
}
