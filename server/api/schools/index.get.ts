import { listChoices } from '../../db/schools'
import { api, by } from '../../http/api'

export default api(() => listChoices(by()))
