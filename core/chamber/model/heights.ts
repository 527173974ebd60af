import { above } from '../../domain'
import type { Cut } from '../cut'
import { madeClosed, type Mesh } from '../mesh'
import { headPlane, type HeadPlane } from './roof'
import type { ChamberValve, Relief } from './spec'

/** The highest point of a chamber's air over each place of a square grid; −Infinity where there is metal down to the face. */
export interface CeilingField { step: number, x: number, y: number, columns: number, rows: number, heights: Float64Array }

/** Room round the chamber for metal that is taken outside its mouth, mm. */
const AROUND = 30

/**
 * A chamber's ceiling on a grid.
 *
 * @param mesh the chamber, z up into the head
 * @param step between the grid's places, mm
 * @returns see {@link CeilingField}
 * @throws RangeError when the step is 0 or less
 * Source: each triangle's plane over the places it covers, the highest kept.
 * @example ceilingField(pot of 12 mm, 0.5).heights // 12 over its mouth
 */
export function ceilingField({ positions: p, triangles }: Mesh, step: number): CeilingField {
  above('step', step, 0)
  let [left, right, low, high] = [Infinity, -Infinity, Infinity, -Infinity]
  for (let i = 0; i < p.length; i += 3) {
    left = Math.min(left, p[i]!)
    right = Math.max(right, p[i]!)
    low = Math.min(low, p[i + 1]!)
    high = Math.max(high, p[i + 1]!)
  }
  const [x, y] = [left - AROUND, low - AROUND]
  const columns = Math.ceil((right - left + 2 * AROUND) / step)
  const rows = Math.ceil((high - low + 2 * AROUND) / step)
  const heights = new Float64Array(columns * rows).fill(-Infinity)
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [3 * triangles[t]!, 3 * triangles[t + 1]!, 3 * triangles[t + 2]!]
    const [ax, ay, bx, by, cx, cy] = [p[a]!, p[a + 1]!, p[b]!, p[b + 1]!, p[c]!, p[c + 1]!]
    const twice = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay)
    if (twice === 0) continue
    // Places lie in the middle of their cells.
    const firstRow = Math.max(0, Math.ceil((Math.min(ay, by, cy) - y) / step - 0.5))
    const lastRow = Math.min(rows - 1, Math.floor((Math.max(ay, by, cy) - y) / step - 0.5))
    const firstColumn = Math.max(0, Math.ceil((Math.min(ax, bx, cx) - x) / step - 0.5))
    const lastColumn = Math.min(columns - 1, Math.floor((Math.max(ax, bx, cx) - x) / step - 0.5))
    for (let j = firstRow; j <= lastRow; j++) {
      const py = y + (j + 0.5) * step
      for (let i = firstColumn; i <= lastColumn; i++) {
        const px = x + (i + 0.5) * step
        const u = ((bx - px) * (cy - py) - (cx - px) * (by - py)) / twice
        const v = ((cx - px) * (ay - py) - (ax - px) * (cy - py)) / twice
        if (u < -1e-9 || v < -1e-9 || u + v > 1 + 1e-9) continue
        const z = u * p[a + 2]! + v * p[b + 2]! + (1 - u - v) * p[c + 2]!
        const at = j * columns + i
        if (z > heights[at]!) heights[at] = z
      }
    }
  }
  return { step, x, y, columns, rows, heights }
}

/** A relief about its valve's axis, made ready to be asked about many places. */
interface Form {
  relief: Relief
  corner: number
  most: number
  /** No further out than its axis leans to between its end and the face. */
  reach: number
  inner: number
  centre: HeadPlane['centre']
  u: HeadPlane['u']
  v: HeadPlane['v']
  axis: HeadPlane['axis']
  /** Within this it reaches all round: no side of its polygon comes nearer, before the corner draws it in. */
  sure: number
}

function formOf(valves: readonly ChamberValve[], relief: Relief): Form[] {
  const valve = valves[relief.valve]
  const most = Math.max(0, ...relief.radii)
  if (!valve || most <= 0) return []
  const { centre, u, v, axis, radius } = headPlane(valve, 0)
  const inner = radius * 0.6
  const least = Math.min(...relief.radii.map(r => r > 0 ? Math.max(inner, r) : inner))
  return [{
    relief, corner: relief.corner ?? 0, most, inner, centre, u, v, axis, sure: least,
    reach: most + (Math.abs(centre[2]) + relief.below + most) * Math.hypot(axis[0], axis[1]) / axis[2]
  }]
}

/** Whether a place about a relief's axis lies in it: inside the straight line between two of its radii, `less` further in. */
function reaches({ relief: { radii }, inner, most, sure }: Form, less: number, a: number, b: number): boolean {
  const square = a * a + b * b
  const n = radii.length
  const step = 2 * Math.PI / n
  // A side of the polygon is nearest to the axis in its middle. Most places are told by this alone.
  if (square <= (Math.max(inner, sure - less) * Math.cos(step / 2)) ** 2) return true
  if (square > most * most) return false
  const turn = Math.atan2(b, a)
  const from = Math.floor(turn / step)
  const far = (k: number) => {
    const radius = radii[(k + n) % n]!
    return radius > 0 ? Math.max(inner, radius - less) : inner
  }
  // Two spokes r and s with the angle δ between them meet the line to the place at r·s·sin δ/(r·sin t + s·sin(δ − t)).
  const [r, s, t] = [far(from), far(from + 1), turn - from * step]
  return Math.sqrt(square) * (r * Math.sin(t) + s * Math.sin(step - t)) <= r * s * Math.sin(step)
}

