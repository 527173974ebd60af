import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { STARTING_RULES, type ShopRules } from '#core'
import type { BuildSummary, KeptInstrument, Problem } from '#shared/dto'

/** A broken line is opened again after this, at the first try and the later ones. */
const REOPEN_MS = [300, 1000, 1500]
/** A line on which not even a beat came for this long is as good as broken. */
const SILENT_MS = 15_000

/** The shop around the build: its builds, its instruments, and the line on which news comes in. */
export const useShop = defineStore('shop', () => {
  const name = ref('')
  const kept = ref(0)
  const builds = ref<BuildSummary[]>([])
  /** Whether the list has been read at all, and why it could not be. */
  const buildsRead = ref(false)
  const buildsFault = ref('')
  // Kept on the device too: a pour must not wait for the shop to say what it has.
  const instruments = useLocalStorage<KeptInstrument[]>('bowl.instruments', [])
  // Of a shop that kept its tables before one of them was there, the rest is the starting point.
  const rules = useLocalStorage<ShopRules>('bowl.rules', STARTING_RULES, { mergeDefaults: true })
  const reachable = ref(true)
  /** What the shop answered last. */
  const status = ref(200)
  const listeners = new Set<(news: { kind: string, build?: string, id: string }) => void>()

  async function read<T>(url: string): Promise<T | undefined> {
    try {
      const response = await fetch(url)
      status.value = response.status
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
    const list = await read<BuildSummary[]>('/api/builds')
    buildsFault.value = list ? '' : 'The shop’s builds can’t be read just now. Nothing is lost: this page asks again when the shop answers.'
    if (!list) return
    builds.value = list
    buildsRead.value = true
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

  let heard = 0
  let tries = 0

  function listen(query = '') {
    source?.close()
    clearTimeout(reopening)
    const line = source = new EventSource(`/api/events${query}`)
    heard = Date.now()
    line.addEventListener('beat', () => heard = Date.now())
    line.addEventListener('gauge', (event) => {
      heard = Date.now()
      readings?.((event as MessageEvent<string>).data)
    })
    line.onmessage = ({ data }) => {
      heard = Date.now()
      const news = JSON.parse(data) as { kind: string, build?: string, id: string }
      void refresh()
      if (news.kind === 'instrument') void loadInstruments()
      listeners.forEach(listener => listener(news))
    }
    // After a break something may have been missed.
    line.onopen = () => {
      tries = 0
      void refresh()
      listeners.forEach(listener => listener({ kind: 'reopened', id: '' }))
    }
    // The browser's own second try comes late, or after some answers never.
    line.onerror = () => {
      line.close()
      if (source !== line) return
      void refresh()
      reopening = setTimeout(() => listen(query), REOPEN_MS[Math.min(tries++, REOPEN_MS.length - 1)])
    }
    clearInterval(watching)
    watching = setInterval(() => {
      if (Date.now() - heard > SILENT_MS && line.readyState !== EventSource.CLOSED) listen(query)
    }, 1000)
  }
  let watching: ReturnType<typeof setInterval> | undefined

  function onNews(listener: (news: { kind: string, build?: string, id: string }) => void) {
    listeners.add(listener)
    return () => listeners.delete(listener)
  }

  return { name, kept, builds, buildsRead, buildsFault, instruments, rules, reachable, status, hold, read, refresh, loadBuilds, loadInstruments, listen, onNews }
})

/** The sentence of a problem for one field, or its detail. */
export function sentenceOf(problem: Problem, path?: string): string {
  return problem.fields?.find(field => !path || field.path.startsWith(path))?.sentence ?? problem.detail
}
