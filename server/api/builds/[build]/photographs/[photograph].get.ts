import { getQuery, getRequestHeader, setResponseHeader, setResponseStatus } from 'h3'
import { photographOf } from '../../../../db/photographs'
import { api, by, hashFrom, idFrom } from '../../../../http/api'
import { ApiProblem } from '../../../../http/problem'

/** A photograph of a build, for as long as an entry that counts carries it: `?small` for a list. */
export default api(async (event) => {
  const build = idFrom(event, 'build')
  const sha256 = hashFrom(event, 'photograph')
  const size = 'small' in getQuery(event) ? 'small' : 'bytes'
  const bytes = await photographOf(by(), build, sha256, size)
  if (!bytes) throw new ApiProblem(404, 'Not here', 'There is no such photograph in this build.')
  // A device may keep it, but asks each time: an entry that is struck out takes its photographs with it.
  setResponseHeader(event, 'cache-control', 'private, no-cache')
  const etag = `"${sha256}-${size}"`
  setResponseHeader(event, 'etag', etag)
  if (getRequestHeader(event, 'if-none-match') === etag) {
    setResponseStatus(event, 304)
    return null
  }
  setResponseHeader(event, 'content-type', 'image/jpeg')
  setResponseHeader(event, 'content-disposition', `inline; filename="${sha256.slice(0, 12)}.jpg"`)
  setResponseHeader(event, 'x-content-type-options', 'nosniff')
  setResponseHeader(event, 'content-security-policy', 'default-src \'none\'; sandbox')
  return bytes
})
