import { kind } from '../kind'

export interface CastingBody { mark: string, cast?: string }

/** The marks of a casting: its number, and when it was cast, as they stand in the metal. */
export const casting = kind<CastingBody>()({
  example: () => ({ mark: 'L 4417', cast: 'C 9 2' }),
  at: () => ({ station: 'daybook' }),
  role: 'frame', scopes: ['head', 'bank', 'build'], changes: [], bounds: {}, told: true
})
