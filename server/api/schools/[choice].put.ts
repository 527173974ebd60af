import { ChoiceRequest, check } from '#shared/dto'
import { keepChoice } from '../../db/schools'
import { accepted, answer, api, by, idFrom, readJson } from '../../http/api'
import { happened } from '../../http/live'

export default api(async (event) => {
  const id = idFrom(event, 'choice')
  const choice = accepted(check(ChoiceRequest, await readJson(event)))
  const outcome = await keepChoice(by(choice.hand), { ...choice, id, at: new Date(choice.at).toISOString() })
  const kept = answer(event, outcome)
  if (outcome.kind === 'added') happened({ kind: 'choice', id })
  return kept
})
