import { RulesRequest, check } from '#shared/dto'
import { keepRules } from '../../db/rules'
import { accepted, answer, api, by, idFrom, readJson } from '../../http/api'
import { happened } from '../../http/live'

export default api(async (event) => {
  const id = idFrom(event, 'rules')
  const { hand, ...rules } = accepted(check(RulesRequest, await readJson(event)))
  const outcome = await keepRules(by(hand), id, rules)
  const kept = answer(event, outcome)
  if (outcome.kind === 'added') happened({ kind: 'rules', id })
  return kept
})
