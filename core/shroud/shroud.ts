import { DomainError, above, atLeast, finite } from '../domain'
import { curtainArea, flowArea } from './curtain'

type Point = [x: number, y: number]

export interface ShroudCase {
  /** Closed outlines in the valve head's plane, mm; the last point joins the first. */
  walls: Point[][]
  valve: { x: number, y: number, diameter: number }
  /** mm */
  lift: number
  /** With it the need is the seat's flow area, without it the plain cylinder π·D·L. */
  seat?: { seatWidth: number, seatAngle: number, throat?: number, stem?: number }
}

export interface Shroud {
  /** Degrees, counter-clockwise from +x. */
  azimuth: number[]
  /** From the valve's edge outward to the first wall, mm; negative where the wall is inside the edge. */
  gap: number[]
  /** What is needed, mm². */
  need: number
  /** Gap that offers just what is needed, mm. */
  required: number
  /** Passage over need at each azimuth, 1 at most. */
  ratio: number[]
  /** Mean of the ratio. */
  factor: number
}

/** Half a degree: finer than the least the contract asks for. */
const STEPS = 720

function inside(walls: Point[], x: number, y: number): boolean {
  let crossings = 0
  walls.forEach(([x1, y1], i) => {
    const [x2, y2] = walls[(i + 1) % walls.length]!
    if ((y1 > y) !== (y2 > y) && x < x1 + (y - y1) / (y2 - y1) * (x2 - x1)) crossings++
  })
  return crossings % 2 === 1
}

/** Distance from a point along a direction to the first of the walls. */
function firstWall(walls: Point[][], x: number, y: number, dx: number, dy: number): number {
  let least = Infinity
  for (const wall of walls) {
    for (let i = 0; i < wall.length; i++) {
      const [x1, y1] = wall[i]!
      const [x2, y2] = wall[(i + 1) % wall.length]!
      const [ex, ey] = [x2 - x1, y2 - y1]
      const cross = dx * ey - dy * ex
      if (cross === 0) continue
      const along = ((x1 - x) * ey - (y1 - y) * ex) / cross
      const on = ((x1 - x) * dy - (y1 - y) * dx) / cross
      // A ray through a corner belongs to both sides; rounding must not let it slip between them.
      if (along >= 0 && on >= -1e-9 && on <= 1 + 1e-9 && along < least) least = along
    }
  }
  return least
}

/**
 * How much the walls round a valve close its curtain at a lift, in one plane.
 *
 * @param of see {@link ShroudCase}
 * @returns see {@link Shroud}
 * @throws RangeError when a value leaves its domain, or the valve's centre lies outside every wall
 * Source: contract. Need per radian c = r·L, or the seat's area/(2π); passage per radian e = ((r + g)² − r²)/2, 0 for
 *   g ≤ 0; ratio min(1, e/c), 1 at lift 0; required gap √(r² + 2c) − r.
 * @example // a valve of 40 mm in the middle of a round chamber of 60, 8 mm up: 250 offered of 160 needed per radian
 * shroud({ walls: [circle(30)], valve: { x: 0, y: 0, diameter: 40 }, lift: 8 }).factor // 1
 */
export function shroud({ walls, valve, lift, seat }: ShroudCase): Shroud {
  finite('valve.x', valve.x)
  finite('valve.y', valve.y)
  const r = above('valve.diameter', valve.diameter, 0) / 2
  atLeast('lift', lift, 0)
  if (!Array.isArray(walls) || walls.length === 0) throw new DomainError('walls', walls?.length ?? walls, 'one or more')
  walls.forEach((wall, i) => {
    if (wall.length < 3) throw new DomainError(`walls[${i}]`, wall.length, 'three points or more')
    wall.forEach(([x, y], k) => {
      finite(`walls[${i}][${k}].x`, x)
      finite(`walls[${i}][${k}].y`, y)
    })
  })
  if (!walls.some(wall => inside(wall, valve.x, valve.y))) throw new DomainError('valve', `${valve.x}, ${valve.y}`, 'inside a wall')
  const need = seat ? seatNeed(seat, valve.diameter, lift) / (2 * Math.PI) : r * lift
  const azimuth = Array.from({ length: STEPS }, (_, i) => i * 360 / STEPS)
  const gap = azimuth.map((degrees) => {
    const t = degrees * Math.PI / 180
    return firstWall(walls, valve.x, valve.y, Math.cos(t), Math.sin(t)) - r
  })
  return passageOf(r, azimuth, gap, need)
}

