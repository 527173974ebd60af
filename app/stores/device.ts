import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import type { LengthUnit } from '#shared/figures'

/** What this device remembers about whoever works at it. Nothing here changes a stored value. */
export const useDevice = defineStore('device', () => {
  const hand = useLocalStorage('bowl.hand', '')
  const lengths = useLocalStorage<LengthUnit>('bowl.lengths', 'mm')
  const bareKeys = useLocalStorage('bowl.bareKeys', true)
  const night = useLocalStorage('bowl.night', false)
  const side = useLocalStorage<'right' | 'left'>('bowl.side', 'right')
  const otherUnit = () => {
    lengths.value = lengths.value === 'mm' ? 'in' : 'mm'
  }
  return { hand, lengths, bareKeys, night, side, otherUnit }
})
