import { kind } from '../kind'

export interface PutAwayBody { away: boolean, reason: string }

/** A build that is off the bench: it is kept whole and stands apart in the shop's list. */
export const putAway = kind<PutAwayBody>()({
  example: () => ({ away: true, reason: 'Gone out with the customer' }),
  at: () => ({ station: 'daybook' }),
  role: 'frame', scopes: ['build'], changes: [], bounds: {}, told: true
})
