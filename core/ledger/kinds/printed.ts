import { kind } from '../kind'

/** The papers of a build. */
export const PAPER_NAMES = ['customer', 'record', 'order', 'stop', 'lathe', 'pistons', 'shims', 'quote', 'bill'] as const
export type PaperName = (typeof PAPER_NAMES)[number]
export const PAPER_FORMS = ['A4', 'LETTER', 'page'] as const

export interface PrintedBody { paper: PaperName, form: (typeof PAPER_FORMS)[number] }

/** A paper left the shop: what comes to the ledger after it is not on it. */
export const printed = kind<PrintedBody>()({
  example: () => ({ paper: 'customer', form: 'A4' }),
  at: () => ({ station: 'papers' }),
  role: 'remark', scopes: ['build'], changes: [], bounds: {}
})
