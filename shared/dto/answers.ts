import type { Entry, NextMove } from '#core'
import type { InstrumentFigures } from './bodies'

/** One of the shop's instruments, as kept. */
export type KeptInstrument = InstrumentFigures & { id: string }

/** A build with its whole ledger. */
export interface BuildView { id: string, name: string, reference: string, createdAt: string, entries: Entry[] }

/** Where a build stands, for the shop's list. */
export interface BuildSummary {
  id: string
  name: string
  reference: string
  entries: number
  lastAt: string | null
  cylinders: number
  ratio: { low: number, high: number } | null
  target: { ratio: number, tolerance: number } | null
  next: NextMove
}

/** A build as a file: docs/build-file.md. */
export const DOCUMENT_FORMAT = 'precise-bowl-build'
export const DOCUMENT_VERSION = 1
export interface BuildDocument {
  format: typeof DOCUMENT_FORMAT
  version: number
  build: { id: string, name: string, reference: string }
  entries: Entry[]
}
