import { IsOptional } from 'class-validator'
import { KINDS, type Figure, type Removed } from '#core'
import { removedFault } from '../chamberBody'
import { FigureIn, NumberIn, Sound, figureFault } from '../decorators'
import { FaceBody } from '../operation'

export class FaceCutBody extends FaceBody {
  @Sound((value, { slopeX, slopeY }) => figureFault(value, { ...slopeX || slopeY ? KINDS.faceCut.bounds.depth : KINDS.deckCut.bounds.depth, noun: 'the depth' })) depth!: Figure
  @IsOptional() @NumberIn('the slope along the head', -0.6, 0.6) slopeX?: number
  @IsOptional() @NumberIn('the slope across the head', -0.6, 0.6) slopeY?: number
  @IsOptional() @FigureIn(KINDS.faceCut.bounds.flat, 'the flat finishing cut') flat?: Figure
  @IsOptional() @Sound(removedFault) removed?: Removed[]
}
