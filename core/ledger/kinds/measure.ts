import { kind } from '../kind'
import { ENGINE_SCOPES, STATEMENTS, type Statement } from '../statement'

/** A dimension that somebody measured. */
export const measure = kind<Statement>()({ role: 'statement', scopes: ENGINE_SCOPES, changes: [], bounds: {}, corrects: STATEMENTS, told: true })
