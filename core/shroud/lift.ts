import { above, finite } from '../domain'

/**
 * A simple lift curve from a cam's lift and duration.
 *
 * @param most lift in mm, greater than 0
 * @param duration degrees over which the valve is off its seat, greater than 0
 * @param places how many, 3 or more
 * @returns angle from the beginning in degrees and lift in mm
 * @throws RangeError when a value leaves its domain
 * Source: a raised cosine, most/2·(1 − cos(2π·angle/duration)): smooth at either end, as cams are; a stand-in where
 *   no lift table is at hand.
 * @example liftProfile(10, 260, 3) // 0 → 0, 130 → 10, 260 → 0
 */
export function liftProfile(most: number, duration: number, places: number): { angle: number, lift: number }[] {
  above('most', most, 0)
  above('duration', duration, 0)
  above('places', finite('places', places), 2)
  return Array.from({ length: places }, (_, i) => {
    const angle = duration * i / (places - 1)
    return { angle, lift: most / 2 * (1 - Math.cos(2 * Math.PI * angle / duration)) }
  })
}
