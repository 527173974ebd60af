import { useLocalStorage } from '@vueuse/core'
import { DomainError, pourVolume, stopReading, type Fill, type Instrument, type PourResult } from '#core'
import { inUse, type KeptInstrument } from '#shared/dto'
import { sayRefusal } from '#shared/words/domain'
import { useBuild } from '~/stores/build'
import { useDrafts } from '~/stores/drafts'
import { useShop } from '~/stores/shop'
import { notKept } from './useStatement'

/** The reading a fresh fill begins at: a burette at its zero, a syringe or cylinder full. */
export const freshStart = (instrument: Instrument): number => instrument.kind === 'burette' ? 0 : instrument.capacity

/** A sum of volumes, each one fill from a fresh scale. */
function fillOf(volume: number, instrument: Instrument): Fill {
  return instrument.kind === 'burette' ? { start: 0, end: volume } : { start: volume, end: 0 }
}

/** The pour in hand at a cylinder: instrument, fills so far, the reading being taken, and what it comes to. */
export function usePouring() {
  const build = useBuild()
  const shop = useShop()
  const drafts = useDrafts()
  const chosenId = useLocalStorage('bowl.instrument', '')
  const instrument = computed<KeptInstrument | undefined>(() => shop.instruments.find(i => i.id === chosenId.value) ?? shop.instruments[0])
  const key = (what: string) => `${build.view?.id}/pour/${build.cylinder}/${what}`

  const earlier = computed<Fill[]>(() => JSON.parse(drafts.get(key('fills')) ?? '[]') as Fill[])
  const start = computed<number>(() => Number(drafts.get(key('from')) ?? (instrument.value ? freshStart(instrument.value) : 0)))
  const typed = ref<{ terms: number[] }>()

  const inHand = computed<Fill[]>(() => {
    const terms = typed.value?.terms
    if (!terms || !instrument.value) return []
    if (terms.length > 1) return terms.map(term => fillOf(term, instrument.value!))
    return [{ start: start.value, end: terms[0]! }]
  })
  const fills = computed(() => [...earlier.value, ...inHand.value])

  function reckon(list: Fill[]): { result?: PourResult, sentence?: string } {
    if (!instrument.value) return { sentence: 'The shop has no instrument yet: add one on the shop page.' }
    if (list.length === 0) return {}
    try {
      return { result: pourVolume(list, instrument.value) }
    } catch (error) {
      if (error instanceof RangeError) return { sentence: sayRefusal(error) }
      throw error
    }
  }
  const sofar = computed(() => reckon(fills.value))

  /** Where to stop if the chamber were at its target with the other parts as they are. */
  const stop = computed(() => {
    const wanted = build.state?.targetChamber?.value.value
    if (wanted === undefined || wanted <= 0 || !instrument.value) return undefined
    try {
      return { ...stopReading(wanted, start.value, instrument.value), wanted }
    } catch (error) {
      if (error instanceof DomainError) return undefined
      throw error
    }
  })

  function setStart(value: number): string | undefined {
    const most = instrument.value?.capacity ?? 0
    if (value < 0 || value > most) return `${value} is off the scale: it runs from 0 to ${most}.`
    drafts.set(key('from'), String(value))
    return undefined
  }
  /** Puts the fill in hand by, for a chamber that takes more than one. */
  function anotherFill(): string | undefined {
    if (inHand.value.length === 0) return 'Give this fill’s reading first.'
    const { sentence } = reckon(fills.value)
    if (sentence) return sentence
    drafts.set(key('fills'), JSON.stringify(fills.value))
    drafts.clear(key('reading'))
    drafts.clear(key('from'))
    return undefined
  }
  function dropFill(index: number) {
    const left = earlier.value.filter((_, i) => i !== index)
    if (left.length > 0) drafts.set(key('fills'), JSON.stringify(left))
    else drafts.clear(key('fills'))
  }

  async function keep(terms: number[]): Promise<string | undefined> {
    typed.value = { terms }
    const { sentence } = reckon(fills.value)
    if (sentence || !instrument.value) return sentence
    const list = fills.value
    const words = list.map(f => f.start === freshStart(instrument.value!) ? String(f.end) : `${f.start}>${f.end}`).join(' + ')
    const said = notKept(await build.add('pour', { level: 'cylinder', cylinder: build.cylinder }, {
      encloses: 'chamber', fills: list, typed: words.slice(0, 200), instrument: { ...instrument.value }
    }))
    if (said) return said
    drafts.clear(key('fills'))
    drafts.clear(key('from'))
    return undefined
  }
  return { instrument, chosenId, key, earlier, start, typed, fills, inHand, sofar, stop, setStart, anotherFill, dropFill, keep }
}
