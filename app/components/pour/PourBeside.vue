<script setup lang="ts">
import { FIGURE_BOUNDS, portOf, type Figure, type Part } from '#core'
import { figureFault } from '#shared/dto'
import { BESIDE, type BesideName } from '~/composables/useBeside'
import type { Pouring } from '~/composables/usePouring'
import { useBuild } from '~/stores/build'

/** What belongs to a pour beside its readings: depth, column, hole, temperatures. They stay until they are cleared. */
const props = defineProps<{ pouring: Pouring }>()
const build = useBuild()
const p = props.pouring
const WORDS: Record<BesideName, { label: string, dimension: 'length' | 'volume' | 'temperature' | 'warming' }> = {
  depth: { label: 'Piston down the bore', dimension: 'length' },
  plugColumn: { label: 'Column in plug hole', dimension: 'volume' },
  plateHole: { label: 'Plate hole, if filled', dimension: 'volume' },
  knownRelief: { label: 'Recess filled beside', dimension: 'volume' },
  scaleTemperature: { label: 'Glass stands at', dimension: 'temperature' },
  warmer: { label: 'Warmer in the head by', dimension: 'warming' }
}
const first = computed(() => BESIDE[p.what.value].filter(name => name === 'depth' || name === 'plugColumn'))
const folded = computed<BesideName[]>(() => [...BESIDE[p.what.value].filter(name => name !== 'depth' && name !== 'plugColumn'), 'scaleTemperature', 'warmer'])
const set = computed(() => folded.value.filter(name => p.beside.value[name]).length)
const part = (name: BesideName): Part | undefined => {
  const figure = p.beside.value[name]
  return figure && { estimate: { value: figure.value, by: new Map() }, provenance: 'measured', entries: [] }
}
const keep = (name: BesideName) => async (figure: Figure): Promise<string | undefined> => {
  const fault = figureFault(figure, { ...FIGURE_BOUNDS[name === 'depth' ? 'crownDepth' : name], noun: 'this' })
  if (fault) return fault
  // A column of 0 is an answer, and takes the place of the one before.
  p.setBeside({ [name]: figure.value === 0 && name !== 'depth' && name !== 'plugColumn' ? undefined : figure })
  return undefined
}
const seals = computed(() => p.what.value === 'crown' || p.what.value === 'assembled')
/** Whether a port was worked on is said here, or said otherwise than its ticked places do; what else is poured is worked on by entries. */
const saysAfresh = computed(() => p.what.value !== 'chamber' && p.what.value !== 'assembled' && (p.current.value.length > 0 || p.saidAfresh.value !== undefined || (p.afresh.value && portOf(p.what.value) !== undefined)))
</script>

<template>
  <div class="beside">
    <div v-if="first.length || seals || p.what.value === 'container'" class="row">
      <FigureField v-for="name in first" :key="name" :field="`${build.view?.id}/beside/${p.what.value}/${name}`" :label="WORDS[name].label" :dimension="WORDS[name].dimension" :part="part(name)" :gauge-at="{ what: name === 'depth' ? 'crownDepth' : '' }" :commit="keep(name)" />
      <div v-if="seals">
        <BenchSelect id="sealed" label="Sealed" :model-value="p.beside.value.sealed ?? 'ring'" :items="[['ring', 'at the ring, crevice in', 'at the ring'], ['crown', 'at the crown’s edge', 'crown’s edge']]" @update:model-value="p.setBeside({ sealed: $event })" />
      </div>
      <div v-if="p.what.value === 'container'">
        <BenchText id="vessel" label="What it is" :model-value="p.beside.value.vessel" maxlength="40" @update:model-value="p.setBeside({ vessel: String($event ?? '') })" />
      </div>
    </div>
    <p v-if="p.carried('plugColumn')" class="small quiet">The column and the seal are those of the pour before.</p>
    <BenchFold :title="`Corrections${set ? `, ${set} set` : ''}`">
      <div class="row">
        <FigureField v-for="name in folded" :key="name" :field="`${build.view?.id}/beside/${p.what.value}/${name}`" :label="WORDS[name].label" :dimension="WORDS[name].dimension" :part="part(name)" :commit="keep(name)" />
        <div>
          <BenchSelect id="liquid" label="Liquid" :model-value="p.beside.value.liquid ?? 'alcohol'" :items="[['alcohol', 'alcohol'], ['water', 'water']]" @update:model-value="p.setBeside({ liquid: $event })" />
        </div>
      </div>
      <p class="small quiet">A plate hole and a recess are subtracted. The liquid’s own warmth counts only where it differs between glass and head. 0 clears a figure.</p>
    </BenchFold>
    <BenchCheck v-if="saysAfresh" v-model="p.afresh.value" class="small" label="Worked on since the last pour: starts afresh" />
  </div>
</template>

<style scoped>
.row { display: grid; grid-template-columns: 1fr 1fr; gap: 8px 10px; margin: 6px 0 4px; align-items: end; }
</style>
