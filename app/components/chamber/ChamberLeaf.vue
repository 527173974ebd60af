<script setup lang="ts">
import { DOME_FORMS, FACTOR_WINDOW, mouthOf, mouthOff, outlineArea, quantityOf, turnedShape, type ChamberSpec, type DomeForm, type Quantity, type Scope } from '#core'
import { digits, say } from '#shared/figures'
import { CHAMBER_WORDS, DOME_WORDS, SUSPECT_WORDS, sayFault } from '#shared/words/chamber'
import { useDrawing } from '~/composables/useDrawing'
import { askSolids } from '~/composables/useSolids'
import { sayGroup } from '~/words/entries'
import { download } from '~/papers/download'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'

/** The chamber's drawing: set out from valve sizes, points dragged or typed, brought to the pour. */
const build = useBuild()
const device = useDevice()
const { head, kept, draft, drawn, model, plain, faults, poured, facts, live, working, draw, turn, setOut: drawAnew, face, wasCut, keep, back } = useDrawing()
const sentence = ref('')
const again = ref(false)
const headScope = computed<Scope>(() => ({ level: 'head', head: head.value }))
const own = computed<Scope>(() => ({ level: 'cylinder', cylinder: build.cylinder }))
const spec = computed(() => drawn.value?.spec)
const q = (name: Quantity) => quantityOf(build.replayed, name, build.cylinder)
const kinds = computed(() => [...new Set(spec.value?.valves.map(v => v.valve))])
const first = (valve: string) => spec.value!.valves.findIndex(v => v.valve === valve)
const roofFields = computed(() => {
  switch (spec.value?.roof.shape) {
    case 'sphere': return ['roof.height', 'roof.radius']
    case 'turned': return ['roof.recess', 'roof.band', 'roof.domeRadius', 'roof.height', ...spec.value.roof.section ? ['roof.corner'] : []]
    case 'plane': return ['roof.height', 'roof.slope', 'draft', 'floorRadius']
    default: return ['roof.height', 'roof.slope', 'draft', 'floorRadius']
  }
})
const mouth = computed(() => plain.value ? outlineArea(mouthOf(plain.value)) : undefined)
/** A mouth that was measured and is drawn otherwise: cuts go by the drawing, so it is told. */
const drawnOff = computed(() => {
  const stated = q('mouthArea')
  return stated?.provenance === 'measured' && mouth.value ? mouthOff(mouth.value, stated.estimate.value) : undefined
})
const stated = computed(() => q('chamberVolume'))
const fits = computed(() => facts.value && facts.value.factor >= FACTOR_WINDOW[0] && facts.value.factor <= FACTOR_WINDOW[1] && facts.value.reached)
const verdict = computed(() => {
  if (!facts.value) return ''
  if (poured.value === undefined) return `Not poured yet: it stands as drawn${stated.value ? `, where the Sheet says ${say(stated.value.estimate.value, 'volume')}` : ''}. The first pour brings it to size.`
  if (fits.value) return `The drawing fits the pour: roof and walls were moved by ${digits(Math.abs(facts.value.factor - 1) * 100, 1)} % to meet it.`
  const [check, next] = facts.value.suspects
  return `The pour is ${digits(facts.value.factor, 2)} of the drawing. Check ${check ? SUSPECT_WORDS[check.dimension] : 'the drawing'} first${next ? `, then ${SUSPECT_WORDS[next.dimension]}` : ''}.`
})
/** A change made to every valve of a kind alike, as the cutters do. */
function alike(changed: ChamberSpec, valve: string) {
  const from = changed.valves[first(valve)]!
  const { diameter, leans: _leans, x: _x, y: _y, ...form } = from
  draw({ ...changed, valves: changed.valves.map(v => v.valve === valve ? { ...v, diameter, ...form } : v) })
}
const domeForm = computed(() => spec.value?.roof.shape === 'turned' ? turnedShape(spec.value, 0)?.dome.form : undefined)
function setForm(form: DomeForm) {
  const { roof } = spec.value!
  if (roof.shape !== 'turned') return
  const { section: _s, corner, ...rest } = roof
  draw({ ...spec.value!, roof: { ...rest, toroid: form === 'torus', ...(form === 'cone' || form === 'flat' ? { section: form, corner: corner ?? Math.min(2, roof.height) } : {}) } })
}
function setOut(to: ChamberSpec) {
  drawAnew(to)
  again.value = false
}
async function stl() {
  if (!facts.value) return
  const answer = await askSolids('stl', 'stl', { key: facts.value.key })
  if (answer.kind !== 'done') return
  download(answer.value, 'model/stl', `${build.view?.name ?? 'chamber'} cylinder ${build.cylinder}.stl`)
}
</script>

