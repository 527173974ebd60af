import { IsOptional } from 'class-validator'
import { FACE_REACH, FINDINGS, type Finding, type FindingBody as Body } from '#core'
import { OneOf, PlainNote, Sound } from '../decorators'
import { isFields } from '../plain'

function placeFault(value: unknown): string | undefined {
  const off = (at: unknown) => typeof at !== 'number' || !Number.isFinite(at) || Math.abs(at) > FACE_REACH
  if (!isFields(value) || Object.keys(value).some(key => key !== 'x' && key !== 'y')) return 'A place on the face is how far along it lies and how far across.'
  return off(value.x) || off(value.y) ? `A place lies within ${FACE_REACH} mm of the head’s middle.` : undefined
}

/** A finding that its name does not say all of. */
const wantsWords = (what: unknown) => what === 'missing' || what === 'other'

export class FindingBody {
  @Sound((value, { words }) => wantsWords(value) && (typeof words !== 'string' || words.trim() === '') ? `Say ${value === 'missing' ? 'what is missing' : 'what it is'}.` : undefined)
  @OneOf(FINDINGS, 'What was found') what!: Finding

  @IsOptional() @Sound(placeFault) place?: Body['place']
  @IsOptional() @PlainNote(200) words?: string
  @IsOptional() @PlainNote(100) told?: string
  @IsOptional() @PlainNote(200) decided?: string
}
