import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { curtainArea, flowArea, meanShroud, shortOf, shroud } from '.'

const rad = (d: number) => d * Math.PI / 180
const circle = (R: number, x = 0, y = 0, n = 3600) => Array.from({ length: n }, (_, i): [number, number] => [x + R * Math.cos(2 * Math.PI * i / n), y + R * Math.sin(2 * Math.PI * i / n)])
const box = (half: number): [number, number][] => [[-half, -half], [half, -half], [half, half], [-half, half]]

describe('what a valve passes', () => {
  const seat = { diameter: 44.5, seatWidth: 1.4, seatAngle: 45 }
  it('is the contract’s: 189.711, 913.541, 1167.90', () => {
    expect(curtainArea(seat, 2)).toBeCloseTo(189.711, 3)
    expect(curtainArea(seat, 8)).toBeCloseTo(913.541, 3)
    expect(flowArea({ ...seat, throat: 39.383, stem: 8 }, 11)).toBeCloseTo(1167.90, 2)
    expect(flowArea({ ...seat, throat: 39.383, stem: 8 }, 8)).toBeCloseTo(913.541, 3)
  })
  it('runs on without a step where the cone ends, and is nothing shut', () => {
    expect(curtainArea(seat, 0)).toBe(0)
    const end = 1.4 / 0.5
    expect(curtainArea(seat, end - 1e-9)).toBeCloseTo(curtainArea(seat, end + 1e-9), 5)
  })
  it('of a flat seat of no width is the plain cylinder', () => {
    expect(curtainArea({ diameter: 40, seatWidth: 0, seatAngle: 45 }, 5)).toBeCloseTo(Math.PI * 40 * 5, 9)
  })
  it.each([
    [{ ...seat, diameter: 0 }, /diameter/], [{ ...seat, seatWidth: 30 }, /seatWidth/], [{ ...seat, seatAngle: 90 }, /seatAngle/], [{ ...seat, seatAngle: 0 }, /seatAngle/]
  ])('refuses %o', (bad, says) => expect(() => curtainArea(bad, 5)).toThrow(says))
  it('refuses a throat no wider than its stem', () => expect(() => flowArea({ ...seat, throat: 8, stem: 8 }, 5)).toThrow(/throat/))
})

