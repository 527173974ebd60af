import fc from 'fast-check'
import Module from 'manifold-3d'
import { beforeAll, describe, expect, it } from 'vitest'
import { box, cap, turned } from '../../tests/support/solids'
import { hollinChamber, launchChamber } from '../../demo/chambers'
import { chamberMesh, meshVolume, valveFrame, type ChamberSpec, type ChamberValve, type Mesh, type SolidKit } from '../chamber'
import { shroud, shroudOnSolid } from '.'

let kit: SolidKit
beforeAll(async () => {
  kit = await Module()
  kit.setup()
})
const upright = (more: Partial<ChamberValve> = {}): ChamberValve => ({
  valve: 'intake', x: 0, y: 0, diameter: 30, tilt: 0, leans: 270, seatHeight: 12, sunk: 0, seatWidth: 1.4, seatAngle: 45, topCutWidth: 0.5, topCutAngle: 30, ...more
})
const below = { bore: 84, gasketBore: 86, gasketThickness: 1 }
const circle = (R: number, n = 720): [number, number][] => Array.from({ length: n }, (_, i) => [R * Math.cos(2 * Math.PI * i / n), R * Math.sin(2 * Math.PI * i / n)])

describe('walls in the valve head’s own plane', () => {
  it('concentric in a pot: the gap all round, the factor by hand', () => {
    const found = shroudOnSolid({ mesh: turned([[20, 0], [20, 14]]), valves: [upright()], open: 0, lift: 8, below })
    for (const gap of found.gap) expect(gap).toBeCloseTo(5, 2)
    // (20² − 15²)/2 offered of 15·8 per radian
    expect(found.factor).toBeCloseTo(Math.min(1, 87.5 / 120), 3)
    expect(found.required).toBeCloseTo(Math.sqrt(225 + 240) - 15, 9)
  })
  it('is the plane version where both apply, within half a per cent', () => {
    for (const [x, y, lift] of [[4, 2, 3], [-3, 1, 6], [0, -5, 9]] as const) {
      const solid = shroudOnSolid({ mesh: turned([[22, 0], [22, 14]]), valves: [upright({ x, y })], open: 0, lift, below })
      const plane = shroud({ walls: [circle(22)], valve: { x, y, diameter: 30 }, lift })
      expect(Math.abs(solid.factor / plane.factor - 1)).toBeLessThan(0.005)
      solid.azimuth.forEach((_, i) => expect(Math.abs(solid.gap[i]! - plane.gap[2 * i]!)).toBeLessThan(0.02))
    }
  })
  it('a straight wall: distance over the cosine', () => {
    const { gap, azimuth } = shroudOnSolid({ mesh: box(44, 60, 14), valves: [upright()], open: 0, lift: 5, below: { ...below, bore: 20, gasketBore: 20 } })
    azimuth.forEach((degrees, i) => {
      const cos = Math.cos(degrees * Math.PI / 180)
      if (cos > 0.8) expect(gap[i]).toBeCloseTo(22 / cos - 15, 6)
    })
  })
  it('a tilted valve against an upright wall: the wall lies distance/cosτ off, in the head’s plane', () => {
    // Leaning over x: in its plane the way to a wall at x = 22 is 22/cos 20°.
    const valve = upright({ tilt: 20, leans: 180, seatHeight: 10 })
    const { centre, r } = (() => {
      const { axis, seat, seatRadius } = valveFrame(valve)
      return { centre: seat.map((s, k) => s - axis[k]! * 4), r: seatRadius }
    })()
    const { gap } = shroudOnSolid({ mesh: box(44, 60, 40), valves: [valve], open: 0, lift: 4, below: { ...below, bore: 20, gasketBore: 20 } })
    expect(gap[0]).toBeCloseTo((22 - centre[0]!) / Math.cos(20 * Math.PI / 180) - r, 6)
    expect(gap[180]).toBeCloseTo((22 + centre[0]!) / Math.cos(20 * Math.PI / 180) - r, 6)
  })
  it('under the deck: the gasket’s ring, then the bore', () => {
    const mesh = turned([[20, 0], [20, 14]])
    const at = (lift: number) => shroudOnSolid({ mesh, valves: [upright({ diameter: 30 })], open: 0, lift, below }).gap[77]!
    expect(at(11.9)).toBeCloseTo(5, 1)
    expect(at(12.5)).toBeCloseTo(43 - 15, 6)
    expect(at(13.5)).toBeCloseTo(42 - 15, 6)
  })
  it('a face that was cut brings the bore up', () => {
    const mesh = turned([[20, 0], [20, 14]])
    const { gap } = shroudOnSolid({ mesh, valves: [upright()], open: 0, lift: 10, below, face: { depth: 3.5, slopeX: 0, slopeY: 0 } })
    expect(gap[10]).toBeCloseTo(42 - 15, 6)
  })
  it('a neighbouring valve that is shut is roof, not wall', () => {
    const spec = launchChamber()
    const mesh = chamberMesh(kit, spec)
    const { gap } = shroudOnSolid({ mesh, valves: spec.valves, open: 0, lift: 3, below: { bore: 92, gasketBore: 94, gasketThickness: 1.2 } })
    // Towards the exhaust (azimuth near 0) the way is open right across it.
    expect(gap[356]).toBeGreaterThan(15)
  })
  it.each([-20, 0, 20])('goes right across a shut neighbour that leans by %s° and stands beyond the wall', (lean) => {
    const shut = upright({ x: 24, y: 0, diameter: 16, tilt: Math.abs(lean), leans: lean < 0 ? 0 : 180, seatHeight: 13 })
    const { seat, axis } = valveFrame(shut)
    const { gap } = shroudOnSolid({ mesh: turned([[22, 0], [22, 14]]), valves: [upright({ x: -8, diameter: 12 }), shut], open: 0, lift: 5, below: { ...below, bore: 20, gasketBore: 20 } })
    // At 7 mm over the face, where the open valve's head is: the neighbour's middle there, half of its slanting section, less the open one's edge.
    expect(gap[0]).toBeCloseTo(seat[0] + axis[0] / axis[2] * (7 - seat[2]) + 8.5 / axis[2] + 8 - 6, 6)
  })
  it('refuses what is no lift, no valve, or a valve in metal', () => {
    const mesh = cap(50, 20, 40, 90)
    expect(() => shroudOnSolid({ mesh, valves: [upright()], open: 0, lift: 0, below })).toThrow(RangeError)
    expect(() => shroudOnSolid({ mesh, valves: [upright()], open: 1, lift: 3, below })).toThrow(RangeError)
    expect(() => shroudOnSolid({ mesh, valves: [upright({ seatHeight: 60 })], open: 0, lift: 3, below })).toThrow(/lift/)
  })
})

