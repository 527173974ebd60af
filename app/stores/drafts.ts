import { defineStore } from 'pinia'
import { moveDraft, putAway, takeAll, type KeptDraft } from './cupboard'
import { findTabs } from './tabs'

/**
 * Half-typed readings by field. They outlive a reload and a dead server, until they are entered or cleared. Each belongs to
 * the tab it was typed in: the same reading never stands in two, to be entered twice. What a closed tab had is taken over
 * by the next one that opens.
 */
export const useDrafts = defineStore('drafts', () => {
  const texts = reactive(new Map<string, string>())
  let tab = ''
  const keyOf = (field: string) => `${tab}|${field}`

  async function load() {
    const tabs = await findTabs(() => texts.clear())
    tab = tabs.mine
    const kept = await takeAll('drafts')
    for (const { tab: of, field, text } of kept) if (of === tab) texts.set(field, text)
    const orphans = kept.filter(draft => draft.tab !== tab && !tabs.open.has(draft.tab)).sort((a, b) => b.at - a.at)
    for (const orphan of orphans) await takeOver(orphan)
    for (const from of new Set(orphans.map(o => o.tab))) if (from) tabs.took(from)
  }

  async function takeOver(orphan: KeptDraft) {
    if (texts.has(orphan.field)) return
    const moved = await moveDraft(orphan.key, { ...orphan, key: keyOf(orphan.field), tab })
    if (moved) texts.set(orphan.field, orphan.text)
  }

  function set(field: string, text: string) {
    if (text === '') return clear(field)
    texts.set(field, text)
    void putAway('drafts', keyOf(field), { key: keyOf(field), tab, field, text, at: Date.now() })
  }

  function clear(field: string) {
    texts.delete(field)
    void putAway('drafts', keyOf(field), null)
  }

  const get = (field: string) => texts.get(field)

  /**
   * What is on its way may be gone on with: once it is kept, only what has not changed since is forgotten.
   *
   * @param sent what of the draft is on its way: all of it, if nothing is said
   * @param forget leaves out just that
   */
  function forgetting(field: string, sent = (text?: string) => text, forget = () => clear(field)) {
    const before = sent(get(field))
    return () => {
      if (sent(get(field)) === before) forget()
    }
  }

  const shown = new Set<string>()
  /** A figure's field came to stand on the screen: @returns takes it off again. */
  function show(field: string) {
    shown.add(field)
    return () => shown.delete(field)
  }

  const sending = new Set<string>()
  /**
   * Sends what is typed, unless a figure that stands there is refused or asked about (it is a draft under the field's own
   * name and `typed`): what was before it is not sent in its place. It clears those fields once that is kept: what was typed into one
   * meanwhile stays, and a second press before the answer is none.
   *
   * @param send says why it was not kept, if it was not
   * @returns the same, or nothing
   */
  async function sent(fields: readonly string[], send: () => Promise<string | undefined>): Promise<string> {
    const name = fields.join()
    if (sending.has(name)) return ''
    if (fields.some(field => shown.has(`${field}/typed`) && texts.has(`${field}/typed`))) return 'A figure here is not read yet: put it right or clear it first.'
    const forgets = fields.map(field => forgetting(field))
    sending.add(name)
    try {
      const said = await send()
      if (!said) forgets.forEach(forget => forget())
      return said ?? ''
    } finally {
      sending.delete(name)
    }
  }
  return { load, set, clear, get, forgetting, show, sent }
})
