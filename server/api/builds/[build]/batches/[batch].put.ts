import { readBatch } from '#shared/dto'
import { addEntries } from '../../../../db/entries'
import { accepted, answer, api, by, idFrom, readJson } from '../../../../http/api'
import { happened } from '../../../../http/live'

/** Readings brought in together, from a file: all of them or none. */
export default api(async (event) => {
  const build = idFrom(event, 'build')
  const id = idFrom(event, 'batch')
  const { hand, entries } = accepted(readBatch(await readJson(event, 4 * 1024 * 1024)))
  const outcome = await addEntries(by(hand), build, entries)
  const kept = answer(event, outcome)
  if (outcome.kind === 'added') happened({ kind: 'entry', build, id })
  return kept
})
