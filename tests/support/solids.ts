import type { Mesh } from '#core'

/** A box with its mouth on z = 0, centred on the z axis unless moved. */
export function box(x: number, y: number, z: number, at: [number, number, number] = [0, 0, 0]): Mesh {
  const corner = (i: number) => [at[0] + (i & 1 ? x / 2 : -x / 2), at[1] + (i & 2 ? y / 2 : -y / 2), at[2] + (i & 4 ? z : 0)]
  const faces = [[0, 2, 3, 1], [4, 5, 7, 6], [0, 1, 5, 4], [1, 3, 7, 5], [3, 2, 6, 7], [2, 0, 4, 6]]
  return {
    positions: new Float64Array(Array.from({ length: 8 }, (_, i) => corner(i)).flat()),
    triangles: new Uint32Array(faces.flatMap(([a, b, c, d]) => [a!, b!, c!, a!, c!, d!]))
  }
}

/**
 * A body turned about z from a profile of [radius, height], lowest first. Each ring is drawn a little larger than its
 * circle, so that its polygon has the circle's area and the volume between two rings is the cone's own.
 */
export function turned(profile: [r: number, z: number][], around = 720): Mesh {
  const swell = Math.sqrt(2 * Math.PI / around / Math.sin(2 * Math.PI / around))
  const positions: number[] = []
  for (const [r, z] of profile) {
    for (let i = 0; i < around; i++) {
      const a = 2 * Math.PI * i / around
      positions.push(r * swell * Math.cos(a), r * swell * Math.sin(a), z)
    }
  }
  const bottom = positions.length / 3
  positions.push(0, 0, profile[0]![1], 0, 0, profile.at(-1)![1])
  const triangles: number[] = []
  for (let i = 0; i < around; i++) {
    const next = (i + 1) % around
    for (let ring = 0; ring + 1 < profile.length; ring++) {
      const [a, b, c, d] = [ring * around + i, ring * around + next, (ring + 1) * around + next, (ring + 1) * around + i]
      triangles.push(a, b, c, a, c, d)
    }
    triangles.push(bottom, next, i, bottom + 1, (profile.length - 1) * around + i, (profile.length - 1) * around + next)
  }
  return { positions: new Float64Array(positions), triangles: new Uint32Array(triangles) }
}

/** The cap of a sphere of radius R, h high, its mouth on z = 0. */
export function cap(R: number, h: number, rings = 400, around = 720): Mesh {
  const from = Math.acos((R - h) / R)
  return turned(Array.from({ length: rings + 1 }, (_, i) => {
    const t = from * (1 - i / rings)
    return [Math.max(1e-9, R * Math.sin(t)), R * Math.cos(t) - (R - h)] as [number, number]
  }), around)
}

/** A mesh under any linear map and shift: rows of the matrix, then the shift. */
export function moved({ positions, triangles }: Mesh, m: number[][], shift = [0, 0, 0], mirror = false): Mesh {
  const out = new Float64Array(positions.length)
  for (let i = 0; i < positions.length; i += 3) {
    for (let row = 0; row < 3; row++) {
      out[i + row] = shift[row]! + m[row]!.reduce((sum, value, k) => sum + value * positions[i + k]!, 0)
    }
  }
  const order = mirror ? [0, 2, 1] : [0, 1, 2]
  return { positions: out, triangles: triangles.map((_, i) => triangles[i - i % 3 + order[i % 3]!]!) }
}
