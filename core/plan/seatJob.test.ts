import fc from 'fast-check'
import { expect, it } from 'vitest'
import { all, mm, oneCylinder } from '../../tests/support/ledgerBench'
import { NO_SOLIDS, asIf, flatCut, headCut, replay, seatJob, type Tried } from '..'

const figure = (min: number, max: number) => fc.double({ min, max, noNaN: true })

it('the face is cut deeper until the seats’ cc are gone again, and the glass is told for what comes between, whatever else is planned', () => {
  fc.assert(fc.property(figure(0.1, 1.5), figure(56, 62), fc.boolean(), fc.boolean(), (added, chamber, first, twice) => {
    const bench = oneCylinder()
    bench.state('mouthArea', 4600)
    bench.state('deckClearance', 0.4)
    bench.pour(1, chamber)
    bench.add('target', all, { ratio: mm(10.5), tolerance: mm(0.1), countsCrevice: false })
    const work: (Tried & { kind: 'seatWork' })[] = [{ kind: 'seatWork', scope: { level: 'cylinder', cylinder: 1 }, body: { state: 'planned', added: { value: added, unit: 'cc', typed: '' }, ...first ? { first } : {} } }]
    // Ground besides, or not; a face that is planned already moves nothing of it.
    if (twice) {
      bench.add('relief', { level: 'cylinder', cylinder: 1 }, { state: 'planned', added: { value: 1, unit: 'cc', typed: '1' } })
      bench.add('faceCut', { level: 'head', head: 1 }, { state: 'planned', depth: mm(0.2) })
    }
    const r = replay(bench.entries)!
    const others = r.planned.filter(op => op.kind !== 'faceCut')
    const { deeper, between, done } = seatJob(r, 1, work, r.planned, NO_SOLIDS)
    const held = chamber + (twice ? 1 : 0)
    const bare = headCut(r, 1, others, NO_SOLIDS).cylinders[0]!.depth.value
    const then = asIf(r, [...others, ...work, flatCut(1, bare + deeper!)], NO_SOLIDS).cylinders[0]!.state
    expect(then.ratio!.estimate.value).toBeCloseTo(10.5, 3)
    expect(then.parts.chamber!.estimate.value).toBeCloseTo(done!, 2)
    expect(between!).toBeCloseTo(first ? held + added : done! - added, 9)
    expect(deeper!).toBeGreaterThan(0)
  }), { numRuns: 40 })
})
