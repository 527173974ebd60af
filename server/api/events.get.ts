import { createEventStream } from 'h3'
import { api } from '../http/api'
import { onHappening } from '../http/live'

/** The one live channel: what happened, so that open pages can ask for it. */
export default api(async (event) => {
  const stream = createEventStream(event)
  const stop = onHappening(happening => void stream.push(JSON.stringify(happening)))
  // A proxy or a sleeping tablet drops a silent line.
  const beat = setInterval(() => void stream.push({ event: 'beat', data: '' }), 20_000)
  stream.onClosed(async () => {
    stop()
    clearInterval(beat)
    await stream.close()
  })
  return stream.send()
})
