import { reckoning } from '../../aside'
import { listSummaries } from '../../db/summaries'
import { api, by } from '../../http/api'

/** The shop's builds and where each stands, as it is kept: nothing is replayed here. */
export default api(() => listSummaries(by(), reckoning()))
