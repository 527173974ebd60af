import { defineStore } from 'pinia'
import { putAway, takeAll } from './cupboard'

/** Half-typed readings by field. They outlive a reload and a dead server, until they are entered or cleared. */
export const useDrafts = defineStore('drafts', () => {
  const texts = reactive(new Map<string, string>())

  async function load() {
    for (const { key, text } of await takeAll('drafts')) texts.set(key, text)
  }

  function set(key: string, text: string) {
    if (text === '') return clear(key)
    texts.set(key, text)
    void putAway('drafts', key, { key, text })
  }

  function clear(key: string) {
    texts.delete(key)
    void putAway('drafts', key, null)
  }

  const get = (key: string) => texts.get(key)
  return { load, set, clear, get }
})
