import { IsBoolean, IsObject, IsOptional } from 'class-validator'
import { ENTRY_KINDS, type EntryKind, type Scope } from '#core'
import { uuidFault, InstrumentFigures } from './bodies'
import { Initials, OneOf, PlainName, PlainNote, Sound } from './decorators'

/** What a client PUTs to name a build. */
export class BuildRequest {
  @PlainName('The build’s name') name!: string
  @PlainName('The job reference') reference!: string
  @Initials() hand!: string
}

/** What a client PUTs to add or change one of the shop's instruments. */
export class InstrumentRequest extends InstrumentFigures {
  @Initials() hand!: string
}

function scopeFault(value: unknown): string | undefined {
  if (typeof value !== 'object' || value === null) return 'Say what it is about: the build, a bank, a head or a cylinder.'
  const { level, ...rest } = value as Record<string, unknown>
  const keys = Object.keys(rest)
  if (level === 'build') return keys.length === 0 ? undefined : `“${keys[0]}” is not known here.`
  if (level !== 'bank' && level !== 'head' && level !== 'cylinder') return 'Say what it is about: the build, a bank, a head or a cylinder.'
  if (keys.length !== 1 || keys[0] !== level) return `Say which ${level}, and nothing else.`
  const number = rest[level]
  return Number.isInteger(number) && (number as number) >= 1 && (number as number) <= 16 ? undefined : `Which ${level}? A number from 1 to 16.`
}

/** The scopes each kind may have. */
export const SCOPES: Record<EntryKind, readonly Scope['level'][]> = {
  layout: ['build'], target: ['build'],
  measure: ['build', 'bank', 'head', 'cylinder'], book: ['build', 'bank', 'head', 'cylinder'], assume: ['build', 'bank', 'head', 'cylinder'],
  offer: ['build', 'head'], pour: ['cylinder', 'build'], deckReadings: ['cylinder'], solder: ['cylinder'], wheel: ['build', 'cylinder'],
  rod: ['build', 'bank', 'cylinder'], portPairs: ['build'], hold: ['cylinder'], faceCut: ['head'], deckCut: ['bank'], gasketChange: ['head'],
  relief: ['cylinder'], seatWork: ['cylinder'], void: ['build', 'bank', 'head', 'cylinder']
}

/** The frame of an entry; its body is checked by the class of its kind. */
export class EntryRequest {
  @Sound((value) => {
    const time = typeof value === 'string' && /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,3})?Z$/.test(value) ? Date.parse(value) : NaN
    if (!Number.isFinite(time)) return 'When it was done must be a time, in UTC.'
    return time > Date.now() + 86_400_000 ? 'That lies in the future.' : time < Date.UTC(1990) ? 'That is before 1990.' : undefined
  }) at!: string

  @Initials() hand!: string
  @OneOf(ENTRY_KINDS, 'The kind of entry') kind!: EntryKind
  @Sound(v => v === 1 ? undefined : 'This version of the entry is not known here.') v!: number
  @Sound((value, { kind }) => scopeFault(value) ?? (
    SCOPES[kind as EntryKind] && !SCOPES[kind as EntryKind].includes((value as Scope).level)
      ? `This is about ${SCOPES[kind as EntryKind].map(level => `the ${level}`).join(' or ')}.`
      : undefined)) scope!: Scope

  @IsObject({ message: 'The entry has no body.' }) body!: object
  @IsOptional() @PlainNote() note?: string
  @IsOptional() @Sound(uuidFault) supersedes?: string
}

/** What a client PUTs to bring in a build kept as JSON. */
export class ImportRequest {
  @IsObject({ message: 'This is not a build kept by Precise Bowl.' }) document!: object
  @IsBoolean({ message: 'Say whether it comes in as a copy.' }) copy!: boolean
  @Initials() hand!: string
}
