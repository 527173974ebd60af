import { CHAMBER_KINDS, mouthOf, specFaults, type ChamberSpec, type Relief } from '#core'
import { sayFault } from '#shared/words/chamber'

type Check = (value: unknown, path: string) => string | undefined

const number: Check = (value, path) => typeof value === 'number' && Number.isFinite(value) ? undefined : `A number is needed at ${path}.`
const optional = (check: Check): Check => (value, path) => value === undefined ? undefined : check(value, path)
const oneOf = (choices: readonly unknown[]): Check => (value, path) => choices.includes(value) ? undefined : `${path} must be one of ${choices.join(', ')}.`
const list = (check: Check, most: number): Check => (value, path) => {
  if (!Array.isArray(value) || value.length > most) return `${path} must be a list of ${most} at most.`
  for (const [i, item] of value.entries()) {
    const fault = check(item, `${path}[${i}]`)
    if (fault) return fault
  }
  return undefined
}
const fields = (shape: Record<string, Check>): Check => (value, path) => {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return `An object with fields is needed at ${path}.`
  const strange = Object.keys(value).find(key => !Object.hasOwn(shape, key))
  if (strange) return `“${strange.slice(0, 40)}” is not known at ${path}.`
  for (const [key, check] of Object.entries(shape)) {
    const fault = check((value as Record<string, unknown>)[key], `${path}.${key}`)
    if (fault) return fault
  }
  return undefined
}

const point: Check = (value, path) => Array.isArray(value) && value.length === 2 && value.every(v => typeof v === 'number' && Number.isFinite(v))
  ? undefined
  : `${path} must be two numbers.`
const ROOFS: Record<string, Check> = {
  plane: fields({ shape: oneOf(['plane']), height: number, slope: number, rises: number }),
  ridge: fields({ shape: oneOf(['ridge']), height: number, slope: number, rises: number }),
  sphere: fields({ shape: oneOf(['sphere']), height: number, radius: number }),
  turned: fields({ shape: oneOf(['turned']), recess: number, band: number, domeRadius: number, height: number, toroid: oneOf([true, false]), section: optional(oneOf(['cone', 'flat'])), corner: optional(number) })
}
const roof: Check = (value, path) => {
  const shape = typeof value === 'object' && value !== null ? String((value as { shape?: unknown }).shape) : ''
  return Object.hasOwn(ROOFS, shape) ? ROOFS[shape]!(value, path) : `${path} must be a plane, a ridge, a sphere or turned.`
}
const valve = fields({
  valve: oneOf(['intake', 'exhaust']), x: number, y: number, diameter: number, tilt: number, leans: number, seatHeight: number, sunk: number,
  seatWidth: number, seatAngle: number, topCutWidth: number, topCutAngle: number, throat: optional(number), stem: optional(number)
})
const reliefs = list(fields({ valve: number, radii: list(number, 720), below: number, corner: optional(number), line: number }), 24)
const spec = fields({
  kind: oneOf(CHAMBER_KINDS), outline: list(point, 64), pads: list(fields({ towards: number, chord: number, recess: number }), 6), roof,
  draft: number, floorRadius: number, valves: list(valve, 6), plug: optional(fields({ x: number, y: number, diameter: number, recess: number })),
  reliefs: optional(reliefs)
})

/** What is wrong with a chamber's drawing as it comes in: its fields first, then whether a chamber can be made of it. */
export function chamberFault(value: unknown): string | undefined {
  const shape = spec(value, 'The chamber')
  if (shape) return shape
  const [fault] = specFaults(value as ChamberSpec, mouthOf)
  return fault && sayFault(fault)
}

/** What a model says a cut takes off, cylinder by cylinder. */
export function removedFault(value: unknown): string | undefined {
  const shape = list(fields({ cylinder: number, x: number, cc: number, perMm: number, factor: number }), 16)(value, 'What the cut takes')
  if (shape) return shape
  const bad = (value as { cylinder: number, x: number, cc: number, perMm: number, factor: number }[])
    .find(r => !Number.isInteger(r.cylinder) || r.cylinder < 1 || r.cylinder > 16 || Math.abs(r.x) > 2000 || r.cc < 0 || r.cc > 500 || r.perMm < 0 || r.perMm > 80 || r.factor <= 0 || r.factor > 20)
  return bad ? `What the cut takes off cylinder ${bad.cylinder} can’t be right.` : undefined
}

/** Metal taken off, as it comes in with an operation. */
export function reliefsFault(value: unknown): string | undefined {
  const shape = reliefs(value, 'What is taken off')
  if (shape) return shape
  const bad = (value as Relief[]).find(r => !Number.isInteger(r.valve) || r.valve < 0 || r.valve > 5 || r.radii.length < 8 || r.radii.length % 2 || r.radii.some(x => x < 0 || x > 150) || r.line < 5 || r.line > 200 || r.below < 0 || r.below > 40 || (r.corner ?? 0) < 0 || (r.corner ?? 0) > 40)
  return bad ? 'What is taken off round a valve can’t be right.' : undefined
}

const lathe = fields({ mouth: number, depth: number })
/** What is wrong with a dome as it is to be turned. */
export function turnedFault(value: unknown): string | undefined {
  const fault = lathe(value, 'The dome')
  if (fault) return fault
  const { mouth, depth } = value as { mouth: number, depth: number }
  return mouth > 0 && mouth <= 150 && depth > 0 && depth <= 150 ? undefined : 'A dome’s mouth and depth lie between 0 and 150 mm.'
}
