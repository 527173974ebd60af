import { getQuery } from 'h3'
import type { BuildView } from '#shared/dto'
import { reckoning, warm } from '../../../aside'
import { findBuild } from '../../../db/builds'
import { listEntries } from '../../../db/entries'
import { siftedOf } from '../../../db/summaries'
import { api, by, idFrom } from '../../../http/api'
import { ApiProblem } from '../../../http/problem'

/** A build with its ledger; with `since` in the address only what came after that entry. */
export default api(async (event): Promise<BuildView> => {
  const id = idFrom(event, 'build')
  const given = getQuery(event).since
  const since = /^\d{1,15}$/.test(String(given)) ? Number(given) : 0
  const build = await findBuild(by(), id)
  if (!build) throw new ApiProblem(404, 'Not here', 'There is no such build in this shop.')
  if (since === 0) warm(id)
  return { ...build, since, ...await listEntries(by(), id, { since, known: await siftedOf(by(), id, reckoning()) }) }
})
