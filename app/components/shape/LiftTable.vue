<script setup lang="ts">
import { liftTable, type EntryOf } from '#core'
import { say } from '#shared/figures'
import { LIFT_TEXT_LIMIT, readLiftTable } from '#shared/files/liftFile'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { useDrafts } from '~/stores/drafts'

/** A cam's lift by dial and wheel: pasted or out of a file, instead of a curve from lift and duration. */
const props = defineProps<{ valve: 'intake' | 'exhaust', entry?: EntryOf<'liftTable'> }>()
const build = useBuild()
const device = useDevice()
const drafts = useDrafts()
const key = computed(() => `${build.view?.id}/lifttable/${props.valve}`)
const text = computed({ get: () => drafts.get(key.value) ?? '', set: to => drafts.set(key.value, to) })
const sentence = ref('')
const unit = computed(() => device.lengths === 'in' ? 'in' as const : 'mm' as const)
const said = computed(() => {
  if (!props.entry) return ''
  const { rows } = props.entry.body
  const { most, open } = liftTable(rows)
  return `${rows.length} places, ${say(most, 'length', device.lengths)} over ${say(open, 'angle', device.lengths)}`
})
async function file(files: File | File[] | null) {
  const [chosen, of] = [Array.isArray(files) ? files[0] : files, key.value]
  if (chosen) drafts.set(of, chosen.size > LIFT_TEXT_LIMIT ? 'x'.repeat(LIFT_TEXT_LIMIT + 1) : await chosen.text())
}
async function keep() {
  const rows = readLiftTable(text.value, unit.value)
  sentence.value = typeof rows === 'string' ? rows : await drafts.sent([key.value], async () => notKept(await build.add('liftTable', { level: 'build' }, { valve: props.valve, rows }, props.entry ? { supersedes: props.entry.id } : {})))
}
</script>

<template>
  <div class="lift-table" role="group" :aria-label="`Lift table, ${valve}`">
    <p v-if="entry" class="small">The {{ valve }} cam by its table: <span class="num" data-lift-table>{{ said }}</span>. To take it out: the Daybook.</p>
    <BenchFold :open="text !== ''" :title="`${entry ? 'Another lift table' : 'A lift table instead'}, by dial and wheel`" class="small">
      <v-textarea :id="`lift-table-${valve}`" v-model="text" class="num" :label="`A line a place: degrees, lift in ${unit}`" rows="4" spellcheck="false"><template #loader /></v-textarea>
      <div class="row">
        <v-btn :disabled="text === ''" @click="keep">Keep the table</v-btn>
        <v-file-input class="file" label="out of a file" accept=".csv,.txt,text/csv,text/plain" @update:model-value="file" />
      </div>
    </BenchFold>
    <p v-if="sentence" class="sentence" role="alert">{{ sentence }}</p>
  </div>
</template>

<style scoped>
.lift-table { display: grid; gap: 4px; }
.file { max-width: 260px; }
.row { display: flex; flex-wrap: wrap; gap: 10px; align-items: center; }
summary { cursor: pointer; min-height: 22px; }
@media (max-width: 1000px) { summary { min-height: 44px; } }
</style>
