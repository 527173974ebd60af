import { wrap, type Remote } from 'comlink'
import type { Answer, AskName, Asks, Call } from '~/workers/solidBench'

interface Bench { call: <K extends AskName>(call: Call<K>) => Promise<Answer<K>> }

let bench: Remote<Bench> | undefined
let seq = 0
/** What waits behind a question under way, by job: only the newest is ever sent. */
const waiting = new Map<string, { send: () => void, drop: () => void } | undefined>()

function worker(): Remote<Bench> {
  bench ??= wrap<Bench>(new Worker(new URL('../workers/solids.worker.ts', import.meta.url), { type: 'module' }))
  return bench
}

/**
 * Asks the solids worker. One question of a job is under way at a time; while it is, only the newest waits behind it,
 * and what it overtakes is answered with `stale`.
 */
export function askSolids<K extends AskName>(name: K, job: string, args: Asks[K]['args']): Promise<Answer<K>> {
  const call: Call<K> = { name, job, seq: ++seq, args: JSON.parse(JSON.stringify(args)) as Asks[K]['args'] }
  return new Promise((resolve, reject) => {
    const send = () => {
      waiting.set(job, undefined)
      const begun = performance.now()
      void (worker().call(call) as Promise<Answer<K>>).then((answer) => {
        if (answer.kind === 'done') performance.measure(`worker ${name}`, { start: begun, duration: answer.ms })
        resolve(answer)
      }, reject).finally(() => {
        // For the bench, and for whoever opens the browser's own timings; not gathered.
        performance.measure(`solids ${name}`, { start: begun })
        performance.clearMeasures(`solids ${name}`)
        performance.clearMeasures(`worker ${name}`)
        const next = waiting.get(job)
        waiting.delete(job)
        next?.send()
      })
    }
    if (!waiting.has(job)) return send()
    waiting.get(job)?.drop()
    waiting.set(job, { send, drop: () => resolve({ kind: 'stale' }) })
  })
}
