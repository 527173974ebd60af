import fc from 'fast-check'
import Module from 'manifold-3d'
import { beforeAll, describe, expect, it } from 'vitest'
import { turned } from '../../tests/support/solids'
import { hollinChamber, launchChamber } from '../../demo/chambers'
import { chamberMesh, valveFrame, type ChamberSpec, type ChamberValve, type Mesh, type SolidKit } from '../chamber'
import { arcsOf, limitGaps, nicked, pinBlocked, proposeWall, scribedLine, shroudOnSolid, type WallAt, type WallLimits } from '.'

let kit: SolidKit
const meshes = new Map<string, Mesh>()
beforeAll(async () => {
  kit = await Module()
  kit.setup()
  for (const [name, spec] of [['launch', launchChamber()], ['hollin', hollinChamber()]] as const) meshes.set(name, chamberMesh(kit, spec, 1, { along: 2, wall: 0.8, roof: 1.5, around: 72 }))
})
const valve: ChamberValve = { valve: 'intake', x: 0, y: 0, diameter: 30, tilt: 0, leans: 270, seatHeight: 12, sunk: 0, seatWidth: 1.4, seatAngle: 45, topCutWidth: 0.5, topCutAngle: 30 }
const below = { bore: 40, gasketBore: 40, gasketThickness: 1 }
const limits = (more: Partial<WallLimits> = {}): WallLimits => ({ line: 25, pads: [], fromSeat: 1, ...more })
function walls(mesh: Mesh, valves: ChamberValve[], open: number, lifts: number[], within: WallLimits, under = below): WallAt[] {
  return lifts.map((lift) => {
    const found = shroudOnSolid({ mesh, valves, open, lift, below: under })
    return { lift, shroud: found, limit: limitGaps(valves, open, lift, within, found) }
  })
}

const level = (gap: number) => ({ gap: Array.from({ length: 360 }, () => gap) })

describe('limits', () => {
  it('the scribed line is the gasket’s ring less its margin, and never outside the bore', () => {
    expect(scribedLine(94, 92, 0.5)).toBe(46)
    expect(scribedLine(94, 92, 1.5)).toBe(45.5)
    expect(() => scribedLine(94, 92, -1)).toThrow(RangeError)
  })
  it('are met by rays: a circle off centre, a chord, a neighbour', () => {
    const off = { ...valve, x: 5 }
    const gaps = limitGaps([off], 0, 4, limits(), level(2))
    expect(gaps[0]).toBeCloseTo(20 - 15, 9)
    expect(gaps[180]).toBeCloseTo(30 - 15, 9)
    expect(gaps[90]).toBeCloseTo(Math.sqrt(625 - 25) - 15, 9)
    expect(limitGaps([off], 0, 4, limits({ pads: [{ towards: 90, chord: 17.5, recess: 0 }] }), level(0))[90]).toBeCloseTo(2.5, 9)
    expect(limitGaps([off], 0, 4, limits({ into: 0.5 }), level(2))[180]).toBeCloseTo(2.5, 9)
    // A neighbour at 40 mm with 12.5 mm of edge, 5 mm kept: tangents at asin(17.5/40) = 25.9° on either side.
    const pair = [valve, { ...valve, x: 40, diameter: 24 }]
    const beside = limitGaps(pair, 0, 4, limits({ line: 90, fromSeat: 5 }), level(2))
    expect([0, 25, 335].map(d => beside[d])).toEqual([2, 2, 2])
    expect([27, 180, 333].map(d => beside[d])).toEqual([expect.closeTo(75, 6), expect.closeTo(75, 6), expect.closeTo(75, 6)])
  })
})

describe('a neighbour’s edge', () => {
  const pair = [valve, { ...valve, x: 40, diameter: 24 }]
  const round = (radius: number) => Array.from({ length: 120 }, () => radius)
  it('is run into by as much as radius and edge are longer than the way between', () => {
    // 29 + 12.5 − 40
    expect(nicked(pair, 0, round(29))).toEqual([{ valve: 1, past: expect.closeTo(1.5, 9) as number }])
    expect(nicked(pair, 0, round(27))).toEqual([])
    // Never further than its middle.
    expect(nicked(pair, 0, round(70))[0]!.past).toBeCloseTo(12.5, 9)
  })
  it('is as near wherever on the head both stand, and however the cut one leans', () => {
    const shifted = pair.map(v => ({ ...v, x: v.x + 7, y: v.y - 31 }))
    expect(nicked(shifted, 0, round(29))).toEqual([{ valve: 1, past: expect.closeTo(1.5, 9) as number }])
    // Leaning by 20° over x, its plane reaches 29·cos 20° along x in plan, from the middle of its seat.
    const leaning = [{ ...valve, tilt: 20, leans: 180 }, { ...valve, x: 40, diameter: 24 }]
    const { seat } = valveFrame(leaning[0]!)
    expect(nicked(leaning, 0, round(31))[0]!.past).toBeCloseTo(12.5 - (40 - seat[0] - 31 * Math.cos(20 * Math.PI / 180)), 9)
  })
  it('is left alone by an arc on the other side', () => {
    expect(nicked(pair, 0, round(29).map((r, i) => i > 15 && i < 105 ? r : 0))).toEqual([])
    expect(() => nicked(pair, 2, round(29))).toThrow(RangeError)
  })
})

