<script setup lang="ts">
import { wrap, type Remote } from 'comlink'
import { v4 as uuid } from 'uuid'
import { pourResult, type PourEntry, type SpotReading } from '#core'
import { BATCH_LIMIT, inUse } from '#shared/dto'
import { digits, say } from '#shared/figures'
import type { DateOrder } from '#shared/files/dates'
import { FILE_LIMIT, type ReadFile, type readReadings } from '#shared/files/readingFile'
import { COLUMNS, FILE_KINDS, type FileKind } from '#shared/files/readingRows'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { useOutbox } from '~/stores/outbox'
import { sentenceOf, useShop } from '~/stores/shop'

/** Readings out of a file: looked at first, bad lines named, nothing kept until it is asked for. */
const emit = defineEmits<{ done: [] }>()
const build = useBuild()
const shop = useShop()
const device = useDevice()
const outbox = useOutbox()
const WORDS: Record<FileKind, string> = { pours: 'pours', deck: 'deck readings', solder: 'solder readings' }
const kind = ref<FileKind>('pours')
const text = shallowRef('')
const name = ref('')
const read = shallowRef<ReadFile>()
const skip = ref(false)
const sentence = ref('')
const kept = ref('')

const dates = ref<DateOrder | ''>('')
const asked = ref('')
const reading = ref(false)
let worker: Worker | undefined
/** Kept as long as the worker: once it is let go, the worker listens no more. */
let reader: Remote<{ readReadings: typeof readReadings }> | undefined
let round = 0

async function choose(chosen: File | File[] | null | undefined) {
  const file = Array.isArray(chosen) ? chosen[0] : chosen
  if (!file) return
  name.value = file.name
  dates.value = asked.value = ''
  text.value = file.size > FILE_LIMIT ? 'x'.repeat(FILE_LIMIT + 1) : await file.text()
  await look()
}
async function look() {
  if (!text.value || !build.view) return
  skip.value = false
  sentence.value = kept.value = ''
  const glass = shop.instruments[0]
  const mine = ++round
  reading.value = true
  worker ??= new Worker(new URL('../../workers/files.worker.ts', import.meta.url), { type: 'module' })
  reader ??= wrap(worker)
  try {
    const found = await reader.readReadings(text.value, kind.value, build.view.id, JSON.parse(JSON.stringify({
      hand: device.hand || 'X', cylinder: build.cylinder, cylinders: build.cylinders, at: new Date().toISOString(), ...(glass ? { instrument: inUse(glass) } : {}),
      ...(dates.value ? { dates: dates.value } : {})
    })), build.entries.map(e => e.id))
    if (mine !== round) return
    read.value = found
    asked.value ||= found.asks ?? ''
  } finally {
    if (mine === round) reading.value = false
  }
}
/** Whoever stops gets the worker back with the next file. */
function stop() {
  round++
  reading.value = false
  worker?.terminate()
  worker = reader = undefined
  sentence.value = `Stopped reading ${name.value}. Nothing was kept.`
}
onBeforeUnmount(() => worker?.terminate())
watch([kind, dates], () => void look())
const here = computed(() => new Set(build.entries.map(e => e.id)))
const fresh = computed(() => read.value?.good.filter(g => !here.value.has(g.id)) ?? [])
const already = computed(() => (read.value?.good.length ?? 0) - fresh.value.length + (read.value?.here.length ?? 0))
const mayKeep = computed(() => fresh.value.length > 0 && (read.value!.bad.length === 0 || skip.value))
function what(entry: ReadFile['good'][number]['entry']): string {
  if (entry.kind === 'pour') return `${digits(pourResult({ ...entry, id: 'x' } as unknown as PourEntry).value, 2)} cc`
  return ((entry.body as { readings: SpotReading[] }).readings).map(r => say(r.figure.value, 'length', device.lengths)).join(', ')
}
const whose = (entry: ReadFile['good'][number]['entry']) => entry.scope.level === 'cylinder' ? `cylinder ${entry.scope.cylinder}` : 'container'

