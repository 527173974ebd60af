import { checkEntry } from '#shared/dto'
import { addEntry } from '../../../../db/entries'
import { accepted, answer, api, by, idFrom, readJson } from '../../../../http/api'
import { happened } from '../../../../http/live'

export default api(async (event) => {
  const build = idFrom(event, 'build')
  const id = idFrom(event, 'entry')
  const sent = accepted(checkEntry(await readJson(event)))
  const outcome = await addEntry(by(sent.hand), build, id, sent)
  const kept = answer(event, outcome)
  if (outcome.kind === 'added') happened({ kind: 'entry', build, id })
  return kept
})