/** Whether a place is in air, by crossings of a vertical ray through every triangle: slow, and another way than the code's. */
function inAir(mesh: Mesh, [x, y, z]: number[]): boolean {
  const { positions: p, triangles: t } = mesh
  let crossings = 0
  for (let i = 0; i < t.length; i += 3) {
    const [a, b, c] = [3 * t[i]!, 3 * t[i + 1]!, 3 * t[i + 2]!]
    const d = (p[b]! - p[a]!) * (p[c + 1]! - p[a + 1]!) - (p[c]! - p[a]!) * (p[b + 1]! - p[a + 1]!)
    if (d === 0) continue
    const s = ((x! - p[a]!) * (p[c + 1]! - p[a + 1]!) - (p[c]! - p[a]!) * (y! - p[a + 1]!)) / d
    const q = ((p[b]! - p[a]!) * (y! - p[a + 1]!) - (x! - p[a]!) * (p[b + 1]! - p[a + 1]!)) / d
    if (s < 0 || q < 0 || s + q > 1) continue
    if (p[a + 2]! + s * (p[b + 2]! - p[a + 2]!) + q * (p[c + 2]! - p[a + 2]!) > z!) crossings++
  }
  return crossings % 2 === 1
}

/** Whether a place lies under the machined edge of a valve, however far along its axis. */
function underValve({ x, y, diameter, topCutWidth, ...valve }: ChamberValve, p: number[]): boolean {
  const { seat, axis } = valveFrame({ x, y, diameter, topCutWidth, ...valve })
  const w = p.map((c, k) => c - seat[k]!)
  const along = w.reduce((sum, c, k) => sum + c * axis[k]!, 0)
  return Math.hypot(...w.map((c, k) => c - along * axis[k]!)) < diameter / 2 + topCutWidth
}

