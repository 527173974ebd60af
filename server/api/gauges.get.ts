import { gauges } from '../gauges/driver'
import { api } from '../http/api'

export default api(() => gauges().map(({ id, name, measures, unit, resolution }) => ({ id, name, measures, unit, resolution })))
