import { DomainError } from '../domain'
import type { Entry } from '../ledger'
import { advice } from './advice'
import { reckon, modelOf, clearancesOf, squishOf, type LeftOut, type Replay } from '../standing'

/** Everything a page or a list asks of a replay, asked once: what throws here would throw there. */
function reckonAll(entries: readonly Entry[]): Replay | undefined {
  const replayed = reckon(entries)
  for (const cylinder of replayed?.layout.cylinders ?? []) {
    squishOf(replayed!, cylinder, 'asIs')
    squishOf(replayed!, cylinder, 'asPlanned')
    modelOf(replayed!, cylinder, 'asIs')
    modelOf(replayed!, cylinder, 'beforeCut')
    clearancesOf(replayed!, cylinder)
  }
  advice(replayed)
  return replayed
}

type Attempt = { replayed: Replay | undefined } | { error: unknown }

function attempt(entries: readonly Entry[]): Attempt {
  try {
    return { replayed: reckonAll(entries) }
  } catch (error) {
    return { error }
  }
}

/** As they were received, those that wait to be sent last: what came later is judged by what stood before it. */
function asReceived(entries: readonly Entry[]): Entry[] {
  return entries.map((entry, i) => ({ entry, i })).sort((a, b) => (a.entry.seq ?? Infinity) - (b.entry.seq ?? Infinity) || a.i - b.i).map(({ entry }) => entry)
}

/**
 * Everything a ledger says about a build, whatever is in it: {@link reckon} without the entries that can't be reckoned
 * with beside those received before them. They are named in `leftOut` and count for nothing, so that one of them takes
 * no page, no list and no other entry with it.
 *
 * @param entries the whole ledger, in any order
 * @returns undefined while no layout says how many cylinders there are
 * Source: the shortest run of entries, as received, that can't be reckoned ends with the one at fault (bisection).
 * @example replay([...sound, impossible])!.leftOut // [{ id: impossible.id, argument: 'u', given: -1, bound: '0 or more' }]
 */
export function replay(entries: readonly Entry[]): Replay | undefined {
  let tried = attempt(entries)
  if ('replayed' in tried) return tried.replayed
  let rest = asReceived(entries)
  const leftOut: LeftOut[] = []
  while ('error' in tried) {
    // `sound` entries can be reckoned, `broken` can't: no entries at all always can.
    let [sound, broken, error] = [0, rest.length, tried.error]
    while (broken - sound > 1) {
      const middle = (sound + broken) >> 1
      const half = attempt(rest.slice(0, middle))
      if ('error' in half) [broken, error] = [middle, half.error]
      else sound = middle
    }
    leftOut.push(blame(rest[broken - 1]!, error))
    rest = [...rest.slice(0, broken - 1), ...rest.slice(broken)]
    tried = attempt(rest)
  }
  return tried.replayed && { ...tried.replayed, leftOut }
}

function blame(entry: Entry, error: unknown): LeftOut {
  return error instanceof DomainError
    ? { id: entry.id, argument: error.argument, given: error.given, bound: error.bound }
    : { id: entry.id, argument: 'entry', given: (error as Error).message, bound: 'in a shape that can be read' }
}
