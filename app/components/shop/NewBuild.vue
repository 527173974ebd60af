<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { castingEntries, castingStart, castingsOf, likeness, live, type Alike, type Bodies } from '#core'
import type { BuildView } from '#shared/dto'
import { digits, say } from '#shared/figures'
import { FOUR, answersOf, engineBody, type EngineAnswers } from '~/forms/engine'
import { useBuild, type ToAdd } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { useDrafts } from '~/stores/drafts'
import { useOutbox } from '~/stores/outbox'
import { sentenceOf, useShop } from '~/stores/shop'
import { notKept } from '~/composables/useStatement'
import { usePractice } from '~/composables/usePractice'
import { goOnInForm } from '~/composables/useStage'
import { PRACTICE } from '~/words/practice'

const device = useDevice()
const outbox = useOutbox()
const build = useBuild()
const drafts = useDrafts()
const form = reactive({ name: '', reference: '', engine: FOUR as EngineAnswers })
const kept = drafts.get('newBuild')
if (kept) Object.assign(form, { ...JSON.parse(kept), engine: { ...FOUR, ...(JSON.parse(kept) as Partial<typeof form>).engine } })
watch(form, now => drafts.set('newBuild', JSON.stringify(now)))
const faults = ref<Record<string, string>>({})
const wells = useTemplateRef<HTMLFormElement>('wells')
// Whoever is refused is put where the fault is, to mend it there.
watch(faults, () => wells.value?.querySelector<HTMLElement>('[aria-invalid=true]')?.focus(), { flush: 'post' })
const busy = ref(false)
// One name for one try: pressing twice, or after a lost answer, begins one build.
let id = uuid()

/** A build of the same engine: what it is and what is wanted of it, no readings. */
const route = useRoute()
const shop = useShop()
const like = shallowRef<BuildView>()
/** A casting that the shop knows: what its heads were is assumed of this one. */
const casting = computed(() => typeof route.query.casting !== 'string'
  ? undefined
  : castingsOf(shop.builds.flatMap(b => (b.reckoned?.castings ?? []).map(head => ({ ...head, build: b.id })))).find(one => one.mark === route.query.casting))
const begins = computed(() => casting.value ? castingStart(casting.value) : {})
/** Places in its ports to keep off. */
const thin = computed(() => {
  const made = engineBody(form.engine)
  return casting.value && 'body' in made ? castingEntries(casting.value, made.body).filter(e => e.kind === 'portPlace').length : 0
})
/** How many of its heads were measured. */
const measured = computed(() => begins.value.chamberVolume?.heads ?? casting.value?.heads.length ?? 0)
/** Its dimensions as claims; what the casting itself says of chamber and mouth takes the place of one engine's. */
function alike(layout: Bodies['layout']): Alike[] {
  const copied = like.value ? likeness(like.value.entries) : []
  if (!casting.value) return copied
  const says = castingEntries(casting.value, layout)
  return [...copied.filter(({ body }) => !('quantity' in body) || !says.some(said => 'quantity' in said.body && said.body.quantity === body.quantity)), ...says]
}
onMounted(async () => {
  if (route.query.casting && shop.builds.length === 0) await shop.loadBuilds()
  if (typeof route.query.like !== 'string') return
  like.value = await shop.read<BuildView>(`/api/builds/${route.query.like}`)
  const layout = like.value && live(like.value.entries).entries.filter(e => e.kind === 'layout').at(-1)
  if (layout?.kind === 'layout') form.engine = answersOf(layout.body)
})

