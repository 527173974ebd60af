import { defineStore } from 'pinia'
import type { Problem } from '#shared/dto'
import { pictureOf, putAway, takeAll, type Waiting } from './cupboard'

/** How a write ended for the page that made it. `waiting` means: safe on this device, not yet on the server. */
export type Sent = { kind: 'kept', value: unknown } | { kind: 'refused', problem: Problem } | { kind: 'waiting' }

/** How long a field waits for the server's word before the reading counts as waiting; a photograph takes longer to be looked at. */
const PATIENCE_MS = 1500
const PICTURE_MS = 45_000
/** A write without an answer is asked after this often: as long as the server works on it, it is waited for. */
const ASK_MS = 5000
const RETRY_MS = [1000, 2000, 5000, 10_000]
/** A write that breaks the server this often is set aside, and the others go on. */
const TRIES = 3

/** How one sending ended. `away` means that nobody was there to take it, `broke` that it broke there. */
type Ended = { kind: 'kept', value: unknown } | { kind: 'refused', problem: Problem } | { kind: 'away' } | { kind: 'broke', problem: Problem }

/** Whether a write can't go in before another: it is about what that one begins or writes down. */
function buildsOn(write: Waiting, other: Waiting): boolean {
  if (write.id === other.id) return false
  // Entries that go out together are named in the write, each by its own id.
  const names = other.url.includes('/batches/') ? (JSON.parse(other.body) as { entries: { id: string }[] }).entries.map(e => e.id) : [other.id]
  return names.some(name => write.url.includes(name) || write.body.includes(name))
}

/**
 * Every write goes through here: first into the device's own store, then to the server, in order. A write that got
 * no answer is sent again under the same name, which changes nothing if it had arrived. One that the server can't take is
 * set aside with its reading, and does not hold up what does not build on it.
 */
export const useOutbox = defineStore('outbox', () => {
  /** Every write that is not on the server, in order: those on their way and those set aside. */
  const writes = ref<Waiting[]>([])
  const waiting = computed(() => writes.value.filter(write => !write.aside))
  const aside = computed(() => writes.value.filter((write): write is Waiting & { aside: Problem } => write.aside !== undefined))
  const settled = new Map<string, (sent: Sent) => void>()
  const keptListeners = new Set<(value: unknown, write: Waiting) => void>()
  let sending = false
  let timer: ReturnType<typeof setTimeout> | undefined
  let failures = 0

  async function load() {
    writes.value = (await takeAll('outbox')).sort((a, b) => a.queuedAt - b.queuedAt)
    void flush()
    window.addEventListener('online', () => void flush())
  }

  /** @param body what is sent; a photograph's name where it is one that this device has put away */
  async function put(id: string, url: string, body: object | { picture: string }): Promise<Sent> {
    const write: Waiting = { id, url, queuedAt: Date.now(), ...('picture' in body ? { picture: body.picture, body: '' } : { body: JSON.stringify(body) }) }
    // It counts on the screen at once: what is typed next may build on it.
    writes.value = [...writes.value, write]
    await putAway('outbox', id, write)
    const answer = new Promise<Sent>((resolve) => {
      settled.set(id, resolve)
      // A line that is neither up nor down must not hold the hand: the reading is safe here already.
      setTimeout(() => letGo(id), write.picture === undefined ? PATIENCE_MS : PICTURE_MS)
    })
    void flush()
    return answer
  }

  /** Whoever waits for this write need not: it is safe here. */
  function letGo(id: string) {
    settled.get(id)?.({ kind: 'waiting' })
    settled.delete(id)
  }

  async function change(write: Waiting, to: Waiting | null) {
    writes.value = to ? writes.value.map(other => other.id === write.id ? to : other) : writes.value.filter(other => other.id !== write.id)
    await putAway('outbox', write.id, to)
  }

  /** The first write that goes next: one that builds on what was set aside waits for that. */
  const nextUp = () => waiting.value.find(write => !aside.value.some(other => buildsOn(write, other)))

  async function flush() {
    if (sending) return
    sending = true
    clearTimeout(timer)
    try {
      for (let write = nextUp(); write; write = nextUp()) {
        const ended = await send(write)
        if (ended.kind === 'kept' || ended.kind === 'refused') {
          failures = 0
          await finish(write, ended)
          continue
        }
        // Nobody is kept waiting for an answer: the reading is safe here, and the header says that it waits.
        for (const { id } of waiting.value) letGo(id)
        if (ended.kind === 'broke') {
          const tries = (write.tries ?? 0) + 1
          await change(write, { ...write, tries, ...(tries >= TRIES ? { aside: ended.problem } : {}) })
          if (tries >= TRIES) continue
        }
        timer = setTimeout(() => void flush(), RETRY_MS[Math.min(failures++, RETRY_MS.length - 1)])
        break
      }
    } finally {
      sending = false
    }
  }

  async function finish(write: Waiting, ended: Extract<Ended, { kind: 'kept' | 'refused' }>) {
    // Whoever shows what is kept takes it over before it leaves the waiting list: it is never on neither.
    if (ended.kind === 'kept') keptListeners.forEach((listener) => {
      // What is kept is kept: a page that can't show it must not have it sent for ever, and those behind it with it.
      try {
        listener(ended.value, write)
      } catch (error) {
        reportError(error)
      }
    })
    const listener = settled.get(write.id)
    settled.delete(write.id)
    // Refused with nobody at the field any more: it stays here to be read.
    if (ended.kind === 'refused' && !listener) return change(write, { ...write, aside: ended.problem })
    await change(write, null)
    listener?.(ended)
  }

  /** Sends what was set aside once more. */
  async function tryAgain(id: string) {
    const write = writes.value.find(w => w.id === id)
    if (!write) return
    const { aside: _aside, tries: _tries, ...fresh } = write
    await change(write, fresh)
    void flush()
  }
  /** Gives up a write that was set aside: only somebody who has read it does that. */
  async function drop(id: string) {
    const write = writes.value.find(w => w.id === id)
    if (write) await change(write, null)
    void flush()
  }
  const onKept = (listener: (value: unknown, write: Waiting) => void) => keptListeners.add(listener)
  return { waiting, aside, load, put, tryAgain, drop, onKept }
})

