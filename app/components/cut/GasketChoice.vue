<script setup lang="ts">
import { gasketOf, gasketsOffered, sameGasket, type EntryOf, type GasketFigures } from '#core'
import { sayGasket } from '~/words/gaskets'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'

/** Which gasket the cut is reckoned with: the fitted one, or one that is to be had. */
const props = defineProps<{ planned?: EntryOf<'gasketChange'>, change: (state: 'planned' | 'done' | 'dropped', figures?: GasketFigures) => Promise<string | undefined> }>()
const build = useBuild()
const device = useDevice()
const sentence = ref('')
const fitted = computed(() => build.replayed && gasketOf(build.replayed, build.cylinder))
const offers = computed(() => build.replayed ? gasketsOffered(build.replayed, build.cylinder).filter(o => !fitted.value || !sameGasket(o.body, fitted.value)) : [])
const all = computed(() => [...fitted.value ? [fitted.value] : [], ...offers.value.map(o => o.body)])
const isChosen = (gasket: GasketFigures) => props.planned !== undefined && sameGasket(props.planned.body, gasket)
async function choose(figures?: GasketFigures) {
  sentence.value = (figures ? await props.change('planned', figures) : await props.change('dropped')) ?? ''
}
</script>

<template>
  <div class="gasket-choice" role="group" aria-label="Gasket to work with">
    <span class="label">Gasket</span>
    <v-btn :variant="!planned ? 'flat' : 'outlined'" :color="!planned ? 'primary' : undefined" :aria-pressed="!planned" @click="planned && choose()">
      <template v-if="fitted"><span class="num">{{ sayGasket(fitted, all, device.lengths) }}</span> fitted</template><template v-else>as fitted</template>
    </v-btn>
    <v-btn v-for="o in offers" :key="o.id" :variant="isChosen(o.body) ? 'flat' : 'outlined'" :color="isChosen(o.body) ? 'primary' : undefined" class="num" :aria-pressed="isChosen(o.body)" @click="isChosen(o.body) || choose(o.body)">
      {{ sayGasket(o.body, all, device.lengths) }}
    </v-btn>
    <v-btn v-if="planned" @click="change('done').then(said => sentence = said ?? '')">It is fitted</v-btn>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
  </div>
</template>

<style scoped>
.gasket-choice { display: flex; flex-wrap: wrap; gap: 4px 6px; align-items: center; }
.label { flex-basis: 100%; }
</style>