describe('the schools, on a valve off the middle of a round pot', () => {
  const mesh = turned([[22, 0], [22, 16]])
  const off = { ...valve, x: 3 }
  const at = (degrees: number) => Math.sqrt(22 ** 2 - (3 * Math.sin(degrees * Math.PI / 180)) ** 2) - 3 * Math.cos(degrees * Math.PI / 180) - 15
  it('match: to the need and no further, where the wall is nearer', () => {
    const given = walls(mesh, [off], 0, [2, 6], limits({ line: 40 }))
    const found = proposeWall('match', 15, given)
    const need = Math.sqrt(225 + 2 * 15 * 6) - 15
    const blocked = Array.from({ length: 360 }, (_, i) => at(i) < need - 0.05)
    expect(Math.abs(found.arcs[0]!.from - arcsOf(blocked)[0]!.from)).toBeLessThanOrEqual(1)
    expect(found.radii[0]).toBeCloseTo(15 + need, 6)
    expect(found.radii[180]).toBe(0)
    expect(found.unmet).toEqual([])
    expect(found.gaps[1]![0]).toBeCloseTo(need, 6)
    expect(found.deepest).toBeCloseTo(need - at(0), 2)
  })
  it('says what a limit leaves short: where, and how much of the need', () => {
    const found = proposeWall('match', 15, walls(mesh, [off], 0, [7], limits({ line: 23 })))
    expect(found.unmet.length).toBe(1)
    const have = (23 - 3) ** 2 - 15 ** 2
    const worst = 100 * (1 - have / (2 * 15 * 7))
    expect(found.unmet[0]!.percent).toBeGreaterThan(worst / 3)
    expect(found.unmet[0]!.percent).toBeLessThan(worst + 0.5)
  })
  it('to the line: everywhere the limit lies outside the wall', () => {
    const found = proposeWall('line', 15, walls(mesh, [off], 0, [6], limits({ line: 23.5 })))
    expect(found.radii[0]).toBeCloseTo(20.5, 6)
    expect(found.radii[180]).toBeCloseTo(26.5, 6)
  })
  it('leave alone takes nothing', () => {
    const left = proposeWall('leave', 15, walls(mesh, [off], 0, [6], limits()))
    expect(left.arcs).toEqual([])
    // What leaving it costs is said all the same, as much as the match would have mended.
    expect(left.unmet.length).toBeGreaterThan(0)
  })
  it('pin gauge: marks where a round pin between two circles touches and comes free', () => {
    // Rolled at 15 + d/2 about the valve, the pin of d touches the pot where |middle| = 22 − d/2.
    const d = 5
    const cos = ((22 - d / 2) ** 2 - 9 - (15 + d / 2) ** 2) / (2 * 3 * (15 + d / 2))
    const mark = Math.acos(cos) * 180 / Math.PI
    const gap = Array.from({ length: 360 }, (_, i) => at(i))
    const [arc] = arcsOf(Array.from({ length: 360 }, (_, i) => pinBlocked(15, gap, d).has(i)))
    expect(Math.abs(360 - arc!.from - mark)).toBeLessThan(1.5)
    expect(Math.abs(arc!.to - 360 - mark)).toBeLessThan(1.5)
    expect(proposeWall('pin', 15, walls(mesh, [off], 0, [6], limits({ line: 40 })), d).radii[0]).toBeCloseTo(20, 6)
  })
})

describe('a pin along any wall', () => {
  it('is stopped where a wall walked in small steps comes nearer to its middle than half of it', () => {
    fc.assert(fc.property(fc.array(fc.double({ min: 0.5, max: 9, noNaN: true }), { minLength: 24, maxLength: 24 }), fc.double({ min: 1, max: 7, noNaN: true }), (gap, d) => {
      const at = (i: number, far: number) => [far * Math.cos(2 * Math.PI * i / 24), far * Math.sin(2 * Math.PI * i / 24)] as const
      const blocked = pinBlocked(15, gap, d)
      for (let i = 0; i < 24; i++) {
        const [x, y] = at(i, 15 + d / 2)
        const nearest = Math.min(...gap.flatMap((g, k) => {
          const [[x1, y1], [x2, y2]] = [at(k, 15 + g), at(k + 1, 15 + gap[(k + 1) % 24]!)]
          return Array.from({ length: 101 }, (_, n) => Math.hypot(x1 + (x2 - x1) * n / 100 - x, y1 + (y2 - y1) * n / 100 - y))
        }))
        if (Math.abs(nearest - d / 2) > 0.02) expect(blocked.has(i), `place ${i}`).toBe(nearest < d / 2)
      }
    }), { numRuns: 60 })
  })
})

