<script setup lang="ts">
import { CHAMBER_KINDS, DomainError, VALVE_COUNTS, ValvesTooLarge, asSet, quantityOf, startingSpec, takesValves, type ChamberKind, type ChamberSpec, type Valve } from '#core'
import { say } from '#shared/figures'
import { CHAMBER_WORDS, sayTooLarge } from '#shared/words/chamber'
import { sayRefusal } from '#shared/words/domain'
import { QUANTITY_WORDS } from '#shared/words/quantities'
import { sayValves } from '~/words/engines'
import { useBuild } from '~/stores/build'
import { useDrafts } from '~/stores/drafts'
import { useDevice } from '~/stores/device'

/** A first drawing from bore and valve sizes. */
const emit = defineEmits<{ drawn: [spec: ChamberSpec] }>()
const build = useBuild()
const device = useDevice()
const drafts = useDrafts()
const key = (name: string) => `${build.view?.id}/setout/${build.state?.head}/${name}`
const engine = computed(() => build.replayed?.layout.engine)
/** As the engine was described, until somebody says that this head is another. */
const kinds = computed(() => engine.value?.intakes === 0 ? (['turnedDome'] as const) : CHAMBER_KINDS)
const countOf = (valves: string) => valves.split('+').map(Number) as [number, number]
const kind = computed<ChamberKind>({ get: () => (drafts.get(key('kind')) ?? (engine.value?.intakes === 0 ? 'turnedDome' : engine.value?.chamber) ?? 'wedge') as ChamberKind, set: to => drafts.set(key('kind'), to) })
const counts = computed({ get: () => drafts.get(key('valves')) ?? (engine.value ? `${engine.value.intakes}+${engine.value.exhausts}` : kind.value === 'pentRoof' ? '2+2' : '1+1'), set: to => drafts.set(key('valves'), to) })
const holds = computed(() => build.state?.parts.chamber?.estimate.value)
const typed = (valve: Valve) => asSet(Number(drafts.get(key(valve)) ?? 0) || undefined)
/** As typed here, else as it was stated at Ports. */
const part = (valve: Valve) => typed(valve) ?? quantityOf(build.replayed, `${valve}Valve`, build.cylinder)
const size = (valve: Valve) => part(valve)?.estimate.value
const q = (name: 'bore' | 'intakeTilt' | 'mouthArea' | 'exhaustSeatHeight') => quantityOf(build.replayed, name, build.cylinder)?.estimate.value
const sentence = ref('')
const turned = computed(() => kind.value === 'turnedDome')
async function put(valve: Valve, value: number): Promise<string | undefined> {
  if (!(value >= 8 && value <= 100)) return `A valve’s head is between ${say(8, 'length', device.lengths)} and ${say(100, 'length', device.lengths)} across.`
  drafts.set(key(valve), String(value))
  return undefined
}
function setOut() {
  const bore = q('bore')
  if (!bore) {
    sentence.value = 'State the bore first, on the Section leaf.'
    return
  }
  if (!turned.value && (!size('intake') || !size('exhaust'))) {
    sentence.value = 'Both valves’ diameters are needed: measure across the heads.'
    return
  }
  if (!turned.value && !takesValves(kind.value, ...countOf(counts.value))) {
    sentence.value = 'A first drawing of this kind has one intake and one exhaust valve. Choose two valves, or a pent roof, an open or a flat chamber.'
    return
  }
  try {
    const [intakes, exhausts] = countOf(counts.value)
    emit('drawn', startingSpec(kind.value, {
      bore, intake: size('intake') ?? 0, exhaust: size('exhaust') ?? 0, intakes, exhausts,
      tilt: q('intakeTilt'), mouthArea: q('mouthArea'), seatHeight: q('exhaustSeatHeight'), poured: holds.value
    }))
    sentence.value = ''
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    sentence.value = error instanceof ValvesTooLarge ? sayTooLarge(error, bore, device.lengths) : sayRefusal(error)
  }
}
</script>

<template>
  <form class="setout" @submit.prevent="setOut">
    <BenchSelect id="chamber-kind" v-model="kind" label="Kind of chamber" data-next :items="kinds.map(k => [k, CHAMBER_WORDS[k]] as const)" />
    <BenchSelect v-if="!turned" id="chamber-valves" v-model="counts" label="Valves" data-next :items="VALVE_COUNTS.filter(([i]) => i > 0).map(([i, e]) => [`${i}+${e}`, sayValves(i, e), `${i} + ${e}`] as const)" />
    <template v-if="!turned">
      <FigureField v-for="valve in (['intake', 'exhaust'] as const)" :key="valve" :field="key(`${valve}-size`)" :label="`${valve === 'intake' ? 'Intake' : 'Exhaust'} valve, across`" dimension="length" :usual="QUANTITY_WORDS[valve === 'intake' ? 'intakeValve' : 'exhaustValve'].usual" :part="part(valve)" :commit="f => put(valve, f.value)" />
    </template>
    <v-btn variant="flat" color="primary" type="submit">Draw it</v-btn>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
  </form>
</template>

<style scoped>
.setout { display: grid; grid-template-columns: repeat(auto-fit, minmax(150px, 1fr)); gap: 12px; align-items: end; }
.sentence { grid-column: 1 / -1; }
</style>
