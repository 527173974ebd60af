import type { Advice, BenchRepeats, Bodies, CastingHead, CheckResult, Entry, JobWait, ReadKind, SchoolTopic, Slip, WorkDone } from '#core'
import type { InstrumentFigures } from './instrument'

/** One of the shop's instruments, as kept: as bought, and what its latest check pour said. */
export type KeptInstrument = InstrumentFigures & { id: string, checked?: CheckResult & { at: string, hand: string } }

/** A gauge of the bench that sends readings. */
export interface BenchGauge { id: string, name: string, measures: 'volume' | 'length' | 'mass' | 'flow', unit: string, resolution: number }

/** An instrument as a pour copies it: the maker's figures, the correction of its check pour and how sure that is where it was made. */
export function inUse({ checked, ...bought }: KeptInstrument): Bodies['pour']['instrument'] & { id: string } {
  return checked ? { ...bought, correction: checked.correction, check: { at: checked.known, u: checked.u / checked.correction * checked.known } } : bought
}

/** A stored entry that the checks of today would not let through: it is shown, and counts for nothing until it is taken out. */
export interface Unsound { entry: Entry, sentence: string }

/**
 * A build with its ledger, or with what came to it after `since`. `seq` is the last entry the shop has for it: what to ask
 * for next time.
 */
export interface BuildView { id: string, name: string, reference: string, createdAt: string, entries: Entry[], unsound: Unsound[], seq: number, since: number }

/** What a ledger comes to, for the shop's list. */
export interface Reckoned {
  cylinders: number
  ratio: { low: number, high: number } | null
  target: { ratio: number, tolerance: number } | null
  /** cc over the target's clearance, cylinder by cylinder in the layout's order; null where there is none yet. */
  gaps: (number | null)[]
  /** cc over and under by which a cylinder still counts as on target. */
  band: { over: number, under: number } | null
  next: Advice
  /** When each mould that is in a port has cured, ms; and how many findings nobody has decided on. */
  moulds: number[]
  undecided: number
  /** Its job card, where it has one: clocks that run, what it waits for, and what its work took. */
  job?: ReckonedJob
  /** What it adds to the shop's memory of its castings. */
  castings?: CastingHead[]
  /** What it repeated on flow benches. */
  benches?: BenchRepeats[]
  /** Why it was put away, where it is off the bench. */
  away?: string
}

/** A job card in the shop's list. Hours are those of clocks that ended and those that were entered. */
export interface ReckonedJob {
  next?: string
  planned: number
  worked: number
  running: { hand: string, step: string, since: string }[]
  waits: { step: string, on: JobWait, words?: string, since: string }[]
  work: WorkDone
}

/** A build in the shop's list. `reckoned` is absent until it was made for the first time, and `stale` while it is made anew. */
export interface BuildSummary {
  id: string
  name: string
  reference: string
  entries: number
  lastAt: string | null
  reckoned?: Reckoned
  stale: boolean
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

/** A reading for practice, as the shop keeps it. */
export interface KeptPractice { id: string, hand: string, kind: ReadKind, truth: number, given: number | null, slip: Slip | null, at: string }
/** What the shop chose where the trade disagrees, and why; the latest on a topic counts. `builds`: what showed it, a build or an entry of one as build/entry. */
export interface KeptChoice { id: string, hand: string, topic: SchoolTopic, school: string, why: string, builds: string[], at: string }
