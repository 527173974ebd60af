<script setup lang="ts">
import { EDGES, asSet, asksFor, type Figure, type Lever, type Quantity } from '#core'
import { LIMIT_DIMENSIONS, limitFaults, type RouteLimits } from '#core/plan/route/ask'
import type { useRoutes } from '~/composables/useRoutes'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { EDGE_WORDS, LEVER_WORDS, LIMIT_WORDS, SET_UP_WORDS, WANTS_WORDS, sayLimitFault } from '~/words/routes'

/** What may be turned to, and how far: switched and bounded before the search. */
const props = defineProps<{ routes: ReturnType<typeof useRoutes> }>()
const build = useBuild()
const device = useDevice()
type Name = Exclude<keyof RouteLimits, 'edges' | 'insideLine' | 'setUps'>
/** In the order they are met; `free` may be no limit at all. */
const FIELDS: { name: Name, lever?: Lever, asks?: Quantity, several?: boolean, free?: boolean }[] = [
  { name: 'faceLeast', lever: 'face' }, { name: 'faceMost', lever: 'face' }, { name: 'rollMost', lever: 'roll' }, { name: 'deckMost', lever: 'deck' }, { name: 'spacerMost', lever: 'spacer' }, { name: 'groundMost', lever: 'grind' },
  { name: 'past', lever: 'open' }, { name: 'seatsUp', lever: 'seats' }, { name: 'crownMost', lever: 'crown' }, { name: 'squishLeast', free: true }, { name: 'squishMost', free: true }, { name: 'deckLeft', asks: 'deckThickness', free: true }, { name: 'camRetard', asks: 'camTeeth', free: true },
  { name: 'pushrod', asks: 'rockerRatio', free: true }, { name: 'flange', asks: 'flangeAngle', free: true }, { name: 'spread', several: true, free: true }, { name: 'hours', free: true }, { name: 'money', free: true }
]
const dimensionOf = (name: Name) => name in LIMIT_DIMENSIONS ? LIMIT_DIMENSIONS[name as keyof typeof LIMIT_DIMENSIONS] : undefined
const has = (lever?: Lever) => lever === undefined || props.routes.levers.value.some(l => l.lever === lever)
/** What an engine of another kind has not is no limit of its routes. */
const engine = computed(() => build.replayed?.layout.engine)
const asks = (quantity?: Quantity) => quantity === undefined || asksFor(engine.value, quantity)
const fields = computed(() => FIELDS.filter(f => has(f.lever) && asks(f.asks) && (!f.several || build.cylinders.length > 1)))
const edges = computed({ get: () => props.routes.limits.value?.edges ?? EDGES[1], set: value => props.routes.limit('edges', value) })
const setUps = computed({ get: () => String(props.routes.limits.value?.setUps ?? 2), set: value => props.routes.limit('setUps', Number(value)) })
const key = (name: Name) => `${build.view?.id}/route/${name}`
const set = (name: Name) => async (figure: Figure): Promise<string | undefined> => {
  const fault = limitFaults({ ...props.routes.limits.value!, [name]: figure.value })[0]
  if (fault) return sayLimitFault(fault, device.lengths, name)
  props.routes.limit(name, figure.value)
  return undefined
}
const faults = ref<Partial<Record<Name, string>>>({})
function setCount(name: Name, text: string) {
  const value = text.trim() === '' ? null : Number(text.replace(',', '.'))
  const fault = value === null ? undefined : limitFaults({ ...props.routes.limits.value!, [name]: value })[0]
  faults.value = { ...faults.value, [name]: fault && sayLimitFault(fault, device.lengths, name) }
  if (!fault) props.routes.limit(name, value)
}
const text = (name: Name) => props.routes.limits.value?.[name] === undefined ? '' : String(props.routes.limits.value[name])
</script>

<template>
  <section class="levers" aria-label="Levers and limits">
    <h2>What may be done</h2>
    <ul>
      <li v-for="{ lever, wants, cylinder } in routes.levers.value" :key="lever">
        <BenchCheck v-if="!wants" :model-value="routes.isOn(lever)" @update:model-value="routes.turn(lever, $event)"><span class="name">{{ LEVER_WORDS[lever].name }}</span> <span class="small quiet">{{ LEVER_WORDS[lever].what }}</span></BenchCheck>
        <p v-else class="small off"><span class="quiet">{{ LEVER_WORDS[lever].name }}: </span><GoTo :at="WANTS_WORDS[wants].at" :cylinder="cylinder">{{ WANTS_WORDS[wants].says }}<template v-if="cylinder">, cylinder {{ cylinder }}</template></GoTo></p>
      </li>
    </ul>
    <BenchFold title="How far">
      <div class="limits">
        <BenchSelect v-if="asks('intakeSeatHeight')" v-model="edges" label="At the valves" :items="EDGE_WORDS" />
        <BenchCheck v-if="routes.drawn.value" :model-value="routes.limits.value?.insideLine ?? true" @update:model-value="routes.limit('insideLine', $event)">Grind inside the scribed line</BenchCheck>
        <BenchSelect v-if="has('face')" v-model="setUps" label="Cuts of a face" :items="SET_UP_WORDS" />
        <div v-for="f in fields" :key="f.name" class="limit">
          <FigureField v-if="dimensionOf(f.name)" :field="key(f.name)" :label="LIMIT_WORDS[f.name]" :dimension="dimensionOf(f.name)!" :part="asSet(routes.limits.value?.[f.name])" :empty-text="f.free ? 'no limit' : ''" :commit="set(f.name)" />
          <BenchText v-else :model-value="text(f.name)" :label="LIMIT_WORDS[f.name]" inputmode="decimal" :fault="faults[f.name]" @change="setCount(f.name, ($event.target as HTMLInputElement).value)" />
          <v-btn v-if="f.free && routes.limits.value?.[f.name] !== undefined" variant="text" class="none" :aria-label="`${LIMIT_WORDS[f.name]}: no limit`" @click="routes.limit(f.name, null)">×</v-btn>
        </div>
      </div>
    </BenchFold>
    <SchoolLink v-if="has('face')" station="route" />
  </section>
</template>

<style scoped>
.levers { display: flex; flex-direction: column; gap: 6px; min-width: 0; }
li { border-top: 1px solid var(--hair); padding: 2px 0; }
.off { padding: 6px 0 6px 4px; }
.limits { display: grid; grid-template-columns: 1fr; gap: 18px; padding-bottom: 12px; }
.limit { display: grid; grid-template-columns: minmax(0, 1fr) auto; align-items: end; }
.none { min-width: 36px; }
@media (max-width: 1000px) { ul { display: grid; grid-template-columns: 1fr 1fr; column-gap: 16px; } .limits { grid-template-columns: 1fr 1fr 1fr; } }
</style>
