import { useLocalStorage } from '@vueuse/core'
import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import { asReceived } from '#core'
import type { PaperCase } from '~/papers/paperCase'
import type { PaperSize } from '~/papers/pdf'
import { useGlass } from '~/composables/useGlass'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { useShop } from '~/stores/shop'

export const PAPERS = {
  customer: { name: 'Customer sheet', what: 'One page for whoever owns the engine.' },
  record: { name: 'Full record', what: 'Every entry, with the sums.' },
  order: { name: 'Work order', what: 'For whoever cuts the face.' },
  stop: { name: 'Stop card', what: 'What each chamber is to read.' }
} as const
export type PaperName = keyof typeof PAPERS

/** Papers of the build on the bench, made on this device. */
export function usePapers() {
  const build = useBuild()
  const device = useDevice()
  const shop = useShop()
  const { stopAt } = useGlass()
  const size = useLocalStorage<PaperSize>('bowl.paper', 'A4')
  const of = (): PaperCase | undefined => {
    const { replayed: r, view } = build
    if (!r || !view) return undefined
    return { name: view.name, reference: view.reference, r, received: asReceived(r), planned: r.planned.length ? build.planned : undefined, entries: build.entries, opens: build.opens, rules: shop.rules, lengths: device.lengths, size: size.value, now: new Date().toISOString() }
  }
  async function define(name: PaperName): Promise<TDocumentDefinitions | undefined> {
    const known = of()
    if (!known) return undefined
    switch (name) {
      case 'customer': return (await import('~/papers/customerSheet')).customerSheet(known)
      case 'record': return (await import('~/papers/fullRecord')).fullRecord(known)
      case 'order': return (await import('~/papers/workOrder')).workOrder(known)
      case 'stop': return (await import('~/papers/workOrder')).stopCard(known, stopAt)
    }
  }
  async function make(name: PaperName): Promise<Uint8Array | undefined> {
    const definition = await define(name)
    return definition && (await import('~/papers/pdf')).pdfOf(definition)
  }
  /** The same as a page that needs nothing beside it. */
  async function makePage(name: PaperName): Promise<string | undefined> {
    const definition = await define(name)
    return definition && (await import('~/papers/html')).htmlOf(definition)
  }
  return { size, make, makePage }
}
