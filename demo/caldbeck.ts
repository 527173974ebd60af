import { SimulatedFlowBench } from '../simulator/flowBench'
import { caldbeckChamber } from './chambers'
import { BENCH_LIFTS, DEMO_BENCH, flowTruth, hiddenPort } from './flow'
import { burette, pourer } from './instruments'
import type { Bodies, PortPlaceName, Valve } from '#core'
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
  flow(story)
  story.add('casting', whole, { mark: 'CT 840' })
  return story
}

/** Before and after on the bench, a repeat that shows its noise, a valve swap, and work on the second cylinder that was all done at once. */
function flow(story: Story): void {
  const bench = new SimulatedFlowBench(DEMO_BENCH, 84)
  const room = { bench: DEMO_BENCH.name, depression: { value: 6974.49, unit: 'inH2O', typed: '28' }, fixture: mm(84), pipe: 'none', temperature: { value: 19, unit: '°C', typed: '19' }, pressure: { value: 1008, unit: 'hPa', typed: '1008' } } as const
  type Run = Pick<Bodies['flowRun'], 'name'> & Partial<Bodies['flowRun']>
  const run = (n: number, port: Valve, of: number, more: Run) => {
    bench.mount()
    const rows = BENCH_LIFTS.map(lift => ({ lift, flow: Number(bench.read(of * flowTruth(hiddenPort(story.name, port), lift)).toFixed(1)) }))
    story.add('flowRun', { level: 'port', cylinder: n, port }, { ...room, entry: 'clay', rows, ...more })
  }
  const worked = (n: number, place: PortPlaceName) => story.add('portPlace', { level: 'port', cylinder: n, port: 'intake' }, { place, way: 'take', amount: mm(1), tool: 'ball, 12 mm', grit: '80', done: true })
  for (const [valve, lift, duration] of [['intake', 9.8, 284], ['exhaust', 9, 280]] as const) {
    story.state('book', `${valve}Lift`, lift)
    story.state('book', `${valve}Duration`, duration)
  }
  // What was there before the bowl was opened, as a share of what the port flows now.
  const received = 0.945
  run(1, 'intake', received, { name: 'as received' })
  run(1, 'intake', received, { name: 'as received, again' })
  story.later(3)
  worked(1, 'bowl')
  run(1, 'intake', 1, { name: 'bowl opened', hours: 1.5 })
  run(1, 'exhaust', 0.95, { name: 'standard valve' })
  run(1, 'exhaust', 1, { name: 'back-cut valve', valve: 'back cut 30°' })
  run(2, 'intake', received, { name: 'as received' })
  story.later(3)
  worked(2, 'bowl')
  worked(2, 'guideBoss')
  run(2, 'intake', 1.02, { name: 'bowl, guide, radius', entry: 'radius', hours: 2.5 })
  const claim = BENCH_LIFTS.map(lift => ({ lift, flow: Math.round(1.1 * flowTruth(hiddenPort(story.name, 'intake'), lift)) }))
  story.add('flowRun', { level: 'port', cylinder: 1, port: 'intake' }, { name: 'catalogue', bench: 'an unknown bench', depression: room.depression, pipe: 'none', entry: 'radius', rows: claim, claimed: 'the seller' })
}
