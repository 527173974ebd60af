import fc from 'fast-check'
import Module from 'manifold-3d'
import { beforeAll, describe, expect, it } from 'vitest'
import { caldbeckChamber, hollinChamber, launchChamber } from '../../../demo/chambers'
import { RUNS, report } from '../../../tests/support/soak'
import { calibrated, calibratedLive, ceilingField, chamberMesh, metalIn, meshVolume, planOf, solidOn, volumeAboveCut, type ChamberSpec, type Relief, type SolidKit } from '..'

let kit: SolidKit
beforeAll(async () => {
  kit = await Module()
  kit.setup()
})
const level = { depth: 0, slopeX: 0, slopeY: 0 }
const round = (valve: number, radius: number, more: Partial<Relief> = {}): Relief => ({ valve, radii: Array.from({ length: 120 }, () => radius), below: 0.3, line: 46, ...more })

describe('a chamber’s ceiling on a grid', () => {
  it('a pot’s is its roof over its mouth, and nothing outside', () => {
    const outline = Array.from({ length: 32 }, (_, i): [number, number] => [40 * Math.cos(i * Math.PI / 16), 40 * Math.sin(i * Math.PI / 16)])
    const pot: ChamberSpec = { kind: 'bathtub', outline, pads: [], roof: { shape: 'plane', height: 12, slope: 0, rises: 90 }, draft: 0, floorRadius: 0, valves: [] }
    const mesh = chamberMesh(kit, pot)
    const { heights, step } = ceilingField(mesh, 0.5)
    const over = heights.filter(z => z > 0)
    // All but those that stand on a wall itself.
    expect([...over].filter(z => Math.abs(z - 12) < 0.005).length / over.length).toBeGreaterThan(0.98)
    // π·40²·12 mm³ by places of 0.25 mm²
    expect(over.length * step * step * 12 / 1000 / meshVolume(mesh)).toBeCloseTo(1, 2)
    expect(() => ceilingField(mesh, 0)).toThrow(RangeError)
  })
})

describe('a pour in a chamber with metal ground out', () => {
  const specs = [launchChamber, hollinChamber, caldbeckChamber].map(make => make())
  it('is met to a ten-thousandth whatever was ground, told by the grid first', () => {
    const took = { grid: [] as number[], solid: [] as number[] }
    const timed = <T>(list: number[], work: () => T): T => {
      const begun = performance.now()
      const done = work()
      list.push(performance.now() - begun)
      return done
    }
    fc.assert(fc.property(
      fc.nat(2), fc.array(fc.record({ valve: fc.nat(1), wide: fc.double({ min: 1.02, max: 1.25, noNaN: true }), from: fc.nat(119), long: fc.integer({ min: 20, max: 120 }), corner: fc.constantFrom(0, 2) }), { minLength: 1, maxLength: 3 }),
      fc.double({ min: 0.94, max: 1.07, noNaN: true }), fc.constantFrom(0, 0.4),
      (which, steps, share, depth) => {
        const spec = specs[which]!
        const reliefs = steps.map(({ valve, wide, from, long, corner }) => {
          const far = spec.valves[valve]!.diameter / 2 * wide
          return round(valve, 0, { radii: Array.from({ length: 120 }, (_, i) => (i - from + 120) % 120 < long ? far : 0), ...corner ? { corner } : {} })
        })
        const ground = { ...spec, reliefs }
        const plan = planOf(kit, ground)
        const face = { ...level, depth }
        const poured = volumeAboveCut(solidOn(kit, plan, spec, 1), face) * share
        const quick = timed(took.grid, () => calibratedLive(plan, ground, poured, face))
        const solid = timed(took.solid, () => calibrated(kit, plan, ground, poured, face))
        expect(solid.reached).toBe(true)
        expect(Math.abs(solid.volume / poured - 1)).toBeLessThan(1e-4)
        expect(Math.abs(quick.volume / poured - 1)).toBeLessThan(5e-4)
        // A cut of half a millimetre is told by the grid as by the solid.
        const cut = { ...face, depth: depth + 0.5 }
        expect(Math.abs(volumeAboveCut(quick.mesh, cut) - volumeAboveCut(solid.mesh, cut))).toBeLessThan(0.05)
      }), { numRuns: RUNS(5, 60), seed: 17 })
    const median = (list: number[]) => Math.round(list.sort((a, b) => a - b)[list.length >> 1]!)
    report('ground chambers, median ms', { grid: median(took.grid), solid: median(took.solid) })
  }, 600_000)
})

describe('metal on the grid', () => {
  const specs = [launchChamber, hollinChamber, caldbeckChamber].map(make => make())
  it('is what the solid gains, wherever it is taken and however far the face is down', () => {
    const meshes = specs.map(spec => chamberMesh(kit, spec))
    const fields = meshes.map(mesh => ceilingField(mesh, 0.5))
    fc.assert(fc.property(fc.nat(2), fc.nat(1), fc.double({ min: 1.02, max: 1.25, noNaN: true }), fc.nat(119), fc.integer({ min: 20, max: 120 }), fc.constantFrom(0, 2), fc.constantFrom(0, 0.6), (which, valve, wide, from, long, corner, depth) => {
      const spec = specs[which]!
      const face = { ...level, depth }
      const far = spec.valves[valve]!.diameter / 2 * wide
      const radii = Array.from({ length: 120 }, (_, i) => (i - from + 120) % 120 < long ? far : 0)
      const reliefs = [round(valve, 0, { radii, ...corner ? { corner } : {} })]
      const gained = volumeAboveCut(chamberMesh(kit, { ...spec, reliefs: [...spec.reliefs ?? [], ...reliefs] }), face) - volumeAboveCut(meshes[which]!, face)
      const told = metalIn(fields[which]!, spec.valves, reliefs, face)
      expect(Math.abs(told - gained), `${told} for ${gained}`).toBeLessThan(0.015 + 0.01 * gained)
    }), { numRuns: 12, seed: 12 })
  }, 90_000)
  it('nothing drawn takes nothing; two that overlap count once', () => {
    const spec = launchChamber()
    const field = ceilingField(chamberMesh(kit, spec), 0.5)
    expect(metalIn(field, spec.valves, [round(0, 0)], level)).toBe(0)
    const once = metalIn(field, spec.valves, [round(0, 24)], level)
    expect(once).toBeGreaterThan(0.05)
    expect(metalIn(field, spec.valves, [round(0, 24), round(0, 23.5)], level)).toBeCloseTo(once, 9)
  })
})
