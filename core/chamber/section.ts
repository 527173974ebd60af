import { above, finite } from '../domain'
import { checkMesh, type Mesh } from './mesh'

/** A plane: every point p with normal·p = offset; the normal need not be a unit vector. */
export interface Plane { normal: [number, number, number], offset: number }

/** A closed loop of a section: its points as xyz…, and for each the triangle that the piece after it lies in. */
export interface SectionLoop { points: number[], triangles: number[] }

/**
 * Where a plane cuts a mesh: the points of each loop of {@link sectionLoops}.
 *
 * @example sectionOf(cube, { normal: [0, 0, 1], offset: 5 })[0].length // 12: four corners
 */
export function sectionOf(mesh: Mesh, plane: Plane): number[][] {
  return sectionLoops(mesh, plane).map(loop => loop.points)
}

/**
 * Where a plane cuts a mesh, and in which triangles.
 *
 * @param mesh see {@link Mesh}
 * @param plane see {@link Plane}
 * @returns closed loops, mm, each seen counter-clockwise round the solid from the normal's side
 * @throws RangeError for an open mesh or a plane that is none
 * Source: each triangle crossed by the plane gives one piece; pieces are joined at the edges they share.
 * @example sectionLoops(box(20, 30, 10), { normal: [0, 0, 1], offset: 4 }) // one loop of the rectangle
 */
export function sectionLoops(mesh: Mesh, { normal: [nx, ny, nz], offset }: Plane): SectionLoop[] {
  checkMesh(mesh)
  above('|plane.normal|', Math.hypot(nx, ny, nz), 0)
  finite('plane.offset', offset)
  const { positions: p, triangles: t } = mesh
  const n = p.length / 3
  const side = new Float64Array(n)
  // A corner that lies in the plane is counted above it: each triangle is then crossed at two edges or at none.
  for (let i = 0; i < n; i++) side[i] = p[3 * i]! * nx + p[3 * i + 1]! * ny + p[3 * i + 2]! * nz - offset
  const up = (i: number) => side[i]! >= 0
  const next = new Map<number, number>()
  const owner = new Map<number, number>()
  const key = (a: number, b: number) => Math.min(a, b) * n + Math.max(a, b)
  for (let i = 0; i < t.length; i += 3) {
    const corners = [t[i]!, t[i + 1]!, t[i + 2]!] as const
    if (up(corners[0]) === up(corners[1]) && up(corners[1]) === up(corners[2])) continue
    let from = 0
    let to = 0
    for (let k = 0; k < 3; k++) {
      const a = corners[k]!
      const b = corners[(k + 1) % 3]!
      if (up(a) === up(b)) continue
      if (up(a)) from = key(a, b)
      else to = key(a, b)
    }
    next.set(from, to)
    owner.set(from, i / 3)
  }
  const at = (edge: number): [number, number, number] => {
    const [a, b] = [Math.floor(edge / n), edge % n]
    const s = side[a]! / (side[a]! - side[b]!)
    return [0, 1, 2].map(k => p[3 * a + k]! + s * (p[3 * b + k]! - p[3 * a + k]!)) as [number, number, number]
  }
  const loops: SectionLoop[] = []
  for (const start of [...next.keys()]) {
    if (!next.has(start)) continue
    const points: number[] = []
    const triangles: number[] = []
    let edge: number | undefined = start
    while (edge !== undefined && next.has(edge)) {
      points.push(...at(edge))
      triangles.push(owner.get(edge)!)
      const following: number | undefined = next.get(edge)
      next.delete(edge)
      edge = following
    }
    if (points.length >= 9) loops.push({ points, triangles })
  }
  return loops
}
