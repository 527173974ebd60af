import { createEventStream, getQuery } from 'h3'
import { uuidFault } from '#shared/dto'
import { gauges, type HeldAt } from '../gauges/driver'
import { ApiProblem, api } from '../http/api'
import { onHappening } from '../http/live'

/** Where the gauge that was asked for is held, from the address; whatever is no number is nought. */
function heldAt(query: Record<string, unknown>): HeldAt {
  const text = (name: string) => typeof query[name] === 'string' ? query[name].slice(0, 40) : ''
  const number = (name: string) => Math.max(-200, Math.min(200, Number(text(name)) || 0))
  const build = text('build')
  if (build && uuidFault(build)) throw new ApiProblem(400, 'Not an identity', 'The address holds no proper identity for build.', { fields: [{ path: 'build', sentence: uuidFault(build)! }] })
  return { build, cylinder: number('cylinder'), what: text('what'), x: number('x'), y: number('y') }
}

/** The one live channel: what happened, so that open pages can ask for it, and the readings of a gauge if one is named. */
export default api(async (event) => {
  const query = getQuery(event)
  const driver = query.gauge === undefined ? undefined : gauges().find(g => g.id === query.gauge)
  if (query.gauge !== undefined && !driver) throw new ApiProblem(404, 'Not here', 'There is no such gauge on this bench.')
  const at = heldAt(query)
  const stream = createEventStream(event)
  const stop = onHappening(happening => void stream.push(JSON.stringify(happening)))
  // A proxy or a sleeping tablet drops a silent line.
  const beat = setInterval(() => void stream.push({ event: 'beat', data: '' }), 20_000)
  const decimals = driver ? Math.max(0, -Math.floor(Math.log10(driver.resolution) + 1e-9)) : 0
  const close = driver?.open(at, value => void stream.push({ event: 'gauge', data: `${value.toFixed(decimals)} ${driver.unit}` }))
  stream.onClosed(async () => {
    stop()
    close?.()
    clearInterval(beat)
    await stream.close()
  })
  return stream.send()
})
