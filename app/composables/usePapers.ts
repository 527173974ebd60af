import { useLocalStorage } from '@vueuse/core'
import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import { PAPER_NAMES, asReceived, hasPlace, ofKind, photographsIn, pistonOrders, turnedPlan, type LatheTask, type PaperName, type PrintedBody, type Replay } from '#core'
import type { PaperCase, PaperPhoto } from '~/papers/paperCase'
import type { PaperSize } from '~/papers/pdf'
import { useGlass } from '~/composables/useGlass'
import { useBuild } from '~/stores/build'
import { useChambers } from '~/stores/chambers'
import { useChoices } from '~/stores/choices'
import { useDevice } from '~/stores/device'
import { usePictures } from '~/stores/pictures'
import { useShop } from '~/stores/shop'

/** Wide enough for a sheet, and no wider: a paper is sent by post as well. */
const PHOTO_WIDTH = 900

/** A photograph as papers have it; nothing where it is not to be had. */
async function printable(src: string): Promise<string | undefined> {
  try {
    // An image and not a fetch: the page may show what lies on this device, but asks nobody else for anything.
    const picture = new Image()
    picture.src = src
    await picture.decode()
    const scale = Math.min(1, PHOTO_WIDTH / picture.naturalWidth)
    const canvas = document.createElement('canvas')
    canvas.width = Math.round(picture.naturalWidth * scale)
    canvas.height = Math.round(picture.naturalHeight * scale)
    canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height)
    return canvas.toDataURL('image/jpeg', 0.85)
  } catch {
    return undefined
  }
}

const hasJob = (r: Replay) => ofKind(r.live.entries, 'jobCard').length > 0

/** Papers of the build on the bench, made on this device. */
export function usePapers() {
  const build = useBuild()
  const device = useDevice()
  const shop = useShop()
  const { stopAt } = useGlass()
  const { chambers, withSolids } = useChambers()
  withSolids()
  const by = useChoices().choice<LatheTask['by']>('latheBy', 'depth')
  /** Papers that not every build has a use for. */
  const wanted: Partial<Record<PaperName, (r: Replay) => boolean>> = {
    // A turned face is the lathe's.
    order: r => r.layout.engine?.head !== 'turned' || r.planned.some(op => op.kind === 'deckCut'),
    lathe: r => r.layout.engine?.head === 'turned', pistons: r => build.planned !== undefined && pistonOrders(r, build.planned).length > 0,
    shims: r => hasPlace(r.layout.engine, r.layout.cylinders.length, 'mockup', 'springs'), quote: hasJob, bill: hasJob
  }
  const papers = computed(() => PAPER_NAMES.filter(name => build.replayed && (wanted[name]?.(build.replayed) ?? true)))
  const size = useLocalStorage<PaperSize>('bowl.paper', 'A4')
  const pictures = usePictures()
  async function photosOf(r: Replay, id: string): Promise<PaperPhoto[]> {
    const all = photographsIn(r.live)
    const sorted = [...all.filter(one => one.of.kind === 'finding'), ...all.filter(one => one.of.kind !== 'finding').reverse()]
    const made = await Promise.all(sorted.map(async (photo): Promise<PaperPhoto[]> => {
      const data = await printable(pictures.src(id, photo.sha256))
      return data ? [{ ...photo, data }] : []
    }))
    return made.flat()
  }
  const of = async (): Promise<PaperCase | undefined> => {
    const { replayed: r, view } = build
    if (!r || !view) return undefined
    return { name: view.name, reference: view.reference, r, received: asReceived(r), planned: r.planned.length ? build.planned : undefined, entries: build.entries, opens: build.opens, photos: await photosOf(r, view.id), rules: shop.rules, lengths: device.lengths, size: size.value, now: new Date().toISOString() }
  }
  /** One, or several with less and less on them. */
  async function define(name: PaperName): Promise<TDocumentDefinitions | TDocumentDefinitions[] | undefined> {
    const known = await of()
    if (!known) return undefined
    switch (name) {
      case 'customer': return (await import('~/papers/customerSheet')).customerSheet(known)
      case 'record': return (await import('~/papers/fullRecord')).fullRecord(known)
      case 'order': return (await import('~/papers/workOrder')).workOrder(known)
      case 'lathe': return (await import('~/papers/latheCard')).latheCard(known, known.r.layout.cylinders.flatMap((cylinder) => {
        const plan = turnedPlan(known.r, cylinder, known.r.planned, chambers, by.value)
        return plan ? [{ cylinder, plan }] : []
      }), volume => stopAt(volume, 'assembled'))
      case 'pistons': return (await import('~/papers/orderSheet')).orderSheet(known)
      case 'shims': return (await import('~/papers/shimList')).shimList(known)
      case 'quote': return (await import('~/papers/jobBill')).jobBill(known, 'planned')
      case 'bill': return (await import('~/papers/jobBill')).jobBill(known, 'worked')
      case 'stop': return (await import('~/papers/stopCard')).stopCard(known, build.stages, stopAt)
    }
  }
  async function make(name: PaperName): Promise<Uint8Array | undefined> {
    const definition = await define(name)
    return definition && (await import('~/papers/pdf')).pdfOf(definition)
  }
  /** The same as a page that needs nothing beside it. */
  async function makePage(name: PaperName): Promise<string | undefined> {
    const definition = await define(name)
    // A page of a screen is as long as it is.
    return definition && (await import('~/papers/html')).htmlOf(Array.isArray(definition) ? definition[0]! : definition)
  }
  /** Notes that a paper left the shop: what comes after it is not on it. That is no step to be undone. */
  const leaves = (paper: PaperName, form: PrintedBody['form']) => build.addAll([{ kind: 'printed', scope: { level: 'build' }, body: { paper, form } }], false)
  return { size, papers, make, makePage, leaves }
}
