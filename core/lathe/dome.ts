import { DomainError, above, atLeast } from '../domain'

export const DOME_FORMS = ['sphere', 'torus', 'cone', 'flat'] as const
export type DomeForm = (typeof DOME_FORMS)[number]

/**
 * A dome as it is turned about the bore's axis, from the plane of the band's inner edge upward. Lengths in mm.
 *
 * - sphere: an arc over the whole mouth
 * - torus: an arc from the axis to the mouth's edge, turned round: a groove about the plug
 * - cone: straight sides to a tip rounded by `corner`
 * - flat: upright sides and a flat roof, with `corner` between them
 *
 * Deeper than its arc reaches, a sphere or a torus goes on as an upright wall: a ball-nosed tool fed straight in.
 */
export interface Dome {
  form: DomeForm
  /** Radius of the mouth. */
  mouth: number
  depth: number
  /** Radius of a cone's tip or of a flat roof's edge; of no account to the others. */
  corner: number
}

/** An arc over a chord: its radius, how much of the depth is upright wall under it, and half its chord. */
interface Arc { radius: number, wall: number, half: number }

/** Source: chord and height of a circle's segment, R = (w² + h²)/2h for half a chord w. */
function arcOver(half: number, depth: number): Arc {
  return depth >= half ? { radius: half, wall: depth - half, half } : { radius: (half * half + depth * depth) / (2 * depth), wall: 0, half }
}

/** A cone whose tip would be rounder than an arc over its whole mouth is that arc. */
const plain = (dome: Dome): Dome => dome.form === 'cone' && dome.corner >= arcOver(dome.mouth, dome.depth).radius ? { ...dome, form: 'sphere' } : dome

const arcOf = ({ form, mouth, depth }: Dome): Arc => arcOver(form === 'torus' ? mouth / 2 : mouth, depth)

/** A cone's side against its mouth, rad, its tip's radius, and where both meet. */
interface Cone { angle: number, tip: number, meets: number }

/** Source: h = a·tanθ − ρ·(1/cosθ − 1) for a tip of radius ρ tangent to sides at θ, solved by halving: h grows with θ. */
function coneOf({ mouth, depth, corner: tip }: Dome): Cone {
  let [low, high] = [0, tip > mouth ? Math.asin(mouth / tip) : Math.PI / 2 - 1e-9]
  for (let i = 0; i < 80; i++) {
    const angle = (low + high) / 2
    if (mouth * Math.tan(angle) - tip * (1 / Math.cos(angle) - 1) < depth) low = angle
    else high = angle
  }
  return { angle: low, tip, meets: Math.min(mouth, tip * Math.sin(low)) }
}

function checked(dome: Dome): Dome {
  above('mouth', dome.mouth, 0)
  above('depth', dome.depth, 0)
  atLeast('corner', dome.corner, 0)
  if (dome.form === 'flat' && dome.corner > Math.min(dome.mouth, dome.depth)) throw new DomainError('corner', dome.corner, `at most ${Math.min(dome.mouth, dome.depth)}`)
  return plain(dome)
}

/**
 * How high a dome stands over its mouth's plane, by distance from the axis.
 *
 * @param dome see {@link Dome}
 * @returns mm at a radius; 0 from the mouth's edge on
 * @throws RangeError when a length leaves its domain
 * Source: plane geometry of arcs and tangents.
 * @example domeHeight({ form: 'sphere', mouth: 24, depth: 14.4, corner: 0 })(0) // 14.4
 */
export function domeHeight(dome: Dome): (r: number) => number {
  const like = checked(dome)
  const { form, mouth, depth, corner } = like
  if (form === 'cone') {
    const { angle, tip, meets } = coneOf(like)
    const from = (mouth - meets) * Math.tan(angle) - tip * Math.cos(angle)
    return r => r >= mouth ? 0 : r >= meets ? (mouth - r) * Math.tan(angle) : from + Math.sqrt(tip * tip - r * r)
  }
  if (form === 'flat') {
    const inner = mouth - corner
    return r => r >= mouth ? 0 : r <= inner ? depth : depth - corner + Math.sqrt(Math.max(0, corner * corner - (r - inner) ** 2))
  }
  const { radius, wall, half } = arcOf(like)
  const middle = form === 'torus' ? half : 0
  return r => r >= mouth ? 0 : wall + Math.sqrt(Math.max(0, radius * radius - (r - middle) ** 2)) - Math.sqrt(Math.max(0, radius * radius - half * half))
}

/**
 * What a dome holds over its mouth's plane.
 *
 * @param dome see {@link Dome}
 * @returns cc
 * @throws RangeError when a length leaves its domain
 * Source: spherical cap πh(3a² + h²)/6; the torus by Pappus, its segment's area times 2π·a/2; cone frustum and spherical
 *   tip; cylinder and quarter-round by Pappus (Bronstein, Taschenbuch der Mathematik, §3.3.4, and Pappus's second theorem).
 * @example domeVolume({ form: 'sphere', mouth: 24, depth: 14, corner: 0 }) // 14.104 cc: π·14·(3·24² + 14²)/6
 */
export function domeVolume(dome: Dome): number {
  const like = checked(dome)
  const { form, mouth: a, depth: h, corner } = like
  switch (form) {
    case 'sphere': {
      const { wall } = arcOf(like)
      const cap = h - wall
      return Math.PI * (a * a * wall + cap * (3 * a * a + cap * cap) / 6) / 1000
    }
    case 'torus': {
      const { radius: R, wall, half } = arcOf(like)
      const cap = h - wall
      const area = 2 * half * wall + R * R * Math.acos((R - cap) / R) - (R - cap) * Math.sqrt(Math.max(0, 2 * R * cap - cap * cap))
      return 2 * Math.PI * half * area / 1000
    }
    case 'cone': {
      const { angle, tip, meets } = coneOf(like)
      const k = Math.tan(angle)
      const sides = 2 * Math.PI * k * (a ** 3 / 6 - a * meets * meets / 2 + meets ** 3 / 3)
      const level = (a - meets) * k - tip * Math.cos(angle)
      const top = Math.PI * meets * meets * level + 2 * Math.PI / 3 * (tip ** 3 - Math.max(0, tip * tip - meets * meets) ** 1.5)
      return (sides + top) / 1000
    }
    case 'flat': {
      const b = a - corner
      return Math.PI * (a * a * (h - corner) + b * b * corner + Math.PI / 2 * b * corner * corner + 2 / 3 * corner ** 3) / 1000
    }
  }
}

/** What the turner sets a dome by: the radius of its arc, tip or corner, which is its tightest hollow, where that is struck from (`r` from the axis, `z` over the mouth's plane), and the side's angle to the face, degrees. */
export interface Struck { radius: number, r: number, z: number, angle?: number }

/**
 * How a dome's round part is struck.
 *
 * @param dome see {@link Dome}
 * @throws RangeError when a length leaves its domain
 * @example struck({ form: 'sphere', mouth: 24, depth: 14.4, corner: 0 }) // { radius: 27.2, r: 0, z: −12.8 }
 */
export function struck(dome: Dome): Struck {
  const like = checked(dome)
  const { form, mouth, depth, corner } = like
  if (form === 'flat') return { radius: corner, r: mouth - corner, z: depth - corner }
  if (form === 'cone') {
    const { angle, tip } = coneOf(like)
    return { radius: tip, r: 0, z: depth - tip, angle: angle * 180 / Math.PI }
  }
  const { radius, half } = arcOf(like)
  return { radius, r: form === 'torus' ? half : 0, z: depth - radius }
}
