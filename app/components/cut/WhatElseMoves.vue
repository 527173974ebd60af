<script setup lang="ts">
import { asksFor, quantityOf } from '#core'
import type { Moves, Quantity } from '#core'
import { digits, say } from '#shared/figures'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { sayDrop } from '~/words/cuts'

/** What lowering the head does beyond the chamber, done and planned together: deck left, cam timing, pushrods, the flanges of a V. */
const props = defineProps<{ moves?: Moves }>()
const build = useBuild()
const device = useDevice()
const whole = { level: 'build' } as const
const mm = (value: number) => say(value, 'length', device.lengths)
const dropped = computed(() => props.moves && sayDrop(props.moves, device.lengths))

interface Line { name: string, formula: string, fields: Quantity[], says: string[], bad?: boolean, datum?: 'run' | 'pushrod' | 'flange' | 'bolts' | 'rolled', only?: boolean }
const lines = computed<Line[]>(() => {
  const { deckLeft, cam, pushrod, flange, valleyLeft, boltLeft, dowelLeft, rolled } = props.moves ?? {}
  const squish = build.planned?.cylinders.find(c => c.cylinder === build.cylinder)?.squish.gap
  const recessed = quantityOf(build.replayed, 'squishRecess', build.cylinder)
  const { left, over } = deckLeft ?? {}
  const all: Line[] = [
    {
      name: 'Squish', formula: 'deck clearance + gasket + recess of the pad', fields: ['squishRecess'],
      says: squish ? [`${mm(squish.estimate.value)} at rest, with what is planned`, recessed ? 'a recessed pad loses until the cut reaches it' : 'a pad in the face keeps its squish whatever is cut; the valves come closer'] : []
    },
    {
      name: 'The head’s deck', formula: 'thickness − cut', fields: ['deckThickness', 'leastDeckThickness'], bad: over !== undefined && over < 0,
      says: left === undefined ? [] : [`${mm(left)} left`, ...(over === undefined ? [] : [over < 0 ? `${mm(-over)} under the minimum` : `${mm(over)} over the minimum`])]
    },
    {
      name: 'Chain or belt drive', datum: 'run', formula: '720 · d · cos ζ / (p · z)', fields: ['runAngle', 'chainPitch', 'camTeeth'],
      says: cam === undefined ? [] : [`the cam ${cam < 0 ? 'comes forward' : 'falls back'} ${digits(Math.abs(cam), 2)}° of crank`]
    },
    {
      name: 'Pushrods', datum: 'pushrod', formula: '(gasket + barrel − head − deck) · cos ψ − s / R', fields: ['pushrodAngle', 'rockerRatio'],
      says: pushrod === undefined ? [] : [pushrod < 0 ? `stand ${mm(-pushrod)} long: shorter ones, or less preload` : `${mm(pushrod)} longer ones are wanted`]
    },
    {
      name: 'Flanges of a V', datum: 'flange', formula: 'd · sin γ / sin α, d · sin(γ + α) / sin α', fields: ['halfBankAngle', 'flangeAngle'],
      says: flange === undefined
        ? []
        : [
            `${mm(Math.abs(flange.offFlange))} ${flange.offFlange < 0 ? 'more gasket on' : 'off'} each flange, and the manifold ${flange.manifoldDown < 0 ? 'goes up' : 'comes down'} ${mm(Math.abs(flange.manifoldDown))}`,
            `left alone: ports ${mm(Math.abs(flange.portsOff))} off, ${mm(Math.abs(flange.gap))} ${flange.gap < 0 ? 'wider' : 'tighter'}`
          ]
    },
    {
      name: 'The valley', formula: 'gap − what the manifold comes down', fields: ['valleyGap'], bad: valleyLeft !== undefined && valleyLeft < 0,
      says: valleyLeft === undefined ? [] : [valleyLeft < 0 ? `take ${mm(-valleyLeft)} off the manifold’s ends, or it rests on the block before the ports meet` : `${mm(valleyLeft)} left under the manifold’s ends for the seal`]
    },
    {
      name: 'Bolts and dowels', datum: 'bolts', formula: 'room − what the head comes down', fields: ['boltSpare', 'dowelSpare'], bad: Math.min(boltLeft ?? 0, dowelLeft ?? 0) < 0,
      says: [
        ...boltLeft === undefined ? [] : [boltLeft < 0 ? `the bolts bottom ${mm(-boltLeft)} before they clamp: washers or shorter bolts` : `${mm(boltLeft)} of thread left below the bolts`],
        ...dowelLeft === undefined ? [] : [dowelLeft < 0 ? `the dowels stand ${mm(-dowelLeft)} too long: shorten them` : `${mm(dowelLeft)} left over the dowels`]
      ]
    },
    {
      name: 'Bolt seats of a rolled head', datum: 'rolled', formula: 'width · tan of the roll', fields: ['boltSeat'], only: rolled === undefined,
      says: rolled ? [`bolt seats and dowel holes lean ${digits(rolled.lean, 2)}°${rolled.over === undefined ? '' : `: ${mm(rolled.over)} from side to side`}`, 'face the seats square again and ream the dowel holes'] : []
    }
  ]
  // What this engine has not is not asked about.
  return all.filter(line => !line.only && (line.says.length > 0 || line.fields.some(name => asksFor(build.replayed?.layout.engine, name))))
})
</script>

<template>
  <div class="else">
    <p v-if="moves && dropped">{{ dropped.by }} {{ dropped.way }} <strong class="num big" data-drop>{{ mm(Math.abs(moves.drop.all)) }}</strong>{{ dropped.done }}</p>
    <section v-for="line in lines" :key="line.name">
      <div class="told">
        <div>
          <h3>{{ line.name }}</h3>
          <p v-for="text in line.says" :key="text" class="num-line" :class="{ warn: line.bad }">{{ text }}</p>
          <p v-if="line.says.length === 0" class="small quiet">Not stated.</p>
          <p v-else class="small quiet num">{{ line.formula }}</p>
        </div>
        <AngleDatum v-if="line.datum" :of="line.datum" class="datum" />
      </div>
      <div class="fields">
        <StatementField v-for="name in line.fields" :key="name" :quantity="name" :scope="whole" no-basis :extra="name === 'camTeeth' ? -2 : 0" />
      </div>
    </section>
    <p class="caution">Bolts may bottom, dowels may stand proud, and plug threads may show in the chamber. A deck thinner than the maker allows is weak, whatever the ratio.</p>
  </div>
</template>

<style scoped>
.else { display: grid; gap: 14px; align-content: start; }
.big { font-size: var(--s32); }
section { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr); gap: 20px; border-top: 1px solid var(--hair); padding-top: 8px; }
.datum { flex: none; }
.told { display: flex; gap: 10px; justify-content: space-between; align-items: flex-start; }
.fields { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 8px; padding-bottom: 6px; }
.num-line { font-size: var(--s18); }
</style>
