<script setup lang="ts">
import { CHAMBER_KINDS, MOUTH_SHARE_OF, asksFor, cylinderVolume, quantityOf, untyped, type Quantity, type Scope } from '#core'
import { CHAMBER_WORDS } from '#shared/words/chamber'
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'
import { isLeftOver, partFormula } from '~/words/formulas'
import type { Basis } from '~/composables/useStatement'

const build = useBuild()
const whole: Scope = { level: 'build' }
/** The chamber as it was poured has the slot; what the book says stands beneath it. */
const poured = computed(() => {
  const chamber = build.state?.parts.chamber
  return chamber && (chamber.provenance === 'measured' || chamber.provenance === 'derived') ? chamber : undefined
})
const entry = (id: string) => build.byId.get(id)
const focus = ref<string>()
const choices = useChoices()
const leaf = choices.leafOf('sheet')
const leaves = computed(() => choices.leavesOf('sheet'))

interface Slot { quantity: Quantity, label?: string, bases?: Basis[] }
// Sorted by how high their anchors lie in the drawing, so that leaders never cross.
const engine = computed(() => build.replayed?.layout.engine)
const asked = <T extends Slot | 'offers'>(slots: T[]) => slots.filter(slot => asksFor(engine.value, slot === 'offers' ? 'gasketThickness' : (slot as Slot).quantity))
const left = computed(() => asked<Slot>([
  { quantity: 'chamberVolume', label: 'Chamber', bases: ['book', 'assume'] },
  { quantity: 'mouthArea' },
  { quantity: 'crownVolume' },
  { quantity: 'topLandHeight' },
  { quantity: 'crownDiameter' }
]))
const right = computed(() => asked<Slot | 'offers'>([
  { quantity: 'gasketBore' }, { quantity: 'gasketThickness' }, 'offers', { quantity: 'bore' }, { quantity: 'stroke' }, { quantity: 'rodLength' }
]))
const keypad = useKeypad()
/** Height of a callout, and where in it its well has its middle: larger for a finger at the bench. */
const pitch = computed(() => keypad.atBench.value ? { slot: 68, middle: 41 } : { slot: 55, middle: 36 })
const key = (slot: Slot | 'offers') => slot === 'offers' ? 'offers' : slot.quantity
/** The list of gaskets stands under its field. */
const OFFERS = 22
const places = (slots: (Slot | 'offers')[], above = 0) => slots.map((slot, i) =>
  ({ key: key(slot), y: (i + above) * pitch.value.slot + pitch.value.middle + (slots.indexOf('offers') >= 0 && i > slots.indexOf('offers') ? OFFERS : 0) }))
/** Mouths by the kind of chamber, as shares of the bore circle. */
const mouths = computed(() => {
  const bore = quantityOf(build.replayed, 'bore', build.cylinder)?.estimate.value
  if (!bore) return []
  const circle = cylinderVolume(bore, 1000)
  const area = (value: number) => untyped(value, 'mm2', 0)
  return CHAMBER_KINDS.map((kind) => {
    const { value, relativeU } = MOUTH_SHARE_OF[kind]
    return { name: CHAMBER_WORDS[kind], figure: area(circle * value), u: area(circle * value * relativeU) }
  })
})
const watching = (name: string) => (on: boolean) => {
  if (on) focus.value = name
  else if (focus.value === name) focus.value = undefined
}
</script>

<template>
  <div class="sheet" data-station>
    <h1 class="visually-hidden">Sheet</h1>
    <LayoutForm v-if="!build.replayed" />
    <LeafTabs v-else v-model="leaf" :leaves="leaves" label="Sheet" class="tabs" />
    <DeckLeaf v-if="build.replayed && leaf === 'deck'" role="tabpanel" aria-label="Deck" />
    <GasketLeaf v-else-if="build.replayed && leaf === 'gaskets'" role="tabpanel" aria-label="Gaskets" />
    <ChamberLeaf v-else-if="build.replayed && leaf === 'chamber'" :key="build.state?.head" role="tabpanel" aria-label="Chamber" />
    <FaceLeaf v-else-if="build.replayed && leaf === 'face'" :key="`face ${build.state?.head}`" role="tabpanel" aria-label="Face" />
    <TakeInLeaf v-else-if="build.replayed && leaf === 'takeIn'" role="tabpanel" aria-label="Take-in" />
    <template v-else-if="build.replayed">
      <div class="callouts">
        <div class="column">
          <p v-if="poured" class="poured slot"><span class="label">Chamber, {{ isLeftOver(poured, entry) ? 'by the whole' : 'poured' }}</span><FigureReading :label="`Chamber ${build.cylinder}`" :part="poured" dimension="volume" :extra="1" doubt :formula="partFormula('chamber', poured, entry)" /></p>
          <StatementField
            v-for="(slot, i) in left" :key="slot.quantity" :quantity="slot.quantity" :scope="whole" :label="slot.quantity === 'chamberVolume' && poured ? 'Chamber by the book' : slot.label" :bases="slot.bases" :stand-ins="slot.quantity === 'mouthArea' ? mouths : []"
            :data-new="i === 0 ? true : undefined" class="slot" @focused="watching(slot.quantity)($event)"
          />
        </div>
        <BoreSection :focus="focus" :left="places(left, poured ? 1 : 0)" :right="places(right)" class="drawing" />
        <div class="column">
          <template v-for="slot in right" :key="key(slot)">
            <GasketOffers v-if="slot === 'offers'" class="slot offers" @focusin="watching('offers')(true)" @focusout="watching('offers')(false)" />
            <StatementField v-else :quantity="slot.quantity" :scope="whole" class="slot" @focused="watching(slot.quantity)($event)" />
          </template>
        </div>
      </div>
      <fieldset class="decks">
        <legend><h3>Deck clearance, cylinder by cylinder <span class="quiet small">negative where the piston stands proud</span></h3></legend>
        <div class="row">
          <StatementField
            v-for="c in build.cylinders" :key="c" quantity="deckClearance" :scope="{ level: 'cylinder', cylinder: c }" :cylinder="c" :label="`Cylinder ${c}`"
            no-basis @focused="watching('deckClearance')($event)"
          />
        </div>
      </fieldset>
      <div class="low">
        <TargetFields />
        <ValveFields v-if="!engine || engine.intakes > 0" />
        <PortFields v-if="engine?.strokes === 2" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.sheet { padding: 4px 16px; display: flex; flex-direction: column; gap: 5px; overflow: auto; }
.callouts { display: grid; grid-template-columns: 196px minmax(0, 1fr) 196px; min-height: 352px; }
.slot { height: 55px; }
.slot.offers { height: 77px; }
.poured { font-size: var(--s22); font-weight: 700; line-height: 1.1; }
.poured .label { font-weight: 400; }
.drawing { height: 352px; }
.decks legend { margin-bottom: 0; }
.tabs { --leaf-height: 30px; }
.row { display: grid; grid-template-columns: repeat(auto-fit, minmax(96px, 1fr)); gap: 8px; max-width: 100%; }
.low { display: grid; grid-template-columns: 240px minmax(0, 1fr); gap: 16px; }
@media (max-width: 1000px) {
  .tabs { --leaf-height: 44px; }
  .slot { height: 68px; }
  .slot.offers { height: 90px; }
  .drawing { height: 430px; }
  .callouts { grid-template-columns: 190px minmax(0, 1fr) 190px; min-height: 430px; }
  .low { grid-template-columns: 172px minmax(0, 1fr); gap: 12px; }
}
</style>
