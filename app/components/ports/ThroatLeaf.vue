<script setup lang="ts">
import { KINDS, THROAT_AIMS, shareOf, throatRecord, throatStanding, type Figure, type PortName, type ThroatAim } from '#core'
import { figureFault } from '#shared/dto'
import { capital, digits, say } from '#shared/figures'
import { usePorts } from '~/composables/usePorts'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { AIM_WORDS, STANDING_WORDS, sayShare } from '~/words/ports'

/** Every throat of a side: what it is of its valve, what is wanted, and how much that is to open. */
const build = useBuild()
const device = useDevice()
const { side, many, port, ports, scopeOf, same, sayPort, nameOf, choose } = usePorts()
const rows = computed(() => build.replayed ? ports.value.map(one => ({ one, record: throatRecord(build.replayed!, one) })) : [])
const here = computed(() => rows.value.find(({ one }) => same(one, port.value))?.record)
const measured = computed(() => rows.value.filter(({ record }) => record.share))
const smallest = computed(() => measured.value.length > 1 ? measured.value.reduce((a, b) => b.record.share!.value < a.record.share!.value ? b : a) : undefined)
const drawn = computed(() => here.value?.drawn)
const share = computed(() => here.value?.wanted?.share)
const aim = computed(() => share.value === undefined ? undefined : throatStanding(share.value))
/** The bar shows 80 to 95 % of the valve. */
const [LOW, HIGH, LONG] = [0.8, 0.95, 210]
const px = (of: number) => Math.max(1, Math.min(LONG - 1, (of - LOW) / (HIGH - LOW) * LONG))
const AIMS = Object.entries(THROAT_AIMS) as [ThroatAim, { low: number, high: number }][]
const keep = (of: PortName) => async (across: Figure): Promise<string | undefined> => {
  const fault = figureFault(across, { ...KINDS.throat.bounds.across, noun: 'the throat' })
  const valve = build.replayed && throatRecord(build.replayed, of).valve?.estimate.value
  if (fault) return fault
  if (valve !== undefined && across.value >= valve) return `The valve is ${say(valve, 'length', device.lengths)} across: a throat is smaller.`
  return notKept(await build.add('throat', scopeOf(of), { across }))
}
const sentence = ref('')
async function want(to: ThroatAim) {
  const value = Number(shareOf(to).toFixed(3))
  sentence.value = notKept(await build.add('wish', { level: 'build' }, { quantity: `${side.value}ThroatShare`, figure: { value, unit: '%', typed: digits(value * 100, 1) } })) ?? ''
}
</script>

