<script setup lang="ts">
import { spentOf, type GroundBudget } from '#core'
import { digits, say } from '#shared/figures'
import { useDevice } from '~/stores/device'

/** The cc that grinding may take here, what is drawn so far, and what is left. */
const props = defineProps<{ budget?: GroundBudget, spent: number, /** Whether the chamber it is told by is not solid yet. */ waits: boolean }>()
const device = useDevice()
const left = computed(() => props.budget && spentOf(props.budget, props.spent))
const limit = computed(() => left.value?.limit ?? 0)
const over = computed(() => left.value?.over ?? 0)
const lost = computed(() => left.value?.lost ?? false)
const full = computed(() => Math.max(0.5, limit.value, props.spent) * 1.04)
const share = (cc: number) => `${Math.max(0, Math.min(1, cc / full.value)) * 100}%`
const words = computed(() => {
  const { budget, spent } = props
  if (!budget) return undefined
  if (limit.value <= 0) return { figure: '0', rest: `to spend: with the face down at the ${budget.valve} seat, ${say(budget.depth, 'length', device.lengths)}, it is still ${digits(-budget.cc, 1)} cc over its target.` }
  const of = `of ${digits(limit.value, 2)} cc${budget.toTarget > 0 ? ' to the target' : ''}`
  if (over.value === 0) return { figure: digits(spent, 2), rest: `${of} spent, ${digits(limit.value - spent, 2)} left` }
  return { figure: digits(spent, 2), rest: `${of}: ${digits(over.value, 2)} too much${lost.value ? ` for the ${budget.valve} seat` : ', to be faced back'}` }
})
</script>

<template>
  <div class="budget" data-budget>
    <p v-if="words"><strong class="num" :class="{ warn: lost }">{{ words.figure }}</strong> {{ words.rest }}</p>
    <WaitsForChambers v-else-if="waits" class="small" says="How much may be ground is being worked out." />
    <p v-else class="quiet small">How much may be ground is told once the target is set and the seats’ heights are known.</p>
    <div v-if="limit > 0" class="bar" aria-hidden="true">
      <i class="room" :style="{ width: share(limit) }" /><i class="spent" :style="{ width: share(Math.min(spent, limit)) }" />
      <i v-if="over > 0" class="over" :class="{ lost }" :style="{ left: share(limit), width: `calc(${share(spent)} - ${share(limit)})` }" />
    </div>
  </div>
</template>

<style scoped>
.budget { display: grid; gap: 4px; min-height: 62px; align-content: start; }
p { line-height: 1.2; }
strong { font-size: var(--s32); line-height: 1; }
.bar { position: relative; height: 20px; }
i { position: absolute; top: 0; bottom: 0; left: 0; }
.room { border: 1.5px solid var(--ink); border-right: 4px double var(--ink); }
.spent { background: repeating-linear-gradient(45deg, var(--dye) 0 2.5px, transparent 2.5px 6px); }
.over { background: repeating-linear-gradient(-45deg, var(--ink) 0 2px, transparent 2px 6px); border: 1.5px solid var(--ink); }
.over.lost { background: repeating-linear-gradient(-45deg, var(--stop) 0 3px, transparent 3px 6px); border-color: var(--stop); }
</style>
