import { useLocalStorage } from '@vueuse/core'
import { DomainError, crownPours, crownWorkedSince, disagreementOf, fillsFor, likelyFaults, nextOfRound, portOf, portWorkedSince, pourResult, pourVolume, stopReading, stopsOf, quantityOf, wholeRounds, type Bodies, type Figure, type Fill, type Instrument, type PourEntry, type PourResult, type Scope } from '#core'
import { inUse, type KeptInstrument } from '#shared/dto'
import { sayRefusal } from '#shared/words/domain'
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'
import { useDrafts } from '~/stores/drafts'
import { useShop } from '~/stores/shop'
import { fullScale } from '~/words/stop'
import { BESIDE, useBeside, type Beside, type BesideName } from './useBeside'
import { useOwnHand } from './useOwnHand'
import { notKept } from './useStatement'

/** A sum of volumes, each one fill from a fresh scale. */
function fillOf(volume: number, instrument: Instrument): Fill {
  return instrument.kind === 'burette' ? { start: 0, end: volume } : { start: volume, end: 0 }
}

/** Two volumes that read alike, cc. */
const SAME = 0.05
/** Volume expansion of what is poured with, per kelvin (ISO 4787 for water; ethanol, CRC Handbook). */
const LIQUIDS = { alcohol: 1.1e-3, water: 2.1e-4 } as const

