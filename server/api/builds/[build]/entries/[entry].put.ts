import { getQuery } from 'h3'
import { checkEntry } from '#shared/dto'
import { canReckon } from '../../../../aside'
import { addEntry } from '../../../../db/entries'
import { accepted, answer, api, by, idFrom, readJson, refuse } from '../../../../http/api'
import { happened } from '../../../../http/live'

/** Keeps one entry. `seen` in the address is the last entry the page knew when it was typed. */
export default api(async (event) => {
  const build = idFrom(event, 'build')
  const id = idFrom(event, 'entry')
  const sent = accepted(checkEntry(await readJson(event)))
  const { seen } = getQuery(event)
  if (seen !== undefined && !/^\d{1,15}$/.test(String(seen))) refuse([{ path: 'seen', sentence: 'The last entry that was seen is a whole number.' }])
  const outcome = await addEntry(by(sent.hand), build, id, sent, { canReckon, ...(seen === undefined ? {} : { seen: Number(seen) }) })
  const kept = answer(event, outcome)
  if (outcome.kind === 'added') happened({ kind: 'entry', build, id })
  return kept
})
