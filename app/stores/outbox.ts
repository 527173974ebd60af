import { defineStore } from 'pinia'
import type { Problem } from '#shared/dto'
import { putAway, takeAll, type Waiting } from './cupboard'

/** How a write ended for the page that made it. `waiting` means: safe on this device, not yet on the server. */
export type Sent = { kind: 'kept', value: unknown } | { kind: 'refused', problem: Problem } | { kind: 'waiting' }

/** How long a field waits for the server's word before the reading counts as waiting. */
const PATIENCE_MS = 1500
/** A line that neither answers nor breaks is given up after this, and the write sent again under its own name. */
const ANSWER_MS = 15_000
const RETRY_MS = [1000, 2000, 5000, 10_000]

/**
 * Every write goes through here: first into the device's own store, then to the server, in order. A write that got
 * no answer is sent again under the same name, which changes nothing if it had arrived.
 */
export const useOutbox = defineStore('outbox', () => {
  const waiting = ref<Waiting[]>([])
  /** Writes the server would not take after they had waited: they stay to be read. */
  const refused = ref<{ write: Waiting, problem: Problem }[]>([])
  const settled = new Map<string, (sent: Sent) => void>()
  const keptListeners = new Set<(value: unknown) => void>()
  let sending = false
  let timer: ReturnType<typeof setTimeout> | undefined
  let failures = 0

  async function load() {
    waiting.value = (await takeAll('outbox')).sort((a, b) => a.queuedAt - b.queuedAt)
    void flush()
    window.addEventListener('online', () => void flush())
  }

  async function put(id: string, url: string, body: object): Promise<Sent> {
    const write: Waiting = { id, url, body: JSON.stringify(body), queuedAt: Date.now() }
    // It counts on the screen at once: what is typed next may build on it.
    waiting.value = [...waiting.value, write]
    await putAway('outbox', id, write)
    const answer = new Promise<Sent>((resolve) => {
      settled.set(id, resolve)
      // A line that is neither up nor down must not hold the hand: the reading is safe here already.
      setTimeout(() => {
        if (settled.delete(id)) resolve({ kind: 'waiting' })
      }, PATIENCE_MS)
    })
    void flush()
    return answer
  }

  async function remove(write: Waiting) {
    waiting.value = waiting.value.filter(other => other.id !== write.id)
    await putAway('outbox', write.id, null)
  }

  /** @returns false when the server could not be reached */
  async function sendOne(write: Waiting): Promise<boolean> {
    let response: Response
    try {
      response = await fetch(write.url, { method: 'PUT', headers: { 'content-type': 'application/json' }, body: write.body, signal: AbortSignal.timeout(ANSWER_MS) })
    } catch {
      return false
    }
    if (response.status >= 500) return false
    const value: unknown = await response.json().catch(() => undefined)
    // Whoever shows what is kept takes it over before it leaves the waiting list: it is never on neither.
    if (response.ok) keptListeners.forEach(listener => listener(value))
    await remove(write)
    const listener = settled.get(write.id)
    settled.delete(write.id)
    if (response.ok) {
      listener?.({ kind: 'kept', value })
    } else {
      const problem = value as Problem
      if (listener) listener({ kind: 'refused', problem })
      else refused.value = [...refused.value, { write, problem }]
    }
    return true
  }

  async function flush() {
    if (sending) return
    sending = true
    clearTimeout(timer)
    try {
      while (waiting.value.length > 0) {
        if (await sendOne(waiting.value[0]!)) {
          failures = 0
          continue
        }
        // Nobody is kept waiting for an answer: the reading is safe here, and the header says that it waits.
        for (const { id } of waiting.value) {
          settled.get(id)?.({ kind: 'waiting' })
          settled.delete(id)
        }
        timer = setTimeout(() => void flush(), RETRY_MS[Math.min(failures++, RETRY_MS.length - 1)])
        break
      }
    } finally {
      sending = false
    }
  }

  const dismiss = (id: string) => {
    refused.value = refused.value.filter(({ write }) => write.id !== id)
  }
  const onKept = (listener: (value: unknown) => void) => keptListeners.add(listener)
  return { waiting, refused, load, put, dismiss, onKept }
})
