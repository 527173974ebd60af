import { DomainError, finite } from '../domain'
import { edgesOf, weld } from './weld'

/**
 * A closed surface: corners as xyz… in mm, triangles as triples of corner numbers, counter-clockwise seen from
 * outside. In the chamber frame a chamber is a solid of air whose mouth lies on z = 0, z up into the head.
 */
export interface Mesh { positions: Float64Array, triangles: Uint32Array }

/** Meshes that were looked at once and found closed: hot functions only read. */
const closed = new WeakSet<Mesh>()

/** Marks a mesh as closed that was made so, to spare looking at each of its edges again. */
export function madeClosed(mesh: Mesh): Mesh {
  closed.add(mesh)
  return mesh
}

/** Six times what a triangle holds over the origin, mm³. */
const sixfold = (p: Float64Array, a: number, b: number, c: number) =>
  p[a]! * (p[b + 1]! * p[c + 2]! - p[b + 2]! * p[c + 1]!) + p[a + 1]! * (p[b + 2]! * p[c]! - p[b]! * p[c + 2]!) + p[a + 2]! * (p[b]! * p[c + 1]! - p[b + 1]! * p[c]!)

/** A body of a mesh: its volume, cc, + where its triangles face outward, and the box it lies in. */
interface Body { volume: number, low: [number, number, number], high: [number, number, number] }

function bodiesOf({ positions: p, triangles: t }: Mesh, of: Uint32Array): Body[] {
  const bodies = new Map<number, Body>()
  for (let i = 0; i < t.length; i += 3) {
    const number = of[i / 3]!
    let body = bodies.get(number)
    if (!body) bodies.set(number, body = { volume: 0, low: [Infinity, Infinity, Infinity], high: [-Infinity, -Infinity, -Infinity] })
    const [a, b, c] = [3 * t[i]!, 3 * t[i + 1]!, 3 * t[i + 2]!]
    body.volume += sixfold(p, a, b, c) / 6000
    for (const corner of [a, b, c]) {
      for (let k = 0; k < 3; k++) {
        body.low[k] = Math.min(body.low[k]!, p[corner + k]!)
        body.high[k] = Math.max(body.high[k]!, p[corner + k]!)
      }
    }
  }
  return [...bodies.values()]
}

/** Whether any two bodies' boxes have room in common. */
function anyMeet(bodies: Body[]): boolean {
  const along = [...bodies].sort((a, b) => a.low[0] - b.low[0])
  return along.some((one, i) => {
    for (let n = i + 1; n < along.length && along[n]!.low[0] < one.high[0]; n++) {
      const other = along[n]!
      if ([1, 2].every(k => one.low[k]! < other.high[k]! && other.low[k]! < one.high[k]!)) return true
    }
    return false
  })
}

/**
 * Refuses a mesh that is no closed surface turned outward. Looked at once for each mesh, then remembered.
 *
 * @throws RangeError naming what is wrong: corners that are no numbers, triangles that name no corner, an edge that
 *   does not lie between two triangles, a body turned inside out, or bodies that may lie in each other
 */
export function checkMesh(mesh: Mesh): void {
  if (closed.has(mesh)) return
  const { positions, triangles } = mesh
  if (positions.length === 0 || positions.length % 3 !== 0) throw new DomainError('mesh.positions', positions.length, 'triples of coordinates')
  if (triangles.length < 12 || triangles.length % 3 !== 0) throw new DomainError('mesh.triangles', triangles.length, 'triples, four or more')
  for (const value of positions) if (!Number.isFinite(value)) throw new DomainError('mesh.positions', value, 'finite')
  const corners = positions.length / 3
  for (const corner of triangles) if (corner >= corners) throw new DomainError('mesh.triangles', corner, `below ${corners}, the number of corners`)
  const { open, body } = edgesOf(triangles, weld(positions))
  if (open > 0) throw new DomainError('mesh', `open at ${open} edges`, 'closed')
  const bodies = bodiesOf(mesh, body)
  const volume = bodies.reduce((sum, one) => sum + one.volume, 0)
  if (!(volume > 0)) throw new DomainError('mesh volume', volume, 'greater than 0: its triangles must face outward')
  // A sliver that closes on itself holds nothing and is in nobody's way.
  const real = bodies.filter(one => Math.abs(one.volume) > 1e-9 * volume)
  const inward = real.filter(one => one.volume < 0)
  if (inward.length > 0) throw new DomainError('mesh', `${inward.length} of ${real.length} bodies turned inside out`, 'of bodies that face outward')
  if (anyMeet(real)) throw new DomainError('mesh', `${real.length} bodies that may run into each other`, 'one body, or bodies that lie apart')
  closed.add(mesh)
}

/**
 * Volume of a closed mesh.
 *
 * @param mesh see {@link Mesh}
 * @returns cc
 * @throws RangeError for a mesh that is open or inside out
 * Source: divergence theorem, Σ a·(b × c)/6 over the triangles.
 * @example meshVolume(box(20, 30, 10)) // 6 cc
 */
export function meshVolume(mesh: Mesh): number {
  checkMesh(mesh)
  const { positions: p, triangles: t } = mesh
  let six = 0
  for (let i = 0; i < t.length; i += 3) six += sixfold(p, 3 * t[i]!, 3 * t[i + 1]!, 3 * t[i + 2]!)
  return finite('mesh.positions', six / 6000)
}
