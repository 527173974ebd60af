import { databaseAnswers } from '../db/health'
import { ApiProblem, api } from '../http/api'

export default api(async () => {
  if (!await databaseAnswers()) throw new ApiProblem(503, 'No database', 'The application runs, its database does not answer.')
  return { app: 'ok', database: 'ok' }
})
