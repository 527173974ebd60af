import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { STARTING_RULES, type ShopRules } from '#core'
import type { BuildSummary, KeptInstrument, Problem } from '#shared/dto'

/** The shop around the build: its builds, its instruments, and the line on which news comes in. */
export const useShop = defineStore('shop', () => {
  const name = ref('')
  const kept = ref(0)
  const builds = ref<BuildSummary[]>([])
  // Kept on the device too: a pour must not wait for the shop to say what it has.
  const instruments = useLocalStorage<KeptInstrument[]>('bowl.instruments', [])
  const rules = useLocalStorage<ShopRules>('bowl.rules', STARTING_RULES)
  const reachable = ref(true)
  const listeners = new Set<(news: { kind: string, build?: string, id: string }) => void>()

  async function read<T>(url: string): Promise<T | undefined> {
    try {
      const response = await fetch(url)
      reachable.value = response.status < 500
      return response.ok ? await response.json() as T : undefined
    } catch {
      reachable.value = false
      return undefined
    }
  }

  async function refresh() {
    const shop = await read<{ name: string, kept: number, rules: ShopRules }>('/api/shop')
    if (shop) [name.value, kept.value, rules.value] = [shop.name, shop.kept, shop.rules]
  }
  async function loadBuilds() {
    builds.value = await read<BuildSummary[]>('/api/builds') ?? builds.value
  }
  async function loadInstruments() {
    instruments.value = await read<KeptInstrument[]>('/api/instruments') ?? instruments.value
  }

  let source: EventSource | undefined
  let readings: ((data: string) => void) | undefined
  let reopening: ReturnType<typeof setTimeout> | undefined

  /** Holds a gauge to something: its readings come over the same line as the shop's news. */
  function hold(at: Record<string, string | number> | undefined, onReading: (data: string) => void) {
    readings = at && onReading
    clearTimeout(reopening)
    const query = at ? `?${new URLSearchParams(Object.entries(at).map(([k, v]) => [k, String(v)]))}` : ''
    // The focus may pass over several fields on its way.
    reopening = setTimeout(() => listen(query), 60)
  }

  function listen(query = '') {
    source?.close()
    source = new EventSource(`/api/events${query}`)
    source.addEventListener('gauge', event => readings?.((event as MessageEvent<string>).data))
    source.onmessage = ({ data }) => {
      const news = JSON.parse(data) as { kind: string, build?: string, id: string }
      void refresh()
      if (news.kind === 'instrument') void loadInstruments()
      listeners.forEach(listener => listener(news))
    }
    // After a break something may have been missed.
    source.onopen = () => {
      void refresh()
      listeners.forEach(listener => listener({ kind: 'reopened', id: '' }))
    }
    source.onerror = () => void refresh()
  }

  function onNews(listener: (news: { kind: string, build?: string, id: string }) => void) {
    listeners.add(listener)
    return () => listeners.delete(listener)
  }

  return { name, kept, builds, instruments, rules, reachable, hold, read, refresh, loadBuilds, loadInstruments, listen, onNews }
})

/** The sentence of a problem for one field, or its detail. */
export function sentenceOf(problem: Problem, path?: string): string {
  return problem.fields?.find(field => !path || field.path.startsWith(path))?.sentence ?? problem.detail
}