<template>
  <section class="throats">
    <div class="list">
      <v-table :aria-label="`${side} throats`">
        <thead><tr><th>Port</th><th class="field">Throat, across</th><th>of its valve<span class="visually-hidden">, from 80 to 95 %</span></th><th class="r">%</th><th class="r">to open</th></tr></thead>
        <tbody>
          <tr v-for="{ one, record } in rows" :key="`${one.cylinder} ${one.n}`" :class="{ on: same(one, port) }" @focusin="choose(one)">
            <th scope="row" class="num">{{ one.cylinder }}{{ many > 1 ? `, no. ${one.n}` : '' }}</th>
            <td><FigureField :field="`${build.view?.id}/throat/${one.valve}/${one.cylinder}/${one.n}`" :label="`Throat of ${sayPort(one)}`" hide-label dimension="length" :part="record.now" :data-new="same(one, port) && !record.now ? true : undefined" :commit="keep(one)" /></td>
            <td>
              <svg :width="LONG" height="26" aria-hidden="true">
                <rect v-for="[name, band] in AIMS" :key="name" :x="px(band.low)" y="5" :width="px(band.high) - px(band.low)" height="16" class="band" />
                <path v-if="record.wanted" :d="`M${px(record.wanted.share)} 1V25`" class="wanted" />
                <path v-if="record.share" :d="`M0 13H${px(record.share.value)}`" class="share" />
              </svg>
            </td>
            <td class="r num"><strong v-if="record.share">{{ digits(record.share.value * 100, 1) }}</strong><span v-else class="quiet">–</span></td>
            <td class="r num">{{ record.wanted?.toOpen === undefined ? '' : record.wanted.toOpen > 0.02 ? say(record.wanted.toOpen, 'length', device.lengths) : 'there' }}</td>
          </tr>
        </tbody>
      </v-table>
      <p class="small quiet">Boxes: as cast 85 to 87 %, usual 88 to 89 %, brave 90 to 92 % of the valve’s diameter. Shares are by diameter, not by area.</p>
    </div>
    <div class="side">
      <p class="label">{{ nameOf(port) }}, share of its valve</p>
      <p v-if="here?.share" class="big num" data-share>{{ sayShare(here.share.value) }}</p>
      <p v-else class="big quiet">–</p>
      <p v-if="here?.share">{{ capital(STANDING_WORDS[here.share.standing]) }}.</p>
      <p v-else-if="!here?.valve" class="small">State the valve’s diameter, and measure the throat.</p>
      <p v-else class="small">Measure it with an inside calliper, just under the seat, both ways: a throat is seldom round.</p>
      <dl class="small">
        <div v-if="here?.received !== undefined && here.readings.length > 1"><dt>when it came in</dt><dd class="num">{{ say(here.received, 'length', device.lengths) }}</dd></div>
        <div v-if="here?.wanted"><dt>wanted</dt><dd class="num">{{ say(here.wanted.across, 'length', device.lengths) }}</dd></div>
        <div v-if="here?.wanted?.toOpen !== undefined && here.wanted.toOpen > 0.02"><dt>take all round</dt><dd class="num"><strong>{{ say(here.wanted.toOpen / 2, 'length', device.lengths) }}</strong></dd></div>
        <div v-if="drawn"><dt>its valve, by the drawing</dt><dd class="num">{{ say(here!.valve!.estimate.value, 'length', device.lengths) }}</dd></div>
      </dl>
      <StatementField v-if="!drawn" :quantity="`${side}Valve`" :scope="{ level: 'build' }" />
      <h3>How large it is to be</h3>
      <div class="aims" role="group" aria-label="How large it is to be">
        <v-btn v-for="[name, band] in AIMS" :key="name" :variant="aim === name ? 'flat' : 'outlined'" :color="aim === name ? 'primary' : undefined" :aria-pressed="aim === name" @click="want(name)">{{ AIM_WORDS[name].name }}<span class="visually-hidden">, {{ sayShare(band.low) }} to {{ sayShare(band.high) }}</span></v-btn>
      </div>
      <StatementField :quantity="`${side}ThroatShare`" :scope="{ level: 'build' }" no-basis label="As a share of the valve" />
      <p v-if="aim && aim in AIM_WORDS" class="small quiet">{{ AIM_WORDS[aim as ThroatAim].risk }}</p>
      <p v-else-if="aim === 'past'" class="small warn">Past 92 % the seat has hardly any metal under it.</p>
      <p v-if="smallest && smallest.record.wanted === undefined" class="small">{{ nameOf(smallest.one) }} is the smallest: {{ sayShare(smallest.record.share!.value) }}.</p>
      <p v-if="sentence" class="sentence">{{ sentence }}</p>
      <p class="caution">Nobody sees how thick a port’s wall is: leave more than you think, and have it pressure tested.</p>
    </div>
  </section>
</template>

<style scoped>
.throats { display: grid; grid-template-columns: minmax(0, 1fr) 264px; gap: 24px; align-items: start; }
.field { width: 128px; }
.big { font-size: var(--s48); line-height: 1.05; font-weight: 700; }
.band { fill: none; stroke: var(--quiet); }
.share { stroke: var(--ink); stroke-width: 6; }
.wanted { stroke: var(--brass); stroke-width: 3; }
tr.on th { box-shadow: inset 4px 0 var(--dye); }
.side { display: grid; gap: 6px; align-content: start; }
.aims { display: flex; gap: 6px; flex-wrap: wrap; }
dl > div { display: flex; justify-content: space-between; gap: 12px; border-bottom: 1px solid var(--hair); padding: 2px 0; }
dt { color: var(--quiet); }
@media (max-width: 1000px) { .throats { grid-template-columns: minmax(0, 1fr) 220px; gap: 14px; } }
</style>
