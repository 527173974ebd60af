import { atEdges, fromEdges, reachOf, type Free, type HeadSetup, type Roll } from '#core'
import { useBuild } from '~/stores/build'
import { useDrafts } from '~/stores/drafts'

export type CutMode = 'flat' | 'angled' | 'both'
/** How the head is laid on the machine, as it is set on the Cut station; kept on this device until it is planned. */
export interface CutSetup { mode: CutMode, roll: Roll, free: Free | 'none', angle: number, depth: number, flat: number, reach: number, typed: boolean }

/** How far the edges are taken to lie where nobody stated the bore, mm. */
const ANY_REACH = 68
const BEGIN: CutSetup = { mode: 'flat', roll: 'aboutCrank', free: 'depth', angle: 0, depth: 0, flat: 0, reach: 0, typed: false }

export function useCutSetup(head: () => number) {
  const build = useBuild()
  const drafts = useDrafts()
  const key = computed(() => `${build.view?.id}/cut/${head()}/setup`)
  const setup = computed<CutSetup>(() => {
    const text = drafts.get(key.value)
    const kept: CutSetup = text === undefined ? BEGIN : { ...BEGIN, ...JSON.parse(text) as CutSetup }
    return { ...kept, reach: kept.reach || Math.round((build.replayed && reachOf(build.replayed, head(), kept.roll)) ?? ANY_REACH) }
  })
  const set = (change: Partial<CutSetup>) => drafts.set(key.value, JSON.stringify({ ...setup.value, ...change }))

  function mode(to: CutMode) {
    if (to === 'flat') set({ mode: to, free: 'depth', angle: 0, flat: 0, typed: false })
    else if (to === 'angled') set({ mode: to, flat: 0, free: setup.value.free === 'flat' ? 'depth' : setup.value.free, angle: setup.value.angle || 1, typed: false })
    else {
      // An angled cut that runs out at one edge, for the flat one to finish.
      const angle = setup.value.angle || 0.5
      set({ mode: to, angle, depth: setup.value.depth || Math.round(100 * atEdges({ angle: Math.abs(angle), depth: 0 }, setup.value.reach).high) / 100, free: 'flat', typed: false })
    }
  }
  /** Depths at two edges instead of an angle and a depth: both are then set, and nothing but a flat cut is left free. */
  function edges(low: number, high: number) {
    const { angle, depth } = fromEdges(low, high, setup.value.reach)
    set({ angle, depth, free: setup.value.mode === 'both' ? 'flat' : 'none', typed: true })
  }
  /** Rolled the other way its edges lie elsewhere: what comes off at them stays, and the angle follows. */
  function turn(roll: Roll) {
    const { low, high } = atEdges(setup.value, setup.value.reach)
    set({ roll, reach: 0 })
    set(fromEdges(low, high, setup.value.reach))
  }
  const laid = (change: Partial<HeadSetup> = {}): HeadSetup => {
    const { roll, angle, depth, flat, mode: how } = setup.value
    return { roll, angle: how === 'flat' ? 0 : angle, depth, flat: how === 'both' ? flat : 0, ...change }
  }
  /** Forgets this head's set-up once it is planned. */
  const forgetting = () => drafts.forgetting(key.value)
  return { setup, set, mode, edges, turn, laid, forgetting }
}
