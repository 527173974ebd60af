import { defineStore } from 'pinia'
import { v4 as uuid } from 'uuid'
import {
  BODY_VERSION, advice, asIf, clashOf, headCut, replay, scopeName, type Advice, type AsIf, type Bodies, type CylinderState, type Entry, type EntryKind, type OperationEntry, type Replay, type Scope, type Tried
} from '#core'
import { checkEntry, type BuildView } from '#shared/dto'
import { sayClash, sayLeftOut } from '#shared/words/domain'
import { useChambers } from './chambers'
import { useDevice } from './device'
import { useOutbox, type Sent } from './outbox'
import { useShop } from './shop'

export interface MoreOfEntry { supersedes?: string, note?: string, at?: string }

/** An entry that counts for nothing, and why. */
export interface LeftOutEntry { entry: Entry, sentence: string }

/** The build on the bench: its ledger as the server has it and as this device has added to it, replayed. */
export const useBuild = defineStore('build', () => {
  const shop = useShop()
  const outbox = useOutbox()
  const device = useDevice()
  // What the header tells is reckoned beside what the hand on a station waits for.
  const { tried: chambers } = useChambers()
  // Shallow: a ledger is replaced, never changed, and ten thousand entries are not watched one by one.
  const view = shallowRef<BuildView>()
  const missing = ref(false)
  const cylinder = ref(1)

  /** Entries still waiting in the outbox for this build, as the ledger sees them. */
  const unsent = computed<Entry[]>(() => outbox.waiting.flatMap((write) => {
    const match = /^\/api\/builds\/([^/]+)\/entries\/([^/?]+)/.exec(write.url)
    if (!match || match[1] !== view.value?.id) return []
    return [{ ...JSON.parse(write.body), id: match[2], build: match[1], seq: null } as Entry]
  }))
  const entries = computed<Entry[]>(() => {
    const kept = view.value?.entries ?? []
    const ids = new Set(kept.map(entry => entry.id))
    return [...kept, ...unsent.value.filter(entry => !ids.has(entry.id))]
  })
  const replayed = computed<Replay | undefined>(() => replay(entries.value))
  /** What is stored and counts for nothing: it can't be read, or can't be reckoned with beside the rest. */
  const leftOut = computed<LeftOutEntry[]>(() => [
    ...(view.value?.unsound ?? []).filter(({ entry }) => !entries.value.some(e => e.supersedes === entry.id)),
    ...(replayed.value?.leftOut ?? []).map(out => ({ entry: byId.value.get(out.id)!, sentence: sayLeftOut(out) }))
  ])
  /** Everything that is open, the next move first. */
  const opens = computed<Advice[]>(() => {
    const list = advice(replayed.value, shop.rules, chambers)
    if (leftOut.value.length === 0) return list
    const out: Advice = { kind: 'takeOut', entries: leftOut.value.map(l => l.entry.id), cylinders: [], heads: [], at: { station: 'daybook' } }
    return [out, ...list.filter(({ kind }) => kind !== 'takeOut' && kind !== 'onTarget')]
  })
  /** Where the build would stand after operations that are not in its ledger: every “what if” of the page. */
  const ifDone = (operations: readonly (Tried | OperationEntry)[]): AsIf | undefined => replayed.value && asIf(replayed.value, operations, chambers)
  /** What each head’s cut asks for, with everything planned but the cut. */
  const cuts = computed(() => replayed.value?.layout.heads.map((_, i) => headCut(replayed.value!, i + 1, replayed.value!.planned, chambers)) ?? [])
  /** With everything planned. */
  const planned = computed(() => ifDone(replayed.value?.planned ?? []))
  const byId = computed(() => new Map(entries.value.map(entry => [entry.id, entry])))
  const cylinders = computed(() => replayed.value?.layout.cylinders ?? [])
  const asIs = computed(() => replayed.value?.asIs ?? [])
  const state = computed<CylinderState | undefined>(() => asIs.value.find(s => s.cylinder === cylinder.value))
  /** The cylinder with the lowest ratio: the build is as good as it. */
  const worst = computed(() => [...asIs.value].filter(s => s.ratio)
    .sort((a, b) => a.ratio!.value.value - b.ratio!.value.value)[0]?.cylinder)

  async function open(id: string) {
    if (view.value?.id !== id) view.value = undefined
    missing.value = false
    const loaded = await shop.read<BuildView>(`/api/builds/${id}`)
    if (loaded) view.value = loaded
    else missing.value = shop.status === 404
    if (!cylinders.value.includes(cylinder.value)) cylinder.value = cylinders.value[0] ?? 1
  }

  /** Takes in what came to the ledger since it was last read. */
  async function refresh() {
    const before = view.value
    if (!before) return
    const more = await shop.read<BuildView>(`/api/builds/${before.id}?since=${before.seq}`)
    const now = view.value
    if (!more || !now || now.id !== more.id) return
    const fresh = <T>(list: T[], known: T[], id: (one: T) => string) => {
      const ids = new Set(known.map(id))
      return [...known, ...list.filter(one => !ids.has(id(one)))]
    }
    view.value = {
      ...more, seq: Math.max(now.seq, more.seq), since: 0,
      entries: fresh(more.entries, now.entries, e => e.id), unsound: fresh(more.unsound, now.unsound, u => u.entry.id)
    }
  }

  /**
   * The last entry somebody has seen who states something now; undefined where their own statement about it is still on its
   * way, which nobody else can have seen.
   */
  function seen(kind: EntryKind, scope: Scope, body: object): number | undefined {
    const about = (e: { kind: string, scope: Scope, body: object }) => [e.kind, scopeName(e.scope), 'quantity' in e.body ? e.body.quantity : ''].join()
    const mine = about({ kind, scope, body })
    const known = entries.value.filter(entry => about(entry) === mine)
    return known.some(entry => entry.seq === null) ? undefined : Math.max(view.value!.seq, ...known.map(entry => entry.seq!))
  }

  /** Adds an entry. It counts on this screen at once, and on the server as soon as that answers. */
  async function add<K extends EntryKind>(kind: K, scope: Scope, body: Bodies[K], more: MoreOfEntry = {}): Promise<Sent> {
    if (!view.value) throw new Error('no build is open')
    if (device.hand === '') {
      const sentence = 'Put your initials in the header first: every entry names its hand.'
      return { kind: 'refused', problem: { type: 'about:blank', title: 'Whose hand?', status: 422, detail: sentence } }
    }
    const id = uuid()
    const { at = new Date().toISOString(), note, supersedes } = more
    const entry = { at, hand: device.hand, kind, v: BODY_VERSION, scope, body, ...(note ? { note } : {}), ...(supersedes ? { supersedes } : {}) }
    // What the server would refuse is said at once, and never counts on the screen, not even for a moment.
    const checked = checkEntry(JSON.parse(JSON.stringify(entry)))
    if (!checked.ok) {
      return { kind: 'refused', problem: { type: 'about:blank', title: 'This can’t be accepted', status: 422, detail: checked.fields[0]!.sentence, fields: checked.fields } }
    }
    // Nor is what could not be reckoned with beside the rest.
    const misfit = replay([...entries.value, { ...checked.value, id, build: view.value.id, seq: null } as Entry])?.leftOut.find(out => out.id === id)
    if (misfit) return { kind: 'refused', problem: { type: 'about:blank', title: 'This can’t be reckoned with', status: 422, detail: sayLeftOut(misfit) } }
    const clash = clashOf(checked.value as Entry, replayed.value)
    if (clash) return { kind: 'refused', problem: { type: 'about:blank', title: 'This can’t be so', status: 422, detail: sayClash(clash) } }
    const known = supersedes ? undefined : seen(kind, scope, checked.value.body)
    const sent = await outbox.put(id, `/api/builds/${view.value.id}/entries/${id}${known === undefined ? '' : `?seen=${known}`}`, entry)
    // Told of a change it had not seen, the page shows what stands now.
    if (sent.kind === 'refused' && sent.problem.current) await refresh()
    return sent
  }

  outbox.onKept(value => keep(value as Entry))
  function keep(entry: Entry) {
    if (!view.value || view.value.id !== entry.build || view.value.entries.some(e => e.id === entry.id)) return
    view.value = { ...view.value, entries: [...view.value.entries, entry] }
  }

  function step(by: 1 | -1) {
    const at = cylinders.value.indexOf(cylinder.value)
    const n = cylinders.value.length
    if (n > 0) cylinder.value = cylinders.value[(at + by + n) % n]!
  }

  return { view, missing, cylinder, entries, replayed, leftOut, opens, ifDone, planned, cuts, byId, cylinders, asIs, state, worst, open, refresh, add, step }
})
