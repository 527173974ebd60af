<script setup lang="ts">
import { FIGURE_BOUNDS, asSet, asksFor, placeOf, type Figure } from '#core'
import { figureFault } from '#shared/dto'
import { shown } from '#shared/figures'
import type { useWhatIf } from '~/composables/useWhatIf'
import { useBuild } from '~/stores/build'

/** Crowns cut, or other pistons: what they hold more, how much deeper their pockets are, how much higher they stand. */
const props = defineProps<{ whatIf: ReturnType<typeof useWhatIf> }>()
const build = useBuild()
const { crown, crowns, justThis, unsized, set } = props.whatIf
const keep = (name: 'crown' | 'pockets' | 'rise', bounds: { min: number, max: number, dimension: 'volume' | 'length' }, noun: string) => async (figure: Figure): Promise<string | undefined> => {
  const fault = figureFault(figure, { ...bounds, noun })
  if (!fault) set(name, figure.value)
  return fault
}
const part = (value: number) => asSet(value === 0 ? undefined : value)
const pocketed = computed(() => asksFor(build.replayed?.layout.engine, 'intakeClearance'))
/** What the pockets add, where nobody says it. */
const holds = computed(() => shown(crowns.value.find(op => op.scope.level === 'cylinder' && op.scope.cylinder === build.cylinder)?.body.added.value ?? 0, 'volume').number)
const begun = crown.value.added !== 0 || crown.value.pockets > 0 || crown.value.rise !== 0
</script>

<template>
  <BenchFold title="Crowns or pistons" :open="begun">
    <div class="fields">
      <FigureField :field="`${build.view?.id}/whatif/crown/typed`" label="More in the crown" dimension="volume" :part="part(crown.added)" :empty-text="holds" :commit="keep('crown', FIGURE_BOUNDS.crownChange, 'what the crown holds more')" />
      <FigureField :field="`${build.view?.id}/whatif/rise/typed`" label="Piston higher by" dimension="length" :part="part(crown.rise)" empty-text="same" :commit="keep('rise', FIGURE_BOUNDS.pistonRise, 'how much higher the piston stands')" />
      <template v-if="pocketed">
        <FigureField :field="`${build.view?.id}/whatif/pockets/typed`" label="Pockets deeper" dimension="length" :part="part(crown.pockets)" empty-text="0" :commit="keep('pockets', FIGURE_BOUNDS.pockets, 'how much deeper the pockets are')" />
        <BenchSelect label="Of which valves" :model-value="crown.valve ?? ''" :items="[['', 'all'], ['intake', 'intake'], ['exhaust', 'exhaust']]" @update:model-value="set('valve', $event ?? '')" />
      </template>
      <BenchSelect v-if="build.cylinders.length > 1" label="On" :model-value="justThis ? 'this' : ''" :items="[['', 'all cylinders'], ['this', `cylinder ${build.cylinder}`]]" @update:model-value="set('whose', $event ?? '')" />
    </div>
    <p v-if="unsized.length" class="sentence" data-unsized>Say what the pockets add to the crown, or <GoTo :at="placeOf(`${unsized[0]!}Valve`)">state how large the {{ unsized.join(' and ') }} valves are</GoTo></p>
    <p v-else class="small quiet">− for less, as with a dome. What deeper pockets add is reckoned where you leave it open.</p>
  </BenchFold>
</template>

<style scoped>
.fields { display: grid; grid-template-columns: repeat(auto-fill, minmax(130px, 1fr)); gap: 10px; margin-bottom: 8px; }
</style>
