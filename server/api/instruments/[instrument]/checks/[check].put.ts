import { CheckRequest, check } from '#shared/dto'
import { keepCheck } from '../../../../db/instruments'
import { accepted, answer, api, by, idFrom, readJson } from '../../../../http/api'
import { happened } from '../../../../http/live'

export default api(async (event) => {
  const instrument = idFrom(event, 'instrument')
  const id = idFrom(event, 'check')
  const sent = accepted(check(CheckRequest, await readJson(event)))
  const outcome = await keepCheck(by(sent.hand), instrument, id, sent)
  const kept = answer(event, outcome)
  if (outcome.kind === 'added') happened({ kind: 'instrument', id: instrument })
  return kept
})
