import fc from 'fast-check'
import Module from 'manifold-3d'
import { beforeAll, describe, expect, it } from 'vitest'
import { caldbeckChamber, hollinChamber, launchChamber, skerryChamber } from '../../../demo/chambers'
import { cutDepthForVolume, meshVolume, openingArea, sinking, volumeAboveCut, type Mesh } from '..'
import { turnedVolume } from '../../lathe'
import { recordedSeat, seatForm, seatPoints } from '../../port'
import {
  SpecError, calibrated, chamberMesh, clipByChord, curveThrough, draftAt, distanceTo, insideOutline, lifted, mirrored, mouthOf, outlineArea, planOf, specFaults,
  strip, suspects, thinned, topCutHeight, topCutWidth, turnedShape, valveFrame, type ChamberSpec, type Point, type SolidKit
} from '.'

let kit: SolidKit
beforeAll(async () => {
  kit = await Module()
  kit.setup()
})
const square = (a: number): Point[] => [[-a, -a], [a, -a], [a, a], [-a, a]]
const round = (R: number, n = 32): Point[] => Array.from({ length: n }, (_, i): Point => [R * Math.cos(2 * Math.PI * i / n), R * Math.sin(2 * Math.PI * i / n)])
/** A pot of upright walls and a level roof: no valves, no radius. */
const pot = (more: Partial<ChamberSpec> = {}): ChamberSpec => ({
  kind: 'bathtub', outline: round(40), pads: [], roof: { shape: 'plane', height: 12, slope: 0, rises: 90 }, draft: 0, floorRadius: 0, valves: [], ...more
})
const level = { depth: 0, slopeX: 0, slopeY: 0 }
const near = (value: number, wanted: number, relative: number) => expect(Math.abs(value / wanted - 1), `${value} for ${wanted}`).toBeLessThan(relative)

describe('the outline', () => {
  it('runs through its points and holds the circle they lie on', () => {
    const curve = curveThrough(round(40, 16), 15)
    expect(curve[15]).toEqual(round(40, 16)[1])
    near(outlineArea(curve), Math.PI * 1600, 1e-3)
  })
  it('is cut by a chord as the circle’s segment says', () => {
    // R²·acos(c/R) − c·√(R² − c²) with R 46, c 14.67: 1 997.6 mm² beyond
    const beyond = 46 ** 2 * Math.acos(14.67 / 46) - 14.67 * Math.sqrt(46 ** 2 - 14.67 ** 2)
    near(outlineArea(clipByChord(round(46, 720), 270, 14.67, true)), beyond, 1e-4)
    near(outlineArea(clipByChord(round(46, 720), 270, 14.67, false)), Math.PI * 46 ** 2 - beyond, 1e-4)
  })
  it('keeps its shape with fewer points: corners whole, circles to the stated sag', () => {
    const fine = square(10).flatMap(([x, y], i): Point[] => {
      const [x2, y2] = square(10)[(i + 1) % 4]!
      return Array.from({ length: 50 }, (_, k): Point => [x + (x2 - x) * k / 50, y + (y2 - y) * k / 50])
    })
    expect(thinned(fine, 0.01)).toEqual(square(10))
    const few = thinned(round(43, 800), 0.05)
    // A chord that sags 0.05 mm spans 2·acos(1 − 0.05/43) = 5.5°.
    expect(few.length).toBeGreaterThan(60)
    expect(few.length).toBeLessThan(75)
    near(outlineArea(few), Math.PI * 43 * 43, 3e-3)
    for (const p of round(43, 800)) expect(distanceTo(few, p)).toBeLessThanOrEqual(0.05)
    expect(thinned([], 1)).toEqual([])
  })
  it('knows inside from outside, and how far the edge is', () => {
    expect(insideOutline(square(10), [9.9, 0])).toBe(true)
    expect(insideOutline(square(10), [10.1, 0])).toBe(false)
    expect(distanceTo(square(10), [13, 14])).toBeCloseTo(5, 12)
  })
})

