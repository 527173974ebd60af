<script setup lang="ts">
import { asSet, type Bodies, type EntryKind, type Figure, type Scope } from '#core'
import { formOf } from '~/forms/forms'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { useDrafts } from '~/stores/drafts'
import type { Problem } from '#shared/dto'

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
const id = useId()
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
  const sent = await build.add(props.kind, props.scope, body as never, props.supersedes ? { supersedes: props.supersedes } : {})
  faults.value = sent.kind === 'refused' ? byField(sent.problem) : {}
  sentence.value = Object.keys(faults.value).length > 0 ? '' : notKept(sent) ?? ''
  if (sent.kind === 'refused') return
  for (const { name } of fields.value) drafts.clear(key(name))
  emit('kept')
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
        v-if="field.as === 'figure'" :field="key(`${field.name}/typing`)" :label="field.label" :dimension="field.rule.dimension" :usual="field.usual" :part="asSet(figureOf(field.name)?.value)"
        :commit="async (figure) => { set(field.name, figure); return undefined }"
      />
      <template v-else-if="field.as === 'words'">
        <label class="label" :for="`${id}-${field.name}`">{{ field.label }}</label>
        <div class="well"><input :id="`${id}-${field.name}`" :value="valueOf(field.name) ?? ''" :maxlength="field.limit" autocomplete="off" @input="set(field.name, ($event.target as HTMLInputElement).value)"></div>
      </template>
      <label v-else class="check small"><input type="checkbox" :checked="valueOf(field.name) === true" @change="set(field.name, ($event.target as HTMLInputElement).checked)"> {{ field.sentence }}</label>
      <p v-if="faults[field.name]" class="sentence">{{ faults[field.name] }}</p>
    </div>
    <button class="key" type="submit">{{ keepLabel ?? 'Keep' }}</button>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
  </form>
</template>

<style scoped>
.kind-form { display: flex; flex-wrap: wrap; gap: 10px 14px; align-items: end; }
.field { min-width: 132px; flex: 1 1 132px; max-width: 240px; }
.check { display: flex; align-items: center; gap: 6px; min-height: 36px; }
</style>