<template>
  <div class="leaf">
    <SetOut v-if="!spec || again" class="wide" @drawn="setOut" />
    <template v-if="spec && plain">
      <div class="left">
        <ChamberPlan :spec="plain" :bore="q('bore')?.estimate.value ?? 90" :gasket-bore="q('gasketBore')?.estimate.value" :label="`Chamber of head ${head}, seen from below`" class="drawing">
          <template #handles="{ at, scale }"><OutlineHandles :spec="spec" :at="at" :scale="scale" :faults="faults" @change="draw" /></template>
        </ChamberPlan>
        <p v-if="faults.length" class="sentence" role="status">{{ sayFault(faults[0]!, device.lengths) }} The last drawing that worked is still shown.</p>
        <p v-else class="small quiet">Drag points and valves, or use the arrow keys.<template v-if="build.rowBegins"> Face up, intake side away, cylinder {{ build.rowBegins.cylinder }} lies at the {{ build.rowBegins.left ? 'left' : 'right' }}.</template></p>
        <div class="row">
          <StatementField quantity="boreSpacing" :scope="{ level: 'build' }" no-basis class="spacing" />
          <fieldset v-if="build.cylinders.length > 1" class="turns">
            <legend class="label">Mirrored cylinders</legend>
            <BenchCheck v-for="c in build.replayed!.layout.heads[head - 1]" :key="c" class="small" :label="String(c)" :model-value="drawn?.mirrored.includes(c) ?? false" @update:model-value="turn(c)" />
          </fieldset>
        </div>
        <p v-if="wasCut" class="small" data-face>
          Drawn on the face <template v-if="drawn?.face === 'cast'">as it was cast</template><template v-else-if="drawn?.face">as it was on {{ new Date(drawn.face).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' }) }}</template><template v-else>as it was at first</template>; <span class="num">{{ say(model?.done.depth ?? 0, 'length', device.lengths) }}</span> has come off since.
          <v-btn variant="text" class="go" @click="face(drawn?.face === 'cast' ? 'now' : 'cast')">{{ drawn?.face === 'cast' ? 'It shows the face of today' : 'It shows the face as cast' }}</v-btn>
        </p>
        <div class="row">
          <v-btn v-if="draft" variant="flat" color="primary" :disabled="faults.length > 0" @click="keep().then(said => sentence = said ?? '')">Keep this chamber</v-btn>
          <v-btn v-if="draft && kept" @click="back">Back to what is kept</v-btn>
          <v-btn @click="again = !again">Start the drawing again</v-btn>
          <v-btn v-if="facts" @click="stl">STL of cylinder {{ build.cylinder }}</v-btn>
        </div>
        <p v-if="sentence" class="sentence">{{ sentence }}</p>
      </div>
      <div class="right">
        <div class="head">
          <p class="label">{{ (build.replayed?.layout.heads.length ?? 1) > 1 ? `${sayGroup('Head', head, build.replayed!.layout.heads)}. ` : '' }}{{ CHAMBER_WORDS[spec.kind] }}, cylinder {{ build.cylinder }}{{ model?.mirrored ? ', mirrored' : '' }}</p>
          <p v-if="facts" class="big"><template v-if="poured === undefined"><span class="num" data-factor>{{ digits(facts.asDrawn, 1) }}</span> <span class="unit">cc as drawn</span></template><template v-else><span class="num" data-factor>{{ digits(facts.factor, 3) }}</span> <span class="unit">poured over drawn</span></template></p>
          <p v-if="facts" class="small" data-verdict :class="{ warn: poured !== undefined && !fits }">{{ verdict }}</p>
          <p v-if="drawnOff !== undefined" class="small warn" data-mouth-off>The mouth is drawn {{ digits(Math.abs(drawnOff) * 100, 0) }} % {{ drawnOff > 0 ? 'larger' : 'smaller' }} than it was measured, and cuts go by the drawing. Move its outline or its pads, or measure again.</p>
          <p v-if="facts" class="small num"><template v-if="poured !== undefined">{{ digits(facts.asDrawn, 1) }} cc drawn · </template>{{ digits(live ?? facts.volume, 2) }} cc now · mouth {{ say(mouth ?? 0, 'area', device.lengths) }}{{ working ? ' · working' : '' }}</p>
        </div>
        <div class="grid">
          <BenchSelect v-if="domeForm" id="dome-form" class="form" label="Dome" :model-value="domeForm" :items="DOME_FORMS.map(form => [form, DOME_WORDS[form]] as const)" @update:model-value="setForm($event!)" />
          <SpecField v-for="path in roofFields" :key="`${spec.kind}${path}`" :spec="spec" :path="path" :data-new="path === 'roof.height' ? true : undefined" @change="draw" />
          <SpecField v-for="(pad, i) in spec.pads" :key="`pad${i}`" :spec="spec" :path="`pads[${i}].chord`" :label="`Pad ${i + 1}, chord`" @change="draw" />
        </div>
        <section v-for="valve in kinds" :key="valve">
          <h3>{{ valve === 'intake' ? 'Intake' : 'Exhaust' }}</h3>
          <div class="grid">
            <SpecField :spec="spec" :path="`valves[${first(valve)}].diameter`" :label="`${valve === 'intake' ? 'Intake' : 'Exhaust'} across`" @change="alike($event, valve)" />
            <StatementField :quantity="`${valve}Tilt`" :scope="headScope" no-basis label="Tilt" />
            <StatementField :quantity="`${valve}SeatHeight`" :scope="headScope" no-basis label="Seat edge" />
            <StatementField :quantity="`${valve}TopCutHeight`" :scope="headScope" no-basis label="Top cut edge" />
            <SpecField :spec="spec" :path="`valves[${first(valve)}].seatWidth`" @change="alike($event, valve)" />
            <SpecField :spec="spec" :path="`valves[${first(valve)}].topCutWidth`" @change="alike($event, valve)" />
            <SpecField :spec="spec" :path="`valves[${first(valve)}].topCutAngle`" @change="alike($event, valve)" />
            <StatementField :quantity="`${valve}Sunk`" :scope="own" no-basis :label="`Sunk, cyl. ${build.cylinder}`" />
          </div>
          <p v-if="model?.seats[valve] === 'assumed'" class="small quiet">Nobody measured this seat’s height: drawn at <span class="num">{{ say(spec.valves[first(valve)]!.seatHeight, 'length', device.lengths) }}</span>, and its margins are assumed.</p>
        </section>
      </div>
    </template>
    <p v-else class="quiet">Draw the chamber, and cuts are exact and the seats are watched. It takes two minutes: start with the bore and the valve sizes, and put the rest right later.</p>
  </div>
</template>

<style scoped>
.leaf { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1.05fr); gap: 8px 20px; flex: 1; min-height: 0; align-content: start; }
.wide { grid-column: 1 / -1; }
.left { display: flex; flex-direction: column; gap: 4px; min-height: 0; }
.drawing { height: 386px; }
.right { display: flex; flex-direction: column; gap: 8px; min-height: 0; }
.big { font-size: var(--s48); line-height: 1.05; font-weight: 700; }
.big .unit { font-weight: 400; font-size: var(--s15); }
.grid { display: grid; grid-template-columns: repeat(4, minmax(0, 1fr)); gap: 6px 8px; }
.grid :deep(.v-text-field__suffix) { padding-right: 6px; }
.grid :deep(.v-field-label) { white-space: nowrap; }
.form { grid-column: span 2; }
.row { display: flex; flex-wrap: wrap; gap: 8px; align-items: end; }
.spacing { width: 120px; }
.turns { display: flex; flex-wrap: wrap; gap: 10px; align-items: center; }
.turns .bench-check { flex: none; }
@media (max-width: 1000px) { .leaf { grid-template-columns: minmax(0, 1fr); } .drawing { height: 380px; } }
</style>
