/** A place on the face, mm from the bore's centre. */
export type Point = [x: number, y: number]

/**
 * The closed curve through given points, as a dense polygon.
 *
 * @param points three or more, in order
 * @param pieces pieces between each two neighbours
 * @returns points × pieces corners, the given points among them
 * Source: centripetal Catmull-Rom spline in Barry and Goldman's form (Catmull & Rom 1974; Yuksel et al. 2011): it
 *   passes through its points and makes neither loop nor cusp between two of them.
 * @example curveThrough([[10, 0], [0, 10], [-10, 0], [0, -10]], 16).length // 64
 */
export function curveThrough(points: Point[], pieces: number): Point[] {
  const n = points.length
  const knot = (a: Point, b: Point) => Math.max(1e-6, Math.sqrt(Math.hypot(b[0] - a[0], b[1] - a[1])))
  const mix = (a: Point, b: Point, from: number, to: number, t: number): Point => {
    const s = (t - from) / (to - from)
    return [a[0] + (b[0] - a[0]) * s, a[1] + (b[1] - a[1]) * s]
  }
  return points.flatMap((p1, i) => {
    const [p0, p2, p3] = [points[(i + n - 1) % n]!, points[(i + 1) % n]!, points[(i + 2) % n]!]
    const t1 = knot(p0, p1)
    const t2 = t1 + knot(p1, p2)
    const t3 = t2 + knot(p2, p3)
    return Array.from({ length: pieces }, (_, k): Point => {
      const t = t1 + (t2 - t1) * k / pieces
      const a1 = mix(p0, p1, 0, t1, t)
      const a2 = mix(p1, p2, t1, t2, t)
      const a3 = mix(p2, p3, t2, t3, t)
      return mix(mix(a1, a2, 0, t2, t), mix(a2, a3, t1, t3, t), t1, t2, t)
    })
  })
}

/** Area within a polygon, mm², positive when it runs counter-clockwise (the shoelace formula). */
export function outlineArea(points: readonly (readonly [x: number, y: number])[]): number {
  return points.reduce((sum, [x, y], i) => {
    const [u, v] = points[(i + 1) % points.length]!
    return sum + (x * v - u * y) / 2
  }, 0)
}

/** Whether a place lies within a polygon (crossings of a ray, Preparata & Shamos §2.2). */
export function insideOutline(points: Point[], [x, y]: Point): boolean {
  let crossings = 0
  points.forEach(([x1, y1], i) => {
    const [x2, y2] = points[(i + 1) % points.length]!
    if ((y1 > y) !== (y2 > y) && x < x1 + (y - y1) / (y2 - y1) * (x2 - x1)) crossings++
  })
  return crossings % 2 === 1
}

/**
 * The part of a polygon on one side of a line.
 *
 * @param points the polygon
 * @param towards azimuth of the line's normal, degrees
 * @param chord distance of the line from the origin along it, mm
 * @param beyond keep what lies further out than the line instead of what lies within
 * Source: Sutherland & Hodgman 1974, one clipping line.
 * @example clipByChord([[-1, -1], [1, -1], [1, 1], [-1, 1]], 0, 0, false) // the half with x ≤ 0
 */
export function clipByChord(points: Point[], towards: number, chord: number, beyond: boolean): Point[] {
  const [ux, uy] = [Math.cos(towards * Math.PI / 180), Math.sin(towards * Math.PI / 180)]
  const out = ([x, y]: Point) => (x * ux + y * uy - chord) * (beyond ? -1 : 1)
  return points.flatMap((from, i): Point[] => {
    const to = points[(i + 1) % points.length]!
    const [a, b] = [out(from), out(to)]
    const kept: Point[] = a <= 0 ? [from] : []
    if ((a < 0 && b > 0) || (a > 0 && b < 0)) kept.push([from[0] + (to[0] - from[0]) * a / (a - b), from[1] + (to[1] - from[1]) * a / (a - b)])
    return kept
  })
}

/** Shortest distance from a place to a piece between two points. */
function toPiece([x1, y1]: Point, [x2, y2]: Point, [x, y]: Point): number {
  const [ex, ey] = [x2 - x1, y2 - y1]
  const s = Math.min(1, Math.max(0, ((x - x1) * ex + (y - y1) * ey) / (ex * ex + ey * ey || 1)))
  return Math.hypot(x - x1 - s * ex, y - y1 - s * ey)
}

/** Shortest distance from a place to a polygon's edge, mm. */
export function distanceTo(points: Point[], at: Point): number {
  return points.reduce((least, from, i) => Math.min(least, toPiece(from, points[(i + 1) % points.length]!, at)), Infinity)
}

/**
 * A polygon of fewer points, none of those left out further than `by` from its edge.
 *
 * @param points closed, in order
 * @param by mm, 0 or more
 * @example thinned(circle of 43 mm by 800 points, 0.05) // some 60 points
 */
export function thinned(points: Point[], by: number): Point[] {
  const kept: Point[] = []
  for (let from = 0; from < points.length;) {
    kept.push(points[from]!)
    let to = from + 1
    // As far on as every point between stays by the straight piece; two or three rounds of a few dozen points.
    while (to < points.length && points.slice(from + 1, to + 1).every(p => toPiece(points[from]!, points[(to + 1) % points.length]!, p) <= by)) to++
    from = to
  }
  return kept
}
