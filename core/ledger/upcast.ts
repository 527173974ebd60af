import { DomainError } from '../domain'
import type { Entry } from './entry'

/** Version of the bodies written today. */
export const BODY_VERSION = 1

/** Lifts a body from version v to v + 1; index 1 is the lift from 1 to 2. Stored bodies are never rewritten. */
const LIFTS: ((body: unknown) => unknown)[] = []

/**
 * Brings an entry of any known version to the shape of today.
 *
 * @param entry as stored
 * @returns the entry with a body of version {@link BODY_VERSION}
 * @throws RangeError for a version this code does not know
 * @example upcast({ …, v: 1 }) // the same entry: version 1 is today's
 */
export function upcast(entry: Entry): Entry {
  if (!Number.isInteger(entry.v) || entry.v < 1 || entry.v > BODY_VERSION) {
    throw new DomainError('entry.v', entry.v, `a whole number from 1 to ${BODY_VERSION}`)
  }
  let { body, v } = entry as { body: unknown, v: number }
  for (; v < BODY_VERSION; v++) body = LIFTS[v]!(body)
  return { ...entry, body, v } as Entry
}
