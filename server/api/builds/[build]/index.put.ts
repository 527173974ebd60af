import { BuildRequest, check } from '#shared/dto'
import { beginBuild } from '../../../db/builds'
import { accepted, answer, api, by, idFrom, readJson } from '../../../http/api'
import { happened } from '../../../http/live'

/** Begins a build; what it is called later is an entry of its ledger. */
export default api(async (event) => {
  const id = idFrom(event, 'build')
  const { name, reference, hand } = accepted(check(BuildRequest, await readJson(event)))
  const outcome = await beginBuild(by(hand), { id, name, reference })
  const kept = answer(event, outcome)
  if (outcome.kind === 'added') happened({ kind: 'build', id })
  return kept
})
