import { defineStore } from 'pinia'
import { cupboard } from './cupboard'

/** Half-typed readings by field. They outlive a reload and a dead server, until they are entered or cleared. */
export const useDrafts = defineStore('drafts', () => {
  const texts = reactive(new Map<string, string>())

  async function load() {
    const db = await cupboard()
    for (const { key, text } of await db.getAll('drafts')) texts.set(key, text)
  }

  function set(key: string, text: string) {
    if (text === '') return clear(key)
    texts.set(key, text)
    void cupboard().then(db => db.put('drafts', { key, text }))
  }

  function clear(key: string) {
    texts.delete(key)
    void cupboard().then(db => db.delete('drafts', key))
  }

  const get = (key: string) => texts.get(key)
  return { load, set, clear, get }
})
