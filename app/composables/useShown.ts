import { inOrder, kindRule, live, type Entry, type EntryKind } from '#core'
import type { BuildView } from '#shared/dto'
import { entryOf, openingOf } from '~/composables/useOpening'
import { useDevice } from '~/stores/device'
import { useShop } from '~/stores/shop'
import { sayDate, sayEntry, sayKind, sayScope } from '~/words/entries'

/** Of remarks only these say anything of an engine; the others keep the shop's own order. */
const TELLING: readonly EntryKind[] = ['afterwards', 'finding', 'portPlace']
const tells = ({ kind }: Entry) => kindRule(kind).role !== 'frame' && (kindRule(kind).role !== 'remark' || TELLING.includes(kind))

/** What showed the shop something: builds, or entries of one, named as build or build/entry. Ledgers are read as they are asked for. */
export function useShown() {
  const shop = useShop()
  const device = useDevice()
  const ledgers = reactive(new Map<string, readonly Entry[]>())
  const nameOf = (build: string) => shop.builds.find(one => one.id === build)?.name ?? 'a build that is gone'
  const said = (entry: Entry) => [sayDate(entry.at), sayKind(entry.kind), entry.scope.level === 'build' ? '' : sayScope(entry.scope), sayEntry(entry, device.lengths)].filter(Boolean).join(', ')
  /** Reads a build's ledger, unless it is read. */
  async function readBuild(build: string) {
    const view = ledgers.has(build) ? undefined : await shop.read<BuildView>(`/api/builds/${build}`)
    if (view) ledgers.set(build, view.entries)
  }
  /** Reads the ledgers that entries among these belong to. */
  const read = (shown: readonly string[]) => Promise.all([...new Set(shown.filter(one => one.includes('/')).map(one => one.split('/')[0]!))].map(readBuild))
  /** Entries of a build that count and can show anything, the newest first. */
  const entriesOf = (build: string) => live(ledgers.get(build) ?? []).entries.filter(tells).sort(inOrder).reverse().map(entry => [entry.id, said(entry)] as const)
  /** In words, and the way there. */
  function say(shown: string): { words: string, to: ReturnType<typeof openingOf> | ReturnType<typeof entryOf> } {
    const [build, id] = shown.split('/') as [string, string?]
    if (!id) return { words: nameOf(build), to: openingOf(build, { station: 'daybook' }) }
    const entries = ledgers.get(build)
    const entry = entries?.find(one => one.id === id)
    const gone = entries && !live(entries).entries.some(one => one.id === id)
    return { words: `${nameOf(build)}: ${entry ? said(entry) : 'an entry'}${gone ? ' (no longer counts)' : ''}`, to: entryOf(build, id) }
  }
  return { read, readBuild, entriesOf, say }
}
