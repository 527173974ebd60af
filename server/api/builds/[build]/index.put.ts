import { BuildRequest, check } from '#shared/dto'
import { nameBuild } from '../../../db/builds'
import { accepted, answer, api, by, idFrom, readJson } from '../../../http/api'
import { happened } from '../../../http/live'

export default api(async (event) => {
  const id = idFrom(event, 'build')
  const { name, reference, hand } = accepted(check(BuildRequest, await readJson(event)))
  const kept = answer(event, await nameBuild(by(hand), { id, name, reference }))
  happened({ kind: 'build', id })
  return kept
})
