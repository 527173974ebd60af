import { api } from '../http/api'
import { ApiProblem } from '../http/problem'

export default api(() => {
  throw new ApiProblem(404, 'Not here', 'There is nothing at this address, or not for this method.')
})
