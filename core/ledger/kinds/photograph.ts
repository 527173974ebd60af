import { kind } from '../kind'

export interface PhotographBody {
  /** The entry that it shows; none where it is of what the scope names. */
  of?: string
  words?: string
}

/** Photographs that came after the entry they belong to, or belong to none. An entry that is made with photographs carries them itself. */
export const photograph = kind<PhotographBody>()({
  example: () => ({ words: 'the bridge between 2 and 3' }),
  at: () => ({ station: 'daybook' }),
  role: 'remark', scopes: ['build', 'bank', 'head', 'cylinder', 'valve', 'port'], changes: [], names: ['of'], bounds: {}, pictured: true
})
