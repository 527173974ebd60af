import { long } from '../../aside'
import { api, idFrom, readAside, readBody } from '../../http/api'
import { happened } from '../../http/live'
import { SHOP } from '../../http/shop'

/** A build of some hundred thousand pours: more than anybody pours in a life, and all that goes out comes back. */
const LARGEST = 256 * 1024 * 1024
const SECONDS = 300

export default api(async (event) => {
  const importId = idFrom(event, 'import')
  const body = new Uint8Array(await readBody(event, LARGEST))
  const read = await long.ask('bringIn', { shop: SHOP, importId, body }, SECONDS * 1000, [body.buffer])
  const build = readAside(event, read)
  if (read.ok && read.outcome.kind === 'added') happened({ kind: 'build', id: build.id })
  return build
}, SECONDS)