/**
 * Gaps round a valve against a need.
 *
 * @param r the valve's radius, mm
 * @param azimuth and `gap` at equal steps
 * @param need per radian, mm²
 * Source: contract, see {@link shroud}.
 */
export function passageOf(r: number, azimuth: number[], gap: number[], need: number): Shroud {
  const ratio = gap.map(g => need === 0 ? 1 : Math.min(1, g <= 0 ? 0 : ((r + g) ** 2 - r * r) / 2 / need))
  return {
    azimuth, gap, ratio, need: 2 * Math.PI * need, required: Math.sqrt(r * r + 2 * need) - r,
    factor: ratio.reduce((sum, value) => sum + value, 0) / gap.length
  }
}

function seatNeed({ seatWidth, seatAngle, throat, stem }: NonNullable<ShroudCase['seat']>, diameter: number, lift: number): number {
  const seat = { diameter, seatWidth, seatAngle }
  return throat !== undefined && stem !== undefined ? flowArea({ ...seat, throat, stem }, lift) : curtainArea(seat, lift)
}

/** One place of a lift curve: crank or cam angle in degrees, what the valve passes unshrouded in mm², and its factor. */
export interface LiftPlace { angle: number, area: number, factor: number }

/**
 * Mean shrouding over a lift curve, weighted by what the valve passes.
 *
 * @param curve two or more places, angles rising
 * @returns 0 to 1
 * @throws RangeError when there are too few, the angles do not rise, or nothing is ever open
 * Source: contract, ∫factor·A dθ / ∫A dθ, by trapezoids.
 * @example meanShroud([{ angle: 0, area: 0, factor: 1 }, { angle: 90, area: 800, factor: 0.8 }, { angle: 180, area: 0, factor: 1 }])
 *   // 0.8
 */
export function meanShroud(curve: LiftPlace[]): number {
  if (!Array.isArray(curve) || curve.length < 2) throw new DomainError('curve', curve?.length ?? curve, 'two places or more')
  let [passed, open] = [0, 0]
  curve.forEach(({ angle, area, factor }, i) => {
    finite(`curve[${i}].angle`, angle)
    atLeast(`curve[${i}].area`, area, 0)
    atLeast(`curve[${i}].factor`, factor, 0)
    if (i === 0) return
    const before = curve[i - 1]!
    const step = above(`curve[${i}].angle`, angle, before.angle) - before.angle
    passed += step * (area * factor + before.area * before.factor) / 2
    open += step * (area + before.area) / 2
  })
  return passed / above('area under the curve', open, 0)
}

/** A wall is short of its need where it passes less than this share of it: rounding is no want. */
const ENOUGH = 1 - 1e-6

/**
 * How much of a valve's edge its wall keeps short of what it needs.
 *
 * @param shroud the gap and passage at one lift
 * @returns degrees: how far round it is short; percent: by how much of the need where it is worst
 * Source: the passage over the need at each azimuth, 1 where there is enough.
 * @example shortOf(shroud({ walls, valve, lift })) // { degrees: 98, percent: 52 }
 */
export function shortOf({ ratio }: Pick<Shroud, 'ratio'>): { degrees: number, percent: number } {
  const short = ratio.filter(share => share < ENOUGH)
  return { degrees: short.length * 360 / ratio.length, percent: short.length > 0 ? 100 * (1 - Math.min(...short)) : 0 }
}
