<script setup lang="ts">
import { shares, uncertainty, type Dimension, type Part } from '#core'
import { say, sayDoubt } from '#shared/figures'
import { sayEntry, sayKind, sayTime } from '~/words/entries'
import { sayImprovement, saySource } from '~/words/sources'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'

const props = defineProps<{ label: string, part: Part, dimension: Dimension, formula?: string }>()
const build = useBuild()
const device = useDevice()

const from = { measured: 'measured', derived: 'derived', book: 'the book’s figure', assumed: 'assumed?' } as const
const sources = computed(() => shares(props.part.estimate).slice(0, 5))
const entries = computed(() => props.part.entries.flatMap(id => build.byId.get(id) ?? []).slice(-4))
</script>

<template>
  <div class="slip">
    <div class="head">
      <span>{{ label }}</span><span class="quiet">{{ from[part.provenance] }}</span>
    </div>
    <div class="num value">
      {{ say(part.estimate.value, dimension, device.lengths, 1) }} <span class="quiet">{{ sayDoubt(uncertainty(part.estimate), dimension, device.lengths) }}</span>
    </div>
    <p class="small quiet">± is two standard uncertainties (k = 2).</p>
    <p v-if="formula" class="small formula">{{ formula }}</p>
    <ul v-if="entries.length" class="small entries">
      <li v-for="entry in entries" :key="entry.id">
        {{ sayKind(entry.kind) }}: {{ sayEntry(entry, device.lengths) }} <span class="quiet">· {{ entry.hand }}, {{ sayTime(entry.at) }}<template v-if="entry.kind === 'pour'"> · {{ entry.body.instrument.name }}</template></span>
      </li>
    </ul>
    <template v-if="sources.length">
      <h3>What makes it unsure</h3>
      <ul class="small">
        <li v-for="source in sources" :key="source.source" class="share">
          <span class="bar" :style="{ width: `${Math.max(1, source.share * 160)}px` }" /><span class="num">{{ Math.round(source.share * 100) }} %</span>
          <span>{{ saySource(source.source, build.byId, device.lengths) }}</span>
        </li>
      </ul>
      <p class="small">{{ sayImprovement(sources[0]!.source, build.byId) }}</p>
    </template>
  </div>
</template>

<style scoped>
.slip { width: 420px; max-width: 92vw; text-align: left; }
.head { display: flex; justify-content: space-between; gap: 12px; }
.value { font-size: var(--s22); }
.formula { margin: 6px 0; font-family: var(--figure); }
.entries { margin: 6px 0; }
h3 { margin-top: 8px; border-top: 1px solid var(--hair); padding-top: 6px; }
.share { display: grid; grid-template-columns: 164px 44px 1fr; align-items: center; }
.bar { height: 8px; background: var(--dye); display: inline-block; }
</style>
