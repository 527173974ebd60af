import { initialsFault } from '#shared/dto'
import { listPractice } from '../../db/practice'
import { api, by, refuse } from '../../http/api'
import { getQuery } from 'h3'

export default api((event) => {
  const { hand } = getQuery(event)
  const fault = initialsFault(hand)
  return fault ? refuse([{ path: 'hand', sentence: fault }]) : listPractice(by(), hand as string)
})
