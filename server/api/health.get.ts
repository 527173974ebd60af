import { databaseWrong } from '../db/health'
import { api } from '../http/api'
import { ApiProblem } from '../http/problem'

export default api(async () => {
  const trouble = await databaseWrong()
  if (trouble) throw new ApiProblem(503, 'No database', trouble)
  return { app: 'ok', database: 'ok' }
})