/** The pour in hand at a cylinder: what is filled, with what, the fills so far, the reading being taken, and what it comes to. */
export function usePouring() {
  const build = useBuild()
  const shop = useShop()
  const drafts = useDrafts()
  const chosenId = useLocalStorage('bowl.instrument', '')
  const { things, thing } = storeToRefs(useChoices())
  const what = computed(() => thing.value.encloses)
  const kept = computed<KeptInstrument | undefined>(() => shop.instruments.find(i => i.id === chosenId.value) ?? shop.instruments[0])
  /** A measuring cylinder is not practised on. */
  const own = useOwnHand(() => kept.value?.kind === 'cylinder' ? undefined : kept.value?.kind)
  const instrument = computed(() => kept.value && { ...inUse(kept.value), ...own.counts.value === undefined ? {} : { repeatability: own.counts.value } })
  // A chamber's drafts keep the key they always had.
  const key = (name: string, cylinder = build.cylinder) => `${build.view?.id}/pour/${what.value === 'chamber' ? '' : `${thing.value.key}/`}${cylinder}/${name}`
  /** What stands typed at other cylinders and is not kept: out of sight it would be taken for lost, and typed once more into this one. */
  const elsewhere = computed(() => build.along.flatMap((cylinder) => {
    const draft = cylinder === build.cylinder ? undefined : drafts.get(key('reading', cylinder))
    return draft === undefined ? [] : [{ cylinder, text: (JSON.parse(draft) as { text: string }).text }]
  }))

  const besides = useBeside()
  const beside = computed(() => besides.besideOf(what.value))
  const setBeside = (change: Partial<Beside>) => besides.setBeside(what.value, change)

  const earlier = computed<Fill[]>(() => JSON.parse(drafts.get(key('fills')) ?? '[]') as Fill[])
  const start = computed<number>(() => Number(drafts.get(key('from')) ?? (instrument.value ? fullScale(instrument.value) : 0)))
  const typed = ref<{ figure: Figure, terms: number[] }>()

  const inHand = computed<Fill[]>(() => {
    const terms = typed.value?.terms
    if (!terms || !instrument.value) return []
    if (terms.length > 1) return terms.map(term => fillOf(term, instrument.value!))
    return [{ start: start.value, end: terms[0]! }]
  })
  const fills = computed(() => [...earlier.value, ...inHand.value])
  const scope = computed<Scope>(() => ({ level: 'cylinder', cylinder: build.cylinder }))

  function bodyOf(list: Fill[]): Bodies['pour'] {
    const { sealed, liquid, vessel, warmer, scaleTemperature, ...rest } = beside.value
    // The fill in hand as it was typed, to the letter; those put by before it by their readings.
    const said = typed.value?.figure.typed
    const before = said ? list.slice(0, list.length - inHand.value.length) : list
    const words = [...before.map(f => f.start === fullScale(instrument.value!) ? String(f.end) : `${f.start}>${f.end}`), ...(said ? [said] : [])].join(' + ')
    const figures = Object.fromEntries(BESIDE[what.value].flatMap(name => rest[name as keyof typeof rest] ? [[name, rest[name as keyof typeof rest]]] : []))
    const seals = what.value === 'crown' || what.value === 'assembled'
    return {
      encloses: what.value, ...thing.value.n ? { n: thing.value.n } : {}, fills: list, typed: words.slice(0, 200), instrument: instrument.value!, ...figures,
      ...(seals && sealed ? { sealed } : {}), ...(scaleTemperature ? { scaleTemperature } : {}),
      ...(warmer ? { warmer, liquidExpansion: LIQUIDS[liquid ?? 'alcohol'] } : {}),
      ...(what.value === 'container' && vessel ? { vessel } : {}), ...(saidAfresh.value === undefined ? {} : { afterWork: saidAfresh.value })
    }
  }
  /** What is filled was worked on since it was poured last, by what was entered or ticked: its next pour starts afresh. */
  function workedSinceAt(cylinder: number): boolean {
    const ledger = build.replayed?.ledger
    const valve = portOf(what.value)
    if (!ledger) return false
    return valve ? portWorkedSince(ledger, { cylinder, valve, n: thing.value.n ?? 1 }) : what.value === 'crown' && crownWorkedSince(ledger, cylinder)
  }
  /** What the hand says of it at a cylinder, where that is not what was entered or ticked. */
  const saidAt = (cylinder: number) => ({ yes: true, no: false } as Record<string, boolean>)[drafts.get(key('afterWork', cylinder)) ?? '']
  const saidAfresh = computed(() => saidAt(build.cylinder))
  /** Whether the next pour at a cylinder starts afresh. */
  const startsAfresh = (cylinder: number) => saidAt(cylinder) ?? workedSinceAt(cylinder)
  const afresh = computed({ get: () => startsAfresh(build.cylinder), set: to => to === workedSinceAt(build.cylinder) ? drafts.clear(key('afterWork')) : drafts.set(key('afterWork'), to ? 'yes' : 'no') })
  const asEntry = (body: Bodies['pour']) => ({ id: 'in hand', kind: 'pour', body }) as PourEntry

  function reckon(list: Fill[]): { result?: PourResult, sentence?: string } {
    if (!instrument.value) return { sentence: 'The shop has no instrument yet: add one on the shop page.' }
    if (list.length === 0) return {}
    try {
      pourVolume(list, instrument.value)
      return { result: pourResult(asEntry(bodyOf(list))) }
    } catch (error) {
      if (error instanceof RangeError) return { sentence: sayRefusal(error) }
      throw error
    }
  }
  const sofar = computed(() => reckon(fills.value))

  /** The pours of this thing that count now at a cylinder, and that one more joins; oldest first. */
  function poursAt(cylinder: number): PourEntry[] {
    const r = build.replayed
    if (!r || startsAfresh(cylinder)) return []
    if (what.value === 'chamber') return r.pours.find(p => p.cylinder === cylinder)?.current ?? []
    if (what.value === 'assembled') return r.wholes.find(p => p.cylinder === cylinder)?.current ?? []
    if (what.value === 'crown') return crownPours(r.ledger, cylinder)
    const valve = portOf(what.value)
    if (valve) return r.ports.find(p => p.cylinder === cylinder && p.valve === valve && p.n === (thing.value.n ?? 1))?.pours ?? []
    return r.live.entries.filter((e): e is PourEntry => e.kind === 'pour' && e.body.encloses === 'container' && (e.scope.level !== 'cylinder' || e.scope.cylinder === cylinder))
  }
  const current = computed(() => poursAt(build.cylinder))
  /** The pours of each cylinder once one more is kept here. */
  const counts = computed(() => new Map(build.along.map(c => [c, poursAt(c).length + Number(c === build.cylinder)])))
  /** Where the round of pours goes on to once one more is kept here; a pour that does not agree is looked at first. */
  const goesOnTo = computed(() => {
    if (what.value === 'container' || challenge.value) return undefined
    return nextOfRound(counts.value, build.cylinder)
  })
  /** How many pours every cylinder has once one more is kept here, where all then have as many. */
  const roundDone = computed(() => wholeRounds(counts.value))
  /** A reading that is more than the glass holds, as the fills it may have been. */
  const asFills = computed(() => {
    const [one, ...more] = typed.value?.terms ?? []
    return one !== undefined && more.length === 0 && instrument.value?.kind === 'burette' ? fillsFor(one, instrument.value.capacity) : undefined
  })
  /** Whether the reading in hand lies too far from the pours before it: said before it is even kept. */
  const challenge = computed(() => {
    const { result } = sofar.value
    if (!result || current.value.length === 0) return undefined
    const apart = disagreementOf([...current.value.map(pourResult), { ...result, source: instrument.value?.id ? `scale:${instrument.value.id}` : undefined }])
    return apart && { ...apart, faults: likelyFaults(apart.change, what.value !== 'assembled') }
  })

  /** Where to stop for a volume, with what is filled beside it. */
  function stopAt(volume: number | undefined) {
    if (volume === undefined || volume <= 0 || !instrument.value) return undefined
    try {
      const wanted = volume + besides.alsoFilled(what.value)
      return { ...stopReading(wanted, start.value, instrument.value), wanted }
    } catch (error) {
      if (error instanceof DomainError) return undefined
      throw error
    }
  }
  /** Where to stop for the chamber, or the whole, to be at its target, with the other parts as they will be. */
  const stop = computed(() => {
    const { targetChamber, targetClearance } = build.then(build.cylinder) ?? {}
    return stopAt((what.value === 'chamber' ? targetChamber : what.value === 'assembled' ? targetClearance : undefined)?.estimate.value)
  })
  /** What is planned next of all that changes what is poured, and where to stop at it, where that is not the target yet. */
  const stage = computed(() => {
    const [next] = build.replayed && (what.value === 'chamber' || what.value === 'assembled') ? stopsOf(build.replayed, build.stages, build.cylinder, what.value) : []
    const at = stopAt(next?.stop)
    return next && at && !(Math.abs(at.wanted - (stop.value?.wanted ?? Number.NaN)) < SAME) ? { ...at, kind: next.stage.operations[0]!.kind } : undefined
  })

  function setStart(value: number): string | undefined {
    const most = instrument.value?.capacity ?? 0
    if (value < 0 || value > most) return `${value} is off the scale: it runs from 0 to ${most}.`
    drafts.set(key('from'), String(value))
    return undefined
  }
  /** Puts the fill in hand by, for what takes more than one. */
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

  async function keep(figure: Figure, terms: number[]): Promise<string | undefined> {
    typed.value = { figure, terms }
    if (what.value === 'crown' && !beside.value.depth && !quantityOf(build.replayed, 'deckClearance', build.cylinder)) return 'Say first how far down the piston stands.'
    if (what.value === 'assembled' && !beside.value.plugColumn) return 'Say first what the plug’s hole holds above the chamber: 0 if you read at the chamber’s own roof.'
    if (what.value === 'container' && !beside.value.vessel) return 'Name the container first.'
    const { sentence } = reckon(fills.value)
    if (sentence || !instrument.value) return sentence
    const sending = build.add('pour', scope.value, bodyOf(fills.value))
    // The hand goes on to the next cylinder at once: what was put by is this one's, and is gone with the reading, not with the answer.
    const putBy = [key('fills'), key('from'), key('afterWork')].map(name => [name, drafts.get(name)] as const)
    putBy.forEach(([name]) => drafts.clear(name))
    const said = notKept(await sending)
    if (said) putBy.forEach(([name, was]) => was !== undefined && drafts.get(name) === undefined && drafts.set(name, was))
    return said
  }
  return {
    what, thing, things, instrument, own, kept, chosenId, key, beside, setBeside, afresh, saidAfresh, carried: (name: BesideName) => besides.carried(what.value, name), earlier, elsewhere, start, typed, fills, inHand, sofar, current, goesOnTo, roundDone, asFills, challenge, stop, stage, setStart, anotherFill, dropFill, keep
  }
}
export type Pouring = ReturnType<typeof usePouring>
