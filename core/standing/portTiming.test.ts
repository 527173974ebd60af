import { describe, expect, it } from 'vitest'
import { all, mm, oneCylinder } from '../../tests/support/ledgerBench'
import { clashOf, replay, type Figure } from '..'
import { exhaustPort, portOpen } from '.'

const bank = { level: 'bank', bank: 1 } as const
const ratio = (value: number): Figure => ({ value, unit: ':1', typed: String(value) })

/** A single of 47.0 × 42.0 with its port's edge 24.5 below the deck and the piston 0.4 down. */
function scooter() {
  const bench = oneCylinder()
  Object.assign(bench.entries[0]!.body, { engine: { strokes: 2, arrangement: 'single', first: 'front', head: 'turned', intakes: 0, exhausts: 0, chamber: 'turnedDome' } })
  for (const [quantity, value] of [['bore', 47], ['stroke', 42], ['rodLength', 90], ['deckClearance', 0.4], ['exhaustPortDeck', 24.5]] as const) bench.state(quantity, value)
  bench.add('book', { level: 'cylinder', cylinder: 1 }, { quantity: 'chamberVolume', figure: { value: 6, unit: 'cc', typed: '6' } })
  return bench
}
const port = (bench: ReturnType<typeof scooter>) => exhaustPort(replay(bench.entries)!.ledger, 1)!.estimate.value

describe('where the exhaust port is shut', () => {
  it('is its edge below the deck less the deck clearance, and the trapped ratio follows', () => {
    const bench = scooter()
    expect(port(bench)).toBeCloseTo(24.1, 9)
    const [state] = replay(bench.entries)!.asIs
    const clearance = state!.clearance!.estimate.value
    // π/4·4.7²·2.41 = 41.81 cc over the piston where it shuts, π/4·4.7²·4.2 = 72.87 of the stroke
    expect(state!.trapped!.estimate.value).toBeCloseTo(1 + 41.812 / clearance, 3)
    expect(state!.full!.estimate.value).toBeCloseTo(1 + 72.868 / clearance, 3)
    expect(state!.ratio).toEqual(state!.full)
  })
  it('is what was said last, and degrees say it too: r + l − r·cos 82.5° − √(l² − (r·sin 82.5°)²)', () => {
    const bench = scooter()
    bench.state('exhaustDuration', 195)
    const angle = 82.5 * Math.PI / 180
    const travel = 21 + 90 - 21 * Math.cos(angle) - Math.sqrt(8100 - (21 * Math.sin(angle)) ** 2)
    expect(port(bench)).toBeCloseTo(travel, 6)
    expect(portOpen(replay(bench.entries)!.ledger, 1)!.estimate.value).toBeCloseTo(195, 5)
    bench.state('exhaustPortTop', 24.2)
    expect(port(bench)).toBeCloseTo(24.2, 9)
  })
  it.each([['exhaustPortDeck', 24.5, 24.1], ['exhaustPortTop', 24.1, 24.1], ['exhaustDuration', 195, undefined]] as const)('by %s: a spacer lifts the ports, a foot cut lowers them, the barrel’s top has none, and a higher crown comes to them later', (quantity, value, travel) => {
    const bench = scooter()
    bench.state(quantity, value)
    const before = port(bench)
    const openBefore = portOpen(replay(bench.entries)!.ledger, 1)!.estimate.value
    if (travel) expect(before).toBeCloseTo(travel, 9)
    bench.add('spacer', bank, { state: 'done', change: mm(0.5) })
    expect(port(bench)).toBeCloseTo(before - 0.5, 6)
    expect(portOpen(replay(bench.entries)!.ledger, 1)!.estimate.value).toBeGreaterThan(openBefore)
    bench.add('deckCut', bank, { state: 'done', depth: mm(0.2), measured: mm(0.2), foot: true })
    expect(port(bench)).toBeCloseTo(before - 0.3, 6)
    const off = bench.add('deckCut', bank, { state: 'planned', depth: mm(0.1) })
    const { ledger, planned } = replay(bench.entries)!
    expect(exhaustPort(ledger, 1, planned)!.estimate.value).toBeCloseTo(before - 0.3, 6)
    bench.add('deckCut', bank, { state: 'done', depth: mm(0.1), measured: mm(0.1) }, { supersedes: off })
    expect(port(bench)).toBeCloseTo(before - 0.3, 6)
    // 0.4 down, 0.5 up, 0.2 down by the foot, 0.1 off the top
    expect(replay(bench.entries)!.asIs[0]!.parts.deck!.estimate.value).toBeCloseTo(Math.PI / 4 * 4.7 ** 2 * 0.06, 3)
    bench.add('crownWork', { level: 'cylinder', cylinder: 1 }, { state: 'done', added: { value: 0.2, unit: 'cc', typed: '0.2' } })
    expect(port(bench)).toBeCloseTo(before - 0.3, 6)
    bench.add('crownWork', { level: 'cylinder', cylinder: 1 }, { state: 'done', added: { value: 0, unit: 'cc', typed: '0' }, rise: mm(0.25) })
    expect(port(bench)).toBeCloseTo(before - 0.05, 6)
  })
  it('below the stroke it is no port', () => {
    const bench = scooter()
    const clash = (quantity: 'exhaustPortTop' | 'exhaustPortDeck', value: number) => {
      const id = bench.state(quantity, value)
      const fresh = bench.entries.find(e => e.id === id)!
      const found = clashOf(fresh, replay(bench.entries)!)
      bench.entries.pop()
      return found?.bound
    }
    expect(clash('exhaustPortTop', 42)).toBe('less than 42 mm: the piston never goes below that')
    expect(clash('exhaustPortDeck', 42.4)).toBe('less than 42.4 mm: the piston never goes below that')
    expect(clash('exhaustPortDeck', 42.3)).toBeUndefined()
  })
  it('a target of the trapped ratio is judged by it, and asks for the port where nobody said it', () => {
    const bench = scooter()
    bench.add('target', all, { ratio: ratio(6.5), tolerance: ratio(0.1), countsCrevice: false, of: 'trapped' })
    const [state] = replay(bench.entries)!.asIs
    expect(state!.ratio).toEqual(state!.trapped)
    // 41.812/5.5
    expect(state!.targetClearance!.estimate.value).toBeCloseTo(7.602, 2)
    const bare = oneCylinder()
    bare.add('target', all, { ratio: ratio(6.5), tolerance: ratio(0.1), countsCrevice: false, of: 'trapped' })
    expect(replay(bare.entries)!.asIs[0]).toMatchObject({ missing: ['chamberVolume', 'exhaustPortTop'] })
  })
})
