<script setup lang="ts">
import { CLEARANCES, leastClearance, overLeast, uncertainty, quantityOf, clearancesOf, rodMaterialOf, type ClearanceName, type ClearanceStep, type Part } from '#core'
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
const planned = computed(() => (build.replayed?.planned ?? []).filter(op => ['faceCut', 'deckCut', 'gasketChange', 'seatWork'].includes(op.kind)
  && [...steps.value.values()].some(s => s.planned.some(p => p.operation.id === op.id))))
const change = (step: ClearanceStep | undefined, id: string) => step?.planned.find(p => p.operation.id === id)?.change.value
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
const over = (step: ClearanceStep) => overLeast(build.replayed, shop.rules, build.cylinder, step).over
const worst = computed(() => [...steps.value.values()].filter(s => over(s) < 0).sort((a, b) => over(a) - over(b))[0])
</script>

<template>
  <section class="valves">
    <p v-if="worst" class="verdict" role="status"><strong class="warn">{{ QUANTITY_WORDS[worst.name].label }}</strong> comes to <strong class="num">{{ say(worst.then.value, 'length', device.lengths) }}</strong>, <span class="num">{{ say(-over(worst), 'length', device.lengths) }}</span> under what the shop lets out.</p>
    <p v-else-if="steps.size" class="verdict">Everything stated keeps the shop’s least, with all that is planned.</p>
    <p v-else class="verdict quiet">Clay or soft springs and a dial: intake around 10° after top, exhaust around 10° before, and search 20° either side.</p>
    <v-table>
      <thead>
        <tr>
          <th>Clearance</th><th class="field">measured</th><th class="r">now</th>
          <th v-for="op in planned" :key="op.id" class="r">{{ sayKind(op.kind) }}<template v-if="op.kind === 'faceCut' || op.kind === 'deckCut'"><br>{{ say(op.body.depth.value, 'length', device.lengths) }}</template></th>
          <th class="r">then</th><th class="r">shop’s least</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="name in CLEARANCES" :key="name">
          <th scope="row">{{ QUANTITY_WORDS[name].label }}<br><span v-if="steps.has(name) && conventionOf(name)" class="small quiet">{{ conventionOf(name) }}<template v-if="tilt(name)">, {{ digits(tilt(name)!, 0) }}° tilt</template></span></th>
          <td><StatementField :quantity="name" :scope="{ level: 'build' }" hide-label no-basis /></td>
          <td class="r"><FigureReading :label="`${QUANTITY_WORDS[name].label} now`" :part="derived(steps.get(name), 'now')" dimension="length" /></td>
          <td v-for="op in planned" :key="op.id" class="r num">{{ change(steps.get(name), op.id) === undefined ? '' : `${change(steps.get(name), op.id)! > 0 ? '+' : ''}${digits(change(steps.get(name), op.id)!, 2)}` }}</td>
          <td class="r then"><FigureReading :label="`${QUANTITY_WORDS[name].label} then`" :part="derived(steps.get(name), 'then')" dimension="length" :formula="formula(name)" /><br v-if="steps.has(name)"><span v-if="steps.has(name)" class="small quiet num pm">{{ sayDoubt(uncertainty(steps.get(name)!.then), 'length', device.lengths) }}</span></td>
          <td class="r num">{{ say(least(name), 'length', device.lengths) }}<br><span v-if="steps.has(name)" class="small" :class="over(steps.get(name)!) < 0 ? 'warn' : 'quiet'">{{ over(steps.get(name)!) < 0 ? 'under' : 'kept' }}</span></td>
        </tr>
      </tbody>
    </v-table>
    <p class="small quiet">The leasts are this shop’s own, from the Shop page. The engine’s maker and the cam’s card come first.</p>
  </section>
</template>

<style scoped>
.valves { display: grid; gap: 8px; align-content: start; }
.verdict { font-size: var(--s18); }
.field { width: 128px; }
.then { font-weight: 700; }
.pm { font-weight: 400; }
.v-table :deep(tbody th), .v-table :deep(tbody td) { vertical-align: top; }
.v-table :deep(tbody th) { padding-top: 6px; }
</style>
