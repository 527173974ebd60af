import { ccBand, estimate, targetBand } from '#core'
import { useBuild } from '~/stores/build'

/** Half the scale, cc: the first that holds every cylinder with its doubt; beyond the last it doubles. */
const HALVES = [4, 8, 16, 32]
/** The band takes a fifth of the half at most, so that it stays clear of the figures. */
const ROOM_FOR_BAND = 5

/** The half of a scale that holds as much. */
export const halfOf = (most: number) => HALVES.find(cc => cc >= most) ?? 2 ** Math.ceil(Math.log2(most))

/** The one scale that the strip of cylinders and the stack's vernier share: cc over the target's clearance is up. */
export function useCcScale() {
  const build = useBuild()
  const band = computed(() => targetBand(build.replayed?.target))
  /** Over and under the target by which a cylinder still counts as on it, cc; of the cylinder on the bench. */
  const shim = computed(() => build.state && ccBand(build.state, band.value))
  const half = computed(() => {
    const far = [...build.asIs, ...build.planned?.cylinders.map(c => c.state) ?? []].flatMap(({ gap }) => {
      if (!gap) return []
      const { value, u } = estimate(gap.estimate)
      return [Math.abs(value) + 2 * u]
    })
    const most = Math.max(0, ...far, (shim.value?.over ?? 0) * ROOM_FOR_BAND)
    return halfOf(most)
  })
  return { half, shim, band }
}
