import { sql } from 'drizzle-orm'
import { connection } from './connection'
import { pulse } from './schema'
import { databaseTrouble } from './trouble'

let last: { at: number, trouble: string | undefined } | undefined

/** A look is good for this long: health may be asked by every open page at once. */
const GOOD_MS = 1000

/**
 * Whether the database answers and can write: one that reads but can't write (its disk is full) would keep nothing.
 *
 * @returns what is wrong, as a sentence; undefined when all is well
 */
export async function databaseWrong(): Promise<string | undefined> {
  if (last && Date.now() - last.at < GOOD_MS) return last.trouble
  let trouble: string | undefined
  try {
    await connection().db.insert(pulse).values({ id: 1, at: sql`now()` }).onConflictDoUpdate({ target: pulse.id, set: { at: sql`now()` } })
  } catch (error) {
    trouble = databaseTrouble(error) ?? 'The application runs, its database does not answer.'
  }
  last = { at: Date.now(), trouble }
  return trouble
}
