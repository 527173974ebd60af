<script setup lang="ts">
import { isStatement, kindRule, photographsIn, pourResult, quantityRule, statedU, type Entry, type Figure } from '#core'
import { sayDoubt } from '#shared/figures'
import { formOf } from '~/forms/forms'
import { useFormDraft } from '~/composables/useFormDraft'
import { openingOf } from '~/composables/useOpening'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { sayEntry, sayHour, sayKind, sayScope, sayTime, typedOf } from '~/words/entries'

const props = defineProps<{ entry: Entry }>()
const build = useBuild()
const device = useDevice()
const mode = ref<'correct' | 'void' | 'photo'>()
const reason = ref('')
const sentence = ref('')
const live = computed(() => build.replayed?.live)
const standing = computed(() => live.value?.standing.get(props.entry.id) ?? 'counts')
const successor = computed(() => build.byId.get(live.value?.supersededBy.get(props.entry.id) ?? ''))
/** Where an entry that counts was made: a figure is looked at, and its fellows entered, there. */
const place = computed(() => {
  const { kind, body, scope } = props.entry
  const at = kindRule(kind).at(body)
  const valve = scope.level === 'port' ? scope.port : scope.level === 'valve' ? scope.valve : at.valve
  return standing.value !== 'counts' || at.station === 'daybook' ? undefined : openingOf(props.entry.build, { ...at, valve }, 'cylinder' in scope ? scope.cylinder : undefined)
})
const before = computed(() => props.entry.supersedes ? build.byId.get(props.entry.supersedes) : undefined)
const doubt = computed(() => {
  const e = props.entry
  if (e.kind === 'pour') return sayDoubt(pourResult(e).u, 'volume')
  if (isStatement(e) && e.kind !== 'wish') return sayDoubt(statedU(e), quantityRule(e.body.quantity).dimension, device.lengths)
  return ''
})
const form = computed(() => formOf(props.entry.kind).figure)
const dimension = computed(() => form.value?.dimension(props.entry.body))

/** The corrected entry happened when the first one did: it takes its place in the order of things. */
async function correct(figure: Figure, terms: number[]): Promise<string | undefined> {
  const e = props.entry
  const body = form.value?.right(e.body, figure, terms)
  if (!body) return 'This kind of entry is changed at its station.'
  return said(notKept(await build.add(e.kind, e.scope, body as never, { supersedes: e.id, at: e.at, ...(e.note ? { note: e.note } : {}) })))
}
/** Whether this is the last word of its kind, so that what stood before it can be put back. */
const last = computed(() => !live.value?.supersededBy.has(props.entry.id))
const undoing = computed(() => last.value && props.entry.seq !== null && (props.entry.supersedes !== undefined))
async function undo() {
  sentence.value = notKept(await build.undo(props.entry)) ?? ''
}
const open = computed(() => build.plans.find(plan => plan.entry?.id === props.entry.id))
async function dropPlan() {
  sentence.value = notKept(await build.dropPlan(open.value!.id)) ?? ''
}
function said(text: string | undefined) {
  if (!text) mode.value = undefined
  return text
}
/** What it carries itself, and what came after it; of one that is struck out nothing is shown. */
const photos = computed(() => standing.value !== 'counts' || !live.value ? [] : props.entry.kind === 'photograph' ? props.entry.photos ?? [] : photographsIn(live.value).filter(one => one.of.id === props.entry.id).map(one => one.sha256))
const draft = useFormDraft(() => `photo/${props.entry.id}`)
const added = draft.names('photos')
const taking = ref(0)
const caption = draft.text('words')
async function addPhotos() {
  const { id, scope } = props.entry
  sentence.value = await draft.sent(['photos', 'words'], async () => said(notKept(await build.add('photograph', scope, { of: id, ...caption.value.trim() ? { words: caption.value.trim() } : {} }, { photos: added.value }))))
}
async function takeOut() {
  sentence.value = said(notKept(await build.add('void', props.entry.scope, { reason: reason.value }, { supersedes: props.entry.id }))) ?? ''
}
</script>

