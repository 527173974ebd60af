import { FillRule, areaPathsD, differenceD, unionD, type PathD } from 'clipper2-ts'
import { outlineArea } from '../chamber'
import { above, atLeast, DomainError, finite } from '../domain'

export type XY = readonly [x: number, y: number]

/** An opening in a flange, mm, about where bolts or dowels put it: x to the right and y up, as one looks at the flange. */
export type Outline
  = | { form: 'rectangle', x: number, y: number, width: number, height: number, radius: number }
    | { form: 'circle', x: number, y: number, diameter: number }
    | { form: 'ellipse', x: number, y: number, width: number, height: number }
    | { form: 'oval', x: number, y: number, width: number, height: number }
    | { form: 'points', points: XY[] }

/** Where a wall stands: + into the stream, − back from it, mm. */
export interface StepAt { x: number, y: number, step: number }
/** `faces`: the outlines of what stands into the stream. */
export interface FlangeStep { facing: number, faces: XY[][], worst: StepAt, at: StepAt[] }

/** Points of a full turn of a curve: their chord is within 0.001 mm of a 100 mm circle. */
const TURN = 720
/** Steps are looked for at every point, against every side: more of them than this are no outline. */
const MOST_POINTS = 20_000
/** Decimals that clipping is done to, mm. */
const DECIMALS = 5

/**
 * An opening as a closed polygon, anticlockwise, its first point not repeated.
 *
 * @param outline see {@link Outline}: an oval's ends are half circles over its shorter side
 * @returns mm
 * @throws RangeError for lengths that are not above 0, a corner larger than half of its shorter side, or points that enclose nothing
 * Source: plane geometry, 720 points a turn.
 * @example outlinePoints({ form: 'circle', x: 0, y: 0, diameter: 40 })[0] // [20, 0]
 */
export function outlinePoints(outline: Outline): XY[] {
  if (outline.form === 'points') {
    const fault = outlineFault(outline.points)
    if (fault) throw new DomainError('points', outline.points.length, fault)
    return outlineArea(outline.points) < 0 ? [...outline.points].reverse() : outline.points
  }
  const x = finite('x', outline.x)
  const y = finite('y', outline.y)
  const [width, height] = outline.form === 'circle' ? [above('diameter', outline.diameter, 0), outline.diameter] : [above('width', outline.width, 0), above('height', outline.height, 0)]
  const half = Math.min(width, height) / 2
  if (outline.form === 'rectangle' || outline.form === 'oval') {
    const radius = outline.form === 'oval' ? half : atLeast('radius', outline.radius, 0)
    if (radius > half) throw new DomainError('radius', radius, `${half} at most, half of the shorter side`)
    const [cx, cy] = [width / 2 - radius, height / 2 - radius]
    if (radius === 0) return [[x + cx, y - cy], [x + cx, y + cy], [x - cx, y + cy], [x - cx, y - cy]]
    return ([[1, -1, -90], [1, 1, 0], [-1, 1, 90], [-1, -1, 180]] as const).flatMap(([sx, sy, from]) =>
      Array.from({ length: TURN / 4 + 1 }, (_, i): XY => {
        const angle = (from + i * 360 / TURN) * Math.PI / 180
        return [x + sx * cx + radius * Math.cos(angle), y + sy * cy + radius * Math.sin(angle)]
      }))
  }
  return Array.from({ length: TURN }, (_, i): XY => {
    const angle = i * 2 * Math.PI / TURN
    return [x + width / 2 * Math.cos(angle), y + height / 2 * Math.sin(angle)]
  })
}

/**
 * What is wrong with a traced outline.
 *
 * @returns the bound it breaks, as a {@link DomainError} names it; nothing where it is an opening
 * Source: three points to {@link MOST_POINTS}, each finite, an area, and no side that crosses another.
 * @example outlineFault([[0, 0], [1, 1], [1, 0], [0, 1]]) // 'an outline that does not cross itself'
 */
export function outlineFault(points: readonly XY[]): string | undefined {
  if (points.length < 3 || points.length > MOST_POINTS) return `3 to ${MOST_POINTS} points`
  if (points.some(p => p.length !== 2 || !p.every(v => Number.isFinite(v) && Math.abs(v) <= 1000))) return 'points within 1000 mm'
  // What crosses itself winds round some of it twice, or the other way.
  const wound = Math.abs(outlineArea(points))
  const area = Math.abs(areaPathsD(unionD([path(points)], [], FillRule.NonZero, DECIMALS)))
  if (Math.abs(area - wound) > 1e-3 * Math.max(area, 1)) return 'an outline that does not cross itself'
  return area < 1 ? 'an outline around 1 mm² or more' : undefined
}

