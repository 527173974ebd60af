import { skerryChamber } from './chambers'
import { fineBurette } from './instruments'
import { Story, cc, cylinder, head, mm, whole } from './story'

/** The trials single: a turned two-stroke head, squish first, then the dome. */
export function skerry(hand: string): Story {
  const story = new Story('Skerry 247', 'Trials single', '2026-03-18T08:00:00Z', hand)
  story.add('layout', whole, { heads: [[1]], banks: [[1]], engine: { strokes: 2, arrangement: 'single', first: 'front', head: 'turned', intakes: 0, exhausts: 0, chamber: 'turnedDome' } })
  story.state('measure', 'bore', 68)
  story.state('book', 'stroke', 68)
  story.state('book', 'rodLength', 125)
  story.state('measure', 'exhaustPortTop', 43.1)
  story.state('book', 'gasketBore', 69)
  story.state('measure', 'gasketThickness', 0.3)
  story.spots('deckReadings', 1, [[0, 24, 0.56], [0, -24, 0.54], [24, 0, 0.55], [-24, 0, 0.55]])
  story.state('measure', 'crownVolume', 0)
  story.state('measure', 'crownDiameter', 67.8)
  story.state('measure', 'topLandHeight', 5)
  // A turned head: the whole bore circle lies at the seat face.
  story.state('measure', 'mouthArea', 3632, head)
  story.state('measure', 'bandAngle', 10)
  story.state('measure', 'squishRecess', 1.1, head)
  story.state('measure', 'squishArea', 1816)
  story.state('measure', 'bandEdge', 151)
  story.state('wish', 'wantedSquish', 1.1)
  story.state('wish', 'revs', 9000)
  story.state('measure', 'pistonMass', 0.246)
  story.add('rod', whole, { material: 'steel' })
  story.target(11.2, 0.1, false)
  story.add('chamberModel', head, { spec: skerryChamber(), mirrored: [] })
  story.add('wheel', whole, { pairs: [[4, -33.5, 34.5], [6, -41.5, 42], [8, -48, 49]].map(([drop, before, after]) => ({ drop: mm(drop!), before: degrees(before!), after: degrees(after!) })) })
  // On the slanted band solder reads the gap times cos 10°.
  story.spots('solder', 1, [[0, 29, 1.94], [0, -29, 1.9], [29, 0, 1.93], [-29, 0, 1.91]])
  story.later(1)
  for (const end of [28.2, 28.1]) {
    story.add('pour', cylinder(1), {
      encloses: 'assembled', fills: [{ start: 0, end }], typed: end.toFixed(1), instrument: fineBurette, sealed: 'crown', plugColumn: cc(1.88)
    })
  }
  return story
}

const degrees = (value: number) => ({ value, unit: '°', typed: String(value) })
