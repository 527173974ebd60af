import { DomainError } from '../domain'

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

/** Number of each corner's place: corners that lie on the same spot are one. */
function places({ positions }: Mesh): Uint32Array {
  const seen = new Map<string, number>()
  const place = new Uint32Array(positions.length / 3)
  for (let i = 0; i < place.length; i++) {
    // −0 and 0 are one place.
    const key = `${positions[3 * i]! + 0},${positions[3 * i + 1]! + 0},${positions[3 * i + 2]! + 0}`
    const known = seen.get(key)
    if (known === undefined) seen.set(key, i)
    place[i] = known ?? i
  }
  return place
}

function signedVolume({ positions: p, triangles: t }: Mesh): number {
  let six = 0
  for (let i = 0; i < t.length; i += 3) {
    const [a, b, c] = [3 * t[i]!, 3 * t[i + 1]!, 3 * t[i + 2]!]
    six += p[a]! * (p[b + 1]! * p[c + 2]! - p[b + 2]! * p[c + 1]!)
      + p[a + 1]! * (p[b + 2]! * p[c]! - p[b]! * p[c + 2]!)
      + p[a + 2]! * (p[b]! * p[c + 1]! - p[b + 1]! * p[c]!)
  }
  return six / 6000
}

/**
 * Refuses a mesh that is no closed surface turned outward. Looked at once for each mesh, then remembered.
 *
 * @throws RangeError naming what is wrong: corners that are no numbers, triangles that name no corner, an edge that
 *   does not lie between two triangles, or a surface turned inside out
 */
export function checkMesh(mesh: Mesh): void {
  if (closed.has(mesh)) return
  const { positions, triangles } = mesh
  if (positions.length === 0 || positions.length % 3 !== 0) throw new DomainError('mesh.positions', positions.length, 'triples of coordinates')
  if (triangles.length < 12 || triangles.length % 3 !== 0) throw new DomainError('mesh.triangles', triangles.length, 'triples, four or more')
  for (const value of positions) if (!Number.isFinite(value)) throw new DomainError('mesh.positions', value, 'finite')
  const corners = positions.length / 3
  for (const corner of triangles) if (corner >= corners) throw new DomainError('mesh.triangles', corner, `below ${corners}, the number of corners`)
  const place = places(mesh)
  /** How often each edge runs one way less the other; a closed surface leaves every one at 0. */
  const open = new Map<number, number>()
  for (let i = 0; i < triangles.length; i += 3) {
    for (let k = 0; k < 3; k++) {
      const from = place[triangles[i + k]!]!
      const to = place[triangles[i + (k + 1) % 3]!]!
      if (from === to) continue
      const key = from < to ? from * corners + to : to * corners + from
      const left = (open.get(key) ?? 0) + (from < to ? 1 : -1)
      if (left === 0) open.delete(key)
      else open.set(key, left)
    }
  }
  if (open.size > 0) throw new DomainError('mesh', `open at ${open.size} edges`, 'closed')
  const volume = signedVolume(mesh)
  if (!(volume > 0)) throw new DomainError('mesh volume', volume, 'greater than 0: its triangles must face outward')
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
  return signedVolume(mesh)
}