describe('the strip between two rings', () => {
  const triangles = (outer: Point[], inner: Point[]): Point[][] | undefined => {
    const [all, corners] = [[...outer, ...inner], strip(outer, inner)]
    return corners && Array.from({ length: corners.length / 3 }, (_, i) => corners.slice(3 * i, 3 * i + 3).map(corner => all[corner]!))
  }
  it('goes once round two squares: a triangle on every edge of either', () => {
    const found = triangles(square(2), square(1))!
    expect(found).toHaveLength(8)
    expect(found.reduce((sum, t) => sum + outlineArea(t), 0)).toBeCloseTo(16 - 4, 12)
  })
  it('covers what lies between any two and turns no triangle over, or leaves it to the package', () => {
    let taken = 0
    const lobed = fc.record({ lobes: fc.integer({ min: 2, max: 7 }), deep: fc.double({ min: 0, max: 0.6, noNaN: true }), corners: fc.integer({ min: 20, max: 300 }), within: fc.integer({ min: 12, max: 300 }), turn: fc.double({ min: 0, max: 6, noNaN: true }), by: fc.double({ min: 0.2, max: 4, noNaN: true }) })
    fc.assert(fc.property(lobed, ({ lobes, deep, corners, within, turn, by }) => {
      const ring = (n: number, less: number, from: number): Point[] => Array.from({ length: n }, (_, i) => {
        const a = from + 2 * Math.PI * i / n
        const R = 40 * (1 - deep * (1 + Math.cos(lobes * a)) / 2) - less
        return [R * Math.cos(a), R * Math.sin(a)]
      })
      const [outer, inner] = [ring(corners, 0, 0), ring(within, by, turn)]
      const found = triangles(outer, inner)
      if (!found) return
      taken++
      for (const t of found) expect(outlineArea(t)).toBeGreaterThan(0)
      expect(found).toHaveLength(corners + within)
      near(found.reduce((sum, t) => sum + outlineArea(t), 0), outlineArea(outer) - outlineArea(inner), 1e-9)
    }), { numRuns: 300, seed: 26 })
    expect(taken).toBeGreaterThan(100)
    // A spike that reaches past the inner one's far side.
    expect(strip([[2, -2], [2, 2], [0, -0.9], [-2, 2], [-2, -2]], square(1))).toBeUndefined()
  })
})

