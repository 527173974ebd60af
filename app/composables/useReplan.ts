import { replanned, untyped, type WorkPlan } from '#core'
import { notKept } from './useStatement'
import { useBuild, type ToAdd } from '~/stores/build'
import { useChambers } from '~/stores/chambers'

/** What is left of a route that was taken, after the pours since: which of its cuts are another depth by now. */
export function useReplan(taken: Ref<WorkPlan | undefined>) {
  const build = useBuild()
  const { chambers } = useChambers()
  const changes = computed(() => build.replayed && taken.value ? replanned(build.replayed, taken.value.id, chambers) : [])
  async function take(): Promise<string | undefined> {
    const figure = (value: number) => untyped(value, 'mm')
    return notKept(await build.addAll(changes.value.map(({ cut, now }): ToAdd => ({ kind: 'faceCut', scope: cut.scope, body: { state: 'planned', depth: figure(now) }, more: { supersedes: cut.id } }))))
  }
  return { changes, take }
}
