<script setup lang="ts">
import { JOB_CARD, JOB_STEPS, lineOf, type JobCardBody, type JobStep } from '#core'
import { kindFault } from '#shared/dto'
import { useFormDraft } from '~/composables/useFormDraft'
import type { useJobs } from '~/composables/useJobs'
import { sayStep } from '~/words/jobs'

/** The card itself: its steps in order, the hours planned for each, who is to do it, and what is bought in. */
const props = defineProps<{ now: JobCardBody, jobs: ReturnType<typeof useJobs> }>()
const emit = defineEmits<{ done: [] }>()
interface Row { step: string, hours: string, who: string }
interface Edited { lines: Row[], bought: { words: string, money: string }[] }
const form = useFormDraft(() => 'job/card')
const kept = form.text('edited')
const usual = (): Edited => ({ lines: props.now.lines.map(l => ({ step: l.step, hours: String(l.hours), who: l.who ?? '' })), bought: props.now.bought.map(b => ({ words: b.words, money: String(b.money) })) })
const edited = ref<Edited>(kept.value ? JSON.parse(kept.value) as Edited : usual())
// As it is typed: a reload loses nothing of it.
watch(edited, to => kept.value = JSON.stringify(to), { deep: true })
const sentence = ref('')
const more = computed(() => JOB_STEPS.filter(step => !edited.value.lines.some(l => l.step === step)))
const next = ref<JobStep | 'own'>('own')
const own = ref('')
function add() {
  const words = own.value.trim()
  // A step that the shop has a name for is that step.
  const step = next.value === 'own' ? JOB_STEPS.find(one => sayStep(one).toLowerCase() === words.toLowerCase()) ?? words : next.value
  sentence.value = step === '' ? 'Name the step.' : edited.value.lines.some(l => l.step === step) ? 'That step is on the card already.' : ''
  if (sentence.value) return
  edited.value.lines.push({ step, hours: next.value === 'own' ? '1' : String(lineOf(next.value).hours), who: '' })
  own.value = ''
  next.value = 'own'
}
function move(i: number, by: 1 | -1) {
  const [line] = edited.value.lines.splice(i, 1)
  edited.value.lines.splice(i + by, 0, line!)
}
const number = (text: string) => text.trim() === '' ? Number.NaN : Number(text.replace(',', '.'))
async function keep() {
  // A step that was named and not yet added belongs to it.
  if (next.value === 'own' && own.value.trim()) {
    add()
    if (sentence.value) return
  }
  const body: JobCardBody = {
    lines: edited.value.lines.map(({ step, hours, who }) => ({ step, hours: number(hours), ...who.trim() ? { who: who.trim() } : {} })),
    bought: edited.value.bought.filter(b => b.words.trim() !== '' || b.money.trim() !== '').map(b => ({ words: b.words.trim(), money: number(b.money) }))
  }
  sentence.value = kindFault('jobCard', { ...body }, 'lines') ?? kindFault('jobCard', { ...body }, 'bought') ?? ''
  if (sentence.value) return
  sentence.value = await form.sent(['edited'], () => props.jobs.keep(body))
  if (!sentence.value) emit('done')
}
const root = useTemplateRef<HTMLElement>('root')
onMounted(() => root.value?.querySelector('input')?.focus())
function leave() {
  form.clear(['edited'])
  emit('done')
}
</script>

<template>
  <form ref="root" class="card-form" @submit.prevent="keep">
    <div v-for="(row, i) in edited.lines" :key="row.step" class="row">
      <span>{{ sayStep(row.step) }}</span>
      <BenchText v-model="row.hours" hide-label inputmode="decimal" :label="`${sayStep(row.step)}: hours planned`" />
      <BenchText v-model="row.who" hide-label maxlength="4" :label="`${sayStep(row.step)}: who`" placeholder="who" />
      <span class="ends">
        <v-btn variant="text" :disabled="i === 0" :aria-label="`${sayStep(row.step)} earlier`" @click="move(i, -1)">↑</v-btn><v-btn variant="text" :disabled="i === edited.lines.length - 1" :aria-label="`${sayStep(row.step)} later`" @click="move(i, 1)">↓</v-btn>
        <v-btn variant="text" :aria-label="`Leave ${sayStep(row.step)} out`" @click="edited.lines.splice(i, 1)">×</v-btn>
      </span>
    </div>
    <div class="row add">
      <BenchSelect v-model="next" label="Another step" :items="[['own', 'in your own words'], ...more.map(step => [step, sayStep(step)] as const)]" />
      <BenchText v-if="next === 'own'" v-model="own" label="Its name" :maxlength="JOB_CARD.words" class="own" />
      <v-btn @click="add">Add it</v-btn>
    </div>
    <p class="label">Bought in</p>
    <div v-for="(thing, i) in edited.bought" :key="i" class="row bought">
      <BenchText v-model="thing.words" hide-label :label="`What was bought, ${i + 1}`" :maxlength="JOB_CARD.words" placeholder="what" /><BenchText v-model="thing.money" hide-label inputmode="decimal" :label="`Its money, ${i + 1}`" placeholder="money" />
      <v-btn variant="text" :aria-label="`Leave out what was bought, ${i + 1}`" @click="edited.bought.splice(i, 1)">×</v-btn>
    </div>
    <div class="press"><v-btn @click="edited.bought.push({ words: '', money: '' })">Something bought</v-btn><v-btn type="submit" variant="flat" color="primary">Keep the card</v-btn><v-btn @click="leave">Leave it</v-btn></div>
    <p v-if="sentence" class="sentence" role="alert">{{ sentence }}</p>
  </form>
</template>

<style scoped>
.card-form { display: grid; gap: 6px; max-width: 720px; padding: 12px 0; }
.row { display: grid; grid-template-columns: minmax(0, 1fr) 96px 88px 148px; gap: 10px; align-items: center; }
.row.add { grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) auto; align-items: end; margin-top: 8px; }
.row.bought { grid-template-columns: minmax(0, 1fr) 120px 44px; }
.ends { display: flex; }
.ends .v-btn { min-width: 44px; padding: 0; }
.press { display: flex; gap: 10px; flex-wrap: wrap; margin-top: 8px; }
</style>
