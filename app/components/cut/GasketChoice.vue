<script setup lang="ts">
import { quantityOf } from '#core'
import type { EntryOf } from '#core'
import { say } from '#shared/figures'
import type { GasketFigures } from '~/composables/useCutting'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'

/** Which gasket the cut is reckoned with: the fitted one, or one that is to be had. */
const props = defineProps<{ planned?: EntryOf<'gasketChange'>, change: (state: 'planned' | 'done' | 'dropped', figures?: GasketFigures) => Promise<string | undefined> }>()
const build = useBuild()
const device = useDevice()
const sentence = ref('')
const fitted = computed(() => quantityOf(build.replayed, 'gasketThickness', build.cylinder)?.estimate.value)
const offers = computed(() => (build.replayed?.offers ?? []).filter(o => o.body.thickness.value !== fitted.value))
const chosen = computed(() => props.planned?.body.thickness.value)
async function choose(figures?: GasketFigures) {
  sentence.value = (figures ? await props.change('planned', figures) : await props.change('dropped')) ?? ''
}
</script>

<template>
  <div class="gasket-choice" role="group" aria-label="Gasket to work with">
    <span class="label">Gasket</span>
    <v-btn :variant="chosen === undefined ? 'flat' : 'outlined'" :color="chosen === undefined ? 'primary' : undefined" :aria-pressed="chosen === undefined" @click="chosen !== undefined && choose()">
      <template v-if="fitted !== undefined"><span class="num">{{ say(fitted, 'length', device.lengths) }}</span> fitted</template><template v-else>as fitted</template>
    </v-btn>
    <v-btn v-for="o in offers" :key="o.id" :variant="chosen === o.body.thickness.value ? 'flat' : 'outlined'" :color="chosen === o.body.thickness.value ? 'primary' : undefined" class="num" :aria-pressed="chosen === o.body.thickness.value" @click="chosen !== o.body.thickness.value && choose(o.body)">
      {{ say(o.body.thickness.value, 'length', device.lengths) }}
    </v-btn>
    <v-btn v-if="planned" @click="change('done').then(said => sentence = said ?? '')">It is fitted</v-btn>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
  </div>
</template>

<style scoped>
.gasket-choice { display: flex; flex-wrap: wrap; gap: 4px 6px; align-items: center; }
.label { flex-basis: 100%; }
</style>
