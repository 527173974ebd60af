import { defineStore } from 'pinia'
import type { SchoolTopic } from '#core'
import type { KeptChoice } from '#shared/dto'
import { useShop } from './shop'

/** What the shop chose where the trade disagrees: every choice, the latest on a topic counting. */
export const useSchools = defineStore('schools', () => {
  const shop = useShop()
  const choices = ref<KeptChoice[]>([])
  const load = async () => choices.value = await shop.read<KeptChoice[]>('/api/schools') ?? choices.value
  const chosen = (topic: SchoolTopic) => choices.value.filter(one => one.topic === topic).at(-1)
  return { choices, load, chosen }
})