const sayHeads = (n: number) => `${n} ${n === 1 ? 'head' : 'heads'}`
const practice = usePractice()
async function practise() {
  const made = engineBody(FOUR)
  const begun = 'body' in made && await take(PRACTICE, made.body)
  if (!begun) return
  practice.begin(begun)
  await navigateTo(`/builds/${begun}/sheet`)
}
async function begin() {
  const made = engineBody(form.engine)
  if ('faults' in made) {
    faults.value = { ...made.faults }
    return
  }
  const begun = await take(form, made.body)
  if (!begun) return
  const note = casting.value && `Casting ${casting.value.mark}, ${sayHeads(measured.value)}`
  const list = alike(made.body).map(({ kind, scope, body }) => ({ kind, scope, body, more: note && (kind === 'assume' || kind === 'portPlace') ? { note } : {} }) as ToAdd)
  // What does not go with an engine that was changed meanwhile is left out, one by one then, and takes nothing with it.
  if ((await build.addAll(list)).kind === 'refused') for (const { kind, scope, body, more } of list) void build.add(kind, scope, body as never, more)
  drafts.clear('newBuild')
  await navigateTo({ path: `/builds/${begun}/sheet`, query: { leaf: 'section', field: 'bore' } })
}
/** Begins a build and lays its engine out; its id, unless something was refused or has to wait. */
async function take({ name, reference }: { name: string, reference: string }, layout: Bodies['layout']): Promise<string | undefined> {
  faults.value = {}
  busy.value = true
  try {
    const sent = await outbox.put(id, `/api/builds/${id}`, { name, reference, hand: device.hand })
    if (sent.kind === 'refused') {
      faults.value = Object.fromEntries((sent.problem.fields ?? []).map(f => [f.path, f.sentence]))
      if (!sent.problem.fields) faults.value = { name: sentenceOf(sent.problem) }
      return
    }
    if (sent.kind === 'waiting') {
      faults.value = { name: 'The shop does not answer. The build waits on this device and goes in when it does.' }
      return
    }
    await build.open(id)
    const trouble = notKept(await build.add('layout', { level: 'build' }, layout))
    if (trouble) faults.value = { cylinders: trouble }
    const begun = id
    id = uuid()
    return begun
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form ref="wells" class="new" @submit.prevent="begin" @keydown.enter="goOnInForm">
    <p v-if="like" class="like">Like <strong>{{ like.name }}</strong>: its dimensions as claims, its target, gaskets and drawing. No readings.</p>
    <p v-if="casting" class="like">
      Casting <strong>{{ casting.mark }}</strong>, {{ sayHeads(measured) }}:
      <template v-if="begins.chamberVolume">chamber <span class="num">{{ digits(begins.chamberVolume.value, 1) }} ± {{ digits(2 * begins.chamberVolume.u, 1) }}</span> cc<template v-if="begins.mouthArea">, mouth <span class="num">{{ say(begins.mouthArea.value, 'area', device.lengths) }}</span></template>, assumed until you pour.</template><template v-else>nothing poured yet.</template>{{ thin === 0 ? '' : thin === 1 ? ' One place in its ports, too thin to grind, is marked.' : ` ${thin} places in its ports, too thin to grind, are marked.` }}
    </p>
    <div class="titles">
      <TitleFields v-model:name="form.name" v-model:reference="form.reference" :faults="faults" first />
    </div>
    <EngineForm v-model="form.engine" :faults="faults" />
    <p v-if="faults.hand" class="sentence">Put your initials in the header first.</p>
    <div class="row">
      <v-btn variant="flat" color="primary" type="submit" class="begin" :disabled="busy">Begin</v-btn>
      <p class="small quiet">What you choose here decides what you are asked for. It can be put right later, in the Daybook.</p>
    </div>
    <p class="small quiet">New here? <v-btn variant="text" class="go" :disabled="busy" @click="practise">Practise on a made-up engine</v-btn></p>
  </form>
</template>

<style scoped>
.new { display: grid; gap: 16px; }
.titles { display: grid; grid-template-columns: minmax(0, 480px) minmax(0, 260px); gap: 10px 32px; }
.row { display: flex; gap: 16px; align-items: center; }
.begin { --v-btn-height: 48px; min-width: 160px; }
@media (max-width: 1000px) { .titles { grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 14px; } }
</style>
