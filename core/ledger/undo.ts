import { kindRule, type Entry, type EntryKind } from './entry'
import type { Scope } from './terms'

/** An entry that puts back what stood before another: it takes that one's place and says so. */
export interface Restoring {
  id: string
  kind: EntryKind
  scope: Scope
  body: unknown
  supersedes: string
  undoes: string
  at?: string
  note?: string
  plan?: string
  photos?: string[]
}

type Known = Pick<Entry, 'id' | 'kind' | 'scope' | 'at' | 'note' | 'plan' | 'photos' | 'supersedes' | 'undoes'> & { body: unknown }
/** What is shown at some point of a row of entries that took each other's place: an entry's content, or nothing, and what was shown before it. */
interface Shown { entry?: Known, before?: Shown }

const shows = ({ kind, scope, body }: Known, { entry }: Shown): boolean =>
  entry ? entry.kind === kind && JSON.stringify([entry.scope, entry.body]) === JSON.stringify([scope, body]) : kind === 'void'

/** The entry that stands for one now: itself, or what brought it back after what took its place was undone. */
function standingFor(id: string, byId: ReadonlyMap<string, Known>, successor: ReadonlyMap<string, Known>): Known | undefined {
  let first = byId.get(id)
  const passed = new Set<string>()
  while (first?.supersedes && byId.has(first.supersedes) && !passed.has(first.id)) {
    passed.add(first.id)
    first = byId.get(first.supersedes)
  }
  const before = new Map<string, Shown>()
  const after = new Map<string, Shown>()
  let shown: Shown = {}
  let last = first
  for (let next = first; next && !before.has(next.id); next = successor.get(next.id)) {
    before.set(next.id, shown)
    // What is put back was shown before, at once before or any number of steps ago: its own words say which.
    const earlier = [before.get(next.undoes ?? ''), shown.before, ...[...before.values()].reverse()].filter(one => one !== undefined)
    shown = next.undoes ? earlier.find(one => shows(next, one)) ?? earlier[0]! : { entry: next, before: shown }
    after.set(next.id, shown)
    last = next
  }
  return after.get(id) === shown ? last : undefined
}

/**
 * What puts back what stood before entries that were made together, the last of them first. Each is an entry like any other, so
 * that undoing them again brings back what was undone.
 *
 * @param entries the whole ledger
 * @param ids those that are undone; where one was undone and brought back since, what was brought back is meant
 * @param fresh gives an id to each entry
 * @returns undefined where one of them is not there, or something else took its place since
 * @example restoring(entries, [pour.id], uuid)[0].kind // 'void': nothing stood before it
 */
export function restoring(entries: readonly Entry[], ids: readonly string[], fresh: () => string): Restoring[] | undefined {
  const byId = new Map<string, Known>(entries.map(entry => [entry.id, entry]))
  const successor = new Map<string, Known>(entries.flatMap(entry => entry.supersedes ? [[entry.supersedes, entry]] : []))
  const standing = (id: string) => standingFor(id, byId, successor)
  const list: Restoring[] = []
  for (const id of [...ids].reverse()) {
    const now = standing(id)
    if (!now) return undefined
    const before = byId.get(byId.get(id)!.supersedes ?? '')
    const taking = { id: fresh(), supersedes: now.id, undoes: now.id }
    const one: Restoring = before
      ? {
          ...taking, kind: before.kind, scope: before.scope, at: before.at, body: naming(before.kind, before.body, name => standing(name)?.id ?? name),
          ...(before.note ? { note: before.note } : {}), ...(before.plan ? { plan: before.plan } : {}), ...(before.photos ? { photos: before.photos } : {})
        }
      : { ...taking, kind: 'void', scope: now.scope, body: { reason: 'undone' } }
    list.push(one)
    byId.set(one.id, { at: now.at, ...one })
    successor.set(now.id, { at: now.at, ...one })
  }
  return list
}

/** A body whose fields that name other entries name what stands for them now. */
function naming(kind: EntryKind, body: unknown, standing: (id: string) => string): unknown {
  const named = (kindRule(kind).names ?? []).filter(field => typeof (body as Record<string, unknown>)[field] === 'string')
  return named.length === 0 ? body : { ...body as object, ...Object.fromEntries(named.map(field => [field, standing((body as Record<string, string>)[field]!)])) }
}
