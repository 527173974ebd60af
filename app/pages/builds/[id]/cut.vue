<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { uncertainty, type Part } from '#core'
import { digits, say, sayDoubt } from '#shared/figures'
import { useCutting } from '~/composables/useCutting'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'

const build = useBuild()
const device = useDevice()
const { head, needed, planned, plannedGasket, cuts, tried, depth, outcomes, valves, perMm, plan, done, drop, gasket } = useCutting()
const sentence = ref('')
const leaf = useLocalStorage('bowl.cutLeaf', 'face')
const leaves = [{ key: 'face', name: 'Face' }, { key: 'seats', name: 'Seat work' }, { key: 'else', name: 'What else moves' }]
const deepest = computed(() => needed.value?.deepest)
const lowest = computed(() => needed.value?.toLowest)
const perMmPart = computed<Part | undefined>(() => perMm.value && {
  value: perMm.value.value, provenance: perMm.value.lessons.length > 0 ? 'derived' : perMm.value.geometry.provenance,
  entries: [...perMm.value.geometry.entries, ...perMm.value.lessons.slice(-3).flatMap(l => l.operations)]
})
const perMmFormula = computed(() => {
  const p = perMm.value
  if (!p) return ''
  const geometry = `mouth area / 1000 = ${digits(p.geometry.value.value, 3)} ± ${digits(2 * uncertainty(p.geometry.value), 3)}`
  const lessons = p.lessons.map(l => `${digits(l.perMm.value, 3)} ± ${digits(2 * uncertainty(l.perMm), 3)} (cyl. ${l.cylinder})`).join(', ')
  return lessons ? `1/u² mean of ${geometry} and this head’s lessons ${lessons}` : geometry
})
const others = computed(() => lowest.value && build.replayed ? lowest.value.depth.value : undefined)
async function planDepth(value: number) {
  sentence.value = await plan({ value, unit: 'mm', typed: digits(value, 2).replace('−', '-') }) ?? ''
}
</script>

<template>
  <div class="cut" data-station>
    <h1 class="visually-hidden">Cut</h1>
    <LeafTabs v-model="leaf" :leaves="leaves" label="Cut" class="tabs" />
    <SeatJob v-if="leaf === 'seats'" :key="head" :head="head" :per-mm="perMm?.value.value" role="tabpanel" aria-label="Seat work" />
    <WhatElseMoves v-else-if="leaf === 'else'" :depth="depth" role="tabpanel" aria-label="What else moves" />
    <template v-else>
      <div class="top">
        <section class="answers">
          <h2>Flat cut{{ (build.replayed?.layout.heads.length ?? 1) > 1 ? `, head ${head}` : '' }}</h2>
          <template v-if="deepest && lowest">
            <div class="answer">
              <p class="label">The most it can lose: cylinder {{ deepest.cylinder }} is then at target, none past it</p>
              <p class="num first" data-answer="deepest">{{ say(deepest.depth.value, 'length', device.lengths) }} <span class="quiet pm">{{ sayDoubt(uncertainty(deepest.depth), 'length', device.lengths) }}</span></p>
            </div>
            <div class="answer">
              <p class="label">To bring the lowest, cylinder {{ lowest.cylinder }}, to target</p>
              <p class="num second" data-answer="lowest">{{ say(lowest.depth.value, 'length', device.lengths) }} <span class="quiet pm">{{ sayDoubt(uncertainty(lowest.depth), 'length', device.lengths) }}</span></p>
            </div>
            <div class="row">
              <button v-if="deepest.depth.value > 0.005" class="key" type="button" @click="tried = deepest.depth.value">Look at {{ say(deepest.depth.value, 'length', device.lengths) }}</button>
              <button v-if="others && others > 0.005" class="key" type="button" @click="tried = others">Look at {{ say(others, 'length', device.lengths) }}</button>
            </div>
          </template>
          <p v-else class="quiet">A cut needs a target and a chamber: set the one on the Sheet, pour the other.</p>
          <p v-if="needed?.unknown.length" class="small">Left out, not yet known: cylinder {{ needed.unknown.join(', ') }}.</p>
          <GasketChoice :planned="plannedGasket" :change="gasket" class="choice" />
          <p class="small permm">One mm takes <FigureReading label="cc per mm" :part="perMmPart" dimension="volume" :extra="2" doubt :formula="perMmFormula" /> <span class="quiet">{{ perMm?.lessons.length ? `mouth area and ${perMm.lessons.length} ${perMm.lessons.length === 1 ? 'lesson' : 'lessons'} of this head` : 'by the mouth area' }}</span></p>
        </section>
        <section class="doing">
          <FigureField
            v-if="!planned" :key="`plan${head}`" :field="`${build.view?.id}/cut/${head}/plan`" label="Depth off the face" dimension="length" :usual="[0.05, 5]" big data-new
            :commit="figure => plan(figure)" @typing="tried = $event?.figure.value ?? tried"
          />
          <template v-else>
            <p class="label">Planned</p>
            <p class="num first">{{ say(planned.body.depth.value, 'length', device.lengths) }}</p>
            <FigureField
              :key="`done${planned.id}`" :field="`${build.view?.id}/cut/${head}/done`" label="Depth really taken off, measured" dimension="length" :usual="[0.05, 5]" big data-new
              :commit="figure => done(figure)"
            />
          </template>
          <div class="row">
            <button v-if="!planned && depth > 0.005" class="key main" type="button" @click="planDepth(depth)">Plan {{ say(depth, 'length', device.lengths) }}</button>
            <template v-if="planned">
              <button class="key" type="button" @click="done(undefined).then(said => sentence = said ?? '')">Done, not measured</button>
              <button class="key" type="button" @click="drop().then(said => sentence = said ?? '')">Drop the plan</button>
            </template>
          </div>
          <p v-if="sentence" class="sentence">{{ sentence }}</p>
          <p v-if="planned" class="small quiet">Only a measured depth teaches. Head height at four corners, before and after.</p>
          <FaceSlab :depth="depth" :valves="valves" />
        </section>
      </div>
      <CutTable v-if="needed" :needed="needed" :outcomes="outcomes" :depth="depth" />
      <div class="low">
        <ValveStandings :valves="valves" :depth="depth" />
        <div>
          <h3>Before the cutter</h3>
          <p class="caution">A starting point: the engine’s maker, the fuel and the builder decide. Surfacing belongs to a qualified machinist. Bolts, dowels, pushrods or chain and intake flanges move too.</p>
          <ul v-if="cuts.length" class="small"><li v-for="c in cuts" :key="c.id" class="num">done: {{ say((c.body.measured ?? c.body.depth).value, 'length', device.lengths) }}{{ c.body.measured ? ' measured' : ', not measured' }}</li></ul>
        </div>
      </div>
    </template>
  </div>
</template>

<style scoped>
.cut { padding: 4px 16px; display: flex; flex-direction: column; gap: 6px; overflow: auto; }
.tabs :deep(.leaf) { min-height: 30px; padding: 2px 12px; }
.top { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 24px; }
.answers { display: flex; flex-direction: column; gap: 4px; }
.first { font-size: var(--s48); line-height: 1.05; font-weight: 700; }
.second { font-size: var(--s32); line-height: 1.1; }
.pm { font-size: var(--s15); font-weight: 400; }
.row { display: flex; flex-wrap: wrap; gap: 8px; margin-top: 6px; }
.choice { margin-top: 6px; }
.low { display: grid; grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr); gap: 24px; }
.doing { display: flex; flex-direction: column; }
@media (max-width: 1000px) { .tabs :deep(.leaf) { min-height: 44px; } }
</style>
