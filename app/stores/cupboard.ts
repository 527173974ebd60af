import { openDB, type DBSchema, type IDBPDatabase } from 'idb'

/** A write on its way to the server. */
export interface Waiting { id: string, url: string, body: string, queuedAt: number }

interface Cupboard extends DBSchema {
  drafts: { key: string, value: { key: string, text: string } }
  outbox: { key: string, value: Waiting }
}

let opened: Promise<IDBPDatabase<Cupboard>> | undefined

/** What this device keeps through a reload: half-typed readings, and writes the server has not answered yet. */
export function cupboard(): Promise<IDBPDatabase<Cupboard>> {
  opened ??= openDB<Cupboard>('precise-bowl', 1, {
    upgrade(db) {
      db.createObjectStore('drafts', { keyPath: 'key' })
      db.createObjectStore('outbox', { keyPath: 'id' })
    }
  })
  return opened
}
