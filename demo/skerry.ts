import type { Bodies } from '#core'
import { skerryChamber, skerrySmallChamber } from './chambers'
import { fineBurette } from './instruments'
import { Story, cc, cylinder, head, mm, whole } from './story'

const SINGLE: Bodies['layout'] = { heads: [[1]], banks: [[1]], engine: { strokes: 2, arrangement: 'single', first: 'front', head: 'turned', intakes: 0, exhausts: 0, chamber: 'turnedDome' } }

/** The trials single: a turned two-stroke head, squish first, then the dome. */
export function skerry(hand: string): Story {
  const story = new Story('Skerry 247', 'Trials single', '2026-03-18T08:00:00Z', hand)
  story.add('layout', whole, SINGLE)
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
  finished(story)
  return story
}

/** Seat face, then the dome in two rounds, poured after each. */
function finished(story: Story): void {
  story.later(23)
  const face = story.add('faceCut', head, { state: 'planned', depth: mm(0.85), removed: [{ cylinder: 1, x: 0, cc: 3.087, perMm: 3.632, factor: 1 }] })
  story.add('faceCut', head, { state: 'done', depth: mm(0.85), measured: mm(0.85), removed: [{ cylinder: 1, x: 0, cc: 3.087, perMm: 3.632, factor: 1 }] }, { supersedes: face, note: 'Band cut to 10° first.' })
  story.spots('solder', 1, [[0, 29, 1.1], [0, -29, 1.06], [29, 0, 1.09], [-29, 0, 1.07]])
  poured(story, [25.1, 25])
  story.later(2)
  round(story, 0.92, { mouth: 24.04, depth: 15.1 })
  poured(story, [25.9, 25.9])
  story.later(1)
  round(story, 0.17, { mouth: 24.04, depth: 15.23 })
  poured(story, [26.1, 26.1])
}

function poured(story: Story, readings: number[], column = 1.88): void {
  story.later(1)
  for (const end of readings) {
    story.add('pour', cylinder(1), { encloses: 'assembled', fills: [{ start: 0, end }], typed: end.toFixed(1), instrument: fineBurette, sealed: 'crown', plugColumn: cc(column) })
  }
}

function round(story: Story, added: number, turned: { mouth: number, depth: number }): void {
  const planned = story.add('relief', cylinder(1), { state: 'planned', added: cc(added), drawn: cc(added), turned })
  story.add('relief', cylinder(1), { state: 'done', added: cc(added), drawn: cc(added), turned }, { supersedes: planned, note: 'Polished.' })
}

/** A smaller single in the middle of the same work: its face is down, its dome planned. */
export function skerrySmall(hand: string): Story {
  const story = new Story('Skerry 125', 'Trials single, boy’s', '2026-04-14T08:00:00Z', hand)
  story.add('layout', whole, SINGLE)
  story.state('measure', 'bore', 54)
  story.state('measure', 'stroke', 54)
  story.state('book', 'rodLength', 100)
  story.state('measure', 'exhaustPortDeck', 32.6)
  story.state('measure', 'gasketBore', 55)
  story.state('measure', 'gasketThickness', 0.3)
  story.state('measure', 'deckClearance', 0.45, cylinder(1))
  story.state('measure', 'crownVolume', 0)
  story.state('measure', 'crownDiameter', 53.8)
  story.state('measure', 'topLandHeight', 4)
  story.state('measure', 'bandAngle', 8)
  story.state('measure', 'squishRecess', 0.7, head)
  story.state('wish', 'wantedSquish', 0.95)
  story.state('wish', 'leastBand', 6.5)
  story.state('measure', 'plugRoom', 2.5, head)
  story.state('wish', 'revs', 9500)
  story.target(11, 0.15, false)
  story.add('chamberModel', head, { spec: skerrySmallChamber(), mirrored: [] })
  story.add('wheel', whole, { pairs: [[4, -33, 34], [6, -41, 42], [8, -47.5, 48.5]].map(([drop, before, after]) => ({ drop: mm(drop!), before: degrees(before!), after: degrees(after!) })) })
  // On the slanted band solder reads the gap times cos 8°.
  story.spots('solder', 1, [[0, 23, 1.45], [0, -23, 1.42], [23, 0, 1.44], [-23, 0, 1.43]])
  poured(story, [13.7, 13.8], 1.9)
  const face = story.add('faceCut', head, { state: 'planned', depth: mm(0.5), removed: [{ cylinder: 1, x: 0, cc: 1.145, perMm: 2.29, factor: 1 }] })
  story.later(2)
  story.add('faceCut', head, { state: 'done', depth: mm(0.5), measured: mm(0.5), removed: [{ cylinder: 1, x: 0, cc: 1.145, perMm: 2.29, factor: 1 }] }, { supersedes: face })
  story.spots('solder', 1, [[0, 23, 0.95], [0, -23, 0.93], [23, 0, 0.95], [-23, 0, 0.94]])
  poured(story, [12.6, 12.6], 1.9)
  story.add('relief', cylinder(1), { state: 'planned', added: cc(1.56), drawn: cc(1.56), u: cc(0.16), turned: { mouth: 19, depth: 7.547 } })
  return story
}

const degrees = (value: number) => ({ value, unit: '°', typed: String(value) })
