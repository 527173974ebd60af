import { Readable } from 'node:stream'
import { setResponseHeader } from 'h3'
import { DOCUMENT_FORMAT, DOCUMENT_VERSION } from '#shared/dto'
import { findBuild } from '../../../db/builds'
import { storedEntries } from '../../../db/entries'
import { api, by, idFrom } from '../../../http/api'
import { fileName } from '../../../http/fileName'
import { ApiProblem } from '../../../http/problem'

/** Entries written between two looks at what else there is to do. */
const SLICE = 500

/** A build as a file, written piece by piece: a long one must not keep everybody else waiting. */
export default api(async (event) => {
  const id = idFrom(event, 'build')
  const build = await findBuild(by(), id)
  if (!build) throw new ApiProblem(404, 'Not here', 'There is no such build in this shop.')
  setResponseHeader(event, 'content-type', 'application/json; charset=utf-8')
  setResponseHeader(event, 'content-disposition', `attachment; filename="${fileName(build.name)}.json"`)
  const entries = await storedEntries(by(), id)
  const head = JSON.stringify({ format: DOCUMENT_FORMAT, version: DOCUMENT_VERSION, build: { id: build.id, name: build.name, reference: build.reference } })
  async function* pieces() {
    yield `${head.slice(0, -1)},"entries":[`
    for (let i = 0; i < entries.length; i += SLICE) {
      yield (i > 0 ? ',' : '') + entries.slice(i, i + SLICE).map(entry => JSON.stringify(entry)).join()
      await new Promise(resolve => setImmediate(resolve))
    }
    yield ']}'
  }
  return Readable.from(pieces())
})
