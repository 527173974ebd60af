import { kind } from '../kind'

export interface TitleBody { name: string, reference: string }

/** What the build is called, and its job reference (empty where there is none), from here on. */
export const title = kind<TitleBody>()({
  example: () => ({ name: 'Launch', reference: 'No. 7' }),
  at: () => ({ station: 'daybook' }),
  role: 'frame', scopes: ['build'], changes: [], bounds: {}, told: true
})
