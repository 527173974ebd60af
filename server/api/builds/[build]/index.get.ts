import type { BuildView } from '#shared/dto'
import { findBuild } from '../../../db/builds'
import { listEntries } from '../../../db/entries'
import { ApiProblem, api, by, idFrom } from '../../../http/api'

export default api(async (event): Promise<BuildView> => {
  const id = idFrom(event, 'build')
  const build = await findBuild(by(), id)
  if (!build) throw new ApiProblem(404, 'Not here', 'There is no such build in this shop.')
  return { ...build, entries: await listEntries(by(), id) }
})
