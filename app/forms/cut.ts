import type { Figure, OperationState } from '#core'

interface CutBody { state: OperationState, depth: Figure, measured?: Figure }

/** A cut's one figure: what was measured once it is done, what is planned until then. */
export const cutFigure = {
  label: 'Right figure',
  dimension: () => 'length' as const,
  right: <B extends CutBody>(body: B, figure: Figure): B => body.state === 'done' ? { ...body, measured: figure } : { ...body, depth: figure }
}
