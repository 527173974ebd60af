import { useMediaQuery } from '@vueuse/core'

interface TypingField { insert: (text: string) => void, erase: () => void, commit: () => void }

const active = shallowRef<TypingField>()

/** The bench keypad and whichever field it types into. */
export function useKeypad() {
  // At the bench the application brings its own keys, so that no system keyboard covers the burette.
  const atBench = useMediaQuery('(max-width: 1000px)')
  return {
    active, atBench,
    take: (field: TypingField) => {
      active.value = field
    },
    leave: (field: TypingField) => {
      if (active.value === field) active.value = undefined
    }
  }
}