/** Whether a relief takes a place, by how far it lies from its valve's seat. */
function takes(form: Form, dx: number, dy: number, dz: number): boolean {
  const { axis, u, v, corner, relief: { below } } = form
  const along = dx * axis[0] + dy * axis[1] + dz * axis[2] + below
  if (along > 0) return false
  const into = corner > 0 && along > -corner ? corner * (1 - Math.sqrt(1 - (1 + along / corner) ** 2)) : 0
  return reaches(form, into, dx * u[0] + dy * u[1] + dz * u[2], dx * v[0] + dy * v[1] + dz * v[2])
}

/** Metal that reliefs take over one place of the grid: from where up, how thick, and where it is. */
type Visit = (x: number, y: number, floor: number, thick: number) => void

function eachColumn(field: CeilingField, valves: readonly ChamberValve[], reliefs: readonly Relief[], face: Cut, visit: Visit): void {
  const { step, x: left, y: low, columns, rows, heights } = field
  const forms = reliefs.flatMap(relief => formOf(valves, relief))
  if (forms.length === 0) return
  const between = (axis: 0 | 1, from: number, count: number) => [
    Math.max(0, Math.floor((Math.min(...forms.map(f => f.centre[axis] - f.reach)) - from) / step)),
    Math.min(count - 1, Math.ceil((Math.max(...forms.map(f => f.centre[axis] + f.reach)) - from) / step))
  ] as const
  const [firstRow, lastRow] = between(1, low, rows)
  const [firstColumn, lastColumn] = between(0, left, columns)
  // Filled anew for each of thousands of places: a list for each would cost more than what is done with it.
  const near: Form[] = []
  for (let j = firstRow; j <= lastRow; j++) {
    const y = low + (j + 0.5) * step
    for (let i = firstColumn; i <= lastColumn; i++) {
      const x = left + (i + 0.5) * step
      let top = -Infinity
      near.length = 0
      for (const form of forms) {
        const { relief: { line, below }, reach, centre: [cx, cy, cz], axis } = form
        const [dx, dy] = [x - cx, y - cy]
        if (x * x + y * y > line * line || dx * dx + dy * dy > reach * reach) continue
        near.push(form)
        // Where its end plane stands over this place.
        top = Math.max(top, cz + (-below - dx * axis[0] - dy * axis[1]) / axis[2])
      }
      const floor = Math.max(heights[j * columns + i]!, face.depth + face.slopeX * x + face.slopeY * y)
      if (!(top > floor)) continue
      const slices = Math.ceil((top - floor) / step)
      const thick = (top - floor) / slices
      let inside = 0
      for (let k = 0; k < slices; k++) {
        const z = floor + (k + 0.5) * thick
        for (const form of near) {
          if (!takes(form, x - form.centre[0], y - form.centre[1], z - form.centre[2])) continue
          inside++
          break
        }
      }
      if (inside > 0) visit(x, y, floor, inside * thick)
    }
  }
}

/**
 * The metal that reliefs take off a chamber, on its grid: ready many times sooner than the solid, for a hand that draws.
 *
 * @param field of the chamber as it stands, see {@link ceilingField}
 * @param valves those of its drawing
 * @param reliefs what is taken besides what the chamber has already
 * @param face the face as it is now: nothing below it counts
 * @returns cc
 * Source: ∬ of what lies in a relief above the ceiling and the face, by midpoints in all three directions.
 * @example metalIn(ceilingField(launch chamber, 0.5), valves, [{ valve: 0, radii: 24 mm all round, … }], UNCUT) // within 0.015 cc of the solid
 */
export function metalIn(field: CeilingField, valves: readonly ChamberValve[], reliefs: readonly Relief[], face: Cut): number {
  let sum = 0
  eachColumn(field, valves, reliefs, face, (_x, _y, _floor, thick) => sum += thick)
  return sum * field.step * field.step / 1000
}

/** Corners of a column's sides, counter-clockwise seen from outside, by the corner numbers 0 to 3 below and 4 to 7 above. */
const SIDES = [[0, 2, 3, 1], [4, 5, 7, 6], [0, 1, 5, 4], [1, 3, 7, 5], [3, 2, 6, 7], [2, 0, 4, 6]] as const

/**
 * A chamber with that metal off, as one mesh: a column for each place stands on the chamber's own ceiling.
 *
 * @param mesh the chamber, and the rest as {@link metalIn}
 * @returns what is left over a plane and its opening are those of the chamber and of the columns together
 */
export function withMetalOff(mesh: Mesh, field: CeilingField, valves: readonly ChamberValve[], reliefs: readonly Relief[], face: Cut): Mesh {
  const positions: number[] = []
  const triangles: number[] = []
  const half = field.step / 2
  eachColumn(field, valves, reliefs, face, (x, y, floor, thick) => {
    const first = mesh.positions.length / 3 + positions.length / 3
    for (let i = 0; i < 8; i++) positions.push(x + (i & 1 ? half : -half), y + (i & 2 ? half : -half), i & 4 ? floor + thick : floor)
    for (const [a, b, c, d] of SIDES) triangles.push(first + a, first + b, first + c, first + a, first + c, first + d)
  })
  const all = { positions: new Float64Array(mesh.positions.length + positions.length), triangles: new Uint32Array(mesh.triangles.length + triangles.length) }
  all.positions.set(mesh.positions)
  all.positions.set(positions, mesh.positions.length)
  all.triangles.set(mesh.triangles)
  all.triangles.set(triangles, mesh.triangles.length)
  return madeClosed(all)
}
