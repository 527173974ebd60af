import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { box, cap, moved, turned } from '../../tests/support/solids'
import { cutAtChamber, cutDepthForVolume, meshVolume, openingArea, thenFlat, volumeAboveCut } from '.'

const flat = (depth: number) => ({ depth, slopeX: 0, slopeY: 0 })
const capLeft = (R: number, h: number) => Math.PI * h * h * (3 * R - h) / 3 / 1000

describe('closed forms', () => {
  it('a box, flat and angled', () => {
    const solid = box(20, 30, 10)
    expect(meshVolume(solid)).toBeCloseTo(6, 12)
    expect(volumeAboveCut(solid, flat(1))).toBeCloseTo(5.4, 12)
    expect(openingArea(solid, flat(1))).toBeCloseTo(600, 9)
    // A slope across the middle takes as much on one side as it leaves on the other.
    expect(volumeAboveCut(solid, { depth: 2, slopeX: 0.05, slopeY: -0.03 })).toBeCloseTo(4.8, 12)
    expect(openingArea(solid, { depth: 2, slopeX: 0.05, slopeY: -0.03 })).toBeCloseTo(600, 9)
    // From one edge: 20 wide, 1 deep at the far edge, nothing at the near: a wedge of 0.3 cc.
    expect(volumeAboveCut(solid, { depth: 0.5, slopeX: 0.05, slopeY: 0 })).toBeCloseTo(5.7, 12)
  })
  it('a frustum', () => {
    const solid = turned([[30, 0], [20, 12]])
    const frustum = (r1: number, r2: number, h: number) => Math.PI * h / 3 * (r1 ** 2 + r1 * r2 + r2 ** 2) / 1000
    expect(meshVolume(solid)).toBeCloseTo(frustum(30, 20, 12), 9)
    // 3 mm up the radius is 27.5.
    expect(volumeAboveCut(solid, flat(3))).toBeCloseTo(frustum(27.5, 20, 9), 9)
    expect(openingArea(solid, flat(3))).toBeCloseTo(Math.PI * 27.5 ** 2, 6)
  })
  it('the contract’s cap: R 50, h 20, a flat cut of 1.0 leaves 49.5230 cc', () => {
    const solid = cap(50, 20)
    expect(meshVolume(solid)).toBeCloseTo(capLeft(50, 20), 3)
    expect(volumeAboveCut(solid, flat(1))).toBeCloseTo(49.5230, 3)
    // The mouth of a cap 19 high: π·h·(2R − h)
    expect(openingArea(solid, flat(1)) / (Math.PI * 19 * 81)).toBeCloseTo(1, 4)
  })
  it('a cylinder’s wedge under a tilted plane through its middle: 2/3·r²·h', () => {
    const solid = turned([[25, 0], [25, 40]], 2880)
    // Up to the plane z = 0.4·x over the half where it rises: 2/3·25²·10 cut away; below it nothing.
    const left = volumeAboveCut(solid, { depth: 0, slopeX: 0.4, slopeY: 0 })
    expect(meshVolume(solid) - left).toBeCloseTo(2 / 3 * 25 ** 2 * 10 / 1000, 4)
  })
  it('a toroid dome by Pappus', () => {
    // A half circle of radius 8 about a ring of radius 20: half a torus, π²·R·r².
    const ring = Array.from({ length: 401 }, (_, i) => {
      const t = Math.PI * i / 400
      return [20 + 8 * Math.cos(t), 8 * Math.sin(t)] as [number, number]
    })
    // The profile ends at the inner edge; the disc under the hollow closes it at z = 0.
    expect(meshVolume(turned(ring))).toBeCloseTo(Math.PI ** 2 * 20 * 64 / 1000, 3)
  })
  it('finds the depth of a volume to 1e-6', () => {
    const solid = cap(50, 20, 200, 240)
    for (const depth of [0.2, 1, 3.7, 11]) {
      const at = { slopeX: 0.01, slopeY: -0.02 }
      const left = volumeAboveCut(solid, { depth, ...at })
      expect(Math.abs(cutDepthForVolume(solid, left, at) - depth)).toBeLessThan(1e-6)
    }
    expect(cutDepthForVolume(box(20, 30, 10), 5.4, flat(0))).toBeCloseTo(1, 9)
    expect(() => cutDepthForVolume(box(20, 30, 10), 7, flat(0))).toThrow(/6 or less/)
    expect(() => cutDepthForVolume(box(20, 30, 10), 0, flat(0))).toThrow(/targetVolume/)
  })
})

