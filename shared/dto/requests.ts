import { Type } from 'class-transformer'
import { IsBoolean, IsObject, IsOptional, ValidateNested } from 'class-validator'
import { EDGES, ENTRY_KINDS, LEVERS, READ_KINDS, ROD_MODULUS, ROUTE_MOST, SCHOOL_TOPICS, SLIPS, kindRule, type Cost, type Edges, type EntryKind, type Fill, type KnownVolume, type LeastClearances, type Lever, type ReadKind, type RodMaterial, type RouteStart, type SchoolTopic, type Scope, type SeatRule, type SeatRules, type ShopRules, type Slip, type SpringRules, type SquishWindow, type WorkCosts } from '#core'
import { isCylinder, MOST_CYLINDERS } from './groups'
import { hashFault, uuidFault } from './identity'
import { MOST_PHOTOS } from './pictures'
import { InstrumentFigures } from './instrument'
import { isFields } from './plain'
import { EachFields, Initials, JobReference, lies, Moment, NumberIn, OneOf, PlainName, PlainNote, severalFault, Sound } from './decorators'

/** What a client PUTs to name a build. */
export class BuildRequest {
  @PlainName('The build’s name') name!: string
  @JobReference() reference!: string
  @Initials() hand!: string
}

/** What a client PUTs to add or change one of the shop's instruments. */
export class InstrumentRequest extends InstrumentFigures {
  @Initials() hand!: string
}

const WHAT_ABOUT = 'Say what it is about: the build, a bank, a head, a cylinder, a valve or a port.'
const VALVES = ['intake', 'exhaust']
/** The fields of each level beside its name. */
const SCOPE_FIELDS: Record<Scope['level'], readonly string[]> = {
  build: [], bank: ['bank'], head: ['head'], cylinder: ['cylinder'], valve: ['cylinder', 'valve'], port: ['cylinder', 'port']
}

function scopeFault(value: unknown): string | undefined {
  if (!isFields(value)) return WHAT_ABOUT
  const { level, ...rest } = value
  if (!Object.hasOwn(SCOPE_FIELDS, String(level))) return WHAT_ABOUT
  const fields = SCOPE_FIELDS[level as Scope['level']]
  const strange = Object.keys(rest).find(key => !fields.includes(key) && !(key === 'n' && fields.length === 2))
  if (strange) return fields.length === 0 ? `“${strange.slice(0, 40)}” is not known here.` : `Say which ${String(level)}, and nothing else.`
  for (const field of fields) {
    const given = rest[field]
    if (field === 'valve' || field === 'port') {
      if (!VALVES.includes(String(given))) return `Which ${field}? The intake or the exhaust.`
    } else if (!isCylinder(given)) return given === undefined ? `Say which ${String(level)}, and nothing else.` : `Which ${field}? A number from 1 to ${MOST_CYLINDERS}.`
  }
  return rest.n === undefined ? undefined : severalFault(rest.n, `${String(level)}s`)
}

/** The frame of an entry; its body is checked by the class of its kind. */
export class EntryRequest {
  @Moment() at!: string
  @Initials() hand!: string
  @Sound((value, { photos }) => ENTRY_KINDS.includes(value as EntryKind) && kindRule(value as EntryKind).pictured && photos === undefined ? 'Choose a photograph first.' : undefined)
  @OneOf(ENTRY_KINDS, 'The kind of entry') kind!: EntryKind

  @Sound(v => v === 1 ? undefined : 'This version of the entry is not known here.') v!: number
  @Sound((value, { kind }) => scopeFault(value) ?? (
    ENTRY_KINDS.includes(kind as EntryKind) && !kindRule(kind as EntryKind).scopes.includes((value as Scope).level)
      ? `This is about ${kindRule(kind as EntryKind).scopes.map(level => `the ${level}`).join(' or ')}.`
      : undefined)) scope!: Scope

  @IsObject({ message: 'The entry has no body.' }) body!: object
  @IsOptional() @PlainNote() note?: string
  @IsOptional() @Sound(uuidFault) supersedes?: string
  @IsOptional() @Sound(uuidFault) plan?: string
  @IsOptional() @Sound(value => Array.isArray(value) && value.length >= 1 && value.length <= MOST_PHOTOS && value.every(hash => hashFault(hash) === undefined) && new Set(value).size === value.length
    ? undefined
    : 'Photographs are named by their SHA-256, up to twelve, each once.') photos?: string[]