const path = (points: readonly XY[]): PathD => points.map(([x, y]) => ({ x, y }))

/**
 * The step between two openings that are bolted together, in the direction of flow.
 *
 * @param openings upstream and downstream, closed polygons in one frame, either way round, first point not repeated. Intake:
 *   upstream is the manifold, downstream the port; exhaust: upstream the port, downstream the pipe
 * @returns `facing` mm²: metal that stands into the stream, the upstream opening that the downstream one does not cover; `at` the
 *   step at points of the downstream outline, {@link ALONG} apart on its straight sides too, + where its wall stands in the stream; `worst` the greatest of them
 * @throws RangeError for an outline that is none
 * Source: polygon difference (Vatti's clipping); distance of a point to a polygon.
 * @example flangeStep({ upstream: circle(20, 0), downstream: circle(20, 1) }).facing // 39.9958 mm²
 */
export function flangeStep({ upstream, downstream }: { upstream: readonly XY[], downstream: readonly XY[] }): FlangeStep {
  for (const [name, points] of [['upstream', upstream], ['downstream', downstream]] as const) {
    const fault = outlineFault(points)
    if (fault) throw new DomainError(name, points.length, fault)
  }
  const at = allAlong(downstream).map(([x, y]): StepAt => ({ x, y, step: signedDistance(upstream, x, y) }))
  const metal = differenceD([path(upstream)], [path(downstream)], FillRule.NonZero, DECIMALS)
  return { facing: Math.abs(areaPathsD(metal)), faces: metal.map(p => p.map(({ x, y }): XY => [x, y])), worst: at.reduce((most, s) => s.step > most.step ? s : most), at }
}

/** How far apart a step is looked for along a straight side, mm: its ends may both stand back where its middle is in the stream. */
const ALONG = 0.25

/** An outline with points all along its sides; a very long one is not followed closer than a two-thousandth of its way round. */
function allAlong(points: readonly XY[]): XY[] {
  const sides = points.map((from, i) => ({ from, to: points[(i + 1) % points.length]! }))
  const long = ({ from, to }: { from: XY, to: XY }) => Math.hypot(to[0] - from[0], to[1] - from[1])
  const apart = Math.max(ALONG, sides.reduce((sum, side) => sum + long(side), 0) / 2000)
  return sides.flatMap((side) => {
    const { from: [x, y], to } = side
    const parts = Math.max(1, Math.ceil(long(side) / apart))
    return Array.from({ length: parts }, (_, i): XY => [x + (to[0] - x) * i / parts, y + (to[1] - y) * i / parts])
  })
}

/** Which wall of an opening a place lies at, as one looks at the flange with the roof up; of a port that bends aside, the wall inside its bend is the inner. */
export type FlangeWall = 'roof' | 'floor' | 'left' | 'right' | 'inner' | 'outer'

/**
 * @param at a place on an outline
 * @param inner which side of it is the inside of the port's bend, where it has one
 * @returns the wall that is nearest, by the outline's own width and height
 * @example wallOf([0, -20], rectangle) // 'floor'
 */
export function wallOf({ x, y }: { x: number, y: number }, outline: readonly XY[], inner?: 'left' | 'right'): FlangeWall {
  const [xs, ys] = [outline.map(p => p[0]), outline.map(p => p[1])]
  const across = (v: number, all: number[]) => (v - (Math.min(...all) + Math.max(...all)) / 2) / Math.max(1e-9, (Math.max(...all) - Math.min(...all)) / 2)
  const [right, up] = [across(x, xs), across(y, ys)]
  if (Math.abs(up) >= Math.abs(right)) return up >= 0 ? 'roof' : 'floor'
  const side = right >= 0 ? 'right' : 'left'
  if (inner === undefined) return side
  return side === inner ? 'inner' : 'outer'
}

/** A wall that is opened runs out over at least ten times its depth: about 6°, past which a flow leaves it. */
export const FADE = 10

/** Distance to an outline, + inside it. */
function signedDistance(points: readonly XY[], x: number, y: number): number {
  let near = Infinity
  let inside = false
  for (let i = 0, j = points.length - 1; i < points.length; j = i++) {
    const [ax, ay] = points[j]!
    const [bx, by] = points[i]!
    const [dx, dy] = [bx - ax, by - ay]
    const along = Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)))
    near = Math.min(near, (x - ax - along * dx) ** 2 + (y - ay - along * dy) ** 2)
    if ((by > y) !== (ay > y) && x < (ax - bx) * (y - by) / (ay - by) + bx) inside = !inside
  }
  return inside ? Math.sqrt(near) : -Math.sqrt(near)
}
