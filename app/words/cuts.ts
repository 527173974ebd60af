import type { FaceCutBody, Figure, OperationState } from '#core'
import { say, type LengthUnit } from '#shared/figures'

/** How a cut is laid over, in words; nothing for a flat one. */
export function sayLay({ slopeX = 0, slopeY = 0, flat }: FaceCutBody, lengths: LengthUnit): string {
  const slope = slopeX || slopeY
  if (!slope) return ''
  const angle = Math.atan(Math.abs(slope)) * 180 / Math.PI
  return ` at the bore line, laid over ${say(angle, 'angle', lengths, 1)} ${slopeX ? 'across' : 'about'} the crank${flat && flat.value > 0 ? `, then ${say(flat.value, 'length', lengths)} flat` : ''}`
}

/** A cut's state and depth, measured before planned. */
export function sayCut({ state, depth, measured }: { state: OperationState, depth: Figure, measured?: Figure }, lengths: LengthUnit): string {
  return measured
    ? `${state}, ${say(measured.value, 'length', lengths)} measured (${say(depth.value, 'length', lengths)} planned)`
    : `${state}, ${say(depth.value, 'length', lengths)}`
}