describe('a solid against its closed form', () => {
  it('a pot: π·R²·h', () => near(meshVolume(chamberMesh(kit, pot())), Math.PI * 1600 * 12 / 1000, 1.5e-3))
  it('leaning walls: a frustum', () => {
    const top = 40 - 12 * Math.tan(10 * Math.PI / 180)
    near(meshVolume(chamberMesh(kit, pot({ draft: 10 }))), Math.PI * 12 / 3 * (1600 + 40 * top + top * top) / 1000, 2e-3)
  })
  it('a sloped roof: height at the centroid times area', () =>
    near(meshVolume(chamberMesh(kit, pot({ roof: { shape: 'plane', height: 12, slope: 10, rises: 30 } }))), Math.PI * 1600 * 12 / 1000, 1.5e-3))
  it('a pent roof: the mean height under two planes, h − k·4R/(3π)', () => {
    const mean = 18 - Math.tan(15 * Math.PI / 180) * 4 * 40 / (3 * Math.PI)
    near(meshVolume(chamberMesh(kit, pot({ roof: { shape: 'ridge', height: 18, slope: 15, rises: 90 } }))), Math.PI * 1600 * mean / 1000, 2e-3)
  })
  it('a floor radius takes the corner’s area round its centroid (Pappus)', () => {
    // (1 − π/4)·r² at r·(10 − 3π)/(12 − 3π) from the wall
    const r = 6
    const lost = (1 - Math.PI / 4) * r * r * 2 * Math.PI * (40 - r * (10 - 3 * Math.PI) / (12 - 3 * Math.PI))
    const whole = Math.PI * 1600 * 12
    near(whole / 1000 - meshVolume(chamberMesh(kit, pot({ floorRadius: r }))), lost / 1000, 0.06)
  })
  it('a hemispherical roof: the cap of its sphere', () => {
    const [R, h] = [50, 20]
    const a = Math.sqrt(2 * R * h - h * h)
    near(meshVolume(chamberMesh(kit, pot({ kind: 'hemispherical', outline: round(a, 48), roof: { shape: 'sphere', height: h, radius: R } }))), Math.PI * h * h * (R - h / 3) / 1000, 3e-3)
  })
  it.each([['an arc', false, undefined, 0], ['a groove round the plug', true, undefined, 0], ['a cone', false, 'cone', 4], ['a flat roof', false, 'flat', 3]] as const)('a turned head with %s: what the lathe’s closed forms say', (_, toroid, section, corner) => {
    const spec: ChamberSpec = { ...skerryChamber(), outline: round(34, 48), roof: { shape: 'turned', recess: 1.1, band: 10, domeRadius: 24, height: 10, toroid, ...(section ? { section, corner } : {}) } }
    near(meshVolume(chamberMesh(kit, spec)), turnedVolume(turnedShape(spec, 0)!), 6e-3)
    expect(turnedShape(spec, 0.85)!.recess).toBeCloseTo(0.25, 9)
  })
  it('a sunk valve adds the cone of its machined form', () => {
    // Upright, its form flush with a level roof before it is sunk.
    const valve = { valve: 'intake' as const, x: 5, y: -3, diameter: 37, tilt: 0, leans: 270, sunk: 0, seatWidth: 1.4, seatAngle: 45, topCutWidth: 0.5, topCutAngle: 30, seatHeight: 12 + 0.5 * Math.tan(Math.PI / 6) }
    const at = (sunk: number) => meshVolume(chamberMesh(kit, pot({ valves: [{ ...valve, sunk }] })))
    // The contract's frustum: D1 38.0, 30°, 0.5 mm: 0.593 cc
    expect(at(0.5) - at(0)).toBeCloseTo(0.593, 2)
    expect(sinking({ diameter: 38, topCut: 30 }, 0.5).added).toBeCloseTo(0.593, 3)
  })
  it.each([[[{ angle: 45, width: 1.4 }, { angle: 30, width: 0.8 }], 0.4], [[{ angle: 50, width: 1.1 }, { angle: 35, width: 0.6 }, { angle: 20, width: 0.5 }], 0.25], [[{ angle: 45, width: 1.2 }, { angle: 20, width: 1 }], 0.6], [[{ angle: 45, width: 1.2 }, { angle: 15, width: 1 }], 0.6], [[{ angle: 30, width: 1 }, { angle: 15, width: 2 }], 0.2]])('a recorded seat %j that is sunk gives the solid what its cone says, to 0.1 %', (cuts, sunk) => {
    const { form, topCut } = seatForm({ cuts, seat: 0, outer: 37 })
    const edges = seatPoints({ cuts, seat: 0, outer: 37 })
    const drawn = recordedSeat({ cuts, seat: 0, outer: 37 })
    // Flush with a level roof: the seat lies as far above it as its top cuts rise.
    const valve = { valve: 'intake' as const, x: 5, y: -3, diameter: 37, tilt: 0, leans: 270, sunk: 0, topCutWidth: 0, topCutAngle: 30, ...drawn, seatHeight: 12 + edges.at(-1)!.height }
    const at = (by: number) => meshVolume(chamberMesh(kit, pot({ valves: [{ ...valve, sunk: by }] })))
    const drawnForm = { diameter: form, topCut: drawn.topCutAngle! }
    expect(Math.abs((at(sunk) - at(0)) / sinking(drawnForm, sunk).added - 1)).toBeLessThan(1e-3)
    // One top cut is its own cone.
    if (cuts.length === 2) expect(drawn.topCutAngle).toBeCloseTo(topCut, 9)
  })
  it('a recessed pad and a plug’s hole add what they hold', () => {
    const closed = meshVolume(chamberMesh(kit, pot({ pads: [{ towards: 270, chord: 20, recess: 0 }] })))
    const open = meshVolume(chamberMesh(kit, pot({ pads: [{ towards: 270, chord: 20, recess: 1.5 }] })))
    const beyond = 1600 * Math.acos(0.5) - 20 * Math.sqrt(1200)
    near(open - closed, beyond * 1.5 / 1000, 5e-3)
    const plugged = meshVolume(chamberMesh(kit, pot({ plug: { x: 0, y: 10, diameter: 14, recess: 3 } })))
    expect(plugged - meshVolume(chamberMesh(kit, pot()))).toBeCloseTo(Math.PI * 49 * 3 / 1000, 2)
  })
})

