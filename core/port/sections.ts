import { outlineArea } from '../chamber'
import { above, atLeast, DomainError, finite } from '../domain'
import { outlineFault, type XY } from './flange'

/** An area across a port at a place along its middle line: mm from the seat, mm². */
export interface PortSection { at: number, area: number }

/** How a section was measured: its area, its outline as traced, or width and height with the radius of its corners, mm. */
export type SectionShape = { area: number } | { points: readonly XY[] } | { width: number, height: number, radius: number }

/**
 * Area of a section.
 *
 * @param shape an area as it is, an outline, or a rectangle with rounded corners; a round port is as wide as high with half of it as radius
 * @returns mm²
 * @throws RangeError for an outline that is none, when a length is not above 0, or the radius is below 0 or more than half of the shorter side
 * Source: plane geometry, w·h − (4 − π)·r², or the shoelace formula.
 * @example sectionArea({ width: 32, height: 38, radius: 8 }) // 1161.062 mm²
 */
export function sectionArea(shape: SectionShape): number {
  if ('area' in shape) return above('area', shape.area, 0)
  if ('points' in shape) {
    const fault = outlineFault(shape.points)
    if (fault) throw new DomainError('points', shape.points.length, fault)
    return Math.abs(outlineArea(shape.points))
  }
  const { width, height, radius } = shape
  above('width', width, 0)
  above('height', height, 0)
  if (atLeast('radius', radius, 0) > Math.min(width, height) / 2) throw new DomainError('radius', radius, `${Math.min(width, height) / 2} at most, half of the shorter side`)
  return width * height - (4 - Math.PI) * radius * radius
}

/**
 * What a port holds between its first and its last section, and where it is smallest.
 *
 * @param sections two or more, at ascending places
 * @returns volume in cc; `least` the smallest section; `mean` its area as if it were a pipe, mm²
 * @throws RangeError for fewer than two, places that do not ascend, or an area that is not above 0
 * Source: frusta, Δ/3·(A₁ + A₂ + √(A₁·A₂)); mean = volume/length.
 * @example sectionsVolume([{ at: 0, area: 900 }, { at: 20, area: 800 }, { at: 50, area: 1000 }]).volume // 43.934459 cc
 */
export function sectionsVolume(sections: readonly PortSection[]): { volume: number, least: PortSection, mean: number } {
  if (sections.length < 2) throw new DomainError('sections', sections.length, 'two or more')
  let volume = 0
  for (const [i, { at, area }] of sections.entries()) {
    finite(`sections[${i}].at`, at)
    above(`sections[${i}].area`, area, 0)
    const before = sections[i - 1]
    if (!before) continue
    above(`sections[${i}].at`, at, before.at)
    volume += (at - before.at) / 3 * (before.area + area + Math.sqrt(before.area * area)) / 1000
  }
  const least = sections.reduce((small, s) => s.area < small.area ? s : small)
  return { volume, least: { at: least.at, area: least.area }, mean: volume * 1000 / (sections.at(-1)!.at - sections[0]!.at) }
}

/**
 * Mean speed of a flow through a section.
 *
 * @param flow L/s
 * @param area mm²
 * @returns m/s
 * @throws RangeError when the flow is below 0 or the area not above 0
 * Source: continuity, Q/A.
 * @example speedThrough(184.541, 1161.062) // 158.942 m/s
 */
export function speedThrough(flow: number, area: number): number {
  return atLeast('flow', flow, 0) * 1000 / above('area', area, 0)
}
