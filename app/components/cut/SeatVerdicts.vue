<script setup lang="ts">
import { overLeast, worstHit, type Provenance, type SeatVerdict, type ValveRoom, type ValveStanding } from '#core'
import { digits, say, sayList } from '#shared/figures'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { useShop } from '~/stores/shop'

/** What the cut means for the valves, in words: seats, top cuts, and what is left to the piston. */
const props = defineProps<{ all: { cylinder: number, seats: Record<'intake' | 'exhaust', Provenance>, valves: ValveRoom[] }[], standings: ValveStanding[], ready: boolean }>()
const build = useBuild()
const device = useDevice()
const shop = useShop()
const mm = (value: number) => say(value, 'length', device.lengths)
const mine = computed(() => props.all.find(c => c.cylinder === build.cylinder))
const WORDS: Record<SeatVerdict, string> = { clear: 'clear', topCutLost: 'top cut loses an arc', seatJob: 'seat job needed', stop: 'stop' }
/** What nobody may miss, and how it is told of other cylinders. */
const BAD = { seatJob: 'Seat job needed', stop: 'Stop: the seats are gone' } as const
const isBad = (verdict: SeatVerdict) => verdict in BAD
const WAYS = { upright: 'upright: d', alongValve: 'along the valve: d / cos τ', pocket: 'in its pocket: d · cos τ' } as const
const lines = computed(() => (['intake', 'exhaust'] as const).flatMap((kind) => {
  const worstIn = (valves: readonly ValveRoom[]) => worstHit(valves.filter(v => v.valve.valve === kind))
  const worst = worstIn(mine.value?.valves ?? [])
  if (!worst) return []
  const { seat, topCut, verdict, tilt } = worst
  // Whoever looks at a cylinder that is clear is told of those that are not.
  const others = (['seatJob', 'stop'] as const).flatMap((bad) => {
    const cylinders = props.all.filter(c => c.cylinder !== build.cylinder && worstIn(c.valves)?.verdict === bad).map(c => c.cylinder)
    return cylinders.length > 0 ? [`${bad === verdict ? 'The same' : BAD[bad]} on ${sayList(cylinders)}.`] : []
  })
  const standing = props.standings.find(s => s.valve === kind)?.clearance
  const kept = standing && overLeast(build.replayed, shop.rules, build.cylinder, { name: `${kind}Clearance`, then: standing.left })
  return [{
    kind, verdict, assumed: mine.value!.seats[kind] === 'assumed', bad: isBad(verdict), others,
    seat: seat.margin > 0 ? `seat ${mm(seat.margin)} clear` : `${digits(seat.arcLost, 0)}° of the seat gone`,
    topCut: topCut.margin > 0 ? `top cut ${mm(topCut.margin)} clear` : `${digits(topCut.arcLost, 0)}° of its top cut gone`,
    touch: [['top cut', topCut.firstTouch] as const, ['seat', seat.firstTouch] as const].filter(([, at]) => at > 0),
    piston: standing && { estimate: standing.left, provenance: 'derived' as const, entries: standing.measured.entries }, pistonBad: (kept?.over ?? 0) < 0,
    how: standing && kept ? `${mm(standing.measured.estimate.value)} measured − ${mm(standing.lost.value)} = drop at the valve, ${WAYS[props.standings.find(s => s.valve === kind)!.convention]}; the shop’s minimum ${mm(kept.least)}` : '',
    tilt: Math.abs(tilt - worst.valve.tilt) > 0.02 ? `valve then at ${say(tilt, 'angle', device.lengths)}` : ''
  }]
}))
</script>

<template>
  <WaitsForChambers v-if="!ready" says="Not known yet: it is being worked out on the drawn chambers." />
  <ul v-else class="verdicts">
    <li v-for="line in lines" :key="line.kind" :data-verdict="line.kind">
      <strong class="word" :class="{ warn: line.bad }">{{ line.kind === 'intake' ? 'Intake' : 'Exhaust' }}: {{ WORDS[line.verdict] }}</strong>
      <span class="small">{{ line.seat }}, {{ line.topCut }}. <template v-if="line.touch.length">First touch: <template v-for="([part, at], i) in line.touch" :key="part">{{ i ? ', ' : '' }}{{ part }} <span class="num">{{ mm(at) }}</span></template></template><template v-if="line.piston">{{ line.touch.length ? '; ' : '' }}<span :class="{ warn: line.pistonBad }"><FigureReading :label="`${line.kind} to piston`" :part="line.piston" dimension="length" :formula="line.how" /> to the piston</span></template><template v-if="line.tilt">; {{ line.tilt }}</template>.<template v-if="line.assumed"> Its height is assumed.</template><template v-for="other in line.others" :key="other">{{ ' ' }}{{ other }}</template></span>
    </li>
  </ul>
</template>

<style scoped>
.verdicts { display: grid; gap: 3px; }
p { min-height: 76px; }
.word { font-size: var(--s18); margin-right: 8px; }
</style>
