import { kind } from '../kind'

export interface VoidBody { reason: string }

/** Takes an entry out: it stays to be read and counts for nothing. */
const voided = kind<VoidBody>()({
  example: () => ({ reason: 'Read off the wrong line' }),
  at: () => ({ station: 'daybook' }),
  role: 'remark', scopes: ['build', 'bank', 'head', 'cylinder', 'valve', 'port'], changes: [], bounds: {}, takesPlace: true
})
export { voided as void }