describe('walls round a valve', () => {
  it('all round alike: gap, need and factor by hand', () => {
    // r 20, wall at 24: gap 4; passage (24² − 20²)/2 = 88 a radian; need 20·8 = 160: 0.55; required √(400 + 320) − 20
    const s = shroud({ walls: [circle(24)], valve: { x: 0, y: 0, diameter: 40 }, lift: 8 })
    expect(s.azimuth.length).toBeGreaterThanOrEqual(360)
    expect(s.gap.every(g => Math.abs(g - 4) < 1e-4)).toBe(true)
    expect(s.factor).toBeCloseTo(0.55, 4)
    expect(s.required).toBeCloseTo(Math.sqrt(720) - 20, 9)
    expect(shroud({ walls: [circle(30)], valve: { x: 0, y: 0, diameter: 40 }, lift: 8 }).factor).toBe(1)
  })
  it('off centre: the ray to a circle in closed form', () => {
    const [R, e] = [30, 6]
    const s = shroud({ walls: [circle(R)], valve: { x: e, y: 0, diameter: 40 }, lift: 6 })
    s.azimuth.forEach((a, i) => {
      const t = rad(a)
      expect(s.gap[i]).toBeCloseTo(-e * Math.cos(t) + Math.sqrt(R * R - (e * Math.sin(t)) ** 2) - 20, 3)
    })
  })
  it('a straight wall stands d/cosφ away, and is negative where it cuts the edge', () => {
    const s = shroud({ walls: [box(19)], valve: { x: 0, y: 0, diameter: 40 }, lift: 5 })
    expect(s.gap[0]).toBeCloseTo(-1, 9)
    expect(s.ratio[0]).toBe(0)
    const at30 = s.azimuth.indexOf(30)
    expect(s.gap[at30]).toBeCloseTo(19 / Math.cos(rad(30)) - 20, 9)
  })
  it('needs what the seat passes where a seat is stated, and never more than the throat', () => {
    const seat = { seatWidth: 1.4, seatAngle: 45, throat: 39.383, stem: 8 }
    const s = shroud({ walls: [circle(60)], valve: { x: 0, y: 0, diameter: 44.5 }, lift: 11, seat })
    expect(s.required).toBeCloseTo(Math.sqrt(22.25 ** 2 + 2 * 1167.9 / (2 * Math.PI)) - 22.25, 3)
    expect(s.need).toBeCloseTo(1167.9, 2)
    const bare = shroud({ walls: [circle(60)], valve: { x: 0, y: 0, diameter: 44.5 }, lift: 11, seat: { seatWidth: 1.4, seatAngle: 45 } })
    expect(bare.required).toBeGreaterThan(s.required)
  })
  it('is whole at no lift, and says when the valve stands outside', () => {
    expect(shroud({ walls: [box(19)], valve: { x: 0, y: 0, diameter: 40 }, lift: 0 })).toMatchObject({ factor: 1, required: 0 })
    expect(() => shroud({ walls: [box(19)], valve: { x: 40, y: 0, diameter: 40 }, lift: 5 })).toThrow(/inside a wall/)
    expect(() => shroud({ walls: [], valve: { x: 0, y: 0, diameter: 40 }, lift: 5 })).toThrow(/walls/)
    expect(() => shroud({ walls: [[[0, 0], [1, 1]]], valve: { x: 0, y: 0, diameter: 40 }, lift: 5 })).toThrow(/three points/)
    expect(() => shroud({ walls: [box(30)], valve: { x: 0, y: 0, diameter: 40 }, lift: -1 })).toThrow(/lift/)
  })
  it('takes a valve whose middle lies in any triangle, and no other', () => {
    const at = fc.tuple(fc.integer({ min: -30, max: 30 }), fc.integer({ min: -30, max: 30 }))
    fc.assert(fc.property(at, at, at, (a, b, c) => {
      const side = ([x1, y1]: number[], [x2, y2]: number[]) => x1! * y2! - x2! * y1!
      const sides = [side(a, b), side(b, c), side(c, a)]
      fc.pre(sides.every(s => s !== 0))
      const look = () => shroud({ walls: [[a, b, c]], valve: { x: 0, y: 0, diameter: 4 }, lift: 1 })
      if (sides.every(s => s > 0) || sides.every(s => s < 0)) expect(look).not.toThrow()
      else expect(look).toThrow(/inside a wall/)
    }), { numRuns: 300 })
  })
  it('agrees with a ray walked step by step through any star-shaped wall', () => {
    fc.assert(fc.property(fc.array(fc.double({ min: 15, max: 60, noNaN: true }), { minLength: 5, maxLength: 24 }), fc.double({ min: 0, max: 12, noNaN: true }), (radii, lift) => {
      const wall = radii.map((R, i): [number, number] => [R * Math.cos(2 * Math.PI * i / radii.length), R * Math.sin(2 * Math.PI * i / radii.length)])
      const s = shroud({ walls: [wall], valve: { x: 0, y: 0, diameter: 30 }, lift })
      for (const i of [0, 91, 233, 500, 677]) {
        const t = rad(s.azimuth[i]!)
        const inWall = (d: number) => {
          const [x, y] = [d * Math.cos(t), d * Math.sin(t)]
          return wall.reduce((odd, [x1, y1], k) => {
            const [x2, y2] = wall[(k + 1) % wall.length]!
            return (y1 > y) !== (y2 > y) && x < x1 + (y - y1) / (y2 - y1) * (x2 - x1) ? !odd : odd
          }, false)
        }
        let [near, far] = [0, 0.01]
        while (inWall(far)) [near, far] = [far, far + 0.01]
        expect(Math.abs(s.gap[i]! + 15 - (near + far) / 2)).toBeLessThan(0.02)
      }
      expect(s.factor).toBeGreaterThanOrEqual(0)
      expect(s.factor).toBeLessThanOrEqual(1)
    }), { numRuns: 30 })
  })
  it('over a lift curve is weighted by what the valve passes', () => {
    expect(meanShroud([{ angle: 0, area: 0, factor: 1 }, { angle: 90, area: 800, factor: 0.8 }, { angle: 180, area: 0, factor: 1 }])).toBeCloseTo(0.8, 9)
    // 600 mm² at 0.9 over 60°, 1000 at 0.7 over the next 60: trapezoids (540 + 700)/2 over (600 + 1000)/2
    expect(meanShroud([{ angle: 0, area: 600, factor: 0.9 }, { angle: 60, area: 1000, factor: 0.7 }])).toBeCloseTo(620 / 800, 9)
    expect(() => meanShroud([{ angle: 0, area: 1, factor: 1 }])).toThrow(/two places/)
    expect(() => meanShroud([{ angle: 9, area: 1, factor: 1 }, { angle: 0, area: 1, factor: 1 }])).toThrow(/angle/)
    expect(() => meanShroud([{ angle: 0, area: 0, factor: 1 }, { angle: 1, area: 0, factor: 1 }])).toThrow(/under the curve/)
  })
})

describe('how much of an edge is short', () => {
  const walled = (x: number) => shroud({ walls: [[[-90, -90], [x, -90], [x, 90], [-90, 90]]], valve: { x: 0, y: 0, diameter: 40 }, lift: 10 })
  it('by a straight wall 4 mm off the edge: 64 degrees, 56 % at the worst', () => {
    // Enough is where (20 + gap)² − 20² makes 40·10: 28.284 from the axis. 24/cos θ falls short of it for 31.95° on either side.
    const { degrees, percent } = shortOf(walled(24))
    expect(Math.abs(degrees - 2 * Math.acos(24 / Math.sqrt(800)) * 180 / Math.PI)).toBeLessThan(1)
    expect(percent).toBeCloseTo(100 * (1 - (24 ** 2 - 20 ** 2) / 400), 6)
  })
  it('is none where the wall stands beyond the need', () => expect(shortOf(walled(28.3))).toEqual({ degrees: 0, percent: 0 }))
})
