<script setup lang="ts">
import { CLEARANCES, asksFor, leastClearance, nearestPiston, overLeast, uncertainty, quantityOf, clearancesOf, rodMaterialOf, type ClearanceName, type ClearanceStep, type Part } from '#core'
import { QUANTITY_WORDS } from '#shared/words/quantities'
import { digits, say, sayDoubt } from '#shared/figures'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { useShop } from '~/stores/shop'
import { sayKind } from '~/words/entries'

/** Everything that could touch: as measured, as it is now, and what each planned operation takes or gives back. */
const build = useBuild()
const device = useDevice()
const shop = useShop()
const steps = computed(() => new Map((clearancesOf(build.replayed, build.cylinder) ?? []).map(s => [s.name, s])))
const rod = computed(() => rodMaterialOf(build.replayed, build.cylinder) ?? 'steel')
const least = (name: ClearanceName) => leastClearance(shop.rules, name, rod.value)
const over = (step: ClearanceStep) => overLeast(build.replayed, shop.rules, build.cylinder, step).over
/** What has least left first, what nobody measured last; the order stays while a hand is typing. */
const order = shallowRef<readonly ClearanceName[]>(CLEARANCES)
const left = (name: ClearanceName) => steps.value.has(name) ? over(steps.value.get(name)!) : 99
watch(() => build.cylinder, () => order.value = [...CLEARANCES].sort((a, b) => left(a) - left(b)), { immediate: true })
/** An engine without valves has a dome that can touch, and nothing else. */
const asked = (name: ClearanceName) => asksFor(build.replayed?.layout.engine, name) || steps.value.has(name)
const rows = computed(() => order.value.filter(asked).map(name => ({ name, step: steps.value.get(name) })))
/** Bars to one scale: 40 px a millimetre, as far as their place reaches. */
const LONG = 200
const px = (mm: number) => Math.max(0, Math.min(LONG - 2, mm * 40))
const derived = (step: ClearanceStep | undefined, which: 'now' | 'then'): Part | undefined => step && {
  estimate: step[which], provenance: step[which].value === step.measured.estimate.value ? step.measured.provenance : 'derived', entries: step.measured.entries
}
const conventionOf = (name: ClearanceName) => {
  const body = build.byId.get(steps.value.get(name)?.measured.entries[0] ?? '')?.body
  const way = body && 'convention' in body ? body.convention : undefined
  if (name !== 'intakeClearance' && name !== 'exhaustClearance') return ''
  return { upright: 'upright', alongValve: 'along the valve', pocket: 'in a pocket, along it' }[way ?? 'upright']
}
const tilt = (name: ClearanceName) => quantityOf(build.replayed, name.startsWith('exhaust') ? 'exhaustTilt' : 'intakeTilt', build.cylinder)?.estimate.value
const formula = (name: ClearanceName) => ({
  intakeClearance: 'd upright, d / cos tilt along the valve, d · cos tilt in a pocket', exhaustClearance: 'd upright, d / cos tilt along the valve, d · cos tilt in a pocket',
  intakeSide: 'd · sin tilt to the pocket’s side', exhaustSide: 'd · sin tilt to the pocket’s side', valveToValve: 'a drop of the head leaves it alone', domeToChamber: 'd, the whole drop'
})[name]
const nearest = computed(() => build.replayed && nearestPiston(build.replayed.ledger))
const worst = computed(() => [...steps.value.values()].filter(s => over(s) < 0).sort((a, b) => over(a) - over(b))[0])
</script>

