import type { Scope } from '#core'
import { launchChamber } from './chambers'
import { burette, pourer } from './instruments'
import { launchCard } from './jobs'
import { TRUTHS } from './truth'
import { Story, cylinder, head, mm, whole } from './story'

/** What both sister engines are: the same castings, pistons and gaskets. */
export function sisterEngine(story: Story, decks: number[]): void {
  story.add('layout', whole, { heads: [[1, 2, 3, 4, 5, 6]], banks: [[1, 2, 3, 4, 5, 6]], engine: { strokes: 4, arrangement: 'inLine', first: 'front', head: 'removable', intakes: 1, exhausts: 1, chamber: 'wedge' } })
  story.state('measure', 'bore', 92)
  story.state('book', 'stroke', 85)
  story.state('book', 'rodLength', 150)
  story.state('book', 'gasketBore', 94)
  story.state('book', 'gasketThickness', 1.2)
  for (const thickness of [0.9, 1.5]) story.add('offer', head, { thickness: mm(thickness), bore: mm(94) })
  decks.forEach((deck, i) => story.state('measure', 'deckClearance', deck, cylinder(i + 1)))
  story.state('measure', 'crownVolume', 3)
  story.state('measure', 'crownDiameter', 91.35)
  story.state('measure', 'topLandHeight', 7)
  story.state('measure', 'mouthArea', 4650, head)
  story.state('book', 'chamberVolume', 53)
  story.state('measure', 'intakeTilt', 24, head)
  story.state('measure', 'exhaustTilt', 24, head)
  story.state('measure', 'intakeClearance', 4.1, whole, { convention: 'pocket' })
  story.state('measure', 'exhaustClearance', 4.6, whole, { convention: 'pocket' })
  story.state('measure', 'exhaustSeatHeight', 1.4, head)
  story.state('measure', 'exhaustTopCutHeight', 0.95, head)
  story.target(9.9, 0.1)
  story.add('chamberModel', head, { spec: launchChamber(), mirrored: [] })
  story.state('book', 'boreSpacing', 104, whole)
}

/** The main example: six chambers poured, nothing cut, and the book well off. */
export function launchEngine(hand: string): Story {
  const story = new Story('Brackwater 34', 'Launch no. 7', '2026-03-09T08:00:00Z', hand)
  sisterEngine(story, [0.34, 0.32, 0.38, 0.36, 0.42, 0.30])
  story.later(2)
  const read = pourer(34)
  const truths = [55.3, 54.6, 55.7, 56.2, 55.0, 54.9]
  truths.forEach((truth, i) => story.pour(i + 1, read(truth), burette))
  // Cylinders 2 and 5 still want their second pour: the demo's next move.
  for (const n of [1, 3, 4, 6]) story.pour(n, read(truths[n - 1]!), burette)
  // Earlier seat work sank the intakes, each by its own; the exhausts have new inserts.
  ;[0.6, 0.4, 0.7, 0.9, 0.5, 0.5].forEach((sunk, i) => story.state('measure', 'intakeSunk', sunk, cylinder(i + 1)))
  readyForMockUp(story)
  ports(story, pourer(340))
  launchCard(story)
  return story
}

/** What squish and clearances are reckoned from; the band and the rods are those of both sisters. */
function readyForMockUp(story: Story): void {
  story.add('rod', whole, { material: 'steel' })
  story.state('measure', 'squishArea', 1998)
  story.state('measure', 'bandEdge', 87.6)
  story.state('wish', 'revs', 5000)
  story.state('measure', 'pistonMass', 0.618)
  // As it came in, on the old gasket: what the solder said before anything was taken apart.
  story.spots('solder', 4, [[40, 0, 1.59], [-40, 0, 1.57], [22, 34, 1.61], [-22, 34, 1.6], [22, -34, 1.55], [-22, -34, 1.54]])
}