describe('where a valve’s edges lie', () => {
  it('as the contract’s example has them', () => {
    const { seat, axis } = valveFrame({ valve: 'exhaust', x: 23.5, y: 3.5, diameter: 36.4, tilt: 26, leans: 270, seatHeight: 0.7, sunk: 0, seatWidth: 1.4, seatAngle: 45, topCutWidth: 0.5, topCutAngle: 30 })
    expect(seat[2]).toBeCloseTo(8.67835, 5)
    expect(axis[1]).toBeCloseTo(-Math.sin(26 * Math.PI / 180), 10)
  })
  it('gives a top cut its width from two measured edges, and back', () => {
    // 0.45/(tan 30°·cos 24° + sin 24°)
    expect(topCutWidth(0.45, 24, 30)).toBeCloseTo(0.4817, 4)
    const valve = { ...launchChamber().valves[1]!, topCutWidth: topCutWidth(0.45, 24, 30) }
    expect(topCutHeight(valve)).toBeCloseTo(0.95, 6)
  })
})

describe('brought to its pour', () => {
  const demo: [name: string, spec: ChamberSpec, poured: number][] = [
    ['launch', launchChamber(), 55.3], ['Hollin', hollinChamber(), 42], ['Skerry', skerryChamber(), 23.15], ['Caldbeck', caldbeckChamber(), 66]
  ]
  it.each(demo)('%s: reaches it with a factor inside 0.85–1.15, seats unmoved', (_, spec, poured) => {
    const plan = planOf(kit, spec)
    const made = calibrated(kit, plan, spec, poured)
    expect(made.reached).toBe(true)
    near(made.volume, poured, 1e-4)
    expect(made.factor).toBeGreaterThan(0.85)
    expect(made.factor).toBeLessThan(1.15)
    near(meshVolume(made.mesh), poured, 1e-4)
  })
  it('meets a pour taken after a cut over the face that the cut left', () => {
    const spec = launchChamber()
    const done = { depth: 1, slopeX: 0, slopeY: 0 }
    const made = calibrated(kit, planOf(kit, spec), spec, 51, done)
    near(volumeAboveCut(made.mesh, done), 51, 1e-4)
    expect(meshVolume(made.mesh)).toBeGreaterThan(55)
  })
  it('says when nothing brings it there, and what to check', () => {
    const spec = launchChamber()
    const plan = planOf(kit, spec)
    expect(calibrated(kit, plan, spec, 140).reached).toBe(false)
    const list = suspects(plan, spec, { intake: true, exhaust: false })
    expect(list[0]!.dimension).toMatch(/roof|outline|draft/)
    expect(list.map(s => s.dimension)).not.toContain('exhaustSeat')
  })
  it('is drawn live as its solid is, to a thousandth', () => {
    for (const [, spec] of demo) {
      const plan = planOf(kit, spec)
      near(meshVolume(lifted(plan.rings, spec, 1, draftAt(spec, 1), true)), calibrated(kit, plan, spec, undefined).volume, 1e-3)
    }
  })
})

describe('every kind of chamber', () => {
  it('mirrored, mirrors: volume, opening, and where a slope bites', () => {
    const spec = launchChamber()
    const [one, other] = [chamberMesh(kit, spec), chamberMesh(kit, mirrored(spec))]
    near(meshVolume(other), meshVolume(one), 2e-4)
    const cut = { depth: 1.2, slopeX: 0.01, slopeY: -0.02 }
    near(volumeAboveCut(other, { ...cut, slopeX: -0.01 }), volumeAboveCut(one, cut), 2e-4)
    expect(mirrored(mirrored(spec)).valves[0]!.x).toBe(spec.valves[0]!.x)
    expect(outlineArea(mouthOf(mirrored(spec)))).toBeGreaterThan(0)
  })
  it('loses nothing between a cut’s two parts, and always more with more depth', () => {
    const mesh: Mesh = chamberMesh(kit, launchChamber())
    const whole = meshVolume(mesh)
    let before = whole
    for (let depth = 0.25; depth < 3; depth += 0.25) {
      const left = volumeAboveCut(mesh, { ...level, depth })
      expect(left).toBeLessThan(before)
      near((before - left) / 0.25 * 1000, openingArea(mesh, { ...level, depth: depth - 0.125 }), 0.01)
      before = left
    }
    expect(volumeAboveCut(mesh, { ...level, depth: cutDepthForVolume(mesh, whole - 7, level) })).toBeCloseTo(whole - 7, 6)
  })
})

