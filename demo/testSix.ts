import { burette, pourer } from './instruments'
import { sixCard } from './jobs'
import { sisterEngine } from './launch'
import { leakPhotograph, paintPhotograph } from './photograph'
import { Story, cc, cylinder, head, mm } from './story'

const DECKS = [0.35, 0.37, 0.33, 0.36, 0.39, 0.34]
const AS_RECEIVED = [54.9, 55.3, 54.7, 55.1, 55.8, 55.0]
const GROUND = [0.9, 0.5, 1.1, 0.7, 0, 0.8]
/** What this head truly gives per mm, less than its traced mouth area says: its walls lean in. */
const TRUE_PER_MM = 4.52

/** The launch engine's finished sister: every stage done and settled, so that the Daybook has lessons to show. */
export function testSix(hand: string): Story {
  const story = new Story('Millrace test six', 'Test engine', '2026-02-02T08:00:00Z', hand)
  sisterEngine(story, DECKS)
  story.add('finding', head, { what: 'leakTrack', place: { x: 104, y: 4 }, words: 'soot blown across the bridge', told: 'the owner, at the bench', decided: 'cut until it is gone, and a new gasket' }, { photographs: [leakPhotograph()] })
  story.add('finding', head, { what: 'painted', place: { x: -120, y: 44 }, words: 'paint let run onto the face', told: 'the owner, at the bench', decided: 'cleaned off before it was poured' }, { photographs: [paintPhotograph()] })
  const read = pourer(6)
  const chambers = [...AS_RECEIVED]
  const pourAll = (times: number) => {
    story.later(1)
    for (let i = 0; i < times; i++) chambers.forEach((truth, c) => story.pour(c + 1, read(truth), burette))
  }
  pourAll(2)

  story.later(20)
  GROUND.forEach((added, i) => {
    if (added === 0) return
    const planned = story.add('relief', cylinder(i + 1), { state: 'planned', added: cc(added) })
    story.add('relief', cylinder(i + 1), { state: 'done', added: cc(added) }, { supersedes: planned, note: 'Ground up to number 5, the largest.' })
    // Grinding by hand lands near the wanted figure, not on it.
    chambers[i] = chambers[i]! + added + [0.05, -0.1, 0.08, -0.04, 0, 0.1][i]!
  })
  pourAll(2)

  story.later(20)
  const gasket = { thickness: mm(0.9), bore: mm(94) }
  const thinner = story.add('gasketChange', head, { state: 'planned', ...gasket })
  story.add('gasketChange', head, { state: 'done', ...gasket }, { supersedes: thinner })
  const first = story.add('faceCut', head, { state: 'planned', depth: mm(0.6) }, { note: 'First pass, short of the number.' })
  story.later(3)
  story.add('faceCut', head, { state: 'done', depth: mm(0.6), measured: mm(0.62) }, { supersedes: first })
  for (let i = 0; i < 6; i++) chambers[i]! -= 0.62 * TRUE_PER_MM
  pourAll(2)

  story.later(20)
  const second = story.add('faceCut', head, { state: 'planned', depth: mm(0.44) }, { note: 'Past the number by what the seats give back.' })
  const seats = chambers.map((_, i) => story.add('seatWork', cylinder(i + 1), { state: 'planned', added: cc(0.2) }))
  story.later(3)
  story.add('faceCut', head, { state: 'done', depth: mm(0.44), measured: mm(0.43) }, { supersedes: second })
  seats.forEach((plan, i) => story.add('seatWork', cylinder(i + 1), { state: 'done', added: cc(0.2) }, { supersedes: plan }))
  for (let i = 0; i < 6; i++) chambers[i]! += 0.22 - 0.43 * TRUE_PER_MM
  pourAll(2)
  sixCard(story)
  return story
}
