<script setup lang="ts">
import { FILLING_FALLS, demandOf, sectionsRecord, valveAcross, type SectionRow } from '#core'
import { airSpeed, digits, inLengths, say, shown } from '#shared/figures'
import { SECTION_TEXT_LIMIT, readSections } from '#shared/files/sectionText'
import { useFormDraft } from '~/composables/useFormDraft'
import { usePorts } from '~/composables/usePorts'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { sayDay } from '~/words/entries'
import { inTyped } from '~/words/refusals'
import { sayToState } from '~/words/statement'

/** Areas along a port: where it is smallest, how fast the charge goes there, and whether it holds what was poured. */
const build = useBuild()
const device = useDevice()
const { side, port, scopeOf, sayPort, nameOf } = usePorts()
const record = computed(() => build.replayed && sectionsRecord(build.replayed, port.value))
/** Which pour they are held against: of a port that was worked on since, the one they belong to. */
const pourOf = computed(() => record.value?.pour?.at ? `the pour of ${sayDay(record.value.pour.at)}` : 'the pour')
const demand = computed(() => side.value === 'intake' && build.replayed ? demandOf(build.replayed, build.cylinder) : undefined)
const form = useFormDraft(() => `sections/${side.value}/${port.value.cylinder}/${port.value.n}`)
const typed = computed(() => form.text('rows'))
const areaUnit = computed(() => shown(0, 'area', device.lengths).unit)
const valve = computed(() => build.replayed && valveAcross(build.replayed, { cylinder: build.cylinder, valve: 'intake', n: 1 }))
const unit = computed(() => device.lengths === 'in' ? 'in' as const : 'mm' as const)
const sentence = ref('')
async function keep() {
  const text = typed.value.value
  const rows: SectionRow[] | string = text.length > SECTION_TEXT_LIMIT ? 'That is too long for the sections of a port.' : readSections(text, unit.value)
  sentence.value = typeof rows === 'string' ? inTyped(rows, device.lengths) : await form.sent(['rows'], async () => notKept(await build.add('portSections', scopeOf(port.value), { rows })))
}
/** How fast it goes there, in the shop's own unit. */
const fast = (metres: number) => digits(airSpeed(metres, device.lengths).value, 0)
const fastUnit = computed(() => airSpeed(0, device.lengths).unit)
const EXAMPLES = { mm: '“25 1020”, “80 32 x 38 r 8”, or traced “80: 0 0; 32 0; 32 38; 0 38”', in: '“1 1.58”, “3.15 1.26 x 1.5 r 0.3”, or traced “3.15: 0 0; 1.26 0; 1.26 1.5; 0 1.5”' } as const
const toState = computed(() => sayToState(build.replayed, build.cylinder, ['bore', 'stroke', 'rodLength', 'revs'], 'ports'))
const speedAt = computed(() => record.value?.sections.find(s => s.at === record.value!.least.at)?.speed)
const { line, axis, options: looks } = useChartInk()
const area = (mm2: number) => Number(shown(mm2, 'area', device.lengths).number.replace('−', '-'))
const data = computed(() => ({ labels: record.value?.sections.map(s => inLengths(s.at, device.lengths)) ?? [], datasets: record.value ? [line(0, record.value.sections.map(s => ({ x: inLengths(s.at, device.lengths), y: area(s.area) })), 'area', { pointRadius: 3 })] : [] }))
const options = computed(() => looks({
  x: axis(`from the seat, ${unit.value}`, { maxTicksLimit: 8 }, { type: 'linear' as const }), y: axis(`area, ${areaUnit.value}`, { maxTicksLimit: 5, format: { useGrouping: false } }, { beginAtZero: true })
}, 40))
</script>