describe('against the solids package on the same chamber', () => {
  it('a cut leaves the same to 1e-6', () => {
    const mesh = chamberMesh(kit, launchChamber())
    const solid = new kit.Manifold(new kit.Mesh({ numProp: 3, vertProperties: new Float32Array(mesh.positions), triVerts: mesh.triangles }))
    near(meshVolume(mesh), solid.volume() / 1000, 1e-6)
    for (const [depth, slopeX, slopeY] of [[0.5, 0, 0], [1.5, 0, 0.02], [4, -0.05, 0.1], [9, 0.2, 0]] as const) {
      const n = Math.hypot(slopeX, slopeY, 1)
      const left = solid.trimByPlane([-slopeX / n, -slopeY / n, 1 / n], depth / n)
      near(volumeAboveCut(mesh, { depth, slopeX, slopeY }), left.volume() / 1000, 1e-6)
      left.delete()
    }
    solid.delete()
  })
})

describe('what is no chamber', () => {
  const faults = (change: (spec: ChamberSpec) => ChamberSpec) => specFaults(change(launchChamber()), mouthOf)
  it('a self-crossing outline', () => {
    const crossed = faults(s => ({ ...s, outline: [s.outline[0]!, s.outline[8]!, s.outline[4]!, s.outline[12]!] }))
    expect(crossed[0]!.kind).toBe('selfCrossing')
  })
  it('a valve through the wall', () => {
    expect(faults(s => ({ ...s, valves: [{ ...s.valves[0]!, x: -30 }, s.valves[1]!] }))).toEqual([expect.objectContaining({ path: 'valves[0].x', kind: 'throughWall' })])
  })
  it('a seat below the face', () => {
    expect(faults(s => ({ ...s, valves: [s.valves[0]!, { ...s.valves[1]!, seatHeight: -0.4 }] }))[0]).toMatchObject({ path: 'valves[1].seatHeight', kind: 'seatBelowFace' })
  })
  it('a roof of no height, a figure that is none, two points', () => {
    expect(faults(s => ({ ...s, roof: { ...s.roof, height: 0 } as ChamberSpec['roof'] }))[0]).toMatchObject({ path: 'roof.height', kind: 'tooSmall' })
    expect(faults(s => ({ ...s, draft: NaN }))[0]).toMatchObject({ path: 'draft', kind: 'notFinite' })
    expect(faults(s => ({ ...s, outline: s.outline.slice(0, 2) }))[0]).toMatchObject({ kind: 'fewPoints' })
  })
  it('valves in each other', () => {
    expect(faults(s => ({ ...s, valves: [{ ...s.valves[0]!, x: 0 }, { ...s.valves[1]!, x: 10 }] })).map(f => f.kind)).toContain('valvesOverlap')
  })
  it('is refused with every reason, whatever was dragged', () => {
    fc.assert(fc.property(fc.array(fc.tuple(fc.double({ min: -60, max: 60, noNaN: true }), fc.double({ min: -60, max: 60, noNaN: true })), { minLength: 3, maxLength: 9 }), (outline) => {
      const spec = pot({ outline: outline as Point[] })
      try {
        expect(meshVolume(chamberMesh(kit, spec, 1, { along: 4, wall: 2, roof: 4, around: 24 }))).toBeGreaterThan(0)
      } catch (error) {
        expect(error).toBeInstanceOf(RangeError)
        if (error instanceof SpecError) expect(error.faults.length).toBeGreaterThan(0)
      }
    }), { numRuns: 80 })
  })
})