describe('against a brute-force walk', () => {
  const coarse = { along: 5, wall: 2, roof: 4, around: 36 }
  it.each(['by itself', 'beside the others, shut'])('a valve %s, on random chambers and lifts: in air up to the gap, in metal just past it', (beside) => {
    fc.assert(fc.property(
      fc.constantFrom(launchChamber(), hollinChamber()), fc.double({ min: 0.8, max: 9, noNaN: true }), fc.integer({ min: 0, max: 359 }), fc.integer({ min: 0, max: 3 }), fc.double({ min: 0.85, max: 1.2, noNaN: true }),
      (spec: ChamberSpec, lift, azimuth, which, stretch) => {
        const open = which % spec.valves.length
        const mesh = chamberMesh(kit, spec, stretch, coarse)
        const bare = { bore: 1, gasketBore: 1, gasketThickness: 0 }
        const { axis, seat, seatRadius } = valveFrame(spec.valves[open]!)
        const centre = seat.map((s, k) => s - axis[k]! * lift)
        if (!inAir(mesh, centre)) return
        const shut = beside === 'by itself' ? [] : spec.valves.filter((_, i) => i !== open)
        const { gap } = shroudOnSolid({ mesh, valves: [spec.valves[open]!, ...shut], open: 0, lift, below: bare })
        const isOpen = (p: number[]) => inAir(mesh, p) || shut.some(other => underValve(other, p))
        const long = Math.hypot(axis[2], axis[0])
        const u = [axis[2] / long, 0, -axis[0] / long]
        const v = [axis[1] * u[2]! - axis[2] * u[1]!, axis[2] * u[0]! - axis[0] * u[2]!, axis[0] * u[1]! - axis[1] * u[0]!]
        const [cos, sin] = [Math.cos(azimuth * Math.PI / 180), Math.sin(azimuth * Math.PI / 180)]
        const on = (far: number) => centre.map((c, k) => c + far * (u[k]! * cos + v[k]! * sin))
        const reach = gap[azimuth]! + seatRadius
        // The bore of 1 mm stands in for none; a ray that crosses its stub is left out.
        if (Math.hypot(on(reach)[0]!, on(reach)[1]!) < 1) return
        for (const share of [0.2, 0.5, 0.8, 0.999]) expect(isOpen(on(reach * share))).toBe(true)
        expect(isOpen(on(reach + 0.01))).toBe(false)
      }), { numRuns: 30 })
  }, 60_000)
})