<template>
  <section class="clearances">
    <p v-if="worst" class="verdict" role="status"><strong class="warn">{{ QUANTITY_WORDS[worst.name].label }}</strong> comes to <strong class="num">{{ say(worst.then.value, 'length', device.lengths) }}</strong>, <span class="num">{{ say(-over(worst), 'length', device.lengths) }}</span> under the shop’s minimum.</p>
    <p v-else-if="steps.size" class="verdict">Every clearance stated of cylinder {{ build.cylinder }} keeps the shop’s minimum, with all that is planned.</p>
    <p v-else-if="!asked('intakeClearance')" class="verdict quiet">Measure with clay on the dome, the head torqued, the engine turned by hand over top dead centre.</p>
    <p v-else class="verdict quiet">Measure with clay, or with soft springs and a dial. The intake comes nearest about 10° after top, the exhaust about 10° before: search 20° either side.</p>
    <v-table>
      <thead><tr><th>Clearance</th><th class="field">measured</th><th>what is left of it</th><th class="r">then</th><th class="r">over the minimum</th></tr></thead>
      <tbody>
        <tr v-for="{ name, step } in rows" :key="name" :data-clearance="name">
          <th scope="row">{{ QUANTITY_WORDS[name].label }}<br><span v-if="step && conventionOf(name)" class="small quiet">{{ conventionOf(name) }}<template v-if="tilt(name)">, {{ digits(tilt(name)!, 0) }}° tilt</template></span></th>
          <td><StatementField :quantity="name" :scope="{ level: 'build' }" hide-label no-basis says-whom /><p v-if="step?.on" class="small quiet" data-carried>cylinder {{ step.on }}’s, by deck{{ build.closed ? '' : ' and gasket' }}</p></td>
          <td>
            <template v-if="step">
              <svg :width="LONG" height="22" aria-hidden="true">
                <rect x="0" y="7" :width="px(step.now.value)" height="8" class="now" />
                <rect x="0" y="4" :width="px(step.then.value)" height="14" class="left" :class="{ short: over(step) < 0 }" />
                <path :d="`M${px(least(name)) - 1.5} 0V22M${px(least(name)) + 1.5} 0V22`" class="least" />
              </svg>
              <p class="small quiet">
                now <FigureReading :label="`${QUANTITY_WORDS[name].label} now`" :part="derived(step, 'now')" dimension="length" />
                <span v-for="p in step.planned.filter(one => Math.abs(one.change.value) > 1e-9)" :key="p.operation.id">, {{ sayKind(p.operation.kind).toLowerCase() }} <span class="num">{{ p.change.value > 0 ? '+' : '' }}{{ say(p.change.value, 'length', device.lengths) }}</span></span>
              </p>
            </template>
          </td>
          <td class="r then"><FigureReading :label="`${QUANTITY_WORDS[name].label} then`" :part="derived(step, 'then')" dimension="length" :formula="formula(name)" /><br v-if="step"><span v-if="step" class="small quiet num pm">{{ sayDoubt(uncertainty(step.then), 'length', device.lengths) }}</span></td>
          <td class="r num" :class="{ warn: step && over(step) < 0 }">{{ !step ? '' : over(step) < 0 ? `${say(-over(step), 'length', device.lengths)} under` : say(over(step), 'length', device.lengths) }}<br><span class="small quiet">min. {{ say(least(name), 'length', device.lengths) }}</span></td>
        </tr>
      </tbody>
    </v-table>
    <p v-if="nearest" class="small" data-nearest>The piston of cylinder {{ nearest.cylinder }} comes <span class="num">{{ say(nearest.by, 'length', device.lengths) }}</span> nearer to its head than the lowest one. Say at the figure which cylinder it was measured on: the others {{ build.closed ? 'follow by deck' : 'of that head follow by deck and gasket' }}.</p>
    <p class="small quiet">These minimums are this shop’s own, from the Shop page. The engine maker’s figures and the cam card come first.</p>
  </section>
</template>

<style scoped>
.clearances { display: grid; gap: 8px; align-content: start; }
.verdict { font-size: var(--s18); }
.field { width: 200px; }
.then { font-weight: 700; }
.now { fill: none; stroke: var(--ink); stroke-width: 1; }
.left { fill: var(--dye); }
.left.short { fill: var(--stop); }
.least { stroke: var(--ink); stroke-width: 1; }
.r { white-space: nowrap; }
.pm, .warn .quiet { font-weight: 400; }
.v-table :deep(tbody th), .v-table :deep(tbody td) { vertical-align: top; }
.v-table :deep(tbody th) { padding-top: 6px; }
</style>