async function send(write: Waiting): Promise<Ended> {
  const stop = new AbortController()
  const asking = setInterval(() => void stillAtIt(write.id).then(at => at || stop.abort()), ASK_MS)
  try {
    const picture = write.picture === undefined ? undefined : await pictureOf(write.picture)
    if (write.picture !== undefined && !picture) return { kind: 'refused', problem: { type: 'about:blank', title: 'Not here', status: 422, detail: 'This photograph is no longer on this device. Choose it again.' } }
    const response = await fetch(write.url, { method: 'PUT', headers: { 'content-type': picture?.type ?? 'application/json' }, body: picture ?? write.body, signal: stop.signal })
    const value: unknown = await response.json().catch(() => undefined)
    // An answer that broke off is none, nor is one that this shop never gives: it may have been kept, and sent again it is not kept twice.
    if (value === undefined && response.status < 500) return { kind: 'away' }
    if (response.ok) return { kind: 'kept', value }
    const problem = isProblem(value) ? value : { type: 'about:blank', title: 'No answer', status: response.status, detail: `The shop answered with ${response.status} and no reason.` }
    // Nobody home, too busy, or too slow: the same write may go in later as it is.
    if ([408, 425, 429, 502, 503, 504].includes(response.status)) return { kind: 'away' }
    return { kind: response.status >= 500 ? 'broke' : 'refused', problem }
  } catch {
    return { kind: 'away' }
  } finally {
    clearInterval(asking)
  }
}

const isProblem = (value: unknown): value is Problem => typeof value === 'object' && value !== null && typeof (value as Problem).detail === 'string'

/** Whether the server is still at a write: a line that neither answers nor breaks would otherwise be waited for without end. */
async function stillAtIt(id: string): Promise<boolean> {
  try {
    const response = await fetch(`/api/working/${id}`, { signal: AbortSignal.timeout(ASK_MS - 500) })
    return response.ok && (await response.json() as { working: boolean }).working
  } catch {
    return false
  }
}
