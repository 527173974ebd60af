import { IsOptional } from 'class-validator'
import { KINDS, type Figure, type OperationState } from '#core'
import { FigureIn, OneOf, Sound } from './decorators'
import { STATES } from './groups'

/** What every operation has: whether it is planned, done or dropped. */
export class OperationBody {
  @OneOf(STATES, 'Its state') state!: OperationState
}

/** Metal off a flat face: how deep it really is, once it is done. */
export class FaceBody extends OperationBody {
  @IsOptional() @FigureIn(KINDS.deckCut.bounds.measured, 'the measured depth')
  @Sound((value, { state }) => value !== undefined && state !== 'done' ? 'Only a cut that was done has a measured depth.' : undefined) measured?: Figure
}

/** Volume that work adds to a chamber. */
export class AddedBody extends OperationBody {
  @FigureIn(KINDS.relief.bounds.added, 'the volume added') added!: Figure
  @IsOptional() @FigureIn(KINDS.relief.bounds.u, 'its doubt') u?: Figure
}
