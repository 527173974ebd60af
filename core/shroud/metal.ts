import { valveFrame, type ChamberValve, type Relief } from '../chamber'
import { above } from '../domain'

/** Places round a valve at which a relief keeps its radius: every three degrees, straight between. */
export const RELIEF_PLACES = 120

/** How far on either side of the hand a wall that is pulled follows it: five places, 15°. */
const PULLED = 5

/**
 * Radii at the places a relief keeps, to a hundredth.
 *
 * @param radii about the valve's axis at equal steps of azimuth, mm; below 0 counts as nothing cut
 * @returns {@link RELIEF_PLACES} of them
 * @example keptRadii(Array.from({ length: 360 }, () => 21.237))[7] // 21.24
 */
export const keptRadii = (radii: number[]): number[] => Array.from({ length: RELIEF_PLACES }, (_, i) =>
  Math.round(Math.max(0, radii[Math.round(i * radii.length / RELIEF_PLACES) % radii.length]!) * 100) / 100)

/**
 * How far below a valve's seat a relief begins: at the low edge of its top cut, which is not to be touched.
 *
 * @param valve see {@link ChamberValve}
 * @returns mm along its axis, 0 or more
 * Source: the distance of the two edges' planes, width·tan(angle).
 * @example underSeat({ topCutWidth: 0.5, topCutAngle: 30, … }) // 0.289
 */
export function underSeat(valve: ChamberValve): number {
  const { seat, topCut, axis } = valveFrame(valve)
  return Math.round(1000 * Math.max(0, seat.reduce((sum, s, k) => sum + (s - topCut[k]!) * axis[k]!, 0))) / 1000
}

/**
 * Along a guide's axis from the face to the seat's plane: what a cutter on an arbor would reach.
 *
 * @param valve see {@link ChamberValve}
 * @param gone mm off the face as it was cast
 * @returns mm
 * Source: (z of the seat − what is gone)/cos τ.
 * @example faceToSeat({ seatHeight: 12, tilt: 0, sunk: 0, … }, 0.5) // 11.5
 */
export function faceToSeat(valve: ChamberValve, gone: number): number {
  const { seat, axis } = valveFrame(valve)
  return (seat[2] - gone) / axis[2]
}

/** A cutter's setting: its diameter and corner, how far it reaches from the face, and the azimuths it is swept between, degrees. */
export interface Cutter { diameter: number, corner: number, reach?: number, from: number, to: number }

/**
 * The metal a cutter takes about a valve's guide.
 *
 * @param valve its number, `of` the valve itself
 * @param cutter see {@link Cutter}; without a reach it goes down to the top cut
 * @param line how far from the bore's middle the face may be opened, mm
 * @param gone mm off the face as it was cast
 * @returns one radius between two azimuths, as deep as it reaches and no deeper than the top cut
 * @throws RangeError when the diameter is 0 or less
 * @example cutterRelief({ valve: 0, of: valve }, { diameter: 42, corner: 1, from: 0, to: 360 }, 46, 0).radii[0] // 21
 */
export function cutterRelief({ valve, of }: { valve: number, of: ChamberValve }, { diameter, corner, reach, from, to }: Cutter, line: number, gone: number): Relief {
  above('diameter', diameter, 0)
  const round = (degrees: number) => (degrees % 360 + 360) % 360
  const inside = (degrees: number) => to - from >= 360 || round(degrees - from) <= round(to - from)
  const least = underSeat(of)
  const below = reach === undefined ? least : Math.min(40, Math.max(least, faceToSeat(of, gone) - reach))
  return {
    valve, radii: keptRadii(Array.from({ length: 360 }, (_, i) => inside(i) ? diameter / 2 : 0)), below: Math.round(below * 1000) / 1000, line,
    ...(corner > 0 ? { corner } : {})
  }
}

/**
 * A place of the wall pulled out or in by hand: its neighbours follow, less and less, up to 15° on either side.
 *
 * @param radii what is cut already, at {@link RELIEF_PLACES}, mm, 0 where nothing is
 * @param wall the wall as it is: distance from the valve's edge at each degree, `most` how far it may go, and the valve's radius
 * @param azimuth of the hand, degrees, and `far`: mm from the valve's axis that it asks for there
 * @returns the new radii: at the hand what it asks, beside it what is cut already or more, never past `most`
 * Source: a straight fall to nothing at the sixth place; less than 0.02 mm is no metal.
 * @example pulledWall(none, { radius: 20, gap, most }, 90, 23)[30] // 23
 */
export function pulledWall(radii: number[], { radius, gap, most }: { radius: number, gap: number[], most: (number | undefined)[] }, azimuth: number, far: number): number[] {
  const at = Math.round(azimuth / 360 * RELIEF_PLACES)
  const degree = (i: number) => Math.round(i * 360 / RELIEF_PLACES) % 360
  const pull = far - radius - gap[degree(at % RELIEF_PLACES)]!
  const pulled = radii.slice()
  for (let j = -PULLED; j <= PULLED; j++) {
    const i = (at + j + RELIEF_PLACES) % RELIEF_PLACES
    const bare = radius + gap[degree(i)]!
    const to = Math.min(radius + (most[degree(i)] ?? 0), bare + pull * (1 - Math.abs(j) / (PULLED + 1)))
    if (j === 0 || to > pulled[i]!) pulled[i] = to > bare + 0.02 ? Math.round(to * 100) / 100 : 0
  }
  return pulled
}
