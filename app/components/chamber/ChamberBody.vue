<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import type { Cut } from '#core'
import { openBody, type BodyName, type BodyView } from './bodyStage'
import { askSolids } from '~/composables/useSolids'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'

/** A chamber in three dimensions with the plane of the cut; turned by the pointer or the arrow keys. */
const props = defineProps<{ chamber: string, plane: Cut, bore: number, label: string }>()
const build = useBuild()
const device = useDevice()
const holder = useTemplateRef<HTMLElement>('holder')
const size = useElementSize(holder)
const sentence = ref('')
const names = shallowRef<BodyName[]>([])
const view = ref<BodyView>('head')
/** Where the head is sawn open, mm from the bore's line across the crank; whole by default. */
const sawn = ref(false)
const place = ref(0)
let stage: Awaited<ReturnType<typeof openBody>> | undefined

async function load() {
  const answer = await askSolids('surface', 'surface', { key: props.chamber })
  if (answer.kind !== 'done' || !stage) return
  stage.surface(answer.value.positions, answer.value.triangles)
  stage.draw()
}
function fit() {
  stage?.plane(props.plane, props.bore)
  stage?.fit(size.width.value, size.height.value)
}
onMounted(async () => {
  try {
    stage = await openBody(holder.value!, device.lengths, () => build.rowBegins, list => names.value = list)
  } catch {
    sentence.value = 'This device can’t draw in three dimensions; plan and section show the same cut.'
    return
  }
  fit()
  await load()
})
watch(() => props.chamber, load)
watch(() => device.lengths, by => stage?.measure(by))
watch([() => props.plane, size.width, size.height], () => {
  fit()
  stage?.draw()
}, { deep: true })
watch([sawn, place], () => stage?.section(sawn.value ? place.value : undefined))
function turn() {
  view.value = view.value === 'head' ? 'mould' : 'head'
  stage?.turn(view.value)
}
onBeforeUnmount(() => stage?.close())
</script>

<template>
  <div class="place">
    <div ref="holder" class="space" tabindex="0" role="img" :aria-label="label"><p v-if="sentence" class="small">{{ sentence }}</p></div>
    <template v-if="!sentence">
      <span v-for="n in names" :key="n.words" class="name small" :style="{ left: `${n.left}px`, top: `${n.top}px` }">{{ n.words }}</span>
      <div class="turn">
        <v-btn @click="turn">{{ view === 'head' ? 'Mould' : 'Head' }}</v-btn>
        <v-btn :aria-pressed="sawn" @click="sawn = !sawn">{{ sawn ? 'Whole' : 'Section' }}</v-btn>
        <v-slider v-if="sawn" v-model="place" aria-label="Section, from the bore’s line" :min="-bore / 2" :max="bore / 2" :step="0.5" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.place { position: relative; min-height: 0; min-width: 0; overflow: hidden; background: var(--sheet-deep); }
.space { position: absolute; inset: 0; }
.space :deep(canvas) { display: block; }
.name { position: absolute; transform: translate(-50%, -50%); pointer-events: none; white-space: nowrap; }
.turn { position: absolute; left: 6px; right: 6px; top: 6px; display: flex; gap: 6px; align-items: center; pointer-events: none; }
.turn > * { pointer-events: auto; }
.turn .v-btn { --v-btn-height: 30px; background: var(--sheet); }
.turn .v-slider { flex: 0 1 180px; }
@media (max-width: 1000px) { .turn .v-btn { --v-btn-height: 44px; } }
</style>
