<script setup lang="ts">
import { camRetard, pushrodChange, vFlange, type Quantity } from '#core'
import { digits, say } from '#shared/figures'
import { sayRefusal } from '#shared/words/domain'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'

/** What lowering the head does beyond the chamber: deck left, cam timing, pushrods, the flanges of a V. */
const props = defineProps<{ depth: number }>()
const build = useBuild()
const device = useDevice()
const whole = { level: 'build' } as const
const q = (quantity: Quantity, column: 'asIs' | 'asPlanned' = 'asIs') => build.replayed?.quantity(quantity, build.cylinder, column)?.value.value
const deckCut = computed(() => (build.replayed?.planned ?? []).reduce((sum, op) => sum + (op.kind === 'deckCut' ? op.body.depth.value : 0), 0))
const sunk = computed(() => (build.replayed?.planned ?? []).reduce((most, op) => op.kind === 'seatWork' ? Math.max(most, op.body.sunk?.value ?? 0) : most, 0))
const gasketGain = computed(() => (q('gasketThickness', 'asPlanned') ?? 0) - (q('gasketThickness') ?? 0))
/** How far the head comes down its bore. */
const drop = computed(() => props.depth + deckCut.value - gasketGain.value)
const mm = (value: number) => say(value, 'length', device.lengths)

interface Line { name: string, formula: string, fields: Quantity[], says: string[], bad?: boolean }
function reckoned<T>(values: (number | undefined)[], f: (v: number[]) => T): T | string | undefined {
  if (values.some(v => v === undefined)) return undefined
  try {
    return f(values as number[])
  } catch (error) {
    if (error instanceof RangeError) return sayRefusal(error)
    throw error
  }
}
const lines = computed<Line[]>(() => {
  const squish = build.replayed?.squish(build.cylinder, 'asPlanned').gap
  const left = q('deckThickness') === undefined ? undefined : q('deckThickness')! - props.depth
  const least = q('leastDeckThickness')
  const retard = reckoned([q('runAngle'), q('chainPitch'), q('camTeeth')], ([runAngle, pitch, camTeeth]) => camRetard(drop.value, { runAngle: runAngle!, pitch: pitch!, camTeeth: camTeeth! }))
  const pushrod = reckoned([q('pushrodAngle'), q('rockerRatio')], ([pushrodAngle, rockerRatio]) =>
    pushrodChange({ gasketGain: gasketGain.value, headCut: props.depth, deckCut: deckCut.value, sunk: sunk.value, baseCircleLost: 0 }, { pushrodAngle: pushrodAngle!, rockerRatio: rockerRatio! }))
  const flange = reckoned([q('halfBankAngle'), q('flangeAngle')], ([gamma, alpha]) => vFlange(gamma!, alpha!, drop.value))
  return [
    {
      name: 'Squish', formula: 'deck clearance + gasket + recess of the pad', fields: ['squishRecess'],
      says: squish ? [`${mm(squish.value.value)} at rest, with what is planned`, q('squishRecess') ? 'a recessed pad loses until the cut reaches it' : 'a pad in the face keeps its squish whatever is cut; the valves come closer'] : []
    },
    {
      name: 'The head’s deck', formula: 'thickness − cut', fields: ['deckThickness', 'leastDeckThickness'], bad: left !== undefined && least !== undefined && left < least,
      says: left === undefined ? [] : [`${mm(left)} left`, ...(least === undefined ? [] : [left < least ? `${mm(least - left)} under the least` : `${mm(left - least)} over the least`])]
    },
    {
      name: 'Chain or belt drive', formula: '720 · d · cos ζ / (p · z)', fields: ['runAngle', 'chainPitch', 'camTeeth'],
      says: retard === undefined ? [] : typeof retard === 'string' ? [retard] : [`the cam falls back ${digits(retard, 2)}° of crank`]
    },
    {
      name: 'Pushrods', formula: '(gasket − head − deck) · cos ψ − s / R', fields: ['pushrodAngle', 'rockerRatio'],
      says: pushrod === undefined ? [] : typeof pushrod === 'string' ? [pushrod] : [pushrod < 0 ? `stand ${mm(-pushrod)} long: shorter ones, or less preload` : `${mm(pushrod)} longer ones are wanted`]
    },
    {
      name: 'Flanges of a V', formula: 'd · sin γ / sin α, d · sin(γ + α) / sin α', fields: ['halfBankAngle', 'flangeAngle'],
      says: flange === undefined ? [] : typeof flange === 'string' ? [flange] : [`${mm(flange.offFlange)} off each flange, and the manifold comes down ${mm(flange.manifoldDown)}`, `left alone: ports ${mm(flange.portsOff)} off, ${mm(flange.gap)} tighter`]
    }
  ]
})
</script>

<template>
  <div class="else">
    <p>With <strong class="num">{{ mm(depth) }}</strong> off the face<template v-if="deckCut">, <span class="num">{{ mm(deckCut) }}</span> off the deck</template><template v-if="gasketGain">, a gasket <span class="num">{{ mm(Math.abs(gasketGain)) }}</span> {{ gasketGain < 0 ? 'thinner' : 'thicker' }}</template> the head comes down <strong class="num big">{{ mm(drop) }}</strong></p>
    <section v-for="line in lines" :key="line.name">
      <div>
        <h3>{{ line.name }}</h3>
        <p v-for="text in line.says" :key="text" class="num-line" :class="{ warn: line.bad }">{{ text }}</p>
        <p v-if="line.says.length === 0" class="small quiet">Not stated.</p>
        <p v-else class="small quiet num">{{ line.formula }}</p>
      </div>
      <div class="fields">
        <StatementField v-for="name in line.fields" :key="name" :quantity="name" :scope="whole" no-basis :extra="name === 'camTeeth' ? -2 : 0" />
      </div>
    </section>
    <p class="caution">Bolts may bottom, dowels stand long, plug threads show. A deck under the maker’s least is weak, whatever the ratio.</p>
  </div>
</template>

<style scoped>
.else { display: grid; gap: 14px; align-content: start; }
.big { font-size: var(--s32); }
section { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr); gap: 20px; border-top: 1px solid var(--hair); padding-top: 8px; }
.fields { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 8px; padding-bottom: 6px; }
.num-line { font-size: var(--s18); }
</style>
