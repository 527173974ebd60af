import { api, idFrom } from '../../http/api'
import { isWorkingOn } from '../../http/working'

/** Whether a write that was sent is being worked on: what a page asks that has waited a while for its answer. */
export default api(event => ({ working: isWorkingOn(idFrom(event, 'id')) }))
