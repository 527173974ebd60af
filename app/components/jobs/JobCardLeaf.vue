<script setup lang="ts">
import { hoursOf, type JobTemplate } from '#core'
import { FORGOTTEN, useJobs } from '~/composables/useJobs'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { useShop } from '~/stores/shop'
import { sayTime } from '~/words/entries'
import { TEMPLATE_WORDS, sayHours, sayRunning, sayStep } from '~/words/jobs'
import { pairsOf } from '~/words/pairs'

/** The order of work of this build: what is done, who is at what, and the hours against what was planned. */
const build = useBuild()
const shop = useShop()
const device = useDevice()
const jobs = useJobs()
const { now, card, mine, elsewhere, fault } = jobs
const usual = computed<JobTemplate>(() => build.replayed?.layout.engine?.head === 'turned' ? 'turned' : 'fourStroke')
const template = ref<JobTemplate>()
const changing = ref(false)
const change = useTemplateRef<{ $el: HTMLElement }>('change')
/** The list is back, and the hand where it was. */
function changed() {
  changing.value = false
  void nextTick(() => change.value?.$el.focus())
}
const opened = ref<string>()
watch(() => card.value?.next?.step, next => opened.value ??= next, { immediate: true })
onMounted(() => void shop.loadBuilds())
const ran = computed(() => mine.value ? hoursOf(mine.value, now.value.getTime()) : 0)
const less = ref('')
const lessFault = ref('')
async function stop() {
  const hours = less.value.trim() === '' ? 0 : Number(less.value.replace(',', '.'))
  lessFault.value = !Number.isFinite(hours) || hours < 0 || hours > ran.value ? `Hours between 0 and ${ran.value.toFixed(1)}.` : ''
  if (lessFault.value) return
  await jobs.stop(mine.value!.step, hours)
  less.value = ''
}
const over = computed(() => card.value ? card.value.worked - card.value.planned : 0)
const doneCount = computed(() => card.value?.lines.filter(l => l.done).length ?? 0)
</script>

<template>
  <section class="job">
    <form v-if="!card" class="begin" @submit.prevent="jobs.begin(template ?? usual)">
      <p>A job card is the order of work with its hours. Steps that the ledger shows tick themselves.</p>
      <BenchSelect :model-value="template ?? usual" label="What kind of job" :items="pairsOf(TEMPLATE_WORDS)" @update:model-value="template = $event as JobTemplate" />
      <p class="small quiet">{{ jobs.stepsFor(template ?? usual).map(sayStep).join(' · ') }}</p>
      <v-btn type="submit" variant="flat" color="primary" :disabled="!build.replayed">Begin the card</v-btn>
      <!-- The card it was begun on may have been struck out. -->
      <BenchText v-if="ran > FORGOTTEN" v-model="less" label="Of which nobody worked, h" inputmode="decimal" :fault="lessFault" />
      <p v-if="mine" class="sentence">Your clock runs here, {{ sayStep(mine.step).toLowerCase() }}, <span class="num">{{ sayRunning(ran) }}</span>. <v-btn variant="text" class="go" @click="stop">Stop it</v-btn></p>
    </form>
    <template v-else>
      <div class="head">
        <div>
          <p class="label">Worked</p>
          <p class="big num">{{ card.worked.toFixed(1) }} <span class="unit">h of {{ card.planned.toFixed(1) }} planned</span></p>
          <p class="small" :class="{ warn: over > 0.05 }">{{ doneCount }} of {{ card.lines.length }} steps done<template v-if="over > 0.05">, {{ sayHours(over) }} over</template></p>
        </div>
        <div class="clock">
          <template v-if="mine">
            <p class="label">{{ device.hand }} is at</p>
            <p class="at"><strong>{{ sayStep(mine.step) }}</strong> <span class="num run">{{ sayRunning(ran) }}</span></p>
            <BenchText v-if="ran > FORGOTTEN" v-model="less" label="Of which nobody worked, h" inputmode="decimal" :fault="lessFault" />
          </template>
          <template v-else>
            <p class="label">Next</p>
            <p class="at"><strong>{{ card.next ? sayStep(card.next.step) : 'Every step is done.' }}</strong></p>
          </template>
          <!-- One button that changes what it says: whoever pressed it stays on it. -->
          <v-btn v-if="mine || card.next" variant="flat" color="primary" @click="mine && ran > FORGOTTEN ? stop() : jobs.press((mine ?? card.next!).step, mine !== undefined)">{{ mine ? 'Stop the clock' : 'Start the clock' }}</v-btn>
        </div>
      </div>
      <p v-for="one in elsewhere" :key="one.build" class="sentence">Your clock also runs at {{ one.name }}, {{ sayStep(one.step).toLowerCase() }}, since {{ sayTime(one.since) }}. <v-btn variant="text" class="go" @click="jobs.stopElsewhere()">Stop it there</v-btn></p>
      <p v-if="fault" class="sentence" role="alert">{{ fault }}</p>
      <v-table v-if="!changing" class="steps">
        <thead><tr><th>Done</th><th>Step</th><th>Who</th><th class="r">planned, h</th><th class="r">worked, h</th><th><span class="visually-hidden">Clock</span></th></tr></thead>
        <tbody><JobRow v-for="line in card.lines" :key="line.step" :line="line" :jobs="jobs" :open="opened === line.step" @toggle="opened = opened === line.step ? '' : line.step" /></tbody>
        <tbody v-if="card.others.length"><tr v-for="one in card.others" :key="one.step"><td /><td class="quiet">{{ sayStep(one.step) }}, not on the card</td><td /><td class="r">–</td><td class="r num">{{ one.worked.toFixed(1) }}</td><td /></tr></tbody>
        <tfoot><tr><td /><th scope="row">All of it</th><td /><td class="r num">{{ card.planned.toFixed(1) }}</td><td class="r num">{{ card.worked.toFixed(1) }}</td><td /></tr></tfoot>
      </v-table>
      <v-btn v-if="!changing" ref="change" class="change" @click="changing = true">Change the card</v-btn>
      <JobCardForm v-else :now="card.entry.body" :jobs="jobs" @done="changed" />
      <p class="small quiet">Quote and bill of hours are made at Papers from this card.</p>
    </template>
  </section>
</template>

<style scoped>
.job { display: grid; gap: 12px; padding-top: 8px; }
.begin { display: grid; gap: 12px; max-width: 520px; }
.head { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 24px; align-items: start; }
.big { font-size: var(--s48); line-height: 1.05; font-weight: 700; }
.big .unit { font-size: var(--s18); font-weight: 400; }
.clock { display: grid; gap: 6px; justify-items: start; }
.at { font-size: var(--s22); line-height: 1.2; }
.run { margin-left: 10px; color: var(--dye); font-weight: 700; }
/* A tick, a name and a press in one row stand in its middle. */
.steps.v-table :deep(.v-table__wrapper > table > tbody > tr > *) { vertical-align: middle; }
tfoot { border-top: 2px solid var(--ink); }
tfoot td, tfoot th { font-weight: 700; padding: 6px 8px; text-align: left; }
tfoot .r { text-align: right; }
.change { justify-self: start; }
@media (max-width: 1000px) { .clock .v-btn { --v-btn-height: 56px; } }
</style>
