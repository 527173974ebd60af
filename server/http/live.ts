import { EventEmitter } from 'node:events'

/** What happened in the shop, for every page that listens. */
export interface Happening { kind: 'entry' | 'build' | 'summary' | 'instrument' | 'rules' | 'choice', build?: string, id: string }

const bus = new EventEmitter().setMaxListeners(0)

/** Tells every listening page. */
export function happened(happening: Happening): void {
  bus.emit('happening', happening)
}

/** Listens until the returned function is called. */
export function onHappening(listener: (happening: Happening) => void): () => void {
  bus.on('happening', listener)
  return () => bus.off('happening', listener)
}