describe('the pin gauge on the launch engine', () => {
  // In closed form, from the drawing alone: the intake's head at 9.5 mm lift lies wholly under its seat; the wall on the far
  // side is the bore's circle of 46 leaning in by 7° with height, and the pin's middle runs 22.25 + d/2 from the axis.
  const tan = (degrees: number) => Math.tan(degrees * Math.PI / 180)
  const [lift, d] = [9.5, 4]
  const [sin, cos] = [Math.sin(24 * Math.PI / 180), Math.cos(24 * Math.PI / 180)]
  const centre = [-19.4, 6.8 + sin * lift, 1.35 + 22.25 * sin - cos * lift]
  // The head's plane: along x, and towards +y rising.
  const on = (far: number, t: number) => [centre[0]! + far * Math.cos(t), centre[1]! + far * Math.sin(t) * cos, centre[2]! + far * Math.sin(t) * sin]
  const wallAt = (t: number): number => {
    let [low, high] = [0, 80]
    for (let i = 0; i < 50; i++) {
      const far = (low + high) / 2
      const [x, y, z] = on(far, t)
      // Above the deck the leaning wall; under it the gasket's ring for 1.2 mm, then the bore.
      const R = z! > 0 ? 46 - z! * tan(7) : z! > -1.2 ? 47 : 46
      if (Math.hypot(x!, y!) < R) low = far
      else high = far
    }
    return low
  }
  it('marks the arc that geometry gives', () => {
    const mesh = meshes.get('launch')!
    const found = shroudOnSolid({ mesh, valves: launchChamber().valves, open: 0, lift, below: { bore: 92, gasketBore: 94, gasketThickness: 1.2 } })
    const stopped = pinBlocked(22.25, found.gap, d)
    const half = d / 2
    const byHand = Array.from({ length: 360 }, (_, i) => {
      const t = i * Math.PI / 180
      const far = 22.25 + half
      const middle = [far * Math.cos(t), far * Math.sin(t)]
      let least = Infinity
      for (let k = -40; k <= 40; k++) {
        const s = t + k * 0.5 * Math.PI / 180
        const w = wallAt(s)
        least = Math.min(least, Math.hypot(w * Math.cos(s) - middle[0]!, w * Math.sin(s) - middle[1]!))
      }
      return least < half
    })
    // Only the far side, where the closed form holds: from straight back (180°) to straight across (90°).
    const side = (on: (i: number) => boolean) => Array.from({ length: 91 }, (_, i) => 100 + i).filter(i => i <= 190 && on(i))
    const [mine, theirs] = [side(i => stopped.has(i)), side(i => byHand[i]!)]
    expect(theirs.length).toBeGreaterThan(5)
    expect(Math.abs(mine[0]! - theirs[0]!)).toBeLessThanOrEqual(2)
    expect(Math.abs(mine.at(-1)! - theirs.at(-1)!)).toBeLessThanOrEqual(2)
  })
})

/** A random pot with two valves in it: walls leaning or not, valves anywhere that is air. */
const pots = fc.record({
  R: fc.double({ min: 30, max: 48, noNaN: true }), lean: fc.double({ min: 0, max: 6, noNaN: true }), height: fc.double({ min: 12, max: 30, noNaN: true }),
  x: fc.double({ min: 9, max: 16, noNaN: true }), y: fc.double({ min: -6, max: 6, noNaN: true }), d: fc.double({ min: 12, max: 26, noNaN: true }), tilt: fc.double({ min: 0, max: 25, noNaN: true }), leans: fc.integer({ min: 0, max: 359 })
}).map(({ R, lean, height, x, y, d, tilt, leans }) => ({
  // A tilted valve's middle stands over its lowest edge: both stay under the roof.
  within: R - lean, mesh: turned([[R, 0], [R - lean, height]], 90),
  valves: [1, -1].map(sign => ({ ...valve, x: sign * x, y: sign * y, diameter: d, tilt, leans, seatHeight: height * 0.6 - d / 2 * Math.sin(tilt * Math.PI / 180) }))
})).filter(({ within, valves }) => valves.every(one => Math.hypot(...valveFrame(one).seat.slice(0, 2)) < within - 1))
  .map(({ mesh, valves }): [Mesh, ChamberValve[]] => [mesh, valves])

