import { preloadRouteComponents } from '#imports'
import { STATIONS } from '~/words/stations'

/** A page that has settled fetches the stations that are not open, ms after it was last led somewhere. */
const SETTLED = 4000

/** Once the open station stands, the others are fetched too: a page that has lost its server opens them all the same. */
export default defineNuxtPlugin(() => {
  let timer: ReturnType<typeof setTimeout> | undefined
  useRouter().afterEach(({ params }) => {
    clearTimeout(timer)
    if (typeof params.id !== 'string') return
    timer = setTimeout(() => Object.keys(STATIONS).forEach((station) => {
      // A server that does not answer just now is no fault: the station is asked for again when it is opened.
      preloadRouteComponents(`/builds/${String(params.id)}/${station}`).catch(() => undefined)
    }), SETTLED)
  })
})
