import { IsOptional } from 'class-validator'
import { FLOW_ENTRIES, FLOW_MISSES, FLOW_PIPES, FLOW_ROWS, KINDS, type Figure, type FlowEntry, type FlowPipe, type FlowReading } from '#core'
import { say } from '#shared/figures'
import { FigureIn, NumberIn, OneOf, PlainName, Sound } from '../decorators'
import { rowsFault } from '../rows'

const { bounds } = KINDS.flowRun
const { most, lift, flow } = FLOW_ROWS
const RULE = { most, count: `A run has ${most} lifts at most, and one at least.`, shape: 'A row of a run has its lift, and its flow or why the lift was not reached.', fields: ['lift', 'flow', 'missed'] } as const

function rowFault(row: Record<(typeof RULE.fields)[number], unknown>): string | undefined {
  if (typeof row.lift !== 'number' || !Number.isFinite(row.lift) || row.lift <= 0 || row.lift > lift) return `A lift lies between 0 and ${lift} mm, and is not 0.`
  if ((row.flow === undefined) === (row.missed === undefined)) return 'A lift has its flow, or why it was not reached.'
  if (row.missed !== undefined) return (FLOW_MISSES as readonly unknown[]).includes(row.missed) ? undefined : 'Why a lift was not reached is one of: retainer on the seal, coil bind, the bench, something else.'
  return typeof row.flow === 'number' && Number.isFinite(row.flow) && row.flow >= 0 && row.flow <= flow ? undefined : `A flow is 0 or more, and no port passes ${flow} L/s, which is ${say(flow, 'flow', 'in', -1)}.`
}

/** What is wrong with the rows of a flow run, if anything. */
export function flowRowsFault(value: unknown): string | undefined {
  const fault = rowsFault(value, RULE, rowFault)
  if (fault) return fault
  const rows = value as FlowReading[]
  const back = rows.findIndex((row, i) => i > 0 && row.lift <= rows[i - 1]!.lift)
  if (back > 0) return rows[back]!.lift === rows[back - 1]!.lift ? `Lift ${back + 1} is the same as the one before it: give each lift once.` : `Lift ${back + 1} is below the one before it: lifts rise.`
  return rows.some(row => row.flow !== undefined && row.flow > 0) ? undefined : 'Nothing flows in this run.'
}

export class FlowRunBody {
  @IsOptional() @PlainName('The run', 40) name?: string
  @PlainName('The bench', 60) bench!: string
  @IsOptional() @PlainName('The other head', 60) specimen?: string
  @FigureIn(bounds.depression, 'the depression') depression!: Figure
  @IsOptional() @FigureIn(bounds.fixture, 'the fixture’s bore') fixture?: Figure
  @OneOf(FLOW_PIPES, 'Whether there is a pipe') pipe!: FlowPipe
  @OneOf(FLOW_ENTRIES, 'What stands at the entry') entry!: FlowEntry
  @IsOptional() @PlainName('The manifold', 60) manifold?: string
  @IsOptional() @PlainName('The valve', 60) valve?: string
  @IsOptional() @FigureIn(bounds.across, 'the valve’s diameter') across?: Figure
  @IsOptional() @FigureIn(bounds.temperature, 'the air’s temperature') temperature?: Figure
  @IsOptional() @FigureIn(bounds.pressure, 'the air’s pressure') pressure?: Figure
  @Sound(flowRowsFault) rows!: FlowReading[]
  @IsOptional() @Sound(value => value === true ? undefined : 'It is in the same mounting, or nothing is said of it.') sameMounting?: true
  @IsOptional() @NumberIn('the hours of work', 0.05, 500) hours?: number
  @IsOptional() @PlainName('Whose figures they are', 60) claimed?: string
}
