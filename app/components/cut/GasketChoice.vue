<script setup lang="ts">
import type { EntryOf, Figure } from '#core'
import { say } from '#shared/figures'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'

/** Which gasket the cut is reckoned with: the fitted one, or one that is to be had. */
const props = defineProps<{ planned?: EntryOf<'gasketChange'>, change: (state: 'planned' | 'done' | 'dropped', body?: { thickness: Figure, bore: Figure }) => Promise<string | undefined> }>()
const build = useBuild()
const device = useDevice()
const sentence = ref('')
const fitted = computed(() => build.replayed?.quantity('gasketThickness', build.cylinder)?.value.value)
const offers = computed(() => (build.replayed?.offers ?? []).filter(o => o.body.thickness.value !== fitted.value))
const chosen = computed(() => props.planned?.body.thickness.value)
async function choose(body?: { thickness: Figure, bore: Figure }) {
  sentence.value = (body ? await props.change('planned', { thickness: body.thickness, bore: body.bore }) : await props.change('dropped')) ?? ''
}
</script>

<template>
  <div class="gasket-choice" role="group" aria-label="Gasket to reckon with">
    <span class="label">Gasket</span>
    <button type="button" class="key" :class="{ main: chosen === undefined }" :aria-pressed="chosen === undefined" @click="chosen !== undefined && choose()">
      <template v-if="fitted !== undefined"><span class="num">{{ say(fitted, 'length', device.lengths) }}</span> fitted</template><template v-else>as fitted</template>
    </button>
    <button v-for="o in offers" :key="o.id" type="button" class="key num" :class="{ main: chosen === o.body.thickness.value }" :aria-pressed="chosen === o.body.thickness.value" @click="choose(o.body)">
      {{ say(o.body.thickness.value, 'length', device.lengths) }}
    </button>
    <button v-if="planned" type="button" class="key" @click="change('done').then(said => sentence = said ?? '')">It is fitted</button>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
  </div>
</template>

<style scoped>
.gasket-choice { display: flex; flex-wrap: wrap; gap: 6px; align-items: center; }
</style>
