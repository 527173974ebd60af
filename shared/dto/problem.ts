import type { Entry } from '#core'

/** One field that can't be accepted, and why, in words for the field's own line. */
export interface FieldProblem { path: string, sentence: string }

/** An error answer, RFC 9457, as every route gives it. */
export interface Problem {
  type: string
  title: string
  status: number
  detail: string
  fields?: FieldProblem[]
  /** On a conflict: what stands in the ledger now. */
  current?: Entry
}

/** What came in, checked; or every field that is wrong. */
export type Checked<T> = { ok: true, value: T } | { ok: false, fields: FieldProblem[] }
