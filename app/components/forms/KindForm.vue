<script setup lang="ts">
import { asSet, type Bodies, type EntryKind, type Figure, type Scope } from '#core'
import { formOf } from '~/forms/forms'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { useDrafts } from '~/stores/drafts'
import { kindFault, type Problem } from '#shared/dto'
import type { FormField } from '~/forms/kindForm'
import type { FieldRules } from '~/composables/useRules'

/** The plain form of a kind of entry: its fields as the kind declares them, kept as one entry. */
const props = defineProps<{
  kind: EntryKind
  scope: Scope
  /** What stands there now: what is not typed anew stays. */
  now?: Bodies[EntryKind]
  /** The entry this would take the place of; a later state of things is an entry of its own. */
  supersedes?: string
  keepLabel?: string
}>()
const emit = defineEmits<{ kept: [] }>()
const build = useBuild()
const drafts = useDrafts()
const fields = computed(() => formOf(props.kind).fields ?? [])
const key = (name: string) => `${build.view?.id}/form/${props.kind}/${JSON.stringify(props.scope)}/${name}`
const standing = (name: string) => (props.now as Record<string, unknown> | undefined)?.[name]
function typed(name: string): unknown {
  const text = drafts.get(key(name))
  return text === undefined ? undefined : JSON.parse(text)
}
const valueOf = (name: string) => typed(name) ?? standing(name)
const set = (name: string, value: unknown) => drafts.set(key(name), JSON.stringify(value))
const figureOf = (name: string) => valueOf(name) as Figure | undefined
/** What the kind's own class says of a text, as it stands beside the rest. */
const rulesOf = (field: FormField): FieldRules => [(value) => {
  const text = String(value ?? '').trim()
  return text === '' && 'optional' in field && field.optional ? true : kindFault(props.kind, { ...props.now as object, [field.name]: text }, field.name) ?? true
}]
const faults = ref<Record<string, string>>({})
const sentence = ref('')

async function keep() {
  const body: Record<string, unknown> = {}
  for (const field of fields.value) {
    const value = valueOf(field.name)
    if (field.as === 'yes') body[field.name] = value === true
    else if (field.as === 'words') {
      const text = typeof value === 'string' ? value.trim() : ''
      if (text !== '' || !field.optional) body[field.name] = text
    } else if (value !== undefined) body[field.name] = value
  }
  faults.value = {}
  let kept = false
  const said = await drafts.sent(fields.value.map(({ name }) => key(name)), async () => {
    const sent = await build.add(props.kind, props.scope, body as never, props.supersedes ? { supersedes: props.supersedes } : {})
    kept = sent.kind !== 'refused'
    if (sent.kind === 'refused') faults.value = byField(sent.problem)
    return notKept(sent)
  })
  sentence.value = Object.keys(faults.value).length > 0 ? '' : said
  if (kept) emit('kept')
}
const byField = ({ fields: list = [] }: Problem) => Object.fromEntries(list.flatMap(({ path, sentence }) => {
  const name = path.replace('body.', '').split('.')[0]!
  return fields.value.some(f => f.name === name) ? [[name, sentence]] : []
}))
</script>

<template>
  <form class="kind-form" @submit.prevent="keep">
    <div v-for="field in fields" :key="field.name" class="field">
      <FigureField
        v-if="field.as === 'figure'" :field="key(`${field.name}/typed`)" :label="field.label" :dimension="field.rule.dimension" :usual="field.usual" :part="asSet(figureOf(field.name)?.value)"
        :commit="async (figure) => { set(field.name, figure); return undefined }"
      />
      <BenchText v-else-if="field.as === 'words'" :label="field.label" :model-value="(valueOf(field.name) as string | undefined) ?? ''" :maxlength="field.limit" :fault="faults[field.name]" :rules="rulesOf(field)" @update:model-value="set(field.name, $event)" />
      <BenchCheck v-else :label="field.sentence" :model-value="valueOf(field.name) === true" @update:model-value="set(field.name, $event)" />
      <p v-if="field.as !== 'words' && faults[field.name]" class="sentence">{{ faults[field.name] }}</p>
    </div>
    <v-btn type="submit">{{ keepLabel ?? 'Keep' }}</v-btn>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
  </form>
</template>

<style scoped>
.kind-form { display: flex; flex-wrap: wrap; gap: 10px 14px; align-items: end; }
.field { min-width: 132px; flex: 1 1 132px; max-width: 240px; }
</style>
