import { ImportRequest, check } from '#shared/dto'
import { readDocument } from '#shared/files/buildFile'
import { importBuild, renamed } from '../../db/imports'
import { accepted, answer, api, by, idFrom, readJson } from '../../http/api'
import { happened } from '../../http/live'

const LARGEST_BUILD = 4 * 1024 * 1024

export default api(async (event) => {
  const id = idFrom(event, 'import')
  const { document, copy, hand } = accepted(check(ImportRequest, await readJson(event, LARGEST_BUILD)))
  const read = accepted(readDocument(document))
  const build = answer(event, await importBuild(by(hand), copy ? renamed(read, id) : read))
  happened({ kind: 'build', id: build.id })
  return build
})
