import { caldbeckChamber } from './chambers'
import { burette, pourer } from './instruments'
import { Story, cylinder, mm, whole } from './story'
import { CROWN_DEPTH, TRUTHS } from './truth'

/** The hill-climb twin: two heads, hemispherical, a high dome close to everything. */
export function caldbeck(hand: string): Story {
  const story = new Story('Caldbeck Twin', 'Hill climb, sister cylinders', '2026-03-20T08:00:00Z', hand)
  const { chambers, decks, crown } = TRUTHS['Caldbeck Twin']!
  story.add('layout', whole, { heads: [[1], [2]], banks: [[1], [2]], engine: { strokes: 4, arrangement: 'vee', bankAngle: { value: 75, unit: '°', typed: '75' }, first: 'front', head: 'removable', intakes: 1, exhausts: 1, chamber: 'hemispherical' } })
  story.state('measure', 'bore', 84)
  story.state('book', 'stroke', 88)
  story.state('book', 'rodLength', 160)
  story.state('book', 'gasketBore', 86)
  story.state('book', 'gasketThickness', 1)
  decks.forEach((deck, i) => story.state('measure', 'deckClearance', deck, cylinder(i + 1)))
  story.state('measure', 'crownDiameter', 83.4)
  story.state('measure', 'topLandHeight', 5.1)
  story.state('measure', 'mouthArea', 5400)
  story.state('book', 'chamberVolume', 65)
  story.state('measure', 'intakeTilt', 29)
  story.state('measure', 'exhaustTilt', 31)
  story.state('measure', 'intakeClearance', 2.7, whole, { convention: 'pocket' })
  story.state('measure', 'exhaustClearance', 2.4, whole, { convention: 'pocket' })
  story.state('measure', 'intakeSide', 1.6)
  story.state('measure', 'exhaustSide', 1.3)
  story.state('measure', 'valveToValve', 2.1)
  story.state('measure', 'domeToChamber', 1.6)
  story.state('wish', 'revs', 7600)
  story.add('rod', whole, { material: 'aluminium' })
  story.target(10.6, 0.1)
  // The sister cylinders are each other's mirror.
  for (const n of [1, 2]) story.add('chamberModel', { level: 'head', head: n }, { spec: caldbeckChamber(), mirrored: n === 2 ? [2] : [] })
  const read = pourer(84)
  // The dome stands up past the flat: what a pour over it takes is the cylinder less the dome.
  const overCrown = Math.PI / 4 * 84 ** 2 * CROWN_DEPTH / 1000
  chambers.forEach((_, i) => story.pour(i + 1, read(overCrown + crown), burette, { encloses: 'crown', sealed: 'crown', depth: mm(CROWN_DEPTH) }))
  for (const _round of [1, 2]) chambers.forEach((truth, i) => story.pour(i + 1, read(truth), burette))
  for (const n of [1, 2]) story.add('faceCut', { level: 'head', head: n }, { state: 'planned', depth: mm(0.35) })
  return story
}
