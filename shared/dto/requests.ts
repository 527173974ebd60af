import { Type } from 'class-transformer'
import { IsBoolean, IsObject, IsOptional, ValidateNested } from 'class-validator'
import { ENTRY_KINDS, ROD_MODULUS, type EntryKind, type Fill, type KnownVolume, type LeastClearances, type RodMaterial, type Scope, type ShopRules, type SquishWindow } from '#core'
import { uuidFault, InstrumentFigures } from './bodies'
import { isFields } from './plain'
import { EachFields, Initials, lies, Moment, NumberIn, OneOf, PlainName, PlainNote, Sound } from './decorators'

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
  layout: ['build'], title: ['build'], target: ['build'],
  measure: ['build', 'bank', 'head', 'cylinder'], book: ['build', 'bank', 'head', 'cylinder'], assume: ['build', 'bank', 'head', 'cylinder'],
  offer: ['build', 'head'], pour: ['cylinder', 'build'], deckReadings: ['cylinder'], solder: ['cylinder'], wheel: ['build', 'cylinder'],
  rod: ['build', 'bank', 'cylinder'], liftTable: ['build'], portPairs: ['build'], chamberModel: ['head', 'cylinder'], hold: ['cylinder'], faceCut: ['head'], deckCut: ['bank'], gasketChange: ['head'],
  relief: ['cylinder'], seatWork: ['cylinder'], void: ['build', 'bank', 'head', 'cylinder']
}

/** The frame of an entry; its body is checked by the class of its kind. */
export class EntryRequest {
  @Moment() at!: string
  @Initials() hand!: string
  @OneOf(ENTRY_KINDS, 'The kind of entry') kind!: EntryKind
  @Sound(v => v === 1 ? undefined : 'This version of the entry is not known here.') v!: number
  @Sound((value, { kind }) => scopeFault(value) ?? (
    Object.hasOwn(SCOPES, String(kind)) && !SCOPES[kind as EntryKind].includes((value as Scope).level)
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

/** What a check pour is made against, in fields; which of them counts follows from its kind. */
function knownFault(value: unknown): string | undefined {
  if (!isFields(value)) return 'Say what the known volume is: a ball, a cylinder or weighed water.'
  const known = value
  const fields: Record<string, string[]> = { ball: ['diameter'], cylinder: ['diameter', 'height'], water: ['mass', 'temperature'] }
  const wanted = Object.hasOwn(fields, String(known.kind)) ? fields[String(known.kind)] : undefined
  if (!wanted) return 'The known volume is a ball, a cylinder or water.'
  const strange = Object.keys(known).find(key => key !== 'kind' && key !== 'u' && !wanted.includes(key))
  if (strange) return `“${strange.slice(0, 40)}” is not known here.`
  const bounds: Record<string, [number, number, string]> = {
    diameter: [2, 300, 'the diameter, in mm'], height: [1, 500, 'the height, in mm'], mass: [0.5, 5000, 'the mass, in g'],
    temperature: [0, 40, 'the water’s temperature, in °C'], u: [0, 5, 'its doubt']
  }
  for (const name of [...wanted, 'u']) {
    const [low, high, noun] = bounds[name]!
    const number = known[name]
    if (typeof number !== 'number' || !Number.isFinite(number)) return `A number is needed for ${noun}.`
    if (number < low || number > high) return `${number} can’t be right for ${noun}: it must lie between ${low} and ${high}.`
  }
  return undefined
}

/** What a client PUTs to check an instrument against a known volume. */
export class CheckRequest {
  @Initials() hand!: string
  @Moment() @Sound(value => lies(value) === 'ahead' ? 'That lies in the future.' : undefined) at!: string
  @Sound(knownFault) known!: KnownVolume
  @Sound((value) => {
    const sound = Array.isArray(value) && value.length >= 1 && value.length <= 12 && value.every(fills =>
      Array.isArray(fills) && fills.length >= 1 && fills.length <= 20 && fills.every((fill: unknown) =>
        typeof fill === 'object' && fill !== null && Object.keys(fill).length === 2
        && Number.isFinite((fill as Fill).start) && Number.isFinite((fill as Fill).end)))
    return sound ? undefined : 'Give between one pour and twelve, each with its readings.'
  }) pours!: Fill[][]
}

class SquishRow implements SquishWindow {
  @OneOf(Object.keys(ROD_MODULUS), 'The rod’s material') rod!: RodMaterial
  @NumberIn('the largest bore, in mm', 20, 300) boreTo!: number
  @NumberIn('the highest revs', 200, 30000) revsTo!: number
  @NumberIn('the least gap, in mm', 0.05, 8) least!: number
  @NumberIn('the most, in mm', 0.05, 8)
  @Sound((value, { least }) => typeof value === 'number' && value >= 0.05 && value <= 8
    ? (value > (least as number) ? undefined : 'The most must be more than the least.')
    : 'A number is needed for the most, in mm, between 0.05 and 8.') most!: number
}

class ClearanceRow implements LeastClearances {
  @NumberIn('the intake’s least, in mm', 0, 10) intake!: number
  @NumberIn('the exhaust’s least, in mm', 0, 10) exhaust!: number
  @NumberIn('the least to a pocket’s side, in mm', 0, 10) side!: number
  @NumberIn('what aluminium rods want more, in mm', 0, 5) aluminiumMore!: number
  @NumberIn('the least from valve to valve, in mm', 0, 10) valveToValve!: number
  @NumberIn('the least from dome to chamber, in mm', 0, 10) domeToChamber!: number
}

/** What a client PUTs to set what the shop goes by. */
export class RulesRequest implements ShopRules {
  @Initials() hand!: string
  @EachFields('The squish table is a list of rows.')
  @Sound(v => Array.isArray(v) && v.length > 40 ? 'Forty rows at most.' : undefined)
  @ValidateNested({ each: true }) @Type(() => SquishRow) squish!: SquishRow[]

  @IsObject({ message: 'The least clearances are missing.' }) @ValidateNested() @Type(() => ClearanceRow) clearances!: ClearanceRow
}
