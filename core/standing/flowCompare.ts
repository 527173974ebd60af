import { DomainError } from '../domain'
import { curveChange, dipsIn, flowChange, flowOverLift, liftsOfBoth, type BenchErrors, type FlowChange, type FlowRow } from '../flow'
import type { LiftRow } from '../shroud'
import { canPutBack, changesBetween, errorsOf, flowRuns, incomparable, mountingsOf, repeatsOf, type BenchRepeats, type FlowRun, type FlowThing, type NoVerdict } from './flowRecords'
import { stagesAround } from './portRecords'
import type { Replay } from './replay'

/** Two runs, or the means of what repeats them, and what can be said. */
export interface FlowCompare {
  before: FlowRun[]
  after: FlowRun[]
  /** Why there is no verdict; then neither lifts nor whole are there. */
  why: NoVerdict[]
  lifts: (FlowChange & { lift: number, before: number, after: number })[]
  whole?: FlowChange & { from: number, to: number }
  /** Where the later curve falls by more than a reading can be off. */
  dips: { lift: number, fall: number }[]
  errors: BenchErrors & { runs: number }
  /** One head run again, by the ledger: what differs is scatter, and no verdict on any work. */
  again: boolean
  /** Both in one mounting: its error is not in the change. */
  oneMounting: boolean
  changed: FlowThing[]
  apart: Apart
  /** Runs of this port that lie between the two. */
  between: FlowRun[]
  gain?: FlowGain
}

/** What would tell several changes apart: runs with one put back each, and metal that can't be told apart on this port any more. */
export interface Apart { putBack: FlowThing[], metal: FlowThing[] }

/**
 * The shortest set of runs that tells changes apart.
 *
 * @param things that changed together
 * @returns each thing that can be put back wants one run without it, the last of them none where no metal was cut: the rest is the
 *   other's. Metal that was cut together stays together; the next port has one run after each.
 * @example runsApart([{ what: 'valve' }, { what: 'place', place: 'bowl' }]).putBack // [{ what: 'valve' }]
 */
export function runsApart(things: readonly FlowThing[]): Apart {
  if (things.length < 2) return { putBack: [], metal: [] }
  const [back, metal] = [things.filter(canPutBack), things.filter(thing => !canPutBack(thing))]
  return { putBack: metal.length > 0 ? back : back.slice(0, -1), metal: metal.length > 1 ? metal : [] }
}

/** What a change is worth: over the cam's own lifts in L/s at the depression measured; where it is a change, also an hour of work and a cc of metal. */
export interface FlowGain { overCam?: number, hours?: number, perHour?: number, added?: number, perCc?: number }

/** Means over the lifts that all runs of a group were read at, one mounting counting once. */
function meanOf(group: readonly FlowRun[]): { rows: FlowRow[], mountings: number, readings: number } {
  const mountings = mountingsOf(group)
  const mean = (runs: readonly (readonly FlowRow[])[]): FlowRow[] => {
    const shared = runs.slice(1).reduce((kept, run) => liftsOfBoth(kept, run).map(pair => pair.before), [...runs[0]!])
    return shared.map(row => ({ lift: row.lift, flow: runs.reduce((sum, run) => sum + liftsOfBoth([row], run)[0]!.after.flow, 0) / runs.length }))
  }
  return { rows: mean(mountings.map(runs => mean(runs.map(run => run.rows)))), mountings: mountings.length, readings: Math.min(...mountings.map(runs => runs.length)) }
}

/** Whether nothing was taken off the bench from the first run to the last. */
function inOneMounting(r: Replay, first: FlowRun, last: FlowRun): boolean {
  return flowRuns(r).filter(run => run.place > first.place && run.place <= last.place).every(run => run.entry.body.sameMounting === true)
}

/** Poured volume of a port as it was when it was run, cc: poured before or after, with no work between. */
const pouredAt = (r: Replay, { port, place }: FlowRun): number | undefined => stagesAround(r, port, place)[0]?.part.estimate.value

