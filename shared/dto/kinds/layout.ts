import { IsOptional } from 'class-validator'
import { ARRANGEMENTS, CHAMBER_KINDS, FIGURE_BOUNDS, FIRST_ENDS, HEAD_KINDS, VALVE_COUNTS, type Engine } from '#core'
import { groupsFault } from '../groups'
import { figureFault, Sound } from '../decorators'
import { isFields } from '../plain'

const CHOICES: Record<string, { of: readonly unknown[], noun: string }> = {
  strokes: { of: [2, 4], noun: 'The strokes' }, arrangement: { of: ARRANGEMENTS, noun: 'The arrangement' }, first: { of: FIRST_ENDS, noun: 'The end that numbering begins at' },
  head: { of: HEAD_KINDS, noun: 'The kind of head' }, chamber: { of: CHAMBER_KINDS, noun: 'The kind of chamber' }
}

/** What is wrong with what is said of an engine, if anything. */
function engineFault(value: unknown): string | undefined {
  if (!isFields(value)) return 'An engine is told by its fields.'
  const { bankAngle, intakes, exhausts, ...rest } = value
  const strange = Object.keys(rest).find(key => !Object.hasOwn(CHOICES, key))
  if (strange) return `“${strange.slice(0, 40)}” is not known of an engine.`
  for (const [key, { of, noun }] of Object.entries(CHOICES)) if (!of.includes(rest[key])) return `${noun} must be one of ${of.join(', ')}.`
  const { strokes, arrangement, head } = rest as unknown as Engine
  if (bankAngle !== undefined) {
    if (arrangement !== 'vee') return 'Only a vee has an angle between its banks.'
    const fault = figureFault(bankAngle, { ...FIGURE_BOUNDS.bankAngle, noun: 'the angle between the banks' })
    if (fault) return fault
  }
  if (!VALVE_COUNTS.some(([i, e]) => i === intakes && e === exhausts)) return 'A cylinder has no valves, or from two to five of them.'
  if (strokes === 4 && intakes === 0) return 'A four-stroke has valves: say how many.'
  if (head === 'turned' && intakes !== 0) return 'A turned head has no valves.'
  return undefined
}

export class LayoutBody {
  @Sound(groupsFault) heads!: number[][]
  @Sound((value, { heads }) => groupsFault(value) ?? (
    groupsFault(heads) === undefined && String((value as number[][]).flat().sort()) !== String((heads as number[][]).flat().sort())
      ? 'Banks and heads must hold the same cylinders.'
      : undefined)) banks!: number[][]

  @IsOptional() @Sound(engineFault) engine?: Engine

  @IsOptional() @Sound((value, { heads }) => Array.isArray(value) && Array.isArray(heads) && value.length > 0 && new Set(value).size === value.length && value.every(head => Number.isInteger(head) && head >= 1 && head <= heads.length)
    ? undefined
    : 'Heads that begin at the left are named once each, by number.') fromLeft?: number[]
}
