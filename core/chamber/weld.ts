/** Corners this near to each other are one place, mm: writers of files round, and nobody mills a thousandth of a micron. */
const SAME = 1e-6
/** Side of a cell in which corners are looked for, mm: many times SAME, so that hardly any lies near two. */
const CELL = 1e-3

/**
 * Number of each corner's place: corners nearer than {@link SAME} are one, and go by the first of them.
 *
 * @param positions xyz…, mm, finite
 * Source: a hash over cells, neighbours asked only near a cell's side.
 * @example weld(new Float64Array([0, 0, 0, 1, 0, 0, 1e-12, 0, 0])) // [0, 1, 0]
 */
export function weld(positions: Float64Array): Uint32Array {
  const count = positions.length / 3
  const size = 2 ** Math.ceil(Math.log2(Math.max(4, 2 * count)))
  const heads = new Int32Array(size).fill(-1)
  const next = new Int32Array(count).fill(-1)
  const place = new Uint32Array(count)
  const slot = (i: number, j: number, k: number) => (Math.imul(i, 73856093) ^ Math.imul(j, 19349663) ^ Math.imul(k, 83492791)) & (size - 1)
  const lookIn = (at: number, x: number, y: number, z: number): number => {
    for (let c = heads[at]!; c >= 0; c = next[c]!) {
      if (Math.abs(positions[3 * c]! - x) < SAME && Math.abs(positions[3 * c + 1]! - y) < SAME && Math.abs(positions[3 * c + 2]! - z) < SAME) return c
    }
    return -1
  }
  for (let n = 0; n < count; n++) {
    const [x, y, z] = [positions[3 * n]!, positions[3 * n + 1]!, positions[3 * n + 2]!]
    const [i, j, k] = [Math.floor(x / CELL), Math.floor(y / CELL), Math.floor(z / CELL)]
    const own = slot(i, j, k)
    let found = lookIn(own, x, y, z)
    const [i1, j1, k1] = [Math.floor((x + SAME) / CELL), Math.floor((y + SAME) / CELL), Math.floor((z + SAME) / CELL)]
    const [i0, j0, k0] = [Math.floor((x - SAME) / CELL), Math.floor((y - SAME) / CELL), Math.floor((z - SAME) / CELL)]
    if (found < 0 && (i0 !== i1 || j0 !== j1 || k0 !== k1)) {
      for (let a = i0; a <= i1 && found < 0; a++) for (let b = j0; b <= j1 && found < 0; b++) for (let c = k0; c <= k1 && found < 0; c++) found = lookIn(slot(a, b, c), x, y, z)
    }
    if (found >= 0) {
      place[n] = place[found]!
      continue
    }
    place[n] = n
    next[n] = heads[own]!
    heads[own] = n
  }
  return place
}

/** Every edge of a surface by its two places: how often it runs one way less the other, and a triangle that it belongs to. */
export interface Edges {
  /** Edges that do not lie between triangles of both directions. */
  open: number
  /** Number of each triangle's body: triangles that share an edge are of one. */
  body: Uint32Array
}

/**
 * The edges of a surface, and which triangles hang together by them.
 *
 * @param triangles triples of corner numbers
 * @param place of each corner, see {@link weld}
 * @returns see {@link Edges}; triangles that lie in a line count for nothing
 * Source: a closed surface leaves every directed edge at nought; union of triangles by shared edges (Tarjan's disjoint sets).
 */
export function edgesOf(triangles: Uint32Array, place: Uint32Array): Edges {
  const faces = triangles.length / 3
  const size = 2 ** Math.ceil(Math.log2(Math.max(8, 4 * faces)))
  const keys = new Float64Array(size).fill(-1)
  const runs = new Int32Array(size)
  const first = new Uint32Array(size)
  const body = Uint32Array.from({ length: faces }, (_, i) => i)
  const root = (t: number): number => {
    while (body[t]! !== t) t = body[t] = body[body[t]!]!
    return t
  }
  for (let t = 0; t < faces; t++) {
    for (let k = 0; k < 3; k++) {
      const from = place[triangles[3 * t + k]!]!
      const to = place[triangles[3 * t + (k + 1) % 3]!]!
      if (from === to) continue
      const [low, high] = from < to ? [from, to] : [to, from]
      const key = low * place.length + high
      let at = (Math.imul(low, 73856093) ^ Math.imul(high, 19349663)) & (size - 1)
      while (keys[at]! >= 0 && keys[at]! !== key) at = (at + 1) & (size - 1)
      if (keys[at]! < 0) {
        keys[at] = key
        first[at] = t
      } else body[root(t)] = root(first[at]!)
      runs[at]! += from < to ? 1 : -1
    }
  }
  for (let t = 0; t < faces; t++) body[t] = root(t)
  return { open: runs.reduce((sum, run) => sum + (run === 0 ? 0 : 1), 0), body }
}
