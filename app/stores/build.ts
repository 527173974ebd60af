import { useSessionStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { v4 as uuid } from 'uuid'
import {
  BODY_VERSION, advice, asIf, clashOf, frontIsPlus as frontOf, furthestOff, headCut, kindRule, plannedStages, replay, restoring, rowBeginsAt, scopeName, targetBand, type Advice, type AsIf, type Bodies, type CylinderState, type Entry, type EntryKind, type OperationEntry, type Replay, type Scope, type Tried
} from '#core'
import { checkEntry, type BuildView, type FieldProblem, type SentEntry } from '#shared/dto'
import { sayClash, sayLeftOut } from '#shared/words/domain'
import { useChambers } from './chambers'
import { useDevice } from './device'
import { useHistory } from './history'
import { useOutbox, type Sent } from './outbox'
import { useShop } from './shop'

/** `photos`: an empty list takes away those that the entry it takes the place of has; none leaves them. */
export interface MoreOfEntry { supersedes?: string, note?: string, at?: string, plan?: string, undoes?: string, photos?: string[] }

/** An entry that is to be added: `id` where others name it. */
export type ToAdd = { [K in EntryKind]: { kind: K, scope: Scope, body: Bodies[K], more?: MoreOfEntry, id?: string } }[EntryKind]

/** An entry that counts for nothing, and why. */
export interface LeftOutEntry { entry: Entry, sentence: string }

/** The build on the bench: its ledger as the server has it and as this device has added to it, replayed. */
export const useBuild = defineStore('build', () => {
  const shop = useShop()
  const outbox = useOutbox()
  const device = useDevice()
  const history = useHistory()
  // What the header tells is reckoned beside what the hand on a station waits for.
  const { tried: chambers, release } = useChambers()
  // Shallow: a ledger is replaced, never changed, and ten thousand entries are not watched one by one.
  const view = shallowRef<BuildView>()
  const missing = ref(false)
  const cylinder = ref(1)
  // A reload of this tab stands where the hand stood: what was typed there would be out of sight.
  const stood = useSessionStorage('bowl.cylinder', { build: '', cylinder: 1 })
  watch(cylinder, now => stood.value = { ...stood.value, cylinder: now })

  /** Entries still waiting in the outbox for this build, as the ledger sees them. */
  const unsent = computed<Entry[]>(() => outbox.waiting.flatMap((write) => {
    const match = /^\/api\/builds\/([^/]+)\/(entries|batches)\/([^/?]+)/.exec(write.url)
    if (!match || match[1] !== view.value?.id) return []
    const body = JSON.parse(write.body) as { entries: object[] }
    // Entries that belong together go out as one write, and are here as one.
    return (match[2] === 'batches' ? body.entries : [{ ...body, id: match[3] }]).map(entry => ({ ...entry, build: match[1], seq: null }) as Entry)
  }))
  const entries = computed<Entry[]>(() => {
    const kept = view.value?.entries ?? []
    const ids = new Set(kept.map(entry => entry.id))
    return [...kept, ...unsent.value.filter(entry => !ids.has(entry.id))]
  })
  // Before anybody asks by the new ones.
  watch(entries, release, { flush: 'sync' })
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
  /** The same stage by stage. */
  const stages = computed(() => replayed.value ? plannedStages(replayed.value, chambers) : [])
  const byId = computed(() => new Map(entries.value.map(entry => [entry.id, entry])))
  /** A cylinder with everything planned: what its chamber, or the whole, is to come to goes by the parts it will have. */
  const then = (n: number) => planned.value?.cylinders.find(c => c.cylinder === n)?.state
  const cylinders = computed(() => replayed.value?.layout.cylinders ?? [])
  /** A closed barrel has neither joint nor face: it comes down by what is taken off its foot. */
  const closed = computed(() => replayed.value?.layout.engine?.head === 'blind')
  /** The cylinder that tells one end of the row that is worked on from the other, and at which side it lies. */
  const rowBegins = computed(() => replayed.value && rowBeginsAt(replayed.value.layout, cylinder.value))
  /** Whether the front is at the right of what is drawn of the head that is worked on. */
  const frontIsPlus = computed(() => !replayed.value || frontOf(replayed.value.layout, cylinder.value))
  /** The cylinders as they stand, bank by bank: the order of the strip, and of a hand that goes along a head. */
  const along = computed(() => (replayed.value?.layout.banks ?? []).flat())
  const asIs = computed(() => replayed.value?.asIs ?? [])
  const state = computed<CylinderState | undefined>(() => asIs.value.find(s => s.cylinder === cylinder.value))
  /** The cylinder furthest outside the target's band, if any is. */
  const worst = computed(() => furthestOff(asIs.value, targetBand(replayed.value?.target)))

  async function open(id: string) {
    history.opened(id)
    if (view.value?.id !== id) {
      view.value = undefined
      if (stood.value.build !== id) stood.value = { build: id, cylinder: 1 }
      cylinder.value = stood.value.cylinder
    }
    missing.value = false
    const loaded = await shop.read<BuildView>(`/api/builds/${id}`)
    if (loaded) view.value = loaded
    // An address that is no build’s name at all is refused as such.
    else missing.value = shop.status === 404 || shop.status === 400
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
      const news = new Map(list.map(one => [id(one), one]))
      const ids = new Set(known.map(id))
      // What is here without its place in the order yet is taken as the shop has it.
      return [...known.map(one => news.get(id(one)) ?? one), ...list.filter(one => !ids.has(id(one)))]
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

  const refusal = (title: string, detail: string, fields?: FieldProblem[]): Sent => ({ kind: 'refused', problem: { type: 'about:blank', title, status: 422, detail, ...(fields ? { fields } : {}) } })
  const noHand = (): Sent | undefined => device.hand === '' ? refusal('Whose hand?', 'Put your initials in the header first: every entry names its hand.') : undefined

  interface Made { id: string, sent: SentEntry }
  /** An entry as it is sent, or what the server would say against it: that is said at once, and never counts on the screen. */
  function made({ kind, scope, body, more = {}, id = uuid() }: ToAdd): Made | Sent {
    const { at = new Date().toISOString(), note, supersedes, undoes } = more
    // What puts an entry right still has its photographs; what puts something back says itself which.
    const photos = more.photos ?? (kind === 'void' || undoes ? undefined : byId.value.get(supersedes ?? '')?.photos)
    // What takes an operation's place belongs to the same plan, unless it is planned anew.
    const plan = more.plan ?? (kindRule(kind).role === 'operation' ? byId.value.get(supersedes ?? '')?.plan : undefined)
    const entry = {
      at, hand: device.hand, kind, v: BODY_VERSION, scope, body, ...(note ? { note } : {}), ...(supersedes ? { supersedes } : {}), ...(plan ? { plan } : {}), ...(undoes ? { undoes } : {}), ...(photos?.length ? { photos } : {})
    }
    const checked = checkEntry(JSON.parse(JSON.stringify(entry)))
    return checked.ok ? { id, sent: checked.value } : refusal('This can’t be accepted', checked.fields[0]!.sentence, checked.fields)
  }
  /** What can't be reckoned with beside the rest, or can't be so on this engine. */
  function againstRest(all: Made[], build: string): Sent | undefined {
    const fresh = all.map(({ id, sent }) => ({ ...sent, id, build, seq: null }) as Entry)
    const then = replay([...entries.value, ...fresh])
    const misfit = then?.leftOut.find(out => all.some(({ id }) => id === out.id))
    if (misfit) return refusal('This can’t be used', sayLeftOut(misfit))
    const clash = fresh.map(entry => clashOf(entry, then)).find(Boolean)
    return clash && refusal('This can’t be so', sayClash(clash))
  }

  /** Adds an entry. It counts on this screen at once, and on the server as soon as that answers. */
  async function add<K extends EntryKind>(kind: K, scope: Scope, body: Bodies[K], more: MoreOfEntry = {}): Promise<Sent> {
    if (!view.value) throw new Error('no build is open')
    const one = noHand() ?? made({ kind, scope, body, more } as ToAdd)
    if ('kind' in one) return one
    const fault = againstRest([one], view.value.id)
    if (fault) return fault
    const known = more.supersedes ? undefined : seen(kind, scope, one.sent.body)
    history.did({ entries: [one.id] })
    const sent = await outbox.put(one.id, `/api/builds/${view.value.id}/entries/${one.id}${known === undefined ? '' : `?seen=${known}`}`, one.sent)
    if (sent.kind === 'refused') history.forget(one.id)
    // Told of a change it had not seen, the page shows what stands now.
    if (sent.kind === 'refused' && sent.problem.current) await refresh()
    return sent
  }

  /** Adds entries that belong together as one write: all of them are kept, or none. What takes a step back is no step itself. */
  async function addAll(list: ToAdd[], remembered = true): Promise<Sent> {
    if (!view.value) throw new Error('no build is open')
    if (list.length === 0) return { kind: 'kept', value: undefined }
    const all: Made[] = []
    for (const item of list) {
      const one = noHand() ?? made(item)
      if ('kind' in one) return one
      all.push(one)
    }
    const fault = againstRest(all, view.value.id)
    if (fault) return fault
    const batch = uuid()
    if (remembered) history.did({ entries: all.map(({ id }) => id) })
    const sent = await outbox.put(batch, `/api/builds/${view.value.id}/batches/${batch}`, { hand: device.hand, entries: all.map(({ id, sent }) => ({ id, ...sent })) })
    if (sent.kind === 'refused') {
      if (remembered) history.forget(all[0]!.id)
      await refresh()
    }
    return sent
  }

  /** Operations planned together under one name: they can be dropped as one. `gone` is what is dropped for them, in the same write; `route`, that they are a whole way to the target. */
  function planAll(name: string, reasons: string[], operations: ToAdd[], { gone = [], route }: { gone?: readonly OperationEntry[], route?: true } = {}): Promise<Sent> {
    const dropped = gone.map(({ id, kind, scope, body }) => ({ kind, scope, body: { ...body, state: 'dropped' }, more: { supersedes: id } }) as ToAdd)
    if (operations.length === 0) return addAll(dropped)
    const plan = uuid()
    const [first, ...others] = operations.map(op => op.scope)
    const together = first!.level !== 'bank' && others.every(scope => scopeName(scope) === scopeName(first!))
    const own: ToAdd = { kind: 'plan', id: plan, scope: together ? first! : { level: 'build' }, body: { name, reasons, state: 'open', ...(route ? { route } : {}) } }
    return addAll([...dropped, own, ...operations.map(op => ({ ...op, more: { ...op.more, plan } }) as ToAdd)])
  }
  /** Plans that are open and still have something to be done. */
  const plans = computed(() => [...replayed.value?.ledger.plans.values() ?? []].filter(plan => !plan.dropped && replayed.value!.planned.some(op => op.plan === plan.id)))
  function dropPlan(id: string): Promise<Sent> {
    const entry = replayed.value?.ledger.plans.get(id)?.entry
    return entry ? add('plan', entry.scope, { ...entry.body, state: 'dropped' }, { supersedes: entry.id }) : Promise.resolve({ kind: 'kept', value: undefined })
  }

  /** Puts back what stood before an entry: the one it took the place of, or nothing. It is an entry too, and can be undone. */
  function undo(entry: Entry): Promise<Sent> {
    const list = restoring(entries.value, [entry.id], uuid)
    return list
      ? addAll(list.map(({ id, kind, scope, body, ...more }) => ({ id, kind, scope, body, more }) as ToAdd))
      : Promise.resolve(refusal('Changed since', 'Something took its place since: look at what stands now.'))
  }

  outbox.onKept((value, write) => {
    const match = /^\/api\/builds\/([^/]+)\/batches\//.exec(write.url)
    if (!match) return keep([value as Entry])
    keep((JSON.parse(write.body) as { entries: Entry[] }).entries.map(entry => ({ ...entry, build: match[1]!, seq: null })))
    void refresh()
  })
  function keep(list: Entry[]) {
    const now = view.value
    if (!now) return
    const fresh = list.filter(entry => entry.build === now.id && !now.entries.some(e => e.id === entry.id))
    if (fresh.length > 0) view.value = { ...now, entries: [...now.entries, ...fresh] }
  }

  function step(by: 1 | -1) {
    const at = along.value.indexOf(cylinder.value)
    const n = along.value.length
    if (n > 0) cylinder.value = along.value[(at + by + n) % n]!
  }

  return { view, missing, cylinder, entries, replayed, leftOut, opens, ifDone, planned, then, stages, cuts, byId, cylinders, closed, rowBegins, frontIsPlus, along, asIs, state, worst, open, refresh, add, addAll, planAll, plans, dropPlan, undo, step }
})
