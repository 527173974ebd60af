import { kind } from '../kind'

/** What an engine did once it ran. */
export const AFTERWARDS = ['power', 'float', 'knock', 'plugs', 'gasket', 'returned', 'fine', 'other'] as const
export type Afterwards = (typeof AFTERWARDS)[number]

export interface AfterwardsBody {
  what: Afterwards
  words?: string
  /** A power run: kW at rpm, and under what conditions. */
  power?: number
  revs?: number
  conditions?: string
  /** The operation that was done last before it ran; none where it ran as it came. */
  ran?: string
}

/** What the engine did afterwards, of the state in which it ran. */
export const afterwards = kind<AfterwardsBody>()({
  example: () => ({ what: 'power', power: 74.5, revs: 5600, conditions: '19 °C, 1008 hPa, third pull', words: 'no knock at 32° of advance' }),
  at: () => ({ station: 'daybook', leaf: 'after' }),
  role: 'remark', scopes: ['build'], changes: [], bounds: {}, names: ['ran']
})
