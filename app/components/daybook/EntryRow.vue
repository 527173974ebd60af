<script setup lang="ts">
import { pourResult, quantityRule, statedU, type Entry, type Figure } from '#core'
import { sayDoubt } from '#shared/figures'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { sayEntry, sayKind, sayScope, sayTime, typedOf } from '~/words/entries'

const props = defineProps<{ entry: Entry }>()
const build = useBuild()
const device = useDevice()
const mode = ref<'correct' | 'void'>()
const reason = ref('')
const sentence = ref('')
const live = computed(() => build.replayed?.live)
const standing = computed(() => live.value?.standing.get(props.entry.id) ?? 'counts')
const successor = computed(() => build.byId.get(live.value?.supersededBy.get(props.entry.id) ?? ''))
const before = computed(() => props.entry.supersedes ? build.byId.get(props.entry.supersedes) : undefined)
const doubt = computed(() => {
  const e = props.entry
  if (e.kind === 'pour') return sayDoubt(pourResult(e).u, 'volume')
  if (e.kind === 'measure' || e.kind === 'book' || e.kind === 'assume') return sayDoubt(statedU(e), quantityRule(e.body.quantity).dimension, device.lengths)
  return ''
})
const dimension = computed(() => {
  const e = props.entry
  if (e.kind === 'pour') return 'volume' as const
  if (e.kind === 'measure' || e.kind === 'book' || e.kind === 'assume') return quantityRule(e.body.quantity).dimension
  return e.kind === 'faceCut' || e.kind === 'deckCut' ? 'length' as const : undefined
})

/** The corrected entry happened when the first one did: it takes its place in the order of things. */
async function correct(figure: Figure, terms: number[]): Promise<string | undefined> {
  const e = props.entry
  const more = { supersedes: e.id, at: e.at, ...(e.note ? { note: e.note } : {}) }
  if (e.kind === 'pour') {
    const { instrument } = e.body
    const fills = terms.map((term, i) => {
      const start = terms.length === 1 ? e.body.fills[0]!.start : e.body.fills[i]?.start ?? (instrument.kind === 'burette' ? 0 : instrument.capacity)
      return { start, end: term }
    })
    return said(notKept(await build.add('pour', e.scope, { ...e.body, fills, typed: figure.typed }, more)))
  }
  if (e.kind === 'measure' || e.kind === 'book' || e.kind === 'assume') return said(notKept(await build.add(e.kind, e.scope, { ...e.body, figure }, more)))
  if (e.kind === 'faceCut' || e.kind === 'deckCut') {
    const body = e.body.state === 'done' ? { ...e.body, measured: figure } : { ...e.body, depth: figure }
    return said(notKept(await build.add(e.kind, e.scope, body, more)))
  }
  return 'This kind of entry is changed at its station.'
}
function said(text: string | undefined) {
  if (!text) mode.value = undefined
  return text
}
async function takeOut() {
  sentence.value = notKept(await build.add('void', props.entry.scope, { reason: reason.value }, { supersedes: props.entry.id })) ?? ''
  if (!sentence.value) mode.value = undefined
}
</script>

<template>
  <tr :class="standing" :data-entry="entry.id">
    <td class="num small">{{ sayTime(entry.at) }}</td>
    <td class="small">{{ entry.hand }}</td>
    <td>{{ sayKind(entry.kind) }}</td>
    <td class="small">{{ sayScope(entry.scope) }}</td>
    <td class="what">
      <span class="said">{{ sayEntry(entry, device.lengths) }}</span> <span class="quiet small num">{{ doubt }}</span>
      <span v-if="typedOf(entry)" class="small quiet">typed “{{ typedOf(entry) }}”</span>
      <span v-if="entry.kind === 'pour'" class="small quiet">{{ entry.body.instrument.name }}</span>
      <span v-if="entry.note" class="small">{{ entry.note }}</span>
      <span v-if="before" class="small quiet">in place of {{ sayEntry(before, device.lengths) }}</span>
      <span v-if="standing !== 'counts' && successor" class="small">{{ standing === 'void' ? 'taken out' : 'replaced' }} by {{ successor.hand }}, {{ sayTime(successor.at) }}</span>
      <span v-if="entry.seq === null" class="small warn">waiting</span>
      <div v-if="mode === 'correct' && dimension" class="edit">
        <FigureField :field="`${build.view?.id}/correct/${entry.id}`" :label="entry.kind === 'pour' ? 'Right reading' : 'Right figure'" :dimension="dimension" :commit="correct" />
        <button class="key" type="button" @click="mode = undefined">Leave it</button>
      </div>
      <form v-if="mode === 'void'" class="edit" @submit.prevent="takeOut">
        <label class="label" :for="`why-${entry.id}`">Why is it taken out?</label>
        <div class="well"><input :id="`why-${entry.id}`" v-model="reason" autocomplete="off"></div>
        <button class="key" type="submit">Take out</button><button class="key" type="button" @click="mode = undefined">Leave it</button>
        <p v-if="sentence" class="sentence">{{ sentence }}</p>
      </form>
    </td>
    <td class="r ends">
      <template v-if="standing === 'counts' && entry.kind !== 'void' && !mode">
        <button v-if="dimension" class="key bare small" type="button" @click="mode = 'correct'">correct<span class="visually-hidden"> {{ sayEntry(entry, device.lengths) }}</span></button>
        <button class="key bare small" type="button" @click="mode = 'void'">take out<span class="visually-hidden"> {{ sayEntry(entry, device.lengths) }}</span></button>
      </template>
    </td>
  </tr>
</template>

<style scoped>
.void .said, .superseded .said { text-decoration: line-through; }
.void td, .superseded td { color: var(--quiet); }
.what > span { margin-right: 8px; }
.ends { white-space: nowrap; }
.ends .key { min-height: 28px; color: var(--dye); }
.edit { display: flex; gap: 8px; align-items: end; margin: 4px 0 22px; flex-wrap: wrap; }
@media (max-width: 1000px) { .ends .key { min-height: 44px; } }
</style>
