import { PracticeRequest, check } from '#shared/dto'
import { keepPractice } from '../../db/practice'
import { accepted, answer, api, by, idFrom, readJson } from '../../http/api'

export default api(async (event) => {
  const id = idFrom(event, 'reading')
  const { given, slip, ...reading } = accepted(check(PracticeRequest, await readJson(event)))
  return answer(event, await keepPractice(by(reading.hand), { id, ...reading, at: new Date(reading.at).toISOString(), given: given ?? null, slip: slip ?? null }))
})
