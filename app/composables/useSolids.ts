import { wrap, type Remote } from 'comlink'
import type { Answer, AskName, Asks, Call } from '~/workers/solidBench'

interface Bench { call: <K extends AskName>(call: Call<K>) => Promise<Answer<K>> }

/** Two pairs of hands: what is only tried takes its time beside what the hand on the screen waits for. */
export type Thread = 'bench' | 'tried'

const benches = new Map<Thread, { remote: Remote<Bench>, gone: Promise<never> }>()
let seq = 0
/** What waits behind a question under way, by job: only the newest is ever sent. */
const waiting = new Map<string, { send: () => void, drop: () => void } | undefined>()

/** The worker; one that could not be loaded, or that ended, is left behind and the next question starts another. */
function worker(which: Thread) {
  const running = benches.get(which)
  if (running) return running
  const thread = new Worker(new URL('../workers/solids.worker.ts', import.meta.url), { type: 'module' })
  const gone = new Promise<never>((_, reject) => thread.addEventListener('error', (event) => {
    benches.delete(which)
    thread.terminate()
    reject(new Error(`the solids' worker ended: ${event.message || 'it could not be loaded'}`))
  }))
  gone.catch(() => undefined)
  const bench = { remote: wrap<Bench>(thread), gone }
  benches.set(which, bench)
  return bench
}

/** Asks once, and once more where the worker was lost over it: what it was asked is all it needs. */
async function ask<K extends AskName>(call: Call<K>, thread: Thread): Promise<Answer<K>> {
  for (let tries = 2; ; tries--) {
    const { remote, gone } = worker(thread)
    try {
      return await Promise.race([remote.call(call) as Promise<Answer<K>>, gone])
    } catch (error) {
      console.error(`the solids broke: ${String(error)}`)
      if (tries === 1) return { kind: 'broke' }
    }
  }
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
      void ask(call, thread).then((answer) => {
        if (answer.kind === 'done') performance.measure(`worker ${name}`, { start: begun, duration: answer.ms })
        resolve(answer)
      }).finally(() => {
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
