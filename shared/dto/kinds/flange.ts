import { IsOptional } from 'class-validator'
import { DomainError, FLANGE_PARTS, OUTLINE_POINTS, outlineFault, outlinePoints, type FlangePart, type Outline, type XY } from '#core'
import { OneOf, Sound } from '../decorators'
import { isFields } from '../plain'

const FIELDS: Record<Outline['form'], readonly string[]> = { rectangle: ['x', 'y', 'width', 'height', 'radius'], circle: ['x', 'y', 'diameter'], ellipse: ['x', 'y', 'width', 'height'], oval: ['x', 'y', 'width', 'height'], points: ['points'] }
const NAMES: Record<string, string> = { x: 'place across', y: 'place up', width: 'width', height: 'height', radius: 'corner radius', diameter: 'diameter' }

/** What is wrong with an opening, if anything, in the shop's words. */
export function openingFault(value: unknown): string | undefined {
  if (!isFields(value) || typeof value.form !== 'string' || !Object.hasOwn(FIELDS, value.form)) return `An opening is one of ${Object.keys(FIELDS).join(', ')}.`
  const wanted = FIELDS[value.form as Outline['form']]
  const strange = Object.keys(value).find(key => key !== 'form' && !wanted.includes(key))
  if (strange) return `“${strange.slice(0, 40)}” is not known here.`
  if (value.form === 'points') return tracedFault(value.points, 'opening', OUTLINE_POINTS)
  for (const name of wanted) {
    const [least, most] = name === 'x' || name === 'y' ? [-500, 500] : [name === 'radius' ? 0 : 3, 200]
    const given = value[name]
    if (typeof given !== 'number' || !(given >= least! && given <= most!)) return `The opening’s ${NAMES[name]} lies between ${least} and ${most} mm.`
  }
  try {
    outlinePoints(value as unknown as Outline)
    return undefined
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    return 'A corner’s radius is half of the shorter side at most.'
  }
}

/** What is wrong with something traced, if anything. */
export function tracedFault(points: unknown, noun: 'opening' | 'section', most: number): string | undefined {
  if (!Array.isArray(points) || !points.every(p => Array.isArray(p) && p.length === 2 && p.every(v => typeof v === 'number'))) return `A traced ${noun} is a list of points, each with its x and its y in mm.`
  if (points.length < 3 || points.length > most) return `A traced ${noun} has between 3 and ${most} points; this one has ${points.length}.`
  const fault = outlineFault(points as XY[])
  if (!fault) return undefined
  return fault.includes('cross') ? `This ${noun}’s outline crosses itself.` : fault.includes('mm²') ? 'These points enclose nothing.' : `The points of ${noun === 'opening' ? 'an' : 'a'} ${noun} lie between -1000 and 1000 mm.`
}

export class FlangeBody {
  @OneOf(['intake', 'exhaust'], 'Which ports') port!: 'intake' | 'exhaust'
  @OneOf(FLANGE_PARTS, 'What it is the opening of') part!: FlangePart
  @Sound(openingFault) outline!: Outline
  @IsOptional() @OneOf(['left', 'right'], 'The side of the inner wall')
  @Sound((value, { part }) => value !== undefined && part !== 'port' ? 'Only the port bends.' : undefined) inner?: 'left' | 'right'
}
