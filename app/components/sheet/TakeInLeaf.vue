<script setup lang="ts">
import { FINDINGS, findingsOf, isUndecided, onFace, type EntryOf, type Finding, type FindingBody } from '#core'
import { kindFault } from '#shared/dto'
import { capital } from '#shared/figures'
import { firstPress } from '~/composables/firstPress'
import { useFace } from '~/composables/useFace'
import { useFormDraft } from '~/composables/useFormDraft'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { sayGroup } from '~/words/entries'
import { FINDING_WORDS, sayOnFace } from '~/words/findings'

/** What is found on a head as it comes in: touched onto its face, with who was told and what was decided. */
const build = useBuild()
const { head, half, bores, bore, spacing } = useFace()
const FIELDS = ['what', 'place', 'words', 'told', 'decided', 'photos'] as const
const editing = shallowRef<EntryOf<'finding'>>()
watch(head, () => editing.value = undefined)
const was = computed(() => editing.value?.body)
const form = useFormDraft(() => `takeIn/${head.value}/${editing.value?.id ?? 'new'}`)
const text = (field: (typeof FIELDS)[number], usual: () => string) => computed({
  get: () => form.text(field, usual()).value, set: (to: string) => form.text(field, usual()).value = to
})
const what = text('what', () => was.value?.what ?? 'leakTrack')
const words = text('words', () => was.value?.words ?? '')
const told = text('told', () => was.value?.told ?? '')
const decided = text('decided', () => was.value?.decided ?? '')
const placed = text('place', () => was.value?.place ? JSON.stringify(was.value.place) : '')
const place = computed(() => placed.value ? JSON.parse(placed.value) as FindingBody['place'] : undefined)
const photos = form.names('photos', () => editing.value?.photos ?? [])
const taking = ref(0)

/** Places that a hand without a pointer can name: each bore's middle, and each bridge. */
const usual = computed(() => bores.value.flatMap(({ cylinder, x }, i) => {
  const next = bores.value[i + 1]
  return [{ name: `at cylinder ${cylinder}`, place: { x, y: 0 } }, ...next ? [{ name: sayOnFace({ between: [cylinder, next.cylinder].sort((a, b) => a - b) as [number, number] }), place: { x: (x + next.x) / 2, y: 0 } }] : []]
}))
const where = computed(() => usual.value.findIndex(one => one.place.x === place.value?.x && one.place.y === place.value?.y))
const choices = computed(() => [['none', 'not on the face'] as const, ...where.value < 0 && place.value ? [['touched', `where you touched: ${nameOf(place.value)}`] as const] : [], ...usual.value.map((one, i) => [String(i), one.name] as const)])
const nameOf = (at: NonNullable<FindingBody['place']>) => {
  const there = build.replayed && onFace(build.replayed.layout, head.value, at, { bore: bore.value, spacing: spacing.value })
  return there ? sayOnFace(there) : ''
}
const put = (at: FindingBody['place']) => placed.value = at ? JSON.stringify(at) : ''

const found = computed(() => build.replayed ? findingsOf(build.replayed).filter(({ entry }) => entry.scope.level === 'head' && entry.scope.head === head.value) : [])
const sentence = ref('')
const wordsFault = ref('')
async function keep() {
  const trimmed = (name: 'words' | 'told' | 'decided', value: string) => value.trim() ? { [name]: value.trim() } : {}
  const body = { what: what.value as Finding, ...place.value ? { place: place.value } : {}, ...trimmed('words', words.value), ...trimmed('told', told.value), ...trimmed('decided', decided.value) }
  wordsFault.value = kindFault('finding', body, 'what') ?? kindFault('finding', body, 'words') ?? ''
  if (wordsFault.value) return
  const more = { photos: photos.value, ...editing.value ? { supersedes: editing.value.id, at: editing.value.at } : {} }
  sentence.value = await form.sent(FIELDS, async () => notKept(await build.add('finding', { level: 'head', head: head.value }, body, more)))
  if (!sentence.value) editing.value = undefined
}
const strike = async (entry: EntryOf<'finding'>) => sentence.value = notKept(await build.add('void', entry.scope, { reason: 'not there' }, { supersedes: entry.id })) ?? ''
const undecided = computed(() => found.value.filter(({ entry }) => isUndecided(entry)).length)
const says = ({ body }: EntryOf<'finding'>) => capital([FINDING_WORDS[body.what], ...body.place && body.what !== 'numbering' ? [nameOf(body.place)] : []].join(' '))
</script>

