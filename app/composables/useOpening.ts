import type { Place } from '#core'
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'

/** How long a field or an entry may take to be on the screen, ms: on a slow device as long as the hand waits for it too. */
const [PATIENCE, SLOW] = [3000, 30_000] as const

/** Where a link that leads to a field points: the address says which leaf, which cylinder, which field, what is filled and which side. */
export function openingOf(build: string, { station, leaf, field, fill, valve }: Place, cylinder?: number) {
  return { path: `/builds/${build}/${station}`, query: { ...(leaf ? { leaf } : {}), ...(field ? { field } : {}), ...(fill ? { fill } : {}), ...(valve ? { valve } : {}), ...(cylinder ? { cylinder } : {}) } }
}

/** The field that a link asked for last: a fold that it lies in opens. */
export const fieldAsked = ref('')

async function focusOn(what: string): Promise<void> {
  const begun = performance.now()
  const elsewhere = new AbortController()
  for (const act of ['keydown', 'pointerdown']) window.addEventListener(act, () => elsewhere.abort(), { once: true, capture: true, signal: elsewhere.signal })
  while (performance.now() - begun < (elsewhere.signal.aborted ? PATIENCE : SLOW)) {
    const found = document.querySelector<HTMLElement>(`.station-room ${what}`)
    if (found) {
      found.focus()
      break
    }
    await new Promise(resolve => requestAnimationFrame(resolve))
  }
  elsewhere.abort()
}

/** Where a link that leads to one entry of a build points. */
export const entryOf = (build: string, entry: string) => ({ path: `/builds/${build}/daybook`, query: { leaf: 'entries', entry } })

/** Opens the leaf and the very field that a link asked for; the address is then plain again, so that a reload stays put. */
export function useOpening() {
  const build = useBuild()
  const route = useRoute()
  const router = useRouter()
  const choices = useChoices()
  watch(() => route.fullPath, async () => {
    const { leaf, field, fill, valve, cylinder, entry } = route.query
    if ([leaf, field, fill, valve, cylinder, entry].every(asked => asked === undefined)) return
    if (typeof leaf === 'string') choices.choose(`${route.path.split('/')[3]}Leaf`, leaf)
    if (valve === 'intake' || valve === 'exhaust') choices.choose('portSide', valve)
    fieldAsked.value = ''
    if (typeof fill === 'string') choices.choose('pourOf', fill)
    if (build.cylinders.includes(Number(cylinder))) build.cylinder = Number(cylinder)
    await router.replace({ path: route.path, query: {} })
    if (typeof field === 'string') fieldAsked.value = field
    if (typeof field === 'string') await focusOn(`[data-quantity="${CSS.escape(field)}"] input`)
    if (typeof entry === 'string') await focusOn(`[data-entry="${CSS.escape(entry)}"]`)
  }, { immediate: true })
}
