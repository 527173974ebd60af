import { IsBoolean, IsOptional } from 'class-validator'
import { DomainError, KINDS, SEAT_LEAKS, SEAT_PITS, SEAT_TOUCHES, gaveWhenSunk, seatForm, seatPoints, type Figure, type SeatBody as SeatFigures, type SeatCut } from '#core'
import { FigureIn, OneOf, PlainName, Sound } from '../decorators'
import { rowsFault } from '../rows'

const { bounds } = KINDS.seat
const RULE = { most: 7, count: 'A seat has one cut or more, seven at most.', shape: 'A cut has its angle and its width.', fields: ['angle', 'width'] } as const

/** What is wrong with a seat's cuts, if anything: by themselves, and with the seat that is one of them. */
function cutsFault(value: unknown, { seat, outer }: Record<string, unknown>): string | undefined {
  const fault = rowsFault(value, RULE, ({ angle, width }) =>
    typeof angle !== 'number' || !(angle >= 5 && angle <= 85) ? 'A cut’s angle lies between 5° and 85°.' : typeof width !== 'number' || !(width >= 0.1 && width <= 15) ? 'A cut’s width lies between 0.1 and 15 mm.' : undefined)
  if (fault) return fault
  const cuts = value as SeatCut[]
  if (!Number.isInteger(seat) || (seat as number) < 0 || (seat as number) >= cuts.length) return 'Say which of the cuts the valve sits on.'
  try {
    seatPoints({ cuts, seat: seat as number, outer: (outer as Figure | undefined)?.value ?? Number.NaN })
    return undefined
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    if (error.argument.endsWith('angle')) return 'Cuts go outwards from the port, each flatter than the one inside it.'
    return error.argument === 'innermost edge' ? 'These cuts are wider than the seat is across.' : undefined
  }
}

/** What was found is of a seat that is there; and a form that goes up by more than its own cone is high was nothing before. */
function upFault(value: unknown, body: Record<string, unknown>): string | undefined {
  if (value === undefined || cutsFault(body.cuts, body)) return undefined
  if (['touches', 'leak', 'pits', 'runOut', 'tip', 'lapped'].some(name => body[name] !== undefined)) return 'What is found of a seat is entered once it is cut.'
  try {
    const { cuts, seat, outer, up } = body as unknown as SeatFigures
    gaveWhenSunk(seatForm({ cuts, seat, outer: outer.value }), up!.value)
    return undefined
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    return 'So far up its form would have been nothing before.'
  }
}

export class SeatBody implements SeatFigures {
  @Sound(cutsFault) cuts!: SeatCut[]
  @Sound(value => typeof value === 'number' ? undefined : 'Say which of the cuts the valve sits on.') seat!: number
  @FigureIn(bounds.outer, 'the seat’s outer edge') outer!: Figure
  @IsOptional() @OneOf(SEAT_TOUCHES, 'Where the valve touches') touches?: (typeof SEAT_TOUCHES)[number]
  @IsOptional() @OneOf(SEAT_LEAKS, 'The leak test') leak?: (typeof SEAT_LEAKS)[number]
  @IsOptional() @OneOf(SEAT_PITS, 'Its pits') pits?: (typeof SEAT_PITS)[number]
  @IsOptional() @FigureIn(bounds.runOut, 'the run-out') runOut?: Figure
  @IsOptional() @FigureIn(bounds.guide, 'the guide’s clearance') guide?: Figure
  @IsOptional() @FigureIn(bounds.margin, 'the valve’s margin') margin?: Figure
  @IsOptional() @FigureIn(bounds.backCut, 'the back cut') backCut?: Figure
  @IsOptional() @FigureIn(bounds.tip, 'how high the stem stands') tip?: Figure
  @IsOptional() @FigureIn(bounds.up, 'how far the valve goes up')
  @Sound(upFault) up?: Figure

  @IsOptional() @IsBoolean({ message: 'Say whether it was lapped.' }) lapped?: boolean
  @IsOptional() @PlainName('The cutter guide’s number', 40) cutter?: string
}
