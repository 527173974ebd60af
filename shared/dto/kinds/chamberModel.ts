import { IsOptional } from 'class-validator'
import { AS_CAST, type ChamberSpec } from '#core'
import { chamberFault } from '../chamberBody'
import { Sound } from '../decorators'
import { isCylinder, MOST_CYLINDERS } from '../groups'

const ISO_TIME = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,3})?Z$/

export class ChamberModelBody {
  @Sound(chamberFault) spec!: ChamberSpec
  @Sound(value => Array.isArray(value) && value.length <= MOST_CYLINDERS && value.every(c => isCylinder(c))
    ? undefined
    : 'Say which cylinders are mirrored, by number.') mirrored!: number[]

  @IsOptional() @Sound(value => value === AS_CAST || (typeof value === 'string' && ISO_TIME.test(value) && !Number.isNaN(Date.parse(value)))
    ? undefined
    : 'Say which face is drawn: as it was cast, or when it stood like that.') face?: string
}
