import { useSessionStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { enclosedBy, hasPlace, portOf, portsIn, severalOf, type Enclosed } from '#core'
import { STATIONS, type StationName } from '~/words/stations'
import { useBuild } from './build'

/** Something that can be filled; of several ports, which. */
interface Thing { key: string, encloses: Enclosed, n?: number }

/**
 * What is chosen while a build is on the bench: the leaf of each station, what is filled, how a cut is looked at. It outlives
 * a reload of its tab, and never goes with the hand to another build.
 */
export const useChoices = defineStore('choices', () => {
  const build = useBuild()
  const kept = useSessionStorage<Record<string, string>>('bowl.choices', {})
  const mine = computed(() => {
    const id = build.view?.id
    return id === undefined || kept.value.build === undefined || kept.value.build === id ? kept.value : {}
  })
  function choose(name: string, value: string) {
    kept.value = { ...mine.value, [name]: value, ...(build.view ? { build: build.view.id } : {}) }
  }
  /** One choice by its name. */
  const choice = <T extends string>(name: string, usual: T): WritableComputedRef<T> => computed({
    get: () => (mine.value[name] ?? usual) as T, set: value => choose(name, value)
  })

  const has = (station: StationName, leaf?: string) => hasPlace(build.replayed?.layout.engine, build.cylinders.length, station, leaf)
  /** Stations that this engine has. */
  const stations = computed(() => (Object.keys(STATIONS) as StationName[]).filter(station => has(station)))
  /** The leaves of a station that this engine has. */
  const leavesOf = (station: StationName) => STATIONS[station].leaves.filter(({ key }) => has(station, key))
  /** The leaf of a station that is open: the first, where the one that was chosen is not there. */
  const leafOf = (station: StationName): WritableComputedRef<string> => computed({
    get: () => {
      const leaves = leavesOf(station)
      const chosen = mine.value[`${station}Leaf`]
      return leaves.some(({ key }) => key === chosen) ? chosen! : leaves[0]?.key ?? ''
    },
    set: leaf => choose(`${station}Leaf`, leaf)
  })
  /** What can be filled at the cylinder in hand: each of several ports by itself. */
  const things = computed(() => enclosedBy(build.replayed?.layout.engine).flatMap((encloses): Thing[] => {
    const layout = build.replayed?.layout
    const valve = portOf(encloses)
    if (!layout || !valve || !severalOf(layout, valve)) return [{ key: encloses, encloses }]
    return portsIn({ ...layout, cylinders: [build.cylinder] }, valve).map(({ n }) => ({ key: `${encloses} ${n}`, encloses, n }))
  }))
  const pourOf = choice<string>('pourOf', '')
  /** What is filled: the first thing, where what was chosen is not there. */
  const thing = computed({ get: (): Thing => things.value.find(({ key, encloses }) => key === pourOf.value || encloses === pourOf.value) ?? things.value[0]!, set: ({ key }) => pourOf.value = key })
  return { choice, things, thing, stations, leavesOf, leafOf, choose }
})
