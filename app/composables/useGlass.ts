import { useLocalStorage } from '@vueuse/core'
import { pouredFirst, volumeHeld, type CylinderState, type Enclosed } from '#core'
import { inUse } from '#shared/dto'
import { useBuild } from '~/stores/build'
import { useShop } from '~/stores/shop'
import { sayStop } from '~/words/stop'
import { useBeside } from './useBeside'

/** The burette that is poured with here, or the shop's first, and where it stands when a chamber or a whole clearance holds a volume: what the stations give as the end of a job. */
export function useGlass() {
  const shop = useShop()
  const build = useBuild()
  const { alsoFilled } = useBeside()
  const chosen = useLocalStorage('bowl.instrument', '')
  const glass = computed(() => {
    const burettes = shop.instruments.filter(i => i.kind === 'burette')
    const found = burettes.find(i => i.id === chosen.value) ?? burettes[0]
    return found && inUse(found)
  })
  const stopAt = (volume: number | undefined, what: Enclosed = 'chamber') => sayStop(volume === undefined ? undefined : volume + alsoFilled(what), glass.value)
  /** Where the glass stands at the end of a job on a cylinder: of its chamber, or of the whole where an engine of this kind is filled assembled. */
  const stopOf = (state: CylinderState) => {
    const what = pouredFirst(build.replayed?.layout.engine)
    return stopAt(volumeHeld(state, what), what)
  }
  return { glass, stopAt, stopOf }
}
