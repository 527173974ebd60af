import { InstrumentRequest, check } from '#shared/dto'
import { checkInstrument } from '#core'
import { keepInstrument } from '../../../db/instruments'
import { accepted, answer, api, by, idFrom, readJson } from '../../../http/api'
import { happened } from '../../../http/live'

export default api(async (event) => {
  const id = idFrom(event, 'instrument')
  const { hand, ...figures } = accepted(check(InstrumentRequest, await readJson(event)))
  checkInstrument(figures)
  const kept = answer(event, await keepInstrument(by(hand), id, figures))
  happened({ kind: 'instrument', id })
  return kept
})
