import type { PortPlaceName, Valve } from '#core'
import { burette, pourer } from './instruments'
import { Story, cylinder, head, mm, whole } from './story'

/** The mark in the metal of the launch engine's head, of its sister's, and of two that the shop practises on. */
export const RIVER_SIX = 'MW 3412'

/** A head that was never to run: poured, cut or ground at, and kept in the book. */
function practice(name: string, day: string, chambers: number[], throats: { intake: number, exhaust: number }, thin: { words: string, valve: Valve, place: PortPlaceName }, hand: string, seed: number): Story {
  const story = new Story(name, 'Practice', `${day}T08:00:00Z`, hand)
  story.add('layout', whole, { heads: [[1, 2, 3, 4, 5, 6]], banks: [[1, 2, 3, 4, 5, 6]], engine: { strokes: 4, arrangement: 'inLine', first: 'front', head: 'removable', intakes: 1, exhausts: 1, chamber: 'wedge' } })
  story.add('casting', whole, { mark: RIVER_SIX })
  story.add('finding', head, { what: 'thin', words: thin.words, told: 'nobody: it is ours', decided: 'left alone on the next one' })
  story.add('portPlace', { level: 'port', cylinder: 3, port: thin.valve }, { place: thin.place, way: 'thin', done: false })
  const read = pourer(seed)
  for (const _round of [1, 2]) chambers.forEach((truth, i) => story.pour(i + 1, read(truth), burette))
  for (const valve of ['intake', 'exhaust'] as const) chambers.forEach((_, i) => story.add('throat', { level: 'port', cylinder: i + 1, port: valve }, { across: mm(Math.round((throats[valve] + ((i * 7) % 5 - 2) / 10) * 10) / 10) }))
  if (seed % 2 === 0) {
    story.later(24)
    const cut = story.add('faceCut', head, { state: 'planned', depth: mm(0.5) })
    story.add('faceCut', head, { state: 'done', depth: mm(0.5), measured: mm(0.5) }, { supersedes: cut })
    chambers.forEach((truth, i) => story.pour(i + 1, read(truth - 0.5 * 4.55), burette))
  }
  story.add('relief', cylinder(3), { state: 'done', added: { value: 2, unit: 'cc', typed: '2' } }, { note: 'Ground until it broke through, to see how thick it is.' })
  story.add('putAway', whole, { away: true, reason: 'Practice head, cut up' })
  return story
}

export const practiceHeads = (hand: string): Story[] => [
  practice('Practice head A', '2025-10-06', [54.6, 55.2, 54.9, 55.5, 54.3, 55.1], { intake: 38.5, exhaust: 31.9 }, { words: 'water breaks through beside the exhaust boss of 3 after 4 mm', valve: 'exhaust', place: 'guideBoss' }, hand, 12),
  practice('Practice head B', '2025-11-03', [55.9, 55.4, 56.1, 56.4, 55.7, 55.2], { intake: 38.3, exhaust: 32 }, { words: 'the roof of intake 3 gives way after 5 mm', valve: 'intake', place: 'roof' }, hand, 31)
]
