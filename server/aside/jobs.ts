import type { Entry } from '#core'
import type { FieldProblem } from '#shared/dto'
import type { BuildRow } from '../db/builds'
import type { Misfit } from '../db/entries'
import type { Outcome } from '../db/outcome'

/** A body that is read, checked and kept aside, or every field of it that is wrong. */
export type Read<T> = { ok: true, outcome: Outcome<T> } | { ok: false, fields: FieldProblem[] } | { ok: false, noJson: true }

/** What is done beside the requests: a job's arguments and its answer, both as plain data. */
export interface Jobs {
  /** Makes and keeps a build's summary. */
  summary: { args: { shop: string, build: string, reckoning: string }, answer: undefined }
  /** The first of some new entries that could not be reckoned with beside the ledger. */
  misfit: { args: { shop: string, build: string, reckoning: string, fresh: Entry[] }, answer: Misfit | undefined }
  /** Reads a build's ledger, so that the first entry sent to it need not wait for that. */
  warm: { args: { shop: string, build: string, reckoning: string }, answer: undefined }
  /** Keeps readings that came in together, out of the body they were sent in. */
  batch: { args: { shop: string, build: string, reckoning: string, body: Uint8Array }, answer: Read<{ added: number }> }
  /** Brings in a build out of the body it was sent in. */
  bringIn: { args: { shop: string, importId: string, body: Uint8Array }, answer: Read<BuildRow> }
}
export type Job = keyof Jobs

export interface Asked { id: number, job: Job, args: Jobs[Job]['args'] }
export type Answered = { id: number, answer: Jobs[Job]['answer'] } | { id: number, error: string, trouble?: string }
