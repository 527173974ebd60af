import { useLocalStorage } from '@vueuse/core'
import { useBuild } from '~/stores/build'
import { PRACTICE_STEPS } from '~/words/practice'

/** The practice engine on this device: which build it is, and the step that comes next. The ledger tells how far it is, so that a reload loses nothing. */
export function usePractice() {
  const build = useBuild()
  const practised = useLocalStorage('bowl.practice', '')
  const on = computed(() => build.view !== undefined && build.view.id === practised.value)
  const at = computed(() => PRACTICE_STEPS.findIndex(step => !step.done(build.entries)))
  return { on, at, step: computed(() => PRACTICE_STEPS[at.value]), begin: (id: string) => practised.value = id, leave: () => practised.value = '' }
}
