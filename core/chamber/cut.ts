import { DomainError, above, finite } from '../domain'
import { checkMesh, meshVolume, type Mesh } from './mesh'

/** A face cut in the chamber frame: the face is then z = depth + slopeX·x + slopeY·y (mm, and mm per mm). */
export interface Cut { depth: number, slopeX: number, slopeY: number }

export type Slopes = Omit<Cut, 'depth'>

function checkCut({ depth, slopeX, slopeY }: Cut): void {
  finite('cut.depth', depth)
  finite('cut.slopeX', slopeX)
  finite('cut.slopeY', slopeY)
}

/** What lies over a plane: mm³ and the opening in mm². One for all calls: nothing is made anew for a pass. */
const found = { volume: 0, opening: 0 }

/**
 * Σ over the triangles, clipped at the plane, of ∫ height dA (the volume over it) and of ∫ dA (the opening), in one pass. The
 * shear z − slope·(x, y) keeps volumes, and turns the cut into a level one; over a level plane the lid that the cut
 * leaves adds nothing to the first sum and is what the second one finds.
 *
 * @throws RangeError when a corner is no number any more
 */
function over({ positions: p, triangles: t }: Mesh, depth: number, slopeX: number, slopeY: number): typeof found {
  let [volume, opening, all] = [0, 0, 0]
  for (let i = 0; i < t.length; i += 3) {
    const a = 3 * t[i]!
    const b = 3 * t[i + 1]!
    const c = 3 * t[i + 2]!
    const ax = p[a]!
    const ay = p[a + 1]!
    const bx = p[b]!
    const by = p[b + 1]!
    const cx = p[c]!
    const cy = p[c + 1]!
    const ha = p[a + 2]! - depth - slopeX * ax - slopeY * ay
    const hb = p[b + 2]! - depth - slopeX * bx - slopeY * by
    const hc = p[c + 2]! - depth - slopeX * cx - slopeY * cy
    // A corner that was put out of order after the mesh was looked at would be taken for one below the plane.
    all += ha + hb + hc
    const upA = ha > 0
    const upB = hb > 0
    const upC = hc > 0
    if (!upA && !upB && !upC) continue
    const area = ((bx - ax) * (cy - ay) - (cx - ax) * (by - ay)) / 2
    if (upA && upB && upC) {
      volume += area * (ha + hb + hc) / 3
      opening += area
      continue
    }
    // The corner that is alone on its side of the plane cuts a triangle off: its share of the area, and its height.
    const alone = upA === upB ? hc : upA === upC ? hb : ha
    const one = upA === upB ? ha : upA === upC ? hc : hb
    const two = upA === upB ? hb : upA === upC ? ha : hc
    // Each by itself: what is squared first would be lost where a corner all but touches the plane.
    const share = alone / (alone - one) * (alone / (alone - two))
    volume += alone > 0 ? area * share * alone / 3 : area * ((ha + hb + hc) / 3 - share * alone / 3)
    opening += area * (alone > 0 ? share : 1 - share)
  }
  finite('mesh.positions', all)
  found.volume = volume
  found.opening = opening
  return found
}

/**
 * Volume left in a chamber after a face cut.
 *
 * @param mesh the chamber, see {@link Mesh}
 * @param cut see {@link Cut}
 * @returns cc, exact for the mesh
 * @throws RangeError for an open mesh or a cut that is not finite
 * Source: divergence theorem on the clipped surface after a shear that makes the cut level.
 * @example volumeAboveCut(sphericalCap(50, 20), { depth: 1, slopeX: 0, slopeY: 0 }) // 49.5230 cc
 */
export function volumeAboveCut(mesh: Mesh, cut: Cut): number {
  return aboveCut(mesh, cut).volume
}

/**
 * Open area of a chamber at a cut, in plan. One mm more of depth takes openingArea/1000 cc.
 *
 * @param mesh the chamber
 * @param cut see {@link Cut}
 * @returns mm²
 * @throws RangeError for an open mesh or a cut that is not finite
 * Source: the same as {@link volumeAboveCut}: −dV/d(depth).
 * @example openingArea(box(20, 30, 10), { depth: 1, slopeX: 0, slopeY: 0 }) // 600 mm²
 */
