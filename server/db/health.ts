import { connection } from './connection'

/** Whether the database answers at all. */
export async function databaseAnswers(): Promise<boolean> {
  try {
    await connection().pool.query('select 1')
    return true
  } catch {
    return false
  }
}
