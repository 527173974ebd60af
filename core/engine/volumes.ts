import { above, atLeast, atMost, finite } from '../domain'

const MM3_PER_CC = 1000

/**
 * Volume of an upright cylinder: a gasket (fire-ring bore × compressed thickness) or the deck space
 * (bore × deck clearance, negative when the piston stands proud).
 *
 * @param diameter mm, greater than 0
 * @param height mm, any sign
 * @returns cc, with the sign of the height
 * @throws RangeError when an argument leaves its domain
 * Source: V = π/4·D²·h, elementary solid geometry.
 * @example cylinderVolume(94, 1.2) // 8.3277 cc, a 94 mm gasket 1.20 mm thick
 */
export function cylinderVolume(diameter: number, height: number): number {
  above('diameter', diameter, 0)
  finite('height', height)
  return (Math.PI / 4) * diameter * diameter * height / MM3_PER_CC
}

/**
 * Volume one piston sweeps between its dead centres.
 *
 * @param engine bore and stroke in mm, both greater than 0
 * @returns cc
 * @throws RangeError when bore or stroke is not greater than 0
 * Source: Heywood, Internal Combustion Engine Fundamentals, §2.2: Vd = π/4·B²·S.
 * @example sweptVolume({ bore: 92, stroke: 85 }) // 565.0469 cc
 */
export function sweptVolume({ bore, stroke }: { bore: number, stroke: number }): number {
  above('bore', bore, 0)
  above('stroke', stroke, 0)
  return cylinderVolume(bore, stroke)
}

/**
 * The ring-shaped gap between piston and bore above the top ring. It fills with charge and so belongs to the
 * clearance volume, though no pour into the chamber shows it.
 *
 * @param piston bore and crown diameter in mm (crown not wider than bore), top land height in mm (0 or more)
 * @returns cc
 * @throws RangeError when a dimension leaves its domain
 * Source: Heywood §8.6 (crevices): V = π/4·(B² − D²)·h.
 * @example creviceVolume({ bore: 92, crownDiameter: 91.35, topLandHeight: 7 }) // 0.6552 cc
 */
export function creviceVolume(
  { bore, crownDiameter, topLandHeight }: { bore: number, crownDiameter: number, topLandHeight: number }
): number {
  above('bore', bore, 0)
  above('crownDiameter', crownDiameter, 0)
  atMost('crownDiameter', crownDiameter, bore)
  atLeast('topLandHeight', topLandHeight, 0)
  return cylinderVolume(bore, topLandHeight) - cylinderVolume(crownDiameter, topLandHeight)
}

export interface ClearanceParts {
  /** Combustion chamber in the head, cc, 0 or more. */
  chamber: number
  /** Hole in the gasket, cc, 0 or more. */
  gasket: number
  /** Space between the piston's flat and the deck, cc, negative when it stands proud. */
  deck: number
  /** Piston crown, cc: + for a dish or pockets, − for a dome. */
  crown: number
  /** Gap above the top ring, cc, when the build counts it. */
  crevice?: number
  /** Anything else that is open at top dead centre, cc. */
  other?: number
}

/**
 * Whole volume over the piston at top dead centre.
 *
 * @param parts cc, see {@link ClearanceParts}
 * @returns cc, greater than 0
 * @throws RangeError when a part is not a number, chamber or gasket is negative, or nothing is left
 * Source: Heywood §2.2, Vc as the sum of its parts.
 * @example clearanceVolume({ chamber: 55.3, gasket: 8.328, deck: 2.26, crown: 3 }) // 68.888 cc
 */
export function clearanceVolume({ chamber, gasket, deck, crown, crevice = 0, other = 0 }: ClearanceParts): number {
  atLeast('chamber', chamber, 0)
  atLeast('gasket', gasket, 0)
  finite('deck', deck)
  finite('crown', crown)
  atLeast('crevice', crevice, 0)
  finite('other', other)
  return above('clearance', chamber + gasket + deck + crown + crevice + other, 0)
}

/**
 * Mean width of the ledge between a gasket's opening and the bore.
 *
 * @param opening area of the opening in mm², outline: length of its edge in mm; bore in mm
 * @returns mm, + where it stands outside the bore, − where it hangs over it
 * @throws RangeError when a value leaves its domain
 * Source: definition, (area − π/4·B²)/outline.
 * @example openingLedge({ area: 6939.78, outline: 295.31, bore: 92 }) // 0.99 mm: a 94 mm fire ring round a 92 bore
 */
export function openingLedge({ area, outline, bore }: { area: number, outline: number, bore: number }): number {
  above('area', area, 0)
  above('outline', outline, 0)
  above('bore', bore, 0)
  return (area - Math.PI / 4 * bore * bore) / outline
}

/**
 * What a mm of a deeper valve pocket adds to a crown: its floor lies along the valve's head, seen along the bore. A pocket that is cut
 * afresh into a flat crown adds less.
 *
 * @param valve across its head in mm, above 0
 * @param side room all round it in mm, 0 or more
 * @param tilt of the valve against the bore, degrees from 0 to 60
 * @returns cc per mm
 * @throws RangeError when a value leaves its domain
 * Source: area of a circle seen from τ, π/4·(D + 2s)²·cos τ.
 * @example pocketArea(34, 1.2, 22) // 0.9648 cc per mm: a circle of 36.4 mm is 1040.6 mm²
 */
export function pocketArea(valve: number, side: number, tilt: number): number {
  above('valve', valve, 0)
  atLeast('side', side, 0)
  atMost('tilt', atLeast('tilt', tilt, 0), 60)
  return cylinderVolume(valve + 2 * side, 1) * Math.cos(tilt * Math.PI / 180)
}