export function openingArea(mesh: Mesh, cut: Cut): number {
  return aboveCut(mesh, cut).opening
}

/** {@link volumeAboveCut} and {@link openingArea} in one pass, for whoever wants both: cc and mm². */
export function aboveCut(mesh: Mesh, cut: Cut): { volume: number, opening: number } {
  checkMesh(mesh)
  checkCut(cut)
  const { volume, opening } = over(mesh, cut.depth, cut.slopeX, cut.slopeY)
  // Where the plane passes under the whole mouth the opening is nothing but what rounding left of it, of either sign.
  return { volume: Math.max(0, volume) / 1000, opening: Math.max(0, opening) }
}

/**
 * Depth at which a cut of given slopes leaves a wanted volume.
 *
 * @param mesh the chamber
 * @param targetVolume cc, greater than 0 and no more than the whole chamber
 * @param slopes of the cut, mm per mm
 * @returns mm over the chamber's own origin, to 1e-6
 * @throws RangeError when no depth leaves that volume
 * Source: {@link volumeAboveCut} solved by Newton's steps on its own slope −{@link openingArea}, kept inside a bracket
 *   that is halved where a step would leave it (Press et al., Numerical Recipes, §9.4).
 * @example cutDepthForVolume(box(20, 30, 10), 5.4, { slopeX: 0, slopeY: 0 }) // 1 mm
 */
export function cutDepthForVolume(mesh: Mesh, targetVolume: number, { slopeX, slopeY }: Slopes): number {
  checkMesh(mesh)
  checkCut({ depth: 0, slopeX, slopeY })
  above('targetVolume', targetVolume, 0)
  const whole = meshVolume(mesh)
  if (targetVolume > whole * (1 + 1e-12)) throw new DomainError('targetVolume', targetVolume, `${whole} or less, the whole chamber`)
  let low = Infinity
  let high = -Infinity
  for (let i = 0; i < mesh.positions.length; i += 3) {
    const height = mesh.positions[i + 2]! - slopeX * mesh.positions[i]! - slopeY * mesh.positions[i + 1]!
    low = Math.min(low, height)
    high = Math.max(high, height)
  }
  let depth = low
  // Fifty halvings are beyond the resolution of a double; Newton needs a handful.
  for (let i = 0; i < 60 && high - low > 1e-8; i++) {
    const { volume, opening } = over(mesh, depth, slopeX, slopeY)
    const left = volume / 1000 - targetVolume
    if (left > 0) low = depth
    else high = depth
    const step = left * 1000 / opening
    if (Math.abs(step) < 1e-9) return depth + step
    const next = depth + step
    depth = next > low && next < high ? next : (low + high) / 2
  }
  return depth
}

/**
 * The cut of a whole head as one of its chambers sees it.
 *
 * @param cut in the head frame
 * @param at the chamber's bore centre X, Y in the head frame, mm
 * @returns the cut in that chamber's frame
 * @throws RangeError when a value is not finite
 * Source: the plane z = depth + slopeX·X + slopeY·Y moved to the bore centre.
 * @example cutAtChamber({ depth: 1, slopeX: 0.001, slopeY: 0 }, { x: 100, y: 0 }) // depth 1.1
 */
export function cutAtChamber(cut: Cut, at: { x: number, y: number }): Cut {
  checkCut(cut)
  return { ...cut, depth: cut.depth + cut.slopeX * finite('at.x', at.x) + cut.slopeY * finite('at.y', at.y) }
}

/**
 * An angled cut followed by a flat one, as one cut.
 *
 * @param cut the angled one
 * @param flat mm taken square off the new face, 0 or more
 * @returns same slopes, deeper by flat·√(1 + |slope|²)
 * @throws RangeError when a value leaves its domain
 * Source: contract; a plane moved along its own normal.
 * @example thenFlat({ depth: 0.5, slopeX: 0, slopeY: 0.02 }, 0.3).depth // 0.80006
 */
export function thenFlat(cut: Cut, flat: number): Cut {
  checkCut(cut)
  if (!(finite('flat', flat) >= 0)) throw new DomainError('flat', flat, '0 or more')
  return { ...cut, depth: cut.depth + flat * Math.sqrt(1 + cut.slopeX ** 2 + cut.slopeY ** 2) }
}
