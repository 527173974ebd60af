<script setup lang="ts">
import { useNow } from '@vueuse/core'
import { v4 as uuid } from 'uuid'
import { READINGS_WANTED, READ_KINDS, READ_SCALES, ROUND_S, handReads, judge, readTask, roundsOf, saysOfHand, type Judged, type ReadKind } from '#core'
import type { KeptPractice } from '#shared/dto'
import { digits } from '#shared/figures'
import { useChartInk } from '~/composables/useChartInk'
import { practised } from '~/composables/useOwnHand'
import { useDevice } from '~/stores/device'
import { useOutbox } from '~/stores/outbox'
import { useShop } from '~/stores/shop'
import { READ_WORDS, sayJudged } from '~/words/reading'

/** Practice at reading instruments: a picture, what was read of it, and by how much and why that was off. A round is a minute. */
const device = useDevice()
const shop = useShop()
const outbox = useOutbox()
const kind = ref<ReadKind>('burette')
const task = shallowRef(readTask('burette', Math.random))
const eye = ref(0)
const given = ref('')
const fault = ref('')
const said = ref<Judged & { refused: boolean }>()
const places = { burette: 2, syringe: 1, dial: 3, calliper: 1, wheel: 2 } as const

const kept = ref<KeptPractice[]>([])
async function load() {
  kept.value = device.hand === '' ? [] : await shop.read<KeptPractice[]>(`/api/practice?hand=${device.hand}`) ?? kept.value
}
watch(() => device.hand, load, { immediate: true })
const mine = computed(() => kept.value.filter(one => one.kind === kind.value).map(practised))
const hand = computed(() => handReads(mine.value))

const now = useNow({ interval: 500 })
const began = ref<number>()
const inRound = ref(0)
const left = computed(() => began.value === undefined ? ROUND_S : Math.max(0, Math.ceil(ROUND_S - (now.value.getTime() - began.value) / 1000)))
const over = computed(() => began.value !== undefined && left.value === 0)

function next() {
  task.value = readTask(kind.value, Math.random)
  eye.value = task.value.eye
  given.value = ''
  fault.value = ''
  said.value = undefined
}
watch(kind, () => {
  began.value = undefined
  next()
})
function begin() {
  began.value = Date.now()
  inRound.value = 0
  next()
}
const answer = useTemplateRef<HTMLFormElement>('answer')
async function read(refused = false) {
  if (said.value) {
    if (!over.value) next()
    return
  }
  const value = Number(given.value.trim().replace(',', '.').replace('−', '-'))
  fault.value = !refused && (given.value.trim() === '' || !Number.isFinite(value)) ? 'Type what you read.' : ''
  if (!fault.value && !refused && Math.abs(value) > 10_000) fault.value = 'That is not on the scale.'
  if (fault.value) return
  const judged = judge(task.value, refused ? undefined : value)
  said.value = { ...judged, refused }
  inRound.value++
  if (device.hand === '') return
  const one = { hand: device.hand, kind: kind.value, truth: task.value.truth, at: new Date().toISOString(), ...refused ? {} : { given: value }, ...judged.slip ? { slip: judged.slip } : {} }
  const id = uuid()
  kept.value = [...kept.value, { id, ...one, given: refused ? null : value, slip: judged.slip ?? null }]
  await outbox.put(id, `/api/practice/${id}`, one)
}
onMounted(next)

/** Progress: the latest readings each, or minute by minute. */
const view = ref<'readings' | 'rounds'>('readings')
const views = [{ key: 'readings', name: 'Reading by reading' }, { key: 'rounds', name: 'Minute by minute' }]
const rounds = computed(() => roundsOf(mine.value).filter(r => r.off !== undefined).slice(-40))
const { line, axis, options: looks } = useChartInk()
const latest = computed(() => mine.value.filter(({ slip }) => slip !== 'bubble').slice(-60))
const scale = computed(() => READ_SCALES[kind.value].slip)
const data = computed(() => ({ labels: latest.value.map((_, i) => i + 1), datasets: [line(1, latest.value.map(({ off }) => Math.max(-scale.value, Math.min(scale.value, off))), 'off', { pointRadius: 3, showLine: false } as object), line(0, latest.value.map(() => 0), '')] }))
const typical = computed(() => ({ labels: rounds.value.map((_, i) => i + 1), datasets: [line(1, rounds.value.map(({ off }) => off!), 'typically off', { pointRadius: 4 })] }))
const typicalOptions = computed(() => looks({ x: axis('minute of practice', { maxTicksLimit: 8 }), y: axis(`typically off, ${READ_WORDS[kind.value].unit}`, { maxTicksLimit: 5 }, { min: 0 }) }, 40))
const options = computed(() => looks({ x: axis('reading', { maxTicksLimit: 8 }), y: axis(`off, ${READ_WORDS[kind.value].unit}`, { maxTicksLimit: 5 }, { min: -scale.value, max: scale.value }) }, 40))
const unit = computed(() => READ_WORDS[kind.value].unit)
const of = (value: number) => digits(value, places[kind.value])
</script>

