import { long, reckoning } from '../../../../aside'
import { api, idFrom, readAside, readBody } from '../../../../http/api'
import { happened } from '../../../../http/live'
import { SHOP } from '../../../../http/shop'

const LARGEST = 32 * 1024 * 1024
const SECONDS = 120

/** Readings brought in together, from a file: all of them or none. */
export default api(async (event) => {
  const build = idFrom(event, 'build')
  const id = idFrom(event, 'batch')
  const body = new Uint8Array(await readBody(event, LARGEST))
  const read = await long.ask('batch', { shop: SHOP, build, reckoning: reckoning(), body }, SECONDS * 1000, [body.buffer])
  const kept = readAside(event, read)
  if (read.ok && read.outcome.kind === 'added') happened({ kind: 'entry', build, id })
  return kept
}, SECONDS)