function gainOf(r: Replay, before: FlowRun, after: FlowRun, rows: { before: FlowRow[], after: FlowRow[] }, cam: readonly LiftRow[] | undefined, whole: FlowChange): FlowGain | undefined {
  const over = cam && { was: flowOverLift(rows.before, cam), is: flowOverLift(rows.after, cam) }
  const overCam = over && over.is.flow - over.was.flow
  const between = flowRuns(r).filter(run => run.place > before.place && run.place <= after.place && incomparable(run, after).length === 0)
  const hours = between.reduce((sum, run) => sum + (run.entry.body.hours ?? 0), 0)
  const [was, is] = [pouredAt(r, before), pouredAt(r, after)]
  const added = was !== undefined && is !== undefined ? is - was : 0
  // A change that is none gains nothing an hour.
  const gained = whole.verdict === 'none' ? undefined : overCam
  const gain: FlowGain = {
    ...overCam !== undefined ? { overCam } : {}, ...hours > 0 ? { hours, ...gained !== undefined ? { perHour: gained / hours } : {} } : {},
    ...added > 0 ? { added, ...gained !== undefined ? { perCc: gained / added } : {} } : {}
  }
  return Object.keys(gain).length > 0 ? gain : undefined
}

/**
 * What two runs on the bench say of the work between them.
 *
 * @param one, other whichever came first is the one before; where each has been repeated, the means are compared
 * @param cam its lifts, for what the change is worth to this engine
 * @param others what the shop's other builds repeated on their benches
 * Source: {@link flowChange}, {@link curveChange}, by this bench's own errors.
 * @example compareRuns(standing, asReceived, opened).whole?.verdict // 'more'
 */
export function compareRuns(r: Replay, one: FlowRun, other: FlowRun, cam?: readonly LiftRow[], others: readonly BenchRepeats[] = []): FlowCompare {
  const [first, last] = one.place <= other.place ? [one, other] : [other, one]
  const runs = flowRuns(r)
  const groups = repeatsOf(r, runs)
  const groupOf = (run: FlowRun) => groups.find(group => group.some(({ entry }) => entry.id === run.entry.id)) ?? [run]
  const together = groupOf(first) === groupOf(last)
  const [before, after] = together ? [[first], [last]] : [groupOf(first), groupOf(last)]
  const why = incomparable(first, last)
  const changed = why.includes('specimen') || why.includes('claimed') ? [] : changesBetween(r, first, last)
  const errors = errorsOf(r, last.entry.body.bench, others)
  const oneMounting = why.length === 0 && inOneMounting(r, before[0]!, after.at(-1)!)
  const found: FlowCompare = {
    before, after, why, errors, again: together, oneMounting, changed, lifts: [], dips: [], apart: runsApart(changed),
    between: runs.filter(run => run.place > first.place && run.place < last.place && incomparable(run, last).length === 0 && !before.includes(run) && !after.includes(run))
  }
  if (why.length > 0) return found
  const [was, is] = [meanOf(before), meanOf(after)]
  const means = { setup: oneMounting ? 0 : errors.setup, reading: errors.reading / Math.sqrt(Math.min(was.readings, is.readings)), beforeRuns: was.mountings, afterRuns: is.mountings }
  found.lifts = liftsOfBoth(was.rows, is.rows).filter(pair => pair.before.flow > 0).map(({ before: b, after: a }) => ({ lift: b.lift, before: b.flow, after: a.flow, ...flowChange({ ...means, before: b.flow, after: a.flow }) }))
  found.dips = dipsIn(is.rows, errors.reading / Math.sqrt(is.mountings * is.readings))
  try {
    found.whole = curveChange({ ...means, before: was.rows, after: is.rows })
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    return { ...found, lifts: [], dips: [], why: ['lifts'] }
  }
  const gain = gainOf(r, first, last, { before: was.rows, after: is.rows }, cam, found.whole)
  return gain ? { ...found, gain } : found
}