describe('the ceiling', () => {
  it('is no wall: nothing is taken under it, on the side of a pent roof that faces the other valves least of all', () => {
    const spec = hollinChamber()
    const lifts = Array.from({ length: 15 }, (_, i) => 7.9 * (i + 1) / 15)
    const given = walls(meshes.get('hollin')!, spec.valves, 0, lifts, limits({ line: 42.75 }), { bore: 85.5, gasketBore: 87, gasketThickness: 1 })
    const { radii } = proposeWall('line', 16.5, given)
    // The exhausts lie towards 90°; the intake's own wall from the neighbour intake round by 270° to the chamber's end.
    for (let i = 20; i <= 130; i++) expect(radii[i], `${i}°`).toBe(0)
    expect(radii[200]).toBeGreaterThan(16.5)
    expect(radii[270]).toBeGreaterThan(16.5)
  })
  it('a surface is ceiling up to 45° to the face, and wall from there on', () => {
    const shaped = (inward: number) => shroudOnSolid({ mesh: turned([[30, 0], [30 - inward, 10]], 90), valves: [{ ...valve, diameter: 20, seatHeight: 8 }], open: 0, lift: 3, below })
    expect(shaped(9).roof.some(Boolean)).toBe(false)
    expect(shaped(11).roof.every(Boolean)).toBe(true)
  })
})

describe('a proposed line', () => {
  it('holds its limits in random pots, round random valves, under random gaskets', () => {
    fc.assert(fc.property(
      pots, fc.integer({ min: 0, max: 1 }), fc.array(fc.double({ min: 0.5, max: 6, noNaN: true }), { minLength: 1, maxLength: 4 }), fc.double({ min: 60, max: 110, noNaN: true }), fc.double({ min: 0, max: 2, noNaN: true }),
      fc.constantFrom('match', 'line', 'pin'), fc.double({ min: 1, max: 6, noNaN: true }),
      ([mesh, valves], open, lifts, gasket, margin, school, pin) => {
        const within = limits({ line: scribedLine(gasket, 100, margin) })
        const given = walls(mesh, valves, open, [...lifts].sort((a, b) => a - b), within, { bore: 100, gasketBore: gasket, gasketThickness: 1.2 })
        const found = proposeWall(school as 'match', valves[open]!.diameter / 2, given, pin)
        const most = school === 'match' ? Math.max(...given.map(w => w.shroud.required)) * 1.01 : school === 'pin' ? pin * 1.01 : Infinity
        given.forEach(({ shroud: { gap }, limit }, k) => found.gaps[k]!.forEach((g, i) => {
          if (g > gap[i]! + 1e-9) {
            expect(g).toBeLessThanOrEqual(limit[i]! + 1e-9)
            expect(g).toBeLessThanOrEqual(most)
          }
        }))
        for (const { percent } of found.unmet) {
          expect(percent).toBeGreaterThan(0)
          expect(percent).toBeLessThanOrEqual(100)
        }
      }), { numRuns: 120 })
  }, 60_000)

  it('never leaves the limits, and never takes more than the need plus 1 %', () => {
    fc.assert(fc.property(
      fc.constantFrom<[string, ChamberSpec]>(['launch', launchChamber()], ['hollin', hollinChamber()]), fc.integer({ min: 0, max: 3 }), fc.array(fc.double({ min: 1, max: 10, noNaN: true }), { minLength: 1, maxLength: 3 }),
      fc.double({ min: 84, max: 96, noNaN: true }), fc.double({ min: 0, max: 2, noNaN: true }), fc.constantFrom('match', 'line', 'pin', 'leave'), fc.boolean(), fc.option(fc.double({ min: 0.2, max: 2, noNaN: true }), { nil: undefined }),
      ([name, spec], which, lifts, gasket, margin, school, keep, into) => {
        const open = which % spec.valves.length
        const line = scribedLine(gasket, 92, margin)
        const within = limits({ line, pads: keep ? spec.pads : [], ...(into === undefined ? {} : { into }) })
        const given = walls(meshes.get(name)!, spec.valves, open, [...lifts].sort((a, b) => a - b), within, { bore: 92, gasketBore: 94, gasketThickness: 1.2 })
        const found = proposeWall(school as 'match', spec.valves[open]!.diameter / 2, given, 4)
        given.forEach(({ shroud: { gap, required }, limit }, k) => {
          const top = Math.max(...given.map(w => w.shroud.required))
          found.gaps[k]!.forEach((g, i) => {
            if (g <= gap[i]! + 1e-9) return
            expect(g).toBeLessThanOrEqual(limit[i]! + 1e-9)
            if (school === 'match') expect(g).toBeLessThanOrEqual(top * 1.01 + 1e-9)
            if (school === 'leave') expect(g).toBe(gap[i])
          })
          expect(required).toBeGreaterThan(0)
        })
      }), { numRuns: 80 })
  }, 60_000)
})