<template>
  <section class="sections">
    <div class="left">
      <template v-if="record">
        <div class="canvas"><LazyLineChart :data="data" :options="options" :says="`Area along the ${sayPort(port)} port: smallest ${say(record.least.area, 'area', device.lengths)} at ${say(record.least.at, 'length', device.lengths)} from the seat`" /></div>
        <v-table class="close" :aria-label="`Sections of ${sayPort(port)}`">
          <thead><tr><th class="r">from the seat, {{ unit }}</th><th class="r">area, {{ areaUnit }}</th><th v-if="demand" class="r">speed, {{ fastUnit }}</th></tr></thead>
          <tbody>
            <tr v-for="s in record.sections" :key="s.at"><td class="r num">{{ shown(s.at, 'length', device.lengths, -1).number }}</td><td class="r num"><component :is="s.at === record.least.at ? 'strong' : 'span'">{{ shown(s.area, 'area', device.lengths).number }}</component></td><td v-if="demand" class="r num">{{ fast(s.speed!) }}</td></tr>
          </tbody>
        </v-table>
      </template>
      <BenchFold :key="`${side}${port.cylinder}${port.n}${record ? 'more' : 'first'}`" :open="!record || typed.value !== ''" :title="record ? 'Other sections of this port' : 'Sections of this port'">
        <v-textarea id="sections" v-model="typed.value" class="num" label="Sections, one a line" aria-describedby="sections-form" rows="5" spellcheck="false"><template #loader /></v-textarea>
        <p id="sections-form" class="small quiet">How far from the seat in {{ unit }}, then its area; or its width x height, and r with the radius of its corners; or a colon and its points. For example {{ EXAMPLES[device.lengths] }}.</p>
        <div class="row"><v-btn :disabled="typed.value.trim() === ''" @click="keep">Keep the sections</v-btn></div>
        <p v-if="sentence" class="sentence" role="alert">{{ sentence }}</p>
      </BenchFold>
    </div>
    <div class="right">
      <p class="label">{{ nameOf(port) }}, smallest section</p>
      <p class="big num">{{ record ? say(record.least.area, 'area', device.lengths) : '–' }}</p>
      <p v-if="record" class="small">It lies {{ say(record.least.at, 'length', device.lengths, -1) }} from the seat.</p>
      <template v-if="speedAt !== undefined && demand">
        <p class="label">Speed there, at the cylinder’s peak demand</p>
        <p class="mid num">{{ fast(speedAt) }} <span class="unit">{{ fastUnit }}</span></p>
        <p class="small quiet">At {{ demand.revs }} rpm the piston draws {{ say(demand.peak, 'flow', device.lengths, -1) }} at most; air that follows it without delay.</p>
      </template>
      <p v-else-if="side === 'intake' && toState" class="small">{{ toState }}: speeds follow.</p>
      <template v-if="record?.pour">
        <p v-if="Math.abs(record.pour.difference) <= record.pour.allowed" class="small">The sections hold <span class="num">{{ say(record.volume.value, 'volume') }}</span>, {{ pourOf }} found <span class="num">{{ say(record.pour.value, 'volume') }}</span>: they agree within <span class="num">{{ say(record.pour.allowed, 'volume') }}</span>.</p>
        <p v-else class="small"><strong class="warn">The sections hold {{ say(Math.abs(record.pour.difference), 'volume') }} {{ record.pour.difference < 0 ? 'less' : 'more' }} than {{ pourOf }}</strong> of <span class="num">{{ say(record.pour.value, 'volume') }}</span>; their doubt allows {{ say(record.pour.allowed, 'volume') }}. Look for a section that is missing, or a pour that did not end at the flange.</p>
      </template>
      <p v-else-if="record" class="small">The sections hold <span class="num">{{ say(record.volume.value, 'volume') }}</span>. Pour the port: the two should agree.</p>
      <template v-if="side === 'intake'">
        <h3>At the valve</h3>
        <p v-if="demand?.mach !== undefined" class="small">Mach index <strong class="num">{{ digits(demand.mach, 2) }}</strong> at {{ demand.revs }} rpm. Filling falls away between {{ digits(FILLING_FALLS.from, 1) }} and {{ digits(FILLING_FALLS.to, 1) }}: from <strong class="num">{{ digits(demand.falls!.from, 0) }}</strong> to <strong class="num">{{ digits(demand.falls!.to, 0) }} rpm</strong>.</p>
        <p v-else-if="!valve" class="small quiet">State the intake valve’s diameter on the Throats leaf: the Mach index follows from it.</p>
        <p v-else class="small quiet">The Mach index follows with the speeds.</p>
        <StatementField quantity="intakeFlowCoefficient" :scope="{ level: 'build' }" no-basis />
        <p v-if="demand?.assumed" class="small quiet">Without one it is taken as {{ digits(demand.coefficient, 2) }}.</p>
      </template>
    </div>
  </section>
</template>

<style scoped>
.sections { display: grid; grid-template-columns: minmax(0, 1fr) 300px; gap: 24px; align-items: start; }
.left { display: grid; grid-template-columns: minmax(0, 1fr); gap: 10px; }
.canvas { height: 220px; position: relative; }
.right { display: grid; gap: 4px; align-content: start; }
.big { font-size: var(--s48); line-height: 1.05; font-weight: 700; }
.mid { font-size: var(--s32); line-height: 1.1; font-weight: 700; }
.mid .unit { font-size: var(--s18); font-weight: 400; }
.row { display: flex; gap: 10px; align-items: center; flex-wrap: wrap; }
@media (max-width: 1000px) { .sections { grid-template-columns: minmax(0, 1fr) 240px; gap: 14px; } .big { font-size: var(--s32); } }
</style>