<template>
  <section class="trainer">
    <ReadPicture :task="task" :eye="eye" :name="READ_WORDS[kind].name" class="seen" />
    <div class="right">
      <BenchSelect v-model="kind" label="Read a" :items="READ_KINDS.map(name => [name, READ_WORDS[name].name] as const)" />
      <p class="small quiet how">{{ READ_WORDS[kind].how }}</p>
      <p class="round"><span class="big num">{{ left }}</span> s <span class="quiet">{{ inRound }} read</span></p>
      <form ref="answer" class="answer" @submit.prevent="read()">
        <template v-if="!over">
          <div v-if="kind === 'burette'" class="eye"><v-btn aria-label="Eye lower" @click="eye -= 2">↓ eye</v-btn><v-btn aria-label="Eye higher" @click="eye += 2">↑ eye</v-btn></div>
          <BenchText v-model="given" :label="`You read, ${unit}`" inputmode="decimal" :fault="fault" :readonly="said !== undefined" />
          <div class="press">
            <v-btn type="submit" variant="flat" color="primary">{{ said ? 'Next picture' : 'Read' }}</v-btn>
            <v-btn v-if="(kind === 'burette' || kind === 'syringe') && !said" @click="read(true)">There is a bubble</v-btn>
            <v-btn v-if="began === undefined" @click="begin">One minute</v-btn>
          </div>
        </template>
        <v-btn v-else variant="flat" color="primary" @click="begin">Another minute</v-btn>
      </form>
      <p v-if="over" class="said">{{ inRound }} read in a minute.</p>
      <p v-if="said" class="said" :class="{ warn: !said.close }" role="status">{{ sayJudged(of(Math.abs(said.off)), unit, said, said.refused, said.close) }}<template v-if="!said.refused && !task.bubble"> It stands at <span class="num">{{ of(task.truth) }}</span>.</template></p>
      <p v-if="device.hand === ''" class="sentence">Put your initials in the header, and what you read is kept.</p>
    </div>
    <div class="hand">
      <template v-if="hand">
        <p class="label">How {{ device.hand }} reads a {{ READ_WORDS[kind].name.toLowerCase() }}</p>
        <p class="repeat"><span class="big num">{{ of(hand.scatter) }}</span> <span class="num quiet">± {{ of(2 * hand.scatterU) }}</span> {{ unit }}, one reading to the next</p>
        <p class="small">On average <span class="num">{{ of(Math.abs(hand.bias)) }} ± {{ of(2 * hand.biasU) }}</span> {{ unit }} {{ hand.bias > 0 ? 'too high' : 'too low' }}{{ Math.abs(hand.bias) <= 2 * hand.biasU ? ', which is no more than chance' : '' }}. {{ hand.slips }} {{ hand.slips === 1 ? 'slip' : 'slips' }} beside {{ hand.readings }} readings.</p>
      </template>
      <p v-else class="small quiet">After {{ Math.max(0, READINGS_WANTED - mine.filter(saysOfHand).length) }} more readings that are no slip it says how well your hand repeats.</p>
      <div v-if="latest.length > 1" class="progress">
        <LeafTabs v-model="view" :leaves="views" label="Progress" />
        <div class="canvas" role="tabpanel" :aria-label="views.find(v => v.key === view)!.name" tabindex="0">
          <LazyLineChart v-if="view === 'readings'" :data="data" :options="options" :says="`The last ${latest.length} readings, each by how much it was off`" />
          <p v-else-if="rounds.length === 0" class="small quiet">No reading yet that is no slip.</p>
          <LazyLineChart v-else :data="typical" :options="typicalOptions" :says="`${rounds.length === 1 ? 'The last minute' : `The last ${rounds.length} minutes`} of practice, each by how much a reading was typically off: ${rounds.map(r => of(r.off!)).join(', ')} ${unit}`" />
        </div>
      </div>
    </div>
  </section>
</template>

<style scoped>
.trainer { display: grid; grid-template-columns: minmax(0, 1.35fr) minmax(0, 1fr); gap: 16px 28px; align-items: start; }
.right, .answer, .hand { display: grid; gap: 10px; align-content: start; }
.round { font-size: var(--s18); }
.big { font-size: var(--s48); line-height: 1; font-weight: 700; }
.press, .eye { display: flex; gap: 10px; flex-wrap: wrap; }
.said { font-size: var(--s18); line-height: 1.3; font-weight: 700; }
.hand { grid-column: 1 / 3; grid-template-columns: minmax(0, 1fr) minmax(0, 1.35fr); gap: 8px 28px; }
.hand > * { grid-column: 1; }
.hand > .progress { grid-column: 2; grid-row: 1 / 4; }
.canvas { height: 170px; position: relative; }
@media (max-width: 1000px) { .answer .v-btn { --v-btn-height: 56px; } }
</style>