<template>
  <tr :class="standing" :data-entry="entry.id" tabindex="-1">
    <td class="num small">{{ sayHour(entry.at) }}</td>
    <td class="small">{{ entry.hand }}</td>
    <td><NuxtLink v-if="place" class="kind" :to="place">{{ sayKind(entry.kind) }}</NuxtLink><template v-else>{{ sayKind(entry.kind) }}</template></td>
    <td class="small whose">{{ sayScope(entry.scope) }}</td>
    <td class="what">
      <span class="said">{{ sayEntry(entry, device.lengths) }}</span> <span class="quiet small num">{{ doubt }}</span>
      <span v-if="typedOf(entry)" class="small quiet">typed “{{ typedOf(entry) }}”</span>
      <span v-if="entry.kind === 'pour'" class="small quiet">{{ entry.body.instrument.name }}</span>
      <span v-if="entry.note" class="small">{{ entry.note }}</span>
      <span v-if="entry.undoes" class="small quiet">put back</span>
      <span v-else-if="before" class="small quiet">instead of {{ sayEntry(before, device.lengths) }}</span>
      <span v-if="standing !== 'counts' && successor" class="small">{{ standing === 'void' ? 'struck out' : 'replaced' }} by {{ successor.hand }}, {{ sayTime(successor.at) }}</span>
      <span v-if="entry.seq === null" class="small warn">waiting</span>
      <div v-if="mode === 'correct' && dimension" class="edit" data-stay>
        <FigureField :field="`${build.view?.id}/correct/${entry.id}`" :label="form!.label" :dimension="dimension" :commit="correct" />
        <v-btn @click="mode = undefined">Leave it</v-btn>
      </div>
      <PhotoStrip :photos="photos" :what="sayEntry(entry, device.lengths)" />
      <form v-if="mode === 'photo'" class="edit" @submit.prevent="addPhotos">
        <PhotoField v-model="added" v-model:taking="taking" :field="draft.key('photos')" :what="sayEntry(entry, device.lengths)" />
        <BenchText v-model="caption" label="In words" maxlength="200" />
        <v-btn type="submit" :disabled="added.length === 0 || taking > 0">Keep the photographs</v-btn><v-btn @click="mode = undefined">Leave it</v-btn>
        <p v-if="sentence" class="sentence">{{ sentence }}</p>
      </form>
      <p v-if="sentence && !mode" class="sentence">{{ sentence }}</p>
      <form v-if="mode === 'void'" class="edit" @submit.prevent="takeOut">
        <BenchText v-model="reason" label="Why is it struck out?" />
        <v-btn type="submit">Strike out</v-btn><v-btn @click="mode = undefined">Leave it</v-btn>
        <p v-if="sentence" class="sentence">{{ sentence }}</p>
      </form>
    </td>
    <td class="r ends">
      <template v-if="!mode">
        <v-btn v-if="open" variant="text" class="small" @click="dropPlan">drop all of it<span class="visually-hidden">: {{ sayEntry(entry, device.lengths) }}</span></v-btn>
        <v-btn v-if="undoing" variant="text" class="small" @click="undo">{{ entry.kind === 'void' ? 'put back' : 'undo' }}<span class="visually-hidden"> {{ before ? sayEntry(before, device.lengths) : '' }}</span></v-btn>
        <template v-if="standing === 'counts' && entry.kind !== 'void'">
          <v-btn v-if="dimension" variant="text" class="small" @click="mode = 'correct'">correct<span class="visually-hidden"> {{ sayEntry(entry, device.lengths) }}</span></v-btn>
          <v-btn v-if="entry.kind !== 'photograph'" variant="text" class="small" @click="mode = 'photo'">photo<span class="visually-hidden"> of {{ sayEntry(entry, device.lengths) }}</span></v-btn>
          <v-btn variant="text" class="small" @click="mode = 'void'">strike out<span class="visually-hidden"> {{ sayEntry(entry, device.lengths) }}</span></v-btn>
        </template>
      </template>
    </td>
  </tr>
</template>

<style scoped>
.void .said, .superseded .said { text-decoration: line-through; }
.void td, .superseded td { color: var(--quiet); }
tr:focus { outline: 3px solid var(--dye); outline-offset: -3px; }
.whose { min-width: 72px; }
.what > span { margin-right: 8px; }
/* Every line has one: its arrow shows where the hand is. */
.kind { color: inherit; white-space: nowrap; }
.kind::after { content: ' →'; color: var(--dye); opacity: 0; }
.kind:hover::after, .kind:focus-visible::after { opacity: 1; }
.ends { white-space: nowrap; }
.ends .v-btn { --v-btn-height: 28px; color: var(--dye); }
.edit .bench-text { flex: 0 1 260px; }
.edit { display: flex; gap: 8px; align-items: end; margin: 4px 0 22px; flex-wrap: wrap; }
@media (max-width: 1000px) { .ends .v-btn { --v-btn-height: 44px; } }
</style>
