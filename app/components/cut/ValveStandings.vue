<script setup lang="ts">
import { isCutInto, leastClearance, overLeast, rodMaterialOf, type ValveStanding } from '#core'
import { say, shown } from '#shared/figures'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { useShop } from '~/stores/shop'

const props = defineProps<{ valves: ValveStanding[], depth: number }>()
const device = useDevice()
const build = useBuild()
const shop = useShop()
const rod = computed(() => rodMaterialOf(build.replayed, build.cylinder) ?? 'steel')
const least = computed(() => ({ intake: leastClearance(shop.rules, 'intakeClearance', rod.value), exhaust: leastClearance(shop.rules, 'exhaustClearance', rod.value) }))
const ways = { upright: 'upright', alongValve: 'along the valve', pocket: 'in its pocket' } as const
const mm = (value: number) => say(value, 'length', device.lengths)
/** The same without its unit, for the second figure of a line. */
const bare = (value: number) => shown(value, 'length', device.lengths).number
const lines = computed(() => props.valves.flatMap((v) => {
  const list: { key: string, text: string, bad: boolean }[] = []
  if (v.clearance) {
    const { left, lost, side } = v.clearance
    list.push({
      key: `${v.valve}c`, bad: overLeast(build.replayed, shop.rules, build.cylinder, { name: `${v.valve}Clearance`, then: left }).over < 0,
      text: `${v.valve} to piston ${mm(left.value)} left ${ways[v.convention]}, ${bare(lost.value)} gone${side ? `, ${bare(side)} off its side` : ''}`
    })
  }
  if (v.seatLeft) list.push({ key: `${v.valve}s`, bad: isCutInto(v.seatLeft.value), text: isCutInto(v.seatLeft.value) ? `${v.valve} seat cut into by ${mm(-v.seatLeft.value)}: a new seat job, or scrap` : `${v.valve} seat ${mm(Math.max(0, v.seatLeft.value))} clear of the face` })
  if (v.topCutLeft && isCutInto(v.topCutLeft.value)) list.push({ key: `${v.valve}t`, bad: false, text: `${v.valve} top cut loses an arc (${mm(-v.topCutLeft.value)} past its low edge)` })
  return list
}))
</script>

<template>
  <div>
    <h3>What the cut takes at the valves</h3>
    <ul class="small">
      <li v-for="line in lines" :key="line.key" :class="{ warn: line.bad }">{{ line.bad ? 'Look: ' : '' }}{{ line.text }}</li>
    </ul>
    <p v-if="lines.length === 0" class="small quiet">Nothing is stated about the valves. The Sheet has their heights and clearances.</p>
    <p v-else class="small quiet">The shop’s minimum: {{ mm(least.intake) }} intake, {{ mm(least.exhaust) }} exhaust; the maker’s come first.</p>
  </div>
</template>
