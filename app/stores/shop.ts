import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import type { BuildSummary, KeptInstrument, Problem } from '#shared/dto'

/** The shop around the build: its builds, its instruments, and the line on which news comes in. */
export const useShop = defineStore('shop', () => {
  const name = ref('')
  const kept = ref(0)
  const builds = ref<BuildSummary[]>([])
  // Kept on the device too: a pour must not wait for the shop to say what it has.
  const instruments = useLocalStorage<KeptInstrument[]>('bowl.instruments', [])
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
    const shop = await read<{ name: string, kept: number }>('/api/shop')
    if (shop) [name.value, kept.value] = [shop.name, shop.kept]
  }
  async function loadBuilds() {
    builds.value = await read<BuildSummary[]>('/api/builds') ?? builds.value
  }
  async function loadInstruments() {
    instruments.value = await read<KeptInstrument[]>('/api/instruments') ?? instruments.value
  }

  function listen() {
    const source = new EventSource('/api/events')
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

  return { name, kept, builds, instruments, reachable, read, refresh, loadBuilds, loadInstruments, listen, onNews }
})

/** The sentence of a problem for one field, or its detail. */
export function sentenceOf(problem: Problem, path?: string): string {
  return problem.fields?.find(field => !path || field.path.startsWith(path))?.sentence ?? problem.detail
}
