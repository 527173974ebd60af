import { kind } from '../kind'

/** What the target ratio was chosen for; a text of the shop's own each. */
export const REASONS = ['fuel', 'boost', 'use', 'ignition', 'classRule'] as const
export type Reason = (typeof REASONS)[number]
export type ReasonsBody = { [R in Reason]?: string }

/** Why the target is what it is: when that changes, the target is asked for again. */
export const reasons = kind<ReasonsBody>()({
  example: () => ({ fuel: 'pump, 95', use: 'touring' }),
  at: () => ({ station: 'daybook' }),
  role: 'frame', scopes: ['build'], changes: [], bounds: {}, told: true
})
