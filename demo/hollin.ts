import { hollinChamber } from './chambers'
import { burette, pourer } from './instruments'
import { Story, cc, cylinder, head, mm, whole } from './story'
import { CROWN_DEPTH, TRUTHS } from './truth'

/** The ice-racing four: over-opened on purpose, to be faced back to the number. */
export function hollin(hand: string): Story {
  const story = new Story('Hollin 16', 'Ice racer, second head', '2026-03-16T08:00:00Z', hand)
  const { chambers, decks, crown } = TRUTHS['Hollin 16']!
  story.add('layout', whole, { heads: [[1, 2, 3, 4]], banks: [[1, 2, 3, 4]], engine: { strokes: 4, arrangement: 'inLine', first: 'front', head: 'removable', intakes: 2, exhausts: 2, chamber: 'pentRoof' } })
  story.state('measure', 'bore', 85.5)
  story.state('book', 'stroke', 85)
  story.state('book', 'rodLength', 143)
  story.state('book', 'gasketBore', 87)
  story.state('book', 'gasketThickness', 1)
  decks.forEach((deck, i) => story.state('measure', 'deckClearance', deck, cylinder(i + 1)))
  story.state('measure', 'crownDiameter', 84.95)
  story.state('measure', 'topLandHeight', 6)
  story.state('measure', 'mouthArea', 5010, head)
  story.state('book', 'chamberVolume', 42.5)
  for (const valve of ['intake', 'exhaust'] as const) story.state('book', `${valve}Tilt`, 19, head)
  story.state('measure', 'intakeClearance', 2.9)
  story.state('measure', 'exhaustClearance', 3.2)
  story.state('wish', 'revs', 8200)
  story.add('rod', whole, { material: 'steel' })
  story.target(8.8, 0.1)
  story.add('chamberModel', head, { spec: hollinChamber(), mirrored: [] })
  const read = pourer(16)
  const overCrown = Math.PI / 4 * 85.5 ** 2 * CROWN_DEPTH / 1000
  chambers.forEach((_, i) => story.pour(i + 1, read(overCrown + crown), burette, { encloses: 'crown', sealed: 'crown', depth: mm(CROWN_DEPTH) }))
  for (const _round of [1, 2]) chambers.forEach((truth, i) => story.pour(i + 1, read(truth), burette))
  chambers.forEach((_, i) => story.add('relief', cylinder(i + 1), { state: 'planned', added: cc(5.1) }, { note: 'Past the number, so that the last face cut brings it back.' }))
  story.add('faceCut', head, { state: 'planned', depth: mm(0.42) })
  springs(story)
  return story
}

/** Its springs, inner and outer alike for both kinds; the intakes of the second cylinder stand a little higher than the others, and one of the third is short of room. */
function springs(story: Story): void {
  const rate = (value: number) => ({ value, unit: 'N/mm', typed: String(value) })
  const lifts = { intake: 7.9, exhaust: 6.8 }
  for (const valve of ['intake', 'exhaust'] as const) {
    story.state('measure', `${valve}Lift`, lifts[valve])
    story.add('spring', whole, { valve, coils: [{ rate: rate(24), free: mm(44.5), solid: mm(24.6) }, { rate: rate(11), free: mm(40), solid: mm(23) }] })
    story.state('measure', `${valve}MovingMass`, valve === 'intake' ? 0.078 : 0.071)
    const heights = valve === 'intake' ? [34, 34.1, 34.4, 34.3, 34, 33.5, 34.1, 34] : [33.2, 33.1, 33, 33.2, 33.1, 33, 33.3, 33.1]
    heights.forEach((height, i) => story.add('installed', { level: 'valve', cylinder: Math.floor(i / 2) + 1, valve, n: i % 2 + 1 }, { height: mm(height), seal: mm(height - 24) }))
  }
}
