<script setup lang="ts">
import { watchOf, type PourEntry } from '#core'
import { digits, say } from '#shared/figures'
import { useLeakWatch } from '~/composables/useLeakWatch'

/** The wait after a pour: a level that keeps falling is a leak, and a leak reads large. */
const props = defineProps<{ last?: PourEntry }>()
const { wanted, gone, left, running, begin, end, keep } = useLeakWatch(() => props.last)
const seen = computed(() => props.last && watchOf(props.last))
const clock = (s: number) => `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`
</script>

<template>
  <div v-if="last" class="watch">
    <template v-if="running">
      <p class="line"><span class="num count">{{ clock(left) }}</span> <span class="small">{{ left > 0 ? 'wait, then top up to the mark' : 'top up to the mark' }} and read again <span class="quiet">({{ gone }} s gone)</span></span></p>
      <div class="row">
        <FigureField :field="`watch/${last.id}`" label="Reading after the wait" dimension="volume" :commit="figure => keep(figure.value)" />
        <v-btn @click="end">Leave it</v-btn>
      </div>
    </template>
    <p v-else-if="seen" class="small line">
      <template v-if="seen.leaking"><strong class="warn">Leaking: {{ digits(seen.rate, 2) }} cc a minute.</strong> A valve, the plug or the plate. The reading is too large by whatever leaked away.</template>
      <template v-else>Watched {{ last.body.watch!.seconds }} s: the level stood.</template>
    </p>
    <v-btn v-else @click="begin">Watch for a leak, {{ clock(wanted) }}</v-btn>
    <p v-if="!running && !seen && wanted > 300" class="small quiet">This scale is too coarse to see {{ say(0.2, 'volume') }} a minute sooner.</p>
  </div>
</template>

<style scoped>
.watch { margin: 6px 0; }
.line { display: flex; gap: 8px; align-items: baseline; flex-wrap: wrap; }
.count { font-size: var(--s32); line-height: 1; }
.row { display: grid; grid-template-columns: 1fr auto; gap: 8px; align-items: end; margin-bottom: 20px; }
</style>