<template>
  <section class="take-in">
    <div class="left">
      <FacePlan :half="half" :bores="bores" :bore="bore" :most="220" class="plan" @touch="put">
        <template #default="{ at }">
          <template v-for="(one, i) in found" :key="one.entry.id">
            <span v-if="one.entry.body.place" class="mark num" :class="{ open: isUndecided(one.entry) }" :style="at(one.entry.body.place)" aria-hidden="true">{{ i + 1 }}</span>
          </template>
          <span v-if="place" class="mark new" :style="at(place)" aria-hidden="true">+</span>
        </template>
      </FacePlan>
      <p class="small quiet">{{ sayGroup('Head', head, build.replayed?.layout.heads ?? []) }}, seen from the face<template v-if="bores.length > 1">; cylinder {{ bores[0]?.cylinder }} to the {{ build.rowBegins?.left ? 'left' : 'right' }}</template>. Touch where something is.</p>
      <form class="form" @submit.prevent="keep">
        <div class="fields">
          <BenchSelect v-model="what" label="What is there" data-new :items="FINDINGS.map(name => [name, FINDING_WORDS[name]] as const)" />
          <BenchSelect label="Where" :model-value="place ? where < 0 ? 'touched' : String(where) : 'none'" :items="choices" @update:model-value="put(usual[Number($event)]?.place ?? ($event === 'touched' ? place : undefined))" />
          <BenchText v-model="words" label="In words" maxlength="200" :fault="wordsFault" />
          <BenchText v-model="told" label="Who was told" maxlength="100" />
          <BenchText v-model="decided" label="What was decided" maxlength="200" />
          <PhotoField v-model="photos" v-model:taking="taking" :field="form.key('photos')" :what="FINDING_WORDS[what as Finding]" />
        </div>
        <div class="press">
          <v-btn type="submit" variant="flat" color="primary" :disabled="taking > 0">{{ editing ? 'Keep the change' : 'Enter what was found' }}</v-btn>
          <v-btn v-if="editing" @click="editing = undefined">Leave it</v-btn>
          <p v-if="sentence" class="sentence">{{ sentence }}</p>
        </div>
      </form>
    </div>
    <div class="list">
      <p class="label">Found on this head</p>
      <p class="big num">{{ found.length || '–' }} <span v-if="found.length" class="unit" :class="{ warn: undecided }">{{ undecided ? `${undecided} not decided yet` : 'all decided' }}</span></p>
      <ol v-if="found.length">
        <li v-for="(one, i) in found" :key="one.entry.id" :data-finding="one.entry.body.what">
          <p><strong><span class="num">{{ i + 1 }}</span> {{ says(one.entry) }}</strong><template v-if="one.entry.body.words">: {{ one.entry.body.words }}</template></p>
          <p class="small" :class="{ warn: isUndecided(one.entry) }"><template v-if="one.entry.body.told">told {{ one.entry.body.told }}; </template>{{ isUndecided(one.entry) ? 'nothing decided yet' : one.entry.body.decided }}</p>
          <PhotoStrip :photos="one.photos" :what="says(one.entry)" />
          <p class="ends"><v-btn variant="text" class="small" @click="editing = one.entry">change<span class="visually-hidden"> {{ says(one.entry) }}</span></v-btn><v-btn variant="text" class="small" @click="firstPress($event) && strike(one.entry)">strike out<span class="visually-hidden"> {{ says(one.entry) }}</span></v-btn></p>
        </li>
      </ol>
      <p v-else class="small quiet">Clean the head, and look at it before anything is measured: soot across the face is a gasket that leaked, a valve that stands deep was cut before. What the owner is told now is not argued about later.</p>
      <p class="caution">A head is heavy, and its edges cut. A crack that is only suspected is for a pressure test by whoever is equipped for it.</p>
    </div>
  </section>
</template>

<style scoped>
.take-in { display: grid; grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr); gap: 24px; align-items: start; padding-top: 6px; }
.plan { cursor: crosshair; }
.mark { position: absolute; transform: translate(-50%, -50%); min-width: 26px; height: 26px; line-height: 24px; text-align: center; background: var(--sheet); border: 2px solid var(--ink); font-weight: 700; pointer-events: none; }
.mark.open { border-color: var(--stop); border-style: dashed; }
.mark.new { border-color: var(--dye); color: var(--dye); }
.form { display: grid; gap: 10px; margin-top: 8px; }
.fields { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 10px 14px; align-items: start; }
.press { display: flex; gap: 10px; align-items: center; flex-wrap: wrap; }
.list { display: grid; gap: 6px; align-content: start; }
.big { font-size: var(--s48); line-height: 1.05; font-weight: 700; }
.big .unit { font-size: var(--s18); font-weight: 400; }
ol { list-style: none; margin: 0; padding: 0; }
li { border-top: 1px solid var(--hair); padding: 6px 0; display: grid; gap: 4px; }
.ends .v-btn { --v-btn-height: 32px; color: var(--dye); padding: 0; margin-right: 14px; min-width: 0; }
@media (max-width: 1000px) { .take-in { grid-template-columns: minmax(0, 1fr); gap: 14px; } .ends .v-btn { --v-btn-height: 44px; } }
</style>
