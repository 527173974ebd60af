import { Worker } from 'node:worker_threads'
import { ApiProblem } from '../http/problem'
import type { Answered, Job, Jobs } from './jobs'

interface Waiting { resolve: (answer: never) => void, reject: (error: Error) => void }

/** Nobody answered in time: whether it will be done all the same is not known. */
export class TookTooLong extends Error {}

/**
 * A thread of its own for what would keep every other request waiting. A job that breaks takes only itself with it; a thread
 * that dies takes its jobs, and the next one asked for starts another.
 */
export class Aside {
  private worker: Worker | undefined
  private readonly waiting = new Map<number, Waiting>()
  private last = 0

  /**
   * Has a job done.
   *
   * @param within ms to wait for it; it goes on all the same
   * @param transfer memory that is handed over, not copied
   */
  ask<J extends Job>(job: J, args: Jobs[J]['args'], within: number, transfer: ArrayBuffer[] = []): Promise<Jobs[J]['answer']> {
    const id = ++this.last
    return new Promise<Jobs[J]['answer']>((resolve, reject) => {
      const late = setTimeout(() => this.settle(id, w => w.reject(new TookTooLong(`${job} took more than ${within} ms`))), within)
      this.waiting.set(id, {
        resolve: (answer) => {
          clearTimeout(late)
          resolve(answer)
        },
        reject: (error) => {
          clearTimeout(late)
          reject(error)
        }
      })
      this.running().postMessage({ id, job, args }, transfer)
    })
  }

  private settle(id: number, how: (waiting: Waiting) => void) {
    const waiting = this.waiting.get(id)
    this.waiting.delete(id)
    if (waiting) how(waiting)
  }

  private running(): Worker {
    if (this.worker) return this.worker
    const worker = new Worker(new URL('./aside/worker.mjs', import.meta.url))
    // A thread that waits for work must not keep a stopped server alive.
    worker.unref()
    worker.on('message', (answered: Answered) => this.settle(answered.id, (w) => {
      if ('answer' in answered) w.resolve(answered.answer as never)
      else if (answered.trouble) w.reject(new ApiProblem(503, 'No database', answered.trouble))
      else w.reject(new Error(answered.error))
    }))
    const gone = (why: unknown) => {
      if (this.worker !== worker) return
      this.worker = undefined
      for (const id of [...this.waiting.keys()]) this.settle(id, w => w.reject(new Error(`the thread beside the server ended: ${String(why)}`)))
    }
    worker.on('error', gone)
    worker.on('exit', gone)
    this.worker = worker
    return worker
  }
}