describe('any mesh, any plane', () => {
  const slope = fc.double({ min: -0.2, max: 0.2, noNaN: true })
  const depth = fc.double({ min: -3, max: 14, noNaN: true })
  const solid = moved(cap(50, 20, 20, 48), [[1, 0.1, 0], [0, 0.8, 0.05], [0.02, 0, 1]])
  it('more depth never leaves more', () => {
    fc.assert(fc.property(depth, depth, slope, slope, (a, b, slopeX, slopeY) => {
      const [less, more] = [Math.min(a, b), Math.max(a, b)]
      expect(volumeAboveCut(solid, { depth: more, slopeX, slopeY })).toBeLessThanOrEqual(volumeAboveCut(solid, { depth: less, slopeX, slopeY }) + 1e-12)
    }))
  })
  it('its slope is the opening', () => {
    fc.assert(fc.property(fc.double({ min: 0.5, max: 10, noNaN: true }), slope, slope, (d, slopeX, slopeY) => {
      const h = 1e-4
      const fall = (volumeAboveCut(solid, { depth: d - h, slopeX, slopeY }) - volumeAboveCut(solid, { depth: d + h, slopeX, slopeY })) / (2 * h)
      expect(fall * 1000).toBeCloseTo(openingArea(solid, { depth: d, slopeX, slopeY }), 1)
    }))
  })
  it('a plane under the whole mouth opens nothing and takes nothing, not even by rounding', () => {
    fc.assert(fc.property(fc.double({ min: -60, max: -15, noNaN: true }), slope, slope, (d, slopeX, slopeY) => {
      expect(openingArea(solid, { depth: d, slopeX, slopeY })).toBeGreaterThanOrEqual(0)
      expect(openingArea(solid, { depth: d, slopeX, slopeY })).toBeLessThan(1e-6)
      expect(volumeAboveCut(solid, { depth: d, slopeX, slopeY })).toBeCloseTo(meshVolume(solid), 9)
    }))
  })
  it('turning mesh and plane together about the bore changes nothing', () => {
    fc.assert(fc.property(depth, slope, slope, fc.double({ min: 0, max: 6.28, noNaN: true }), (d, slopeX, slopeY, angle) => {
      const [c, s] = [Math.cos(angle), Math.sin(angle)]
      const round = moved(solid, [[c, -s, 0], [s, c, 0], [0, 0, 1]])
      expect(volumeAboveCut(round, { depth: d, slopeX: c * slopeX - s * slopeY, slopeY: s * slopeX + c * slopeY }))
        .toBeCloseTo(volumeAboveCut(solid, { depth: d, slopeX, slopeY }), 9)
    }), { numRuns: 40 })
  })
  it('two parts sum to the whole', () => {
    fc.assert(fc.property(depth, slope, slope, (d, slopeX, slopeY) => {
      // What lies under the plane is what lies over it once the solid is stood on its head.
      const upside = moved(solid, [[1, 0, 0], [0, 1, 0], [0, 0, -1]], [0, 0, 0], true)
      const over = volumeAboveCut(solid, { depth: d, slopeX, slopeY })
      const under = volumeAboveCut(upside, { depth: -d, slopeX: -slopeX, slopeY: -slopeY })
      expect(over + under).toBeCloseTo(meshVolume(solid), 9)
    }), { numRuns: 40 })
  })
  it('mirroring mirrors', () => {
    fc.assert(fc.property(depth, slope, slope, (d, slopeX, slopeY) => {
      const mirrored = moved(solid, [[-1, 0, 0], [0, 1, 0], [0, 0, 1]], [0, 0, 0], true)
      expect(volumeAboveCut(mirrored, { depth: d, slopeX: -slopeX, slopeY })).toBeCloseTo(volumeAboveCut(solid, { depth: d, slopeX, slopeY }), 9)
    }), { numRuns: 40 })
  })
})

