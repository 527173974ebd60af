import { getRouterParam, setResponseHeader } from 'h3'
import { FILE_KINDS, writeReadings, type FileKind } from '#shared/files/readingRows'
import { findBuild } from '../../../../db/builds'
import { listEntries } from '../../../../db/entries'
import { api, by, idFrom } from '../../../../http/api'
import { ApiProblem } from '../../../../http/problem'
import { reckoning } from '../../../../aside'
import { siftedOf } from '../../../../db/summaries'
import { fileName } from '../../../../http/fileName'

/** A build's pours, deck readings or solders as CSV. */
export default api(async (event) => {
  const id = idFrom(event, 'build')
  const kind = getRouterParam(event, 'kind') as FileKind
  if (!FILE_KINDS.includes(kind)) throw new ApiProblem(404, 'Not here', `There are files of ${FILE_KINDS.join(', ')}.`)
  const build = await findBuild(by(), id)
  if (!build) throw new ApiProblem(404, 'Not here', 'There is no such build in this shop.')
  setResponseHeader(event, 'content-type', 'text/csv; charset=utf-8')
  setResponseHeader(event, 'content-disposition', `attachment; filename="${fileName(build.name)}-${kind}.csv"`)
  const { entries } = await listEntries(by(), id, { known: await siftedOf(by(), id, reckoning()) })
  return writeReadings(entries, kind)
})