  @IsOptional() @Sound((value, { supersedes }) => value === supersedes ? uuidFault(value) : 'What is undone is what it takes the place of.') undoes?: string
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
    const sound = Array.isArray(value) && value.length >= 1 && value.length <= MOST_PHOTOS && value.every(fills =>
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
  @NumberIn('the minimum gap, in mm', 0.05, 8) least!: number
  @NumberIn('the maximum, in mm', 0.05, 8)
  @Sound((value, { least }) => typeof value === 'number' && value >= 0.05 && value <= 8
    ? (value > (least as number) ? undefined : 'The maximum must be more than the minimum.')
    : 'A number is needed for the maximum, in mm, between 0.05 and 8.') most!: number
}

class ClearanceRow implements LeastClearances {
  @NumberIn('the intake’s minimum, in mm', 0, 10) intake!: number
  @NumberIn('the exhaust’s minimum, in mm', 0, 10) exhaust!: number
  @NumberIn('the minimum to a pocket’s side, in mm', 0, 10) side!: number
  @NumberIn('what aluminium rods need more, in mm', 0, 5) aluminiumMore!: number
  @NumberIn('the minimum from valve to valve, in mm', 0, 10) valveToValve!: number
  @NumberIn('the minimum from dome to chamber, in mm', 0, 10) domeToChamber!: number
}

class CostRow implements Cost {
  @NumberIn('the hours', 0, 1000) hours!: number
  @NumberIn('the money', 0, 1_000_000) money!: number
}

class SeatRow implements SeatRule {
  @NumberIn('the minimum width, in mm', 0, 20) widthLeast!: number
  @NumberIn('the maximum width, in mm', 0, 20)
  @Sound((value, { widthLeast }) => typeof widthLeast === 'number' && typeof value === 'number' && value < widthLeast ? 'The maximum width is less than the minimum.' : undefined) widthMost!: number

  @NumberIn('the minimum margin, in mm', 0, 20) marginLeast!: number
}

class SeatRows implements SeatRules {
  @IsObject({ message: 'The limits of intake seats are missing.' }) @ValidateNested() @Type(() => SeatRow) intake!: SeatRow
  @IsObject({ message: 'The limits of exhaust seats are missing.' }) @ValidateNested() @Type(() => SeatRow) exhaust!: SeatRow
  @NumberIn('the run-out, in mm', 0, 1) runOutMost!: number
  @NumberIn('the guide’s clearance, in mm', 0, 1) guideMost!: number
}

class SpringRow implements SpringRules {
  @NumberIn('the travel left, in mm', 0, 20) travelLeast!: number
  @NumberIn('the way to the seal, in mm', 0, 20) sealLeast!: number
}

/** Where routes begin. */
class RouteRow implements RouteStart {
  @Sound(v => Array.isArray(v) && new Set(v).size === v.length && v.every(lever => (LEVERS as readonly unknown[]).includes(lever)) ? undefined : 'Say which levers are off at first.') off!: Lever[]
  @OneOf(EDGES, 'How far a cut may go at the valves') edges!: Edges
  @Sound(v => v === 1 || v === 2 ? undefined : 'One set-up or two.') setUps!: 1 | 2
  @NumberIn('the most off a face, in mm', ...ROUTE_MOST.faceMost) faceMost!: number
  @NumberIn('the most off a deck, in mm', ...ROUTE_MOST.deckMost) deckMost!: number
  @NumberIn('the most under a barrel, in mm', ...ROUTE_MOST.spacerMost) spacerMost!: number
  @NumberIn('the most that a valve goes up, in mm', ...ROUTE_MOST.seatsUp) seatsUp!: number
  @NumberIn('the most out of a chamber, in cc', ...ROUTE_MOST.groundMost) groundMost!: number
  @NumberIn('the most out of a crown, in cc', ...ROUTE_MOST.crownMost) crownMost!: number
  @NumberIn('the most roll, in degrees', ...ROUTE_MOST.rollMost) rollMost!: number
}

/** Hours and money of each kind of work, all of them. */
class WorkRow implements WorkCosts {
  @IsObject({ message: 'The cost of a gasket is missing.' }) @ValidateNested() @Type(() => CostRow) gasket!: CostRow
  @IsObject({ message: 'The cost of grinding is missing.' }) @ValidateNested() @Type(() => CostRow) grind!: CostRow
  @IsObject({ message: 'The cost of opening a chamber is missing.' }) @ValidateNested() @Type(() => CostRow) open!: CostRow
  @IsObject({ message: 'The cost of cutting a crown is missing.' }) @ValidateNested() @Type(() => CostRow) crown!: CostRow
  @IsObject({ message: 'The cost of a new piston is missing.' }) @ValidateNested() @Type(() => CostRow) piston!: CostRow
  @IsObject({ message: 'The cost of a face cut is missing.' }) @ValidateNested() @Type(() => CostRow) face!: CostRow
  @IsObject({ message: 'The cost of a rolled cut is missing.' }) @ValidateNested() @Type(() => CostRow) roll!: CostRow
  @IsObject({ message: 'The cost of a second cut is missing.' }) @ValidateNested() @Type(() => CostRow) secondCut!: CostRow
  @IsObject({ message: 'The cost of a deck cut is missing.' }) @ValidateNested() @Type(() => CostRow) deck!: CostRow
  @IsObject({ message: 'The cost of a spacer is missing.' }) @ValidateNested() @Type(() => CostRow) spacer!: CostRow
  @IsObject({ message: 'The cost of a seat job is missing.' }) @ValidateNested() @Type(() => CostRow) seats!: CostRow
  @IsObject({ message: 'The cost of opening a dome is missing.' }) @ValidateNested() @Type(() => CostRow) dome!: CostRow
  @IsObject({ message: 'The cost of a pour is missing.' }) @ValidateNested() @Type(() => CostRow) pour!: CostRow
}

/** What a client PUTs to set what the shop goes by. */
export class RulesRequest implements ShopRules {
  @Initials() hand!: string
  @EachFields('The squish table is a list of rows.')
  @Sound(v => Array.isArray(v) && v.length > 40 ? 'Forty rows at most.' : undefined)
  @ValidateNested({ each: true }) @Type(() => SquishRow) squish!: SquishRow[]