describe('ceiling and wall', () => {
  // A ledge from 22 in to 12 mm at 6 mm, and an upright wall over it.
  const mesh = turned([[22, 0], [22, 6], [12, 6], [12, 16]])
  it('an upright wall further in from the mouth than it is high is ceiling, brought down to the face along the valve', () => {
    for (const [tilt, leans, face] of [[0, 0, { depth: 0, slopeX: 0, slopeY: 0 }], [20, 0, { depth: 0, slopeX: 0, slopeY: 0 }], [20, 180, { depth: 0, slopeX: 0, slopeY: 0 }], [15, 130, { depth: 0.6, slopeX: 0.03, slopeY: -0.02 }]] as const) {
      const valve = upright({ diameter: 12, tilt, leans, seatHeight: 14 })
      const found = shroudOnSolid({ mesh, valves: [valve], open: 0, lift: 5, below: { bore: 44, gasketBore: 44, gasketThickness: 1 }, face })
      const { axis, seat } = valveFrame(valve)
      const centre = seat.map((s, k) => s - axis[k]! * 5)
      const long = Math.hypot(axis[2], axis[0])
      const u = [axis[2] / long, 0, -axis[0] / long]
      const v = [axis[1] * u[2]! - axis[2] * u[1]!, axis[2] * u[0]! - axis[0] * u[2]!, axis[0] * u[1]! - axis[1] * u[0]!]
      const told = [0, 90, 180, 270].map(degrees => found.roof[degrees])
      expect(told).toEqual([0, 90, 180, 270].map((degrees) => {
        const [cos, sin] = [Math.cos(degrees * Math.PI / 180), Math.sin(degrees * Math.PI / 180)]
        const p = centre.map((c, k) => c + (found.gap[degrees]! + 6) * (u[k]! * cos + v[k]! * sin))
        const over = (q: number[]) => q[2]! - face.depth - face.slopeX * q[0]! - face.slopeY * q[1]!
        // Down the axis in small steps until it is through the face.
        let down = 0
        while (over(p.map((c, k) => c - axis[k]! * down)) > 0) down += 0.001
        const level = [6, 16].some(z => Math.abs(p[2]! - z) < 1e-3)
        return level || 22 - Math.hypot(p[0]! - axis[0] * down, p[1]! - axis[1] * down) > over(p)
      }))
    }
  })
})

describe('metal taken off round a valve', () => {
  const pot = (reliefs?: ChamberSpec['reliefs']): ChamberSpec => ({
    kind: 'bathtub', outline: circle(20, 64), pads: [], roof: { shape: 'plane', height: 12, slope: 0, rises: 90 }, draft: 0, floorRadius: 0,
    valves: [upright({ x: 6, diameter: 24, seatHeight: 12 + 0.5 * Math.tan(Math.PI / 6) })], ...(reliefs ? { reliefs } : {})
  })
  it('by a radius cutter adds its lune times its height, to 0.1 %', () => {
    const [R, d, r, height] = [17.5, 6, 20, 9]
    const relief = { valve: 0, radii: Array.from({ length: 360 }, () => R), below: 12 + 0.5 * Math.tan(Math.PI / 6) - height, line: 40 }
    const added = meshVolume(chamberMesh(kit, pot([relief]))) - meshVolume(chamberMesh(kit, pot()))
    // The cutter's circle less what of it lies in the pot already (two circles' lens).
    const lens = r * r * Math.acos((d * d + r * r - R * R) / (2 * d * r)) + R * R * Math.acos((d * d + R * R - r * r) / (2 * d * R))
      - Math.sqrt((-d + r + R) * (d + r - R) * (d - r + R) * (d + r + R)) / 2
    const lune = (Math.PI * R * R - lens) * height / 1000
    expect(Math.abs(added / lune - 1)).toBeLessThan(1e-3)
  })
  it('leaves the cutter’s corner standing: its spandrel about the axis, by Pappus', () => {
    const about = (corner?: number) => meshVolume(chamberMesh(kit, {
      ...pot([{ valve: 0, radii: Array.from({ length: 360 }, () => 26), below: 4, ...(corner ? { corner } : {}), line: 60 }]),
      valves: [upright({ diameter: 24, seatHeight: 12 + 0.5 * Math.tan(Math.PI / 6) })]
    }))
    const [R, c] = [26, 4]
    // A quarter circle's spandrel: c²·(1 − π/4), its middle c·(10 − 3π)/(3·(4 − π)) in from the outer edge.
    const left = 2 * Math.PI * (R - c * (10 - 3 * Math.PI) / (3 * (4 - Math.PI))) * c * c * (1 - Math.PI / 4) / 1000
    expect(Math.abs((about() - about(c)) / left - 1)).toBeLessThan(0.02)
  })
  it('never passes the scribed line', () => {
    const free = meshVolume(chamberMesh(kit, pot([{ valve: 0, radii: Array.from({ length: 72 }, () => 30), below: 2, line: 20 }])))
    expect(free).toBeCloseTo(meshVolume(chamberMesh(kit, pot())), 1)
  })
})
