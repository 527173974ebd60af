import { launchChamber } from './chambers'
import { burette, pourer } from './instruments'
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
}