  @IsObject({ message: 'The minimum clearances are missing.' }) @ValidateNested() @Type(() => ClearanceRow) clearances!: ClearanceRow

  @IsObject({ message: 'The limits of seats are missing.' }) @ValidateNested() @Type(() => SeatRows) seats!: SeatRows

  @IsObject({ message: 'The limits of springs are missing.' }) @ValidateNested() @Type(() => SpringRow) springs!: SpringRow

  @IsObject({ message: 'Where routes begin is missing.' }) @ValidateNested() @Type(() => RouteRow) route!: RouteRow

  @IsObject({ message: 'What work costs is missing.' }) @ValidateNested() @Type(() => WorkRow) work!: WorkRow
  @NumberIn('what an hour costs', 0, 100_000) rate!: number
}

/** What a client PUTs of a reading for practice. */
export class PracticeRequest {
  @Initials() hand!: string
  @OneOf(READ_KINDS, 'What was read') kind!: ReadKind
  @NumberIn('what there was to be read', -1000, 1000) truth!: number
  @IsOptional() @NumberIn('what was read', -10_000, 10_000) given?: number
  @IsOptional() @OneOf(SLIPS, 'The slip') slip?: Slip
  @Moment() at!: string
}

/** A build, or an entry of one behind a stroke. */
const isShown = (value: unknown) => typeof value === 'string' && value.split('/').length <= 2 && value.split('/').every(id => uuidFault(id) === undefined)

/** What a client PUTs of the shop's own choice where the trade disagrees. */
export class ChoiceRequest {
  @Initials() hand!: string
  @OneOf(Object.keys(SCHOOL_TOPICS), 'The topic') topic!: SchoolTopic
  @Sound((value, { topic }) => {
    const schools: readonly string[] = typeof topic === 'string' && Object.hasOwn(SCHOOL_TOPICS, topic) ? SCHOOL_TOPICS[topic as SchoolTopic].schools : []
    return typeof value === 'string' && (schools.length === 0 || schools.includes(value)) ? undefined : `The school must be one of ${schools.join(', ')}.`
  }) school!: string

  @PlainNote(1000) why!: string
  @Sound(value => Array.isArray(value) && value.length <= 20 && new Set(value).size === value.length && value.every(isShown) ? undefined : 'What showed it is named by its identity, a build or build/entry, twenty at most, each once.') builds!: string[]
  @Moment() at!: string
}
