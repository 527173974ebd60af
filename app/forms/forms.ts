import type { EntryKind } from '#core'
import type { KindForm } from './kindForm'
import * as FORMS from './kinds'

/** Every kind's form; a kind without one does not compile. */
const KINDS: { [K in EntryKind]: KindForm<K> } = FORMS

/** A kind's form. */
export const formOf = (kind: EntryKind): KindForm => KINDS[kind] as KindForm
