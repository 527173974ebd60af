<script setup lang="ts">
import { againstTarget, targetBand, uncertainty, type CylinderState, type HeadCut } from '#core'
import { digits, shown } from '#shared/figures'
import { useGlass } from '~/composables/useGlass'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'

const props = withDefaults(defineProps<{ needed: HeadCut, outcomes: CylinderState[], dimension?: 'length' | 'angle', title?: string }>(), { dimension: 'length', title: 'Cut to target' })
const build = useBuild()
const device = useDevice()
const { glass, stopOf } = useGlass()
const band = computed(() => targetBand(build.replayed?.target))
const WORDS = { under: 'low', on: 'on target', over: 'past' }
/** The unit stands once, in the head. */
const bare = (value: number) => shown(value, props.dimension, device.lengths, props.dimension === 'angle' ? 1 : 0).number
const rows = computed(() => build.asIs.filter(s => s.head === props.needed.head).map((s) => {
  const state = props.outcomes.find(o => o.cylinder === s.cylinder)
  const outcome = state?.ratio && state.parts.chamber && { chamber: state.parts.chamber.estimate, ratio: state.ratio.estimate }
  const stands = outcome && againstTarget(state!, band.value)
  return {
    cylinder: s.cylinder, stop: outcome && stopOf(state!), ratio: s.ratio?.estimate.value, need: props.needed.cylinders.find(c => c.cylinder === s.cylinder)?.depth, outcome,
    word: stands ? WORDS[stands] : '', past: stands === 'over'
  }
}))
</script>

<template>
  <v-table class="cut-table">
    <thead>
      <tr><th>Cyl.</th><th class="r">Ratio now</th><th class="r">{{ title }}, {{ dimension === 'angle' ? '°' : device.lengths }}</th><th class="r">Chamber then</th><th v-if="glass" class="r">Glass then</th><th class="r">Ratio then</th><th /></tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.cylinder" :class="{ on: row.cylinder === build.cylinder }">
        <td class="num">{{ row.cylinder }}</td>
        <td class="r num">{{ row.ratio === undefined ? '—' : row.ratio.toFixed(2) }}</td>
        <td class="r num">
          <template v-if="row.need">{{ row.need.value > 0 || dimension === 'angle' ? bare(row.need.value) : 'past it' }} <span v-if="uncertainty(row.need) > 0" class="quiet small">± {{ bare(2 * uncertainty(row.need)) }}</span></template>
          <template v-else>—</template>
        </td>
        <td class="r num"><template v-if="row.outcome">{{ digits(row.outcome.chamber.value, 1) }} <span class="quiet small">± {{ digits(2 * uncertainty(row.outcome.chamber), 1) }}</span></template><template v-else>—</template></td>
        <td v-if="glass" class="r num" data-glass>{{ row.stop ?? '—' }}</td>
        <td class="r num"><template v-if="row.outcome"><strong>{{ digits(row.outcome.ratio.value, 2) }}</strong> <span class="quiet small">± {{ digits(2 * uncertainty(row.outcome.ratio), 2) }}</span></template><template v-else>—</template></td>
        <td :class="{ warn: row.past }" class="small">{{ row.word }}</td>
      </tr>
    </tbody>
  </v-table>
</template>

<style scoped>
.on td:first-child { box-shadow: inset 4px 0 0 var(--dye); font-weight: 700; }
/* A figure's ± goes under it where both are too wide, as four places of an inch are. */
.cut-table td span, .cut-table td:last-child { white-space: nowrap; }
.cut-table td, .cut-table th { padding-inline: 5px; }
</style>