/** This head builds the odd intake of each pair poorer, with a tighter turn; exhaust 5 is somebody's work. */
function ports(story: Story, read: (truth: number) => number): void {
  story.later(1)
  const { intake, exhaust } = TRUTHS['Brackwater 34']!.port!
  intake.forEach((truth, i) => story.pour(i + 1, read(truth), burette, { encloses: 'intakePort' }))
  exhaust.forEach((truth, i) => story.pour(i + 1, read(truth), burette, { encloses: 'exhaustPort' }))
  const pairs = [[1, 2], [3, 4], [5, 6]]
  story.add('portPairs', whole, { valve: 'intake', pairs, poor: [1, 3, 5] })
  story.add('portPairs', whole, { valve: 'exhaust', pairs, poor: [] })
  throatsAndSeats(story)
}

/** Throats of all, a port looked into from end to end, a mould in the one that is somebody's work, and the seats of two cylinders. */
function throatsAndSeats(story: Story): void {
  const port = (valve: 'intake' | 'exhaust', n: number): Scope => ({ level: 'port', cylinder: n, port: valve })
  const seat = (valve: 'intake' | 'exhaust', n: number): Scope => ({ level: 'valve', cylinder: n, valve })
  const throats = { intake: [38.4, 38.6, 38.3, 38.5, 38.4, 38.6], exhaust: [31.9, 32, 31.8, 32, 33.4, 31.9] }
  for (const valve of ['intake', 'exhaust'] as const) throats[valve].forEach((across, i) => story.add('throat', port(valve, i + 1), { across: mm(across) }))
  story.state('wish', 'intakeThroatShare', 0.885)
  story.add('portSections', port('intake', 1), { rows: [{ at: 0, area: 1120 }, { at: 20, area: 1080 }, { at: 45, area: 1020 }, { at: 75, area: 1190 }, { at: 110, width: 33, height: 40, radius: 8 }, { at: 141, width: 34, height: 41, radius: 8 }] })
  const places = [{ place: 'guideBoss', way: 'take', amount: mm(1.5), tool: 'Flame burr, small' }, { place: 'shortTurn', way: 'round', amount: mm(0.5), tool: 'Cartridge roll', grit: '80' }, { place: 'floor', way: 'leave' }] as const
  for (const place of places) story.add('portPlace', port('intake', 1), { ...place, done: place.place === 'guideBoss' })
  story.add('flange', whole, { port: 'intake', part: 'gasket', outline: { form: 'rectangle', x: 0, y: 0, width: 35, height: 42, radius: 8 } })
  story.add('flange', whole, { port: 'intake', part: 'port', outline: { form: 'rectangle', x: 0.4, y: -0.3, width: 34, height: 41, radius: 8 } })
  story.add('mould', port('exhaust', 5), { compound: 'Soft silicone, two parts', release: 'Petroleum jelly', hours: 16, steps: 2, lean: { value: 15, unit: '°', typed: '15' }, short: mm(3), out: false })
  const intake = { cuts: [{ angle: 60, width: 2 }, { angle: 45, width: 1.4 }, { angle: 30, width: 0.577 }], seat: 1, outer: mm(44.5), touches: 'middle', leak: 'tight', runOut: mm(0.02), margin: mm(1.3), guide: mm(0.05), cutter: 'G 17' } as const
  const exhaust = { cuts: [{ angle: 60, width: 1.8 }, { angle: 45, width: 1.4 }, { angle: 30, width: 0.557 }], seat: 1, outer: mm(37), touches: 'middle', leak: 'tight', runOut: mm(0.03), margin: mm(1.2), guide: mm(0.07), cutter: 'G 18' } as const
  for (const n of [1, 2]) {
    story.add('seat', seat('intake', n), { ...intake, cuts: [...intake.cuts], tip: mm(48.2 + n / 10) })
    story.add('seat', seat('exhaust', n), { ...exhaust, cuts: [...exhaust.cuts], tip: mm(47.6 + n / 10), ...n === 2 ? { leak: 'weeps', margin: mm(0.9) } : {} })
  }
}
