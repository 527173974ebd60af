<script setup lang="ts">
import { gasketFigures, gasketPlanned, gasketsOffered, openingLedge, quantityOf, sameGasket, squishLeft, squishOf, squishToKeep, type AsIf, type GasketFigures } from '#core'
import { say, sayList } from '#shared/figures'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { useShop } from '~/stores/shop'

/** The gaskets side by side: what each makes of ratio and squish. And an opening that is no circle. */
const build = useBuild()
const device = useDevice()
const shop = useShop()
const whole = { level: 'build' } as const
const planned = computed(() => build.replayed && gasketPlanned(build.replayed, build.cylinder))
/** With this gasket, or the fitted one, on the cylinder's head, in place of any that is planned there; all else as planned. */
function withGasket(gasket?: GasketFigures): AsIf | undefined {
  const others = (build.replayed?.planned ?? []).filter(op => op.id !== planned.value?.id)
  return build.ifDone(gasket ? [...others, { kind: 'gasketChange', scope: { level: 'head', head: build.state?.head ?? 1 }, body: { state: 'planned', ...gasketFigures(gasket) } }] : others)
}
const offers = computed(() => build.replayed ? gasketsOffered(build.replayed, build.cylinder) : [])
const fitted = computed(() => quantityOf(build.replayed, 'gasketThickness', build.cylinder))
const choices = computed(() => {
  const of = (at: AsIf | undefined, name: string, thickness: number | undefined, id: string) => {
    const { state, squish } = at?.cylinders.find(c => c.cylinder === build.cylinder) ?? {}
    return { id, name, thickness, state, squish }
  }
  return [
    of(withGasket(), 'fitted', fitted.value?.estimate.value, 'fitted'),
    ...offers.value.map(o => of(withGasket(o.body), planned.value && sameGasket(planned.value.body, o.body) ? 'planned' : o.body.name ?? 'available', o.body.thickness.value, o.id))
  ].sort((a, b) => (a.thickness ?? 0) - (b.thickness ?? 0))
})
const keep = computed(() => build.replayed ? squishToKeep(build.replayed, shop.rules, build.cylinder) : {})
const engine = computed(() => squishOf(build.replayed, build.cylinder)?.running ? keep.value.window : undefined)
const tight = ({ squish }: (typeof choices.value)[number]) => build.replayed !== undefined && squish !== undefined && squishLeft(build.replayed, shop.rules, build.cylinder, squish).tight
const area = computed(() => quantityOf(build.replayed, 'gasketArea', build.cylinder)?.estimate.value)
const outline = computed(() => quantityOf(build.replayed, 'gasketOutline', build.cylinder)?.estimate.value)
const bore = computed(() => quantityOf(build.replayed, 'bore', build.cylinder)?.estimate.value)
/** Offered before the opening was stated, and so taken for round. */
const round = computed(() => area.value === undefined ? [] : offers.value.filter(o => !o.body.area))
/** Mean width of the ledge between the opening's edge and the bore. */
const ledge = computed(() => area.value && outline.value && bore.value ? openingLedge({ area: area.value, outline: outline.value, bore: bore.value }) : undefined)
</script>

<template>
  <div class="gaskets">
    <section>
      <h2>Gaskets side by side, cylinder {{ build.cylinder }}</h2>
      <v-table>
        <thead><tr><th>Gasket</th><th class="r">Thickness</th><th class="r">Gasket volume</th><th class="r">Ratio</th><th class="r">Squish, cold</th><th class="r">Running</th><th /></tr></thead>
        <tbody>
          <tr v-for="c in choices" :key="c.id" :class="{ on: c.id === 'fitted' }">
            <td>{{ c.name }}</td>
            <td class="r num">{{ c.thickness === undefined ? '–' : say(c.thickness, 'length', device.lengths) }}</td>
            <td class="r"><FigureReading :label="`Gasket volume, ${c.name}`" :part="c.state?.parts.gasket" dimension="volume" formula="π/4 · gasket bore² · thickness, or area · thickness" /></td>
            <td class="r strong"><FigureReading :label="`Ratio, ${c.name}`" :part="c.state?.ratio" dimension="ratio" /></td>
            <td class="r"><FigureReading :label="`Squish, ${c.name}`" :part="c.squish?.gap" dimension="length" /></td>
            <td class="r"><FigureReading :label="`Running squish, ${c.name}`" :part="c.squish?.running?.gap" dimension="length" /></td>
            <td class="small"><span v-if="tight(c)" class="warn">too tight</span><template v-else-if="engine && c.squish?.running"><span v-if="c.squish.running.gap.estimate.value > engine.most">wide</span><span v-else class="quiet">in the window</span></template></td>
          </tr>
        </tbody>
      </v-table>
      <p v-if="engine" class="small quiet">The shop’s running window here is {{ say(engine.least, 'length', device.lengths) }} to {{ say(engine.most, 'length', device.lengths) }}.</p>
      <p v-else-if="keep.least !== undefined && choices.some(tight)" class="small quiet">The shop’s minimum here is {{ say(keep.least, 'length', device.lengths) }}.</p>
      <PlannedWork :kinds="['gasketChange']" class="add" />
      <div class="add"><GasketOffers /></div>
    </section>
    <section>
      <h2>An opening that is no circle</h2>
      <p class="small quiet">State its area, and the gasket’s volume follows it instead of the bore. The outline’s length tells how wide the ledge is.</p>
      <div class="row">
        <StatementField quantity="gasketArea" :scope="whole" />
        <StatementField quantity="gasketOutline" :scope="whole" />
      </div>
      <p v-if="ledge !== undefined" class="small">{{ ledge >= 0 ? 'It stands outside the bore by' : 'It hangs over the bore by' }} <strong class="num">{{ say(Math.abs(ledge), 'length', device.lengths) }}</strong> on average.<span v-if="ledge < 0" class="warn"> Nothing of a gasket may stand in the chamber.</span></p>
      <p v-if="round.length" class="small" data-round>{{ sayList(round.map(o => say(o.body.thickness.value, 'length', device.lengths))) }}: taken for round, for {{ round.length === 1 ? 'it was' : 'they were' }} offered before. Take {{ round.length === 1 ? 'it' : 'them' }} off the list and add {{ round.length === 1 ? 'it' : 'them' }} again, with this opening.</p>
    </section>
    <section>
      <h2>Whatever else is open to the charge</h2>
      <p class="small quiet">A plug’s hollow that was not poured, or room round valves beside the bore: it adds to what a cylinder holds; a figure below 0 takes from it.</p>
      <div class="row"><StatementField quantity="otherVolume" :scope="whole" /></div>
    </section>
  </div>
</template>

<style scoped>
.gaskets { display: grid; gap: 22px; align-content: start; padding-top: 4px; }
.on td { background: var(--sheet-deep); }
.strong { font-weight: 700; }
.add, .row { max-width: 460px; margin-top: 10px; }
.row { display: grid; grid-template-columns: 1fr 1fr; gap: 12px; padding-bottom: 18px; }
</style>
