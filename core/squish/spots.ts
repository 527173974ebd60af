import { Matrix, pseudoInverse } from 'ml-matrix'
import { DomainError, atLeast, finite } from '../domain'

/** A length read at a place on the crown: x along the crank, y across it, from the bore's centre, mm. */
export interface Spot { x: number, y: number, value: number }

/** A flattened strand is thinner than it was by more than this, mm; one that is not was never touched. */
export const SOLDER_TOUCHED = 0.05

export interface SpotPlane {
  /** The length over the bore's centre, mm: what the volume is reckoned with. */
  centre: number
  /** mm per mm along the crank: taper of head, deck or gasket. */
  taper: number
  /** mm per mm across it: the piston rocked on its pin. */
  rock: number
  /** The smallest reading, mm: what touches first. */
  smallest: number
  /** Standard uncertainty of `centre`, mm: of a reading, the more the further the places lie from the middle on one side. */
  u: number
  /** The scatter of one reading about the plane, mm; 0 where there are too few to tell. */
  scatter: number
}

/**
 * The plane through lengths read at several places: solder at top dead centre, or a dial over the crown. It takes
 * rock out of a deck clearance and tells it from taper.
 *
 * @param spots one or more; a slope is only told where the spots reach to both sides in that direction
 * @param readingU standard uncertainty of one reading, mm: the doubt is never less than this allows
 * @returns see {@link SpotPlane}
 * @throws RangeError for no spots or a value that is not finite
 * Source: least squares h = h0 + a·x + b·y, u² = u(reading)²·((AᵀA)⁻¹)₀₀ (Press et al., Numerical Recipes, §15.4); with no
 * spare reading the doubt is that of the readings alone (GUM §4.2.3).
 * @example spotPlane([{ x: 0, y: 40, value: 1.30 }, { x: 0, y: -40, value: 1.22 }]) // centre 1.26, rock 0.001
 */
export function spotPlane(spots: Spot[], readingU = 0): SpotPlane {
  if (!Array.isArray(spots) || spots.length === 0) throw new DomainError('spots', spots?.length ?? spots, 'one or more')
  atLeast('readingU', readingU, 0)
  spots.forEach((spot, i) => (['x', 'y', 'value'] as const).forEach(key => finite(`spots[${i}].${key}`, spot[key])))
  const n = spots.length
  const sum = (f: (s: Spot) => number) => spots.reduce((total, s) => total + f(s), 0)
  const spread = (axis: 'x' | 'y') => Math.max(...spots.map(s => s[axis])) - Math.min(...spots.map(s => s[axis]))
  // A slope wants a spare direction: two spots tell one, three tell both.
  const useX = spread('x') > 1e-6
  const useY = spread('y') > 1e-6 && (n > 2 || spread('y') >= spread('x'))
  const basis: ((s: Spot) => number)[] = [
    () => 1, s => useX && !(n === 2 && useY) ? s.x : 0, s => useY ? s.y : 0
  ]
  // All places in one line: what can't be told from them is taken as level (the pseudo-inverse).
  const inverse = pseudoInverse(new Matrix(basis.map(f => basis.map(g => sum(s => f(s) * g(s))))))
  const [centre, taper, rock] = inverse.mmul(Matrix.columnVector(basis.map(f => sum(s => f(s) * s.value)))).to1DArray() as [number, number, number]
  const used = basis.filter(f => spots.some(s => f(s) !== 0)).length
  const off = sum(s => (s.value - centre - taper * s.x - rock * s.y) ** 2)
  const scatter = n > used ? Math.sqrt(off / (n - used)) : 0
  const own = Math.max(scatter, readingU)
  return { centre, taper, rock, smallest: Math.min(...spots.map(s => s.value)), scatter, u: own * Math.sqrt(Math.max(0, inverse.get(0, 0))) }
}

/**
 * Gap along the bore from a solder flattened on a band that lies at an angle.
 *
 * @param read thickness of the flattened end, square to the band, mm
 * @param bandAngle degrees between band and deck, 0 or more, below 90
 * @returns mm along the bore
 * @throws RangeError when the angle leaves its domain
 * Source: plane geometry, the solder reads axial·cosα.
 * @example axialGap(1.9204, 10) // 1.95 mm
 */
export function axialGap(read: number, bandAngle: number): number {
  finite('read', read)
  atLeast('bandAngle', bandAngle, 0)
  if (bandAngle >= 90) throw new DomainError('bandAngle', bandAngle, 'below 90')
  return read / Math.cos(bandAngle * Math.PI / 180)
}

/**
 * The length a plane through readings has at a place of the crown.
 *
 * @param plane see {@link SpotPlane}
 * @param place mm from the bore's middle, x along the crank
 * @returns mm
 * Source: h0 + a·x + b·y.
 * @example planeAt({ centre: 1.26, taper: 0, rock: 0.001, … }, { x: 0, y: 40 }) // 1.30
 */
export const planeAt = ({ centre, taper, rock }: SpotPlane, { x, y }: { x: number, y: number }): number => centre + taper * x + rock * y
