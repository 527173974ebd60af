import { useMediaQuery } from '@vueuse/core'

/** What a gauge is held to when its reading goes into a field, and where on the crown. */
export interface GaugePlace { what: string, x?: number, y?: number }

export interface TypingField {
  insert: (text: string) => void
  erase: () => void
  commit: () => void
  /** Takes a whole reading, as from a gauge that types it and then Enter. */
  take: (text: string) => void
  gaugeAt?: GaugePlace
}

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
      // Without the keys everything else moves: what is being pressed has to stay where it is until it is let go.
      const hide = () => setTimeout(() => {
        if (active.value === field) active.value = undefined
      })
      if (document.querySelector(':active')) window.addEventListener('mouseup', hide, { once: true })
      else hide()
    }
  }
}
