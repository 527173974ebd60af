import { createEventStream, getQuery } from 'h3'
import { uuidFault } from '#shared/dto'
import { gauges, type HeldAt } from '../gauges/driver'
import { readLines } from '../gauges/lines'
import { findBuild } from '../db/builds'
import { api, by } from '../http/api'
import { ApiProblem } from '../http/problem'
import { onHappening } from '../http/live'

/** Where the gauge that was asked for is held, from the address; whatever is no number is nought. */
async function heldAt(query: Record<string, unknown>): Promise<HeldAt> {
  const text = (name: string) => typeof query[name] === 'string' ? query[name].slice(0, 40) : ''
  const number = (name: string) => Math.max(-200, Math.min(200, Number(text(name)) || 0))
  const build = text('build')
  if (build && uuidFault(build)) throw new ApiProblem(400, 'Not an identity', 'The address holds no proper identity for build.', { fields: [{ path: 'build', sentence: uuidFault(build)! }] })
  const named = build === '' ? undefined : await findBuild(by(), build)
  return { build: named?.name ?? '', cylinder: number('cylinder'), what: text('what'), x: number('x'), y: number('y') }
}

/** Between two beats of the line: a page that hears none for three of them opens it anew. */
const BEAT_MS = 5000

/** The one live channel: what happened, so that open pages can ask for it, and the readings of a gauge if one is named. */
export default api(async (event) => {
  const query = getQuery(event)
  const driver = query.gauge === undefined ? undefined : gauges().find(g => g.id === query.gauge)
  if (query.gauge !== undefined && !driver) throw new ApiProblem(404, 'Not here', 'There is no such gauge on this bench.')
  const at = await heldAt(query)
  const stream = createEventStream(event)
  const stop = onHappening(happening => void stream.push(JSON.stringify(happening)))
  // A proxy or a sleeping tablet drops a silent line, and some hold the headers back until something follows them: the first
  // beat goes at once, and says how soon to come back after a break.
  const beat = setInterval(() => void stream.push({ event: 'beat', data: '' }), BEAT_MS)
  void stream.push({ event: 'beat', data: '', retry: 1000 })
  const lines = readLines()
  const close = driver?.open(at, (piece) => {
    for (const line of lines(piece)) void stream.push({ event: 'gauge', data: line })
  })
  stream.onClosed(async () => {
    stop()
    close?.()
    clearInterval(beat)
    await stream.close()
  })
  return stream.send()
})
