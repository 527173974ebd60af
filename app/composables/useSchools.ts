import type { SchoolTopic } from '#core'
import type { KeptChoice } from '#shared/dto'
import { useShop } from '~/stores/shop'

/** What the shop chose where the trade disagrees: every choice, the latest on a topic counting. */
export function useSchools() {
  const shop = useShop()
  const choices = useState<KeptChoice[]>('schools', () => [])
  const load = async () => choices.value = await shop.read<KeptChoice[]>('/api/schools') ?? choices.value
  const chosen = (topic: SchoolTopic) => choices.value.filter(one => one.topic === topic).at(-1)
  return { choices, load, chosen }
}
