<script setup lang="ts">
import { digits, say } from '#shared/figures'
import { usePouring } from '~/composables/usePouring'
import { useBuild } from '~/stores/build'
import { useShop } from '~/stores/shop'

const build = useBuild()
const shop = useShop()
onMounted(() => void shop.loadInstruments())
const { instrument, chosenId, key, earlier, start, typed, fills, inHand, sofar, stop, setStart, anotherFill, dropFill, keep } = usePouring()
const level = computed(() => inHand.value.at(-1)?.end)
const ghosts = computed(() => [...earlier.value, ...inHand.value.slice(0, -1)])
const sentence = ref('')
const reading = useTemplateRef<{ focus: () => void }>('reading')
async function nextCylinder() {
  build.step(1)
  await nextTick()
  reading.value?.focus()
}
const startPart = computed(() => ({ value: { value: start.value, by: new Map<string, number>() }, provenance: 'derived' as const, entries: [] }))
watch(() => build.cylinder, () => sentence.value = '')
</script>

<template>
  <div class="pour" data-station>
    <h1 class="visually-hidden">Pour</h1>
    <div class="glass-side">
      <template v-if="instrument">
        <LyingSyringe v-if="instrument.kind === 'syringe'" :instrument="instrument" :start="start" :level="level" :earlier="ghosts" :stop="stop" />
        <StandingGlass v-else :instrument="instrument" :start="start" :level="level" :earlier="ghosts" :stop="stop" />
      </template>
    </div>
    <div class="work">
      <label class="label" for="instrument">Poured with</label>
      <div class="well">
        <select id="instrument" :value="instrument?.id" @change="chosenId = ($event.target as HTMLSelectElement).value">
          <option v-for="i in shop.instruments" :key="i.id" :value="i.id">{{ i.name }} (± {{ i.tolerance }} cc)</option>
        </select>
      </div>
      <p v-if="instrument?.kind === 'syringe'" class="caution">A syringe shows where you are. Set the final size with a burette.</p>
      <div class="reading">
        <FigureField
          :key="key('reading')" ref="reading" class="end" :field="key('reading')" :label="`Cylinder ${build.cylinder}: reading at the end`" dimension="volume" big stay data-new
          :commit="(_figure, terms) => keep(terms)" @typing="typed = $event" @pass="nextCylinder"
        />
        <FigureField
          :key="key('start')" :field="key('start')" label="Start" dimension="volume" :part="startPart"
          :commit="async figure => setStart(figure.value)"
        />
      </div>
      <p class="live">
        <template v-if="sofar.result"><span class="num big">{{ digits(sofar.result.value, 1) }}</span> <span class="unit">cc</span> <span class="num quiet">± {{ digits(2 * sofar.result.u, 2) }}</span> <span class="small quiet">{{ fills.length > 1 ? `${fills.length} fills; ` : '' }}Enter keeps it</span></template>
        <span v-else-if="sofar.sentence && fills.length" class="sentence">{{ sofar.sentence }}</span>
        <span v-else class="small quiet">{{ instrument?.kind === 'burette' ? 'Type where the level stands: 55.4.' : 'Type what is left: 4.5.' }} Two fills: 60+59.4.</span>
      </p>
      <p v-if="stop" class="stop-at">
        <span class="ring" aria-hidden="true" /><span class="label">On target, {{ stop.fill > 1 ? `fill ${stop.fill}, ` : '' }}stop at</span> <strong class="num">{{ digits(stop.reading, 1) }}</strong>
        <span v-if="stop.fill > 1" class="small quiet">{{ say(stop.wanted, 'volume') }} in all</span>
      </p>
      <div class="row">
        <button class="key" type="button" @click="sentence = anotherFill() ?? ''">Another fill</button>
        <button class="key" type="button" @click="nextCylinder">Next cylinder</button>
      </div>
      <ul v-if="earlier.length" class="small">
        <li v-for="(fill, i) in earlier" :key="i" class="num">fill {{ i + 1 }}: {{ digits(fill.start, 1) }} to {{ digits(fill.end, 1) }} <button class="key bare" type="button" :aria-label="`Drop fill ${i + 1}`" @click="dropFill(i)">×</button></li>
      </ul>
      <p v-if="sentence" class="sentence">{{ sentence }}</p>
      <PourList class="list" />
      <p class="caution last">Dyed alcohol burns: no grinding or hot work beside it.</p>
    </div>
    <ChamberSpread class="spread-side" />
  </div>
</template>

<style scoped>
.pour { display: grid; grid-template-columns: 296px minmax(0, 1fr) 236px; gap: 18px; padding: 10px 16px; overflow: hidden; }
.glass-side { min-height: 0; }
.work { position: relative; display: flex; flex-direction: column; min-height: 0; overflow: auto; padding-bottom: 4px; }
.reading { display: grid; grid-template-columns: minmax(0, 1fr) 92px; gap: 10px; margin-top: 8px; align-items: end; }
.live { min-height: 42px; margin-top: 22px; }
.live .big { font-size: var(--s32); font-weight: 700; }
.stop-at { display: flex; align-items: center; gap: 8px; flex-wrap: wrap; margin-bottom: 8px; }
.stop-at strong { font-size: var(--s32); line-height: 1; }
.ring { width: 20px; height: 9px; background: var(--brass-fill); border: 1px solid var(--ink); }
.row { display: flex; gap: 8px; }
.list { margin-top: 12px; }
.last { margin-top: auto; }
.spread-side { min-height: 0; }
@media (max-width: 1000px) {
  .pour { grid-template-columns: 240px minmax(0, 1fr) 170px; gap: 12px; }
}
</style>
