import type { Place } from '#core'
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'

/** How long a field may take to be on the screen, ms. */
const PATIENCE = 3000

/** Where a link that leads to a field points: the address says which leaf, which cylinder and which field. */
export function openingOf(build: string, { station, leaf, field }: Place, cylinder?: number) {
  return { path: `/builds/${build}/${station}`, query: { ...(leaf ? { leaf } : {}), ...(field ? { field } : {}), ...(cylinder ? { cylinder } : {}) } }
}

async function focusOn(field: string): Promise<void> {
  const begun = performance.now()
  while (performance.now() - begun < PATIENCE) {
    const input = document.querySelector<HTMLInputElement>(`.station-room [data-quantity="${CSS.escape(field)}"] input`)
    if (input) return input.focus()
    await new Promise(resolve => requestAnimationFrame(resolve))
  }
}

/** Opens the leaf and the very field that a link asked for; the address is then plain again, so that a reload stays put. */
export function useOpening() {
  const build = useBuild()
  const route = useRoute()
  const router = useRouter()
  const choices = useChoices()
  watch(() => route.fullPath, async () => {
    const { leaf, field, cylinder } = route.query
    if (leaf === undefined && field === undefined && cylinder === undefined) return
    if (typeof leaf === 'string') choices.choose(`${route.path.split('/')[3]}Leaf`, leaf)
    if (build.cylinders.includes(Number(cylinder))) build.cylinder = Number(cylinder)
    await router.replace({ path: route.path, query: {} })
    if (typeof field === 'string') await focusOn(field)
  }, { immediate: true })
}