async function keep() {
  if (device.hand === '') {
    sentence.value = 'Put your initials in the header first.'
    return
  }
  // A long file takes its time: what is left of it goes into this build, whichever is opened meanwhile.
  const [of, { hand }] = [build.view!.id, device]
  let waits = false
  let done = 0
  // What goes out counts at once, and is new no longer.
  const all = fresh.value
  for (let i = 0; i < all.length; i += BATCH_LIMIT) {
    const part = all.slice(i, i + BATCH_LIMIT)
    const id = uuid()
    const sent = await outbox.put(id, `/api/builds/${of}/batches/${id}`, { hand, entries: part.map(({ id: entryId, entry }) => ({ id: entryId, ...entry })) })
    if (sent.kind === 'refused') {
      const field = sent.problem.fields?.[0]
      const line = /^entries\[(\d+)\]/.exec(field?.path ?? '')
      sentence.value = `${line ? `Line ${part[Number(line[1])]?.lines[0]}: ` : ''}${sentenceOf(sent.problem)} ${done > 0 ? `The first ${done} are kept, these and what follows are not.` : 'Nothing was kept.'}`
      return
    }
    waits ||= sent.kind === 'waiting'
    done += part.length
  }
  kept.value = `${all.length} ${WORDS[kind.value]} ${waits ? 'waiting to be sent' : 'kept'}.`
  read.value = undefined
  await build.refresh()
}
</script>

<template>
  <section class="paper-in" aria-label="Bring in readings">
    <div class="row">
      <BenchSelect v-model="kind" label="The file holds" class="holds" :items="FILE_KINDS.map(k => [k, WORDS[k]] as const)" />
      <v-file-input label="CSV file" class="file" accept=".csv,text/csv" @update:model-value="choose" />
      <v-btn @click="emit('done')">Close</v-btn>
    </div>
    <p class="small quiet">The first line names the columns: <span class="num">{{ COLUMNS[kind].filter(c => c.needed).map(c => c.name).join(', ') }}</span> must be there<template v-if="kind === 'pours'">; <span class="num">cylinder, encloses, hand, at, capacity_cc</span> and others may. Fills are written <span class="num">0&gt;98.6;3&gt;12.4</span></template>. A file that left here comes back whole.</p>
    <p v-if="kept" class="small" role="status">{{ kept }}</p>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
    <WorkRow v-if="reading" :says="`Reading ${name} …`" @stop="stop" />
    <div v-if="asked" class="asked">
      <p>The file writes dates like “<span class="num">{{ asked }}</span>”. Which comes first?</p>
      <RadioRow v-model="dates" :choices="[['dayFirst', 'the day'], ['monthFirst', 'the month']]" label="Which comes first in its dates" />
    </div>
    <template v-if="read">
      <p v-if="read.refused" class="sentence">{{ read.refused }}</p>
      <template v-else>
        <p role="status"><strong class="num">{{ fresh.length }}</strong> new from {{ name }}<template v-if="already">, <span class="num">{{ already }}</span> here already</template><template v-if="read.bad.length">, <strong class="warn num">{{ read.bad.length }}</strong> {{ read.bad.length === 1 ? 'line' : 'lines' }} that can’t be taken</template>.</p>
        <div class="lists">
          <ul class="small" tabindex="0" aria-label="What will be kept"><li v-for="g in fresh.slice(0, 200)" :key="g.id"><span class="num quiet">{{ g.lines[0] }}</span> {{ whose(g.entry) }} <span class="num">{{ what(g.entry) }}</span> <span class="quiet">{{ g.entry.hand }}</span></li></ul>
          <ul v-if="read.bad.length" class="small" tabindex="0" aria-label="Lines that can’t be taken"><li v-for="(b, i) in read.bad.slice(0, 200)" :key="i"><span class="num quiet">{{ b.line }}</span> <span class="sentence">{{ b.reason }}</span></li></ul>
        </div>
        <BenchCheck v-if="read.bad.length && fresh.length" v-model="skip" :label="`Leave ${read.bad.length === 1 ? 'that line' : `those ${read.bad.length} lines`} out and keep the rest`" />
        <v-btn variant="flat" color="primary" :disabled="!mayKeep" @click="keep">Keep {{ fresh.length }}</v-btn>
      </template>
    </template>
  </section>
</template>

<style scoped>
.paper-in { display: grid; gap: 8px; border: 1px solid var(--ink); padding: 10px 12px; justify-items: start; }
.row { display: flex; gap: 14px; align-items: end; flex-wrap: wrap; width: 100%; }
.row .v-btn { margin-left: auto; }
.holds { max-width: 180px; }
.file { max-width: 320px; }
.lists { display: grid; grid-template-columns: repeat(auto-fit, minmax(280px, 1fr)); gap: 14px; width: 100%; }
.lists ul { max-height: 180px; overflow: auto; border-top: 1px solid var(--hair); }
.lists li { display: flex; gap: 8px; padding: 2px 0; }
.asked { display: flex; gap: 14px; align-items: center; flex-wrap: wrap; }
</style>
