import { listInstruments } from '../../db/instruments'
import { api, by } from '../../http/api'

export default api(() => listInstruments(by()))
