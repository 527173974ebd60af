import { until } from '@vueuse/core'
import { wrap, type Remote } from 'comlink'
import type { Answer, AskName, Asks, Call, Recipe } from '~/workers/solidBench'

interface Bench {
  call: <K extends AskName>(call: Call<K>) => Promise<Answer<K>>
  know: (made: Recipe[]) => Promise<void>
}

/** Two pairs of hands: what is only tried takes its time beside what the hand on the screen waits for. */
export type Thread = 'bench' | 'tried'

/** Chambers a new worker is told of when one was lost or stopped: those asked for last. */
const MOST_TOLD = 64

const benches = new Map<Thread, { remote: Remote<Bench>, gone: Promise<never>, end: (why: string) => void }>()
/** What each thread's chambers were made of, by name. */
const made: Record<Thread, Map<string, Recipe>> = { bench: new Map(), tried: new Map() }
let seq = 0
/** What waits behind a question under way, by job: only the newest is ever sent. */
const waiting = new Map<string, { send: () => void, drop: () => void } | undefined>()

/** Questions that a worker has not answered yet. */
export const solidsAsked = ref(0)
/** Whether the hand has stopped the solids: what was asked waits, and is asked once they go on. */
export const solidsStopped = ref(false)
export function stopSolids() {
  solidsStopped.value = true
  benches.forEach(bench => bench.end('stopped by hand'))
}
export function resumeSolids() {
  solidsStopped.value = false
}

/** The worker; one that could not be loaded, or that ended, is left behind and the next question starts another. */
function worker(which: Thread) {
  const running = benches.get(which)
  if (running) return running
  const thread = new Worker(new URL('../workers/solids.worker.ts', import.meta.url), { type: 'module' })
  let end = (_: string) => {}
  const gone = new Promise<never>((_, reject) => {
    end = (why) => {
      benches.delete(which)
      thread.terminate()
      reject(new Error(`the solids' worker ended: ${why}`))
    }
  })
  gone.catch(() => undefined)
  thread.addEventListener('error', event => end(event.message || 'it could not be loaded'))
  const remote = wrap<Bench>(thread)
  const bench = { remote, gone, end }
  benches.set(which, bench)
  // It makes them again when it is asked about them; a worker that can't even be told ends by its error.
  if (made[which].size > 0) remote.know([...made[which].values()]).catch(() => undefined)
  return bench
}

/** Asks once, and once more where the worker was lost over it. Stopped by hand, it waits and asks again, unless a newer question waits by then. */
async function ask<K extends AskName>(call: Call<K>, thread: Thread, overtaken: () => boolean): Promise<Answer<K>> {
  for (let tries = 2; ;) {
    if (solidsStopped.value) {
      await until(solidsStopped).toBe(false)
      if (overtaken()) return { kind: 'stale' }
    }
    const { remote, gone } = worker(thread)
    try {
      return await Promise.race([remote.call(call) as Promise<Answer<K>>, gone])
    } catch (error) {
      if (solidsStopped.value) continue
      console.error(`the solids broke: ${String(error)}`)
      if (--tries === 0) return { kind: 'broke' }
    }
  }
}

function remember<K extends AskName>({ name, args }: Call<K>, thread: Thread) {
  if (name !== 'solid' && name !== 'develop') return
  const recipe = args as Recipe
  const as = 'name' in recipe ? recipe.name : recipe.key
  const list = made[thread]
  list.delete(as)
  list.set(as, recipe)
  if (list.size > MOST_TOLD) list.delete(list.keys().next().value!)
}

/**
 * Asks the solids worker. One question of a job is under way at a time; while it is, only the newest waits behind it,
 * and what it overtakes is answered with `stale`. It never throws: what can't be
 * answered is `broke`.
 */
export function askSolids<K extends AskName>(name: K, job: string, args: Asks[K]['args'], thread: Thread = 'bench'): Promise<Answer<K>> {
  const call: Call<K> = { name, job, seq: ++seq, args: JSON.parse(JSON.stringify(args)) as Asks[K]['args'] }
  const place = `${thread} ${job}`
  return new Promise((resolve) => {
    const send = () => {
      waiting.set(place, undefined)
      const begun = performance.now()
      solidsAsked.value++
      void ask(call, thread, () => waiting.get(place) !== undefined).then((answer) => {
        if (answer.kind === 'done') remember(call, thread)
        if (answer.kind === 'done') performance.measure(`worker ${name}`, { start: begun, duration: answer.ms })
        resolve(answer)
      }).finally(() => {
        solidsAsked.value--
        // For the bench, and for whoever opens the browser's own timings; not gathered.
        performance.measure(`solids ${name}`, { start: begun })
        performance.clearMeasures(`solids ${name}`)
        performance.clearMeasures(`worker ${name}`)
        const next = waiting.get(place)
        waiting.delete(place)
        next?.send()
      })
    }
    if (!waiting.has(place)) return send()
    waiting.get(place)?.drop()
    waiting.set(place, { send, drop: () => resolve({ kind: 'stale' }) })
  })
}
