import { kind } from '../kind'

export interface WorkedBody { step: string, hours: number }

/** Hours worked on a step that no clock ran for. */
export const worked = kind<WorkedBody>()({
  example: () => ({ step: 'ports', hours: 2.5 }),
  at: () => ({ station: 'daybook', leaf: 'card' }),
  role: 'remark', scopes: ['build'], changes: [], bounds: {}
})
