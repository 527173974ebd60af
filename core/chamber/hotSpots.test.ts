import { describe, expect, it } from 'vitest'
import { launchChamber } from '../../demo/chambers'
import { hotSpots, mouthOf, type ChamberSpec } from '.'

const of = (change: Partial<ChamberSpec> = {}, gasket: number | undefined = 94) => {
  const spec = { ...launchChamber(), ...change }
  return hotSpots(spec, mouthOf(spec), gasket)
}
const kinds = (spots: ReturnType<typeof hotSpots>) => spots.map(s => s.kind)

describe('hot spots', () => {
  it('the rim a sunk valve leaves: s high, s/tan 30° wide', () => {
    const { valves } = launchChamber()
    const [ledge] = of({ valves: [{ ...valves[0]!, sunk: 0.6 }, valves[1]!] })
    expect(ledge).toMatchObject({ kind: 'ledge', valve: 0, height: 0.6 })
    expect((ledge as { width: number }).width).toBeCloseTo(1.039, 3)
    expect(kinds(of())).not.toContain('ledge')
  })
  it('a bridge between the seats that is thin: middles apart less both radii and top cuts', () => {
    // √(43.3² + 3.3² + …) − 40.75 − 0.98 = 1.69 mm
    const bridge = of().find(s => s.kind === 'bridge')
    expect((bridge as { width: number }).width).toBeCloseTo(1.7, 1)
  })
  it('a bridge that a sunk valve’s cone runs into: 31.4 apart, 15.5 and 15.5 of them seat and top cut, 0.3/tan 30° the sunk one’s', () => {
    const [valve] = launchChamber().valves
    const at = (x: number, sunk: number) => ({ ...valve!, x, y: 0, tilt: 0, diameter: 30, topCutWidth: 0.5, topCutAngle: 30, sunk })
    // √(31.4² + 0.3²) − 15.5 − 15.5 − 0.5196
    expect(of({ valves: [at(-15.7, 0), at(15.7, 0.3)] }).find(s => s.kind === 'bridge')).toMatchObject({ valves: [0, 1], width: expect.closeTo(-0.118, 3) as number })
  })
  it('a gasket’s ring inside the chamber, by how far and where; none where it stands outside', () => {
    const over = of({}, 91).filter(s => s.kind === 'overhang')
    expect(over.length).toBe(1)
    expect((over[0] as { depth: number }).depth).toBeCloseTo(0.5, 1)
    expect(kinds(of({}, 94))).not.toContain('overhang')
    expect(kinds(of({}, 92.3))).toContain('thinRim')
    expect(kinds(of({}, undefined))).not.toContain('thinRim')
  })
  it('the lip over a plug that stands back', () => {
    expect(of({ plug: { x: 0, y: 30, diameter: 14, recess: 1.2 } })).toContainEqual({ kind: 'plugLip', height: 1.2 })
  })
})
