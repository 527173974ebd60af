import { DOCUMENT_FORMAT, DOCUMENT_VERSION, type BuildDocument } from '#shared/dto'
import { setResponseHeader } from 'h3'
import { findBuild } from '../../../db/builds'
import { listEntries } from '../../../db/entries'
import { ApiProblem, api, by, idFrom } from '../../../http/api'
import { fileName } from '../../../http/fileName'

export default api(async (event): Promise<BuildDocument> => {
  const id = idFrom(event, 'build')
  const build = await findBuild(by(), id)
  if (!build) throw new ApiProblem(404, 'Not here', 'There is no such build in this shop.')
  setResponseHeader(event, 'content-disposition', `attachment; filename="${fileName(build.name)}.json"`)
  return {
    format: DOCUMENT_FORMAT, version: DOCUMENT_VERSION,
    build: { id: build.id, name: build.name, reference: build.reference },
    entries: await listEntries(by(), id)
  }
})
