<script setup lang="ts">
import { JOB_CARD, JOB_WAITS, isJobStep, type JobLineStanding, type JobWait } from '#core'
import type { useJobs } from '~/composables/useJobs'
import { useFormDraft } from '~/composables/useFormDraft'
import { useDevice } from '~/stores/device'
import { sayTime } from '~/words/entries'
import { CHECK_WORDS, STEP_WORDS, WAIT_FOR_WORDS, sayStep } from '~/words/jobs'

/** One step of the card: ticked by the ledger or by hand, its clock, and once it is opened its checks, tools and what it waits for. */
const props = defineProps<{ line: JobLineStanding, jobs: ReturnType<typeof useJobs>, open: boolean }>()
const emit = defineEmits<{ toggle: [] }>()
const device = useDevice()
const mine = computed(() => props.line.running.some(({ hand }) => hand === device.hand))
const about = computed(() => isJobStep(props.line.step) ? STEP_WORDS[props.line.step] : undefined)
const form = useFormDraft(() => `job/${props.line.step}`)
const hours = form.text('hours')
const kept = (field: 'waits' | 'words', usual: () => string) => computed({ get: () => form.text(field, usual()).value, set: (to: string) => form.text(field, usual()).value = to })
const waits = kept('waits', () => props.line.waits?.waits ?? 'none')
const words = kept('words', () => props.line.waits?.words ?? '')
const fault = ref('')
async function enter() {
  const h = Number(hours.value.replace(',', '.'))
  fault.value = !(h >= 0.01 && h <= JOB_CARD.hours) ? `Hours worked lie between 0.01 and ${JOB_CARD.hours}.` : ''
  if (fault.value) return
  await form.sent(['hours'], () => props.jobs.worked(props.line.step, h))
}
async function wait() {
  await form.sent(['waits', 'words'], () => props.jobs.say({ step: props.line.step, done: false, ...waits.value !== 'none' ? { waits: waits.value as JobWait, ...words.value.trim() ? { words: words.value.trim() } : {} } : {} }))
}
</script>

<template>
  <tr :class="{ done: line.done }" :data-step="line.step">
    <td>
      <span v-if="line.done === 'ledger'" class="shown" title="The ledger shows it."><v-icon icon="$checkboxOn" size="20" /><span class="visually-hidden">The ledger shows that it is done.</span></span>
      <BenchCheck v-else :model-value="line.done === 'hand'" :aria-label="`${sayStep(line.step)}: done`" @update:model-value="jobs.tick(line.step, $event)" />
    </td>
    <th scope="row">
      <v-btn variant="text" class="step" :aria-expanded="open" @click="emit('toggle')">{{ sayStep(line.step) }}</v-btn>
      <span v-if="line.waits?.waits" class="small warn">waits for {{ WAIT_FOR_WORDS[line.waits.waits] }}</span>
    </th>
    <td>{{ line.running.length ? line.running.map(r => r.hand).join(', ') : line.who ?? '' }}</td>
    <td class="r num">{{ line.hours.toFixed(1) }}</td>
    <td class="r num" :class="{ warn: line.worked > line.hours + 0.05 }">{{ line.worked ? line.worked.toFixed(1) : '–' }}</td>
    <td class="press"><v-btn :aria-label="`${mine ? 'Stop' : 'Start'} the clock: ${sayStep(line.step)}`" :color="mine ? 'primary' : undefined" :variant="mine ? 'flat' : 'outlined'" @click="jobs.press(line.step, mine)">{{ mine ? 'Stop' : 'Start' }}</v-btn></td>
  </tr>
  <tr v-if="open" class="more">
    <td />
    <td colspan="5">
      <div class="checks"><BenchCheck v-for="c in line.checks" :key="c.check" :label="CHECK_WORDS[c.check]" :model-value="c.done" @update:model-value="jobs.tick(line.step, $event, c.check)" /></div>
      <p v-if="about" class="small"><span class="quiet">With</span> {{ about.tools }}</p>
      <p v-if="about?.caution" class="caution">{{ about.caution }}</p>
      <div class="fields">
        <form class="pair" @submit.prevent="enter"><BenchText v-model="hours" label="Hours without a clock" inputmode="decimal" :fault="fault" /><v-btn type="submit">Enter</v-btn></form>
        <form v-if="!line.done" class="pair wide" @submit.prevent="wait">
          <BenchSelect v-model="waits" label="Waits for" :items="[['none', 'nothing'], ...JOB_WAITS.map(w => [w, WAIT_FOR_WORDS[w]] as const)]" />
          <BenchText v-model="words" label="In words" maxlength="200" /><v-btn type="submit">Keep</v-btn>
        </form>
      </div>
      <p v-if="line.waits" class="small quiet">{{ line.waits.words }}<template v-if="line.waits.words">, </template>since {{ sayTime(line.waits.since) }}</p>
    </td>
  </tr>
</template>

<style scoped>
.done th { color: var(--quiet); font-weight: 400; }
.shown { display: inline-flex; vertical-align: middle; width: 24px; justify-content: center; color: var(--dye); }
td :deep(.v-checkbox) { margin: 0; }
.step { padding: 0; text-align: left; font-weight: inherit; height: auto; min-height: var(--control); max-width: 100%; }
.step :deep(.v-btn__content) { white-space: normal; overflow-wrap: anywhere; text-align: left; }
.step + .warn { margin-left: 10px; }
.press { width: 96px; }
.more td { padding: 8px 12px 12px !important; height: auto; }
.checks { display: flex; flex-wrap: wrap; gap: 0 18px; }
.fields { display: flex; flex-wrap: wrap; gap: 10px 24px; margin-top: 8px; }
.pair { display: grid; grid-template-columns: 168px auto; gap: 8px; align-items: end; }
.pair.wide { grid-template-columns: 168px minmax(120px, 240px) auto; }
</style>
