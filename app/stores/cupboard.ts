import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { Problem } from '#shared/dto'

/**
 * A write on its way to the server. `tries` counts the answers that said it broke there; `aside` says why it is not sent
 * for now: it stays on this device until somebody has it sent again, or drops it. A photograph lies apart, by its name.
 */
export interface Waiting { id: string, url: string, body: string, queuedAt: number, tries?: number, aside?: Problem, picture?: string }

/** A photograph until an entry that carries it is kept, by the SHA-256 that entries call it by. */
export interface KeptPicture { sha256: string, blob: Blob }

/** A half-typed reading: which field of which tab it stands in. */
export interface KeptDraft { key: string, tab: string, field: string, text: string, at: number }

interface Cupboard extends DBSchema {
  drafts: { key: string, value: KeptDraft }
  outbox: { key: string, value: Waiting }
  pictures: { key: string, value: KeptPicture }
}

let opened: Promise<IDBPDatabase<Cupboard>> | undefined

/** What this device keeps through a reload: half-typed readings, and writes the server has not answered yet. */
export function cupboard(): Promise<IDBPDatabase<Cupboard>> {
  opened ??= openDB<Cupboard>('precise-bowl', 3, {
    async upgrade(db, from, _to, change) {
      if (from < 3) db.createObjectStore('pictures', { keyPath: 'sha256' })
      if (from >= 2) return
      if (from < 1) {
        db.createObjectStore('drafts', { keyPath: 'key' })
        db.createObjectStore('outbox', { keyPath: 'id' })
        return
      }
      // Drafts of before belonged to no tab: the first one that looks takes them over.
      const drafts = change.objectStore('drafts')
      for (const { key, text } of await drafts.getAll()) await drafts.put({ key, tab: '', field: key, text, at: 0 })
    }
  })
  return opened
}

type Store = 'drafts' | 'outbox'
type Held<S extends Store> = Cupboard[S]['value']

/**
 * The cupboard answers a moment later, and a page that is left in that moment takes the reading with it. So each change
 * is first noted where a note is kept at once, and the note is torn up when the cupboard has it.
 */
const NOTES = 'bowl.unwritten.'
const mine = `${NOTES}${Date.now()}.${Math.random().toString(36).slice(2, 8)}`
const notes = new Map<string, { value: unknown, turn: number }>()
let turns = 0

/** A hand that drags changes its drawing sixty times a second: notes are written no more often than this, ms. */
const NOTED_EVERY = 100
let notedAt = -Infinity
let later: ReturnType<typeof setTimeout> | undefined

function writeNow() {
  clearTimeout(later)
  later = undefined
  notedAt = performance.now()
  try {
    if (notes.size === 0) localStorage.removeItem(mine)
    else localStorage.setItem(mine, JSON.stringify([...notes].map(([name, { value }]) => [name, value])))
  } catch {
    // A full or forbidden note book: the cupboard alone keeps it then.
  }
}

/** At once, or where that was just done a moment later, and at the latest when the page is left. */
function writeNotes() {
  const wait = notedAt + NOTED_EVERY - performance.now()
  if (wait <= 0) writeNow()
  else later ??= setTimeout(writeNow, wait)
}

if (typeof window !== 'undefined') window.addEventListener('pagehide', () => later && writeNow())

/** Puts something away, or with null takes it out. */
export async function putAway<S extends Store>(store: S, key: string, value: Held<S> | null): Promise<void> {
  const name = `${store}/${key}`
  const turn = ++turns
  notes.set(name, { value, turn })
  // What was entered is noted in the same instant; only what a hand still draws or types may wait.
  if (store === 'outbox') writeNow()
  else writeNotes()
  const db = await cupboard()
  if (value === null) await db.delete(store, key)
  else await db.put(store, value)
  if (notes.get(name)?.turn !== turn) return
  notes.delete(name)
  writeNotes()
}

/** Gives something another key; of two tabs that want it at once, only one gets it. */
export async function moveDraft(from: string, to: KeptDraft): Promise<boolean> {
  const change = (await cupboard()).transaction('drafts', 'readwrite')
  const there = await change.store.get(from)
  if (there) {
    await change.store.delete(from)
    await change.store.put(to)
  }
  await change.done
  return there !== undefined
}

/** Puts a photograph away, whole, before anything says that it is here; it is too large for the notes. */
export const keepPicture = async (picture: KeptPicture): Promise<void> => void await (await cupboard()).put('pictures', picture)
export const pictureOf = async (sha256: string): Promise<Blob | undefined> => (await (await cupboard()).get('pictures', sha256))?.blob
export const allPictures = async (): Promise<KeptPicture[]> => (await cupboard()).getAll('pictures')
export const dropPicture = async (sha256: string): Promise<void> => (await cupboard()).delete('pictures', sha256)

let recovered: Promise<void> | undefined

/** Puts away what pages that were left too soon had only noted: once, before anything is read. */
async function recover(): Promise<void> {
  for (const book of Object.keys(localStorage).filter(name => name.startsWith(NOTES) && name !== mine)) {
    const lines = readNotes(localStorage.getItem(book))
    localStorage.removeItem(book)
    await Promise.all(lines.map(([name, value]) => {
      const at = name.indexOf('/')
      return putAway(name.slice(0, at) as Store, name.slice(at + 1), value as never)
    }))
  }
}

function readNotes(text: string | null): [string, unknown][] {
  try {
    return JSON.parse(text ?? '[]') as [string, unknown][]
  } catch {
    return []
  }
}

/** Everything of one kind. */
export async function takeAll<S extends Store>(store: S): Promise<Held<S>[]> {
  await (recovered ??= recover())
  return (await cupboard()).getAll(store)
}