describe('what is no chamber', () => {
  const solid = box(20, 30, 10)
  it.each([
    ['open', { ...solid, triangles: solid.triangles.slice(3) }, /open at 3 edges/],
    ['inside out', { ...solid, triangles: solid.triangles.slice().reverse() }, /face outward/],
    ['without corners', { positions: new Float64Array(), triangles: solid.triangles }, /positions/],
    ['naming corners it has not', { ...solid, triangles: solid.triangles.map(t => t + 5) }, /number of corners/],
    ['of no numbers', { ...solid, positions: solid.positions.map((v, i) => i === 4 ? NaN : v) }, /finite/]
  ])('%s is refused', (_, mesh, says) => expect(() => meshVolume(mesh)).toThrow(says))
  it('a cut that is no number is refused too', () => {
    expect(() => volumeAboveCut(solid, flat(NaN))).toThrow(/cut.depth/)
    expect(() => openingArea(solid, { depth: 0, slopeX: Infinity, slopeY: 0 })).toThrow(/slopeX/)
  })
  it('corners that lie on one spot are one: a mesh read from triangles alone is closed too', () => {
    const loose = new Float64Array([...solid.triangles].flatMap(t => [...solid.positions.slice(3 * t, 3 * t + 3)]))
    const apart = Uint32Array.from({ length: loose.length / 3 }, (_, i) => i)
    expect(meshVolume({ positions: loose, triangles: apart })).toBeCloseTo(6, 12)
    // As a file writer rounds, this corner and not that one, across a cell's side as well as inside it.
    fc.assert(fc.property(fc.integer({ min: 1, max: 99 }), fc.double({ min: -5e-7, max: 5e-7, noNaN: true }), (seed, by) => {
      const off = loose.map((v, i) => (i * 7919 + seed) % 7 < 3 ? v + by : v)
      expect(meshVolume({ positions: off, triangles: apart })).toBeCloseTo(6, 5)
    }), { numRuns: 60 })
    expect(() => meshVolume({ positions: loose.map((v, i) => i === 0 ? v + 0.001 : v), triangles: apart })).toThrow(/open at/)
  })
  const joined = (...parts: ReturnType<typeof box>[]) => ({
    positions: new Float64Array(parts.flatMap(p => [...p.positions])),
    triangles: new Uint32Array(parts.flatMap((p, i) => [...p.triangles].map(t => t + i * 8)))
  })
  const inward = (at: [number, number, number]) => {
    const other = box(4, 4, 4, at)
    return { ...other, triangles: other.triangles.slice().reverse() }
  }
  it('bodies that lie apart add up, and side by side too', () => {
    expect(meshVolume(joined(solid, box(4, 4, 4, [40, 0, 0])))).toBeCloseTo(6.064, 12)
    expect(meshVolume(joined(solid, box(20, 30, 10, [20, 0, 0])))).toBeCloseTo(12, 12)
  })
  it.each([
    ['one inside the other', joined(solid, box(4, 4, 4, [0, 0, 2])), /2 bodies that may run into each other/],
    ['one that runs into the other', joined(solid, box(20, 30, 10, [5, 5, 5])), /2 bodies that may run into each other/],
    ['one turned inside out beside it', joined(solid, inward([40, 0, 0])), /1 of 2 bodies turned inside out/],
    ['one turned inside out within it', joined(solid, inward([0, 0, 2])), /1 of 2 bodies turned inside out/]
  ])('two bodies, %s, are refused', (_, mesh, says) => expect(() => meshVolume(mesh)).toThrow(says))
  it('a corner that is no number any more is told, whatever is asked, and never taken for one under the cut', () => {
    for (const corner of [0, 12, 14, 23]) {
      const spoilt = { positions: solid.positions.slice(), triangles: solid.triangles }
      meshVolume(spoilt)
      spoilt.positions[corner] = NaN
      for (const ask of [() => meshVolume(spoilt), () => volumeAboveCut(spoilt, flat(1)), () => openingArea(spoilt, flat(9)), () => cutDepthForVolume(spoilt, 3, flat(0))]) expect(ask).toThrow(RangeError)
    }
  })
})

describe('one cut for the head, and two after each other', () => {
  it('is for each chamber what it is at its bore', () => {
    expect(cutAtChamber({ depth: 1, slopeX: 0.001, slopeY: -0.002 }, { x: 100, y: 5 })).toEqual({ depth: expect.closeTo(1.09, 9) as number, slopeX: 0.001, slopeY: -0.002 })
  })
  it('an angled one then a flat one', () => {
    expect(thenFlat({ depth: 0.5, slopeX: 0, slopeY: 0.02 }, 0.3).depth).toBeCloseTo(0.80006, 5)
    expect(() => thenFlat(flat(0), -1)).toThrow(/flat/)
  })
})
