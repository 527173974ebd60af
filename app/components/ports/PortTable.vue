<script setup lang="ts">
import { neighbours, portReckoned, portRow, portStages, portsIn, severalOf, uncertainty, type Valve } from '#core'
import { digits, sayDoubt, signed } from '#shared/figures'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { sayNth } from '~/words/ports'

/** Ports by volume: what each stage of work added, which of a pair match, and which are poor by design of the head. */
const build = useBuild()
const sentence = ref('')
const pairsOf = (valve: Valve) => build.replayed?.portPairs.filter(p => p.valve === valve) ?? []
const portOf = (valve: Valve, cylinder: number, n: number) => build.replayed?.ports.find(p => p.valve === valve && p.cylinder === cylinder && p.n === n)
/** Which port, where a cylinder has several of its kind. */
const nth = (valve: Valve, n: number) => sayNth(build.replayed && severalOf(build.replayed.layout, valve) ? n : undefined)
/** Every port of a kind on the head on the bench, each against their mean, and how far apart they lie. */
const BAR = 84
function row(valve: Valve) {
  const mine = build.replayed?.layout.heads[(build.state?.head ?? 1) - 1] ?? []
  const { ports, spread } = portRow((build.replayed?.ports ?? []).filter(p => p.valve === valve && mine.includes(p.cylinder)))
  const most = Math.max(1, ...ports.map(({ off }) => Math.abs(off)))
  return { ports: ports.map(port => ({ ...port, long: port.off / most * (BAR / 2 - 2) })), spread, of: portsIn({ ...build.replayed!.layout, cylinders: [...mine] }, valve).length }
}
const rows = computed(() => ({ intake: row('intake'), exhaust: row('exhaust') }))
/** What a port is reckoned to hold where it was worked on since it was poured. */
function since(valve: Valve, { cylinder, n }: { cylinder: number, n: number }) {
  const reckoned = build.replayed && portReckoned(build.replayed, { cylinder, valve, n })
  return reckoned && reckoned.now > reckoned.poured ? reckoned.now : undefined
}
/** Ports that were poured again after work: what each time added. */
const stages = computed(() => (build.replayed?.ports ?? []).map(({ cylinder, valve, n }) => ({ cylinder, valve, n, list: portStages(build.replayed!, { cylinder, valve, n }) })).filter(({ list }) => list.length > 1))
const stated = (valve: Valve) => [...build.replayed?.live.entries ?? []].reverse().find(e => e.kind === 'portPairs' && e.body.valve === valve)
const VERDICT = { same: 'match', differ: 'differ', asBuilt: 'by design' } as const

/** Ports that lie side by side, which a head's builder meant to be alike. */
const beside = computed(() => build.replayed ? neighbours(build.replayed.layout) : [])
async function pairUp(valve: Valve) {
  sentence.value = notKept(await build.add('portPairs', { level: 'build' }, { valve, pairs: beside.value, poor: [] })) ?? ''
}
async function builtSo(valve: Valve, smaller: number, on: boolean) {
  const entry = stated(valve)
  if (entry?.kind !== 'portPairs') return
  const poor = on ? [...entry.body.poor, smaller] : entry.body.poor.filter(c => c !== smaller)
  sentence.value = notKept(await build.add('portPairs', { level: 'build' }, { ...entry.body, poor }, { supersedes: entry.id })) ?? ''
}
</script>

<template>
  <section class="volumes">
    <div v-for="valve in (['intake', 'exhaust'] as const)" :key="valve">
      <h3>{{ valve === 'intake' ? 'Intake' : 'Exhaust' }} ports</h3>
      <template v-if="rows[valve].ports.length">
        <v-table class="close" :aria-label="`All ${valve} ports`">
          <thead><tr><th>Cyl.</th><th class="r">cc</th><th class="r">±</th><th>from the mean</th></tr></thead>
          <tbody>
            <tr v-for="port in rows[valve].ports" :key="`${port.cylinder}/${port.n}`">
              <td class="num">{{ port.cylinder }}{{ nth(valve, port.n) }}</td>
              <td class="r num">{{ digits(port.volume, 1) }}<template v-if="since(valve, port)"><br><span class="small quiet">about {{ digits(since(valve, port)!, 1) }} now</span></template></td>
              <td class="r num quiet">{{ digits(2 * port.u, 1) }}</td>
              <td class="num small"><svg :width="BAR" height="12" aria-hidden="true"><path :d="`M${BAR / 2} 0V12`" class="zero" /><rect :x="BAR / 2 + Math.min(0, port.long)" y="2" :width="Math.max(1, Math.abs(port.long))" height="8" class="bar" /></svg> {{ signed(port.off, 1) }}</td>
            </tr>
          </tbody>
        </v-table>
        <p v-if="rows[valve].ports.length > 1" class="small">They lie <strong class="num">{{ digits(rows[valve].spread, 1) }} cc</strong> apart<template v-if="rows[valve].ports.length < rows[valve].of">; {{ rows[valve].of - rows[valve].ports.length }} of {{ rows[valve].of }} are not poured yet</template>.</p>
      </template>
      <v-table v-if="pairsOf(valve).length" class="close">
        <thead><tr><th>Pair</th><th class="r">cc</th><th>Result</th><th>By design</th></tr></thead>
        <tbody>
          <tr v-for="pair in pairsOf(valve)" :key="`${pair.cylinders.join()}/${pair.n}`">
            <td class="num">{{ pair.cylinders.join(' / ') }}{{ nth(valve, pair.n) }}</td>
            <td class="r num">{{ pair.cylinders.map(c => digits(portOf(valve, c, pair.n)!.part.estimate.value, 1)).join(' / ') }}<br><span class="quiet small">{{ digits(pair.difference.value, 1) }} {{ sayDoubt(uncertainty(pair.difference), 'volume') }}</span></td>
            <td><strong v-if="pair.verdict === 'differ'" class="warn small">differ</strong><span v-else class="small">{{ VERDICT[pair.verdict] }}</span><br><span v-if="pair.verdict !== 'same'" class="small quiet">poor: {{ pair.smaller }}</span></td>
            <td><BenchCheck :model-value="pair.verdict === 'asBuilt'" :disabled="pair.verdict === 'same'" :aria-label="`Port ${pair.smaller} is built poor`" @update:model-value="builtSo(valve, pair.smaller, $event)" /></td>
          </tr>
        </tbody>
      </v-table>
      <template v-else>
        <p class="small quiet">{{ stated(valve) ? 'Pour both ports of a pair.' : 'No pairs stated.' }}</p>
        <v-btn v-if="!stated(valve) && beside.length > 0" @click="pairUp(valve)">Pair the neighbours</v-btn>
      </template>
    </div>
    <div v-if="stages.length" class="stages">
      <h3>What each stage of work added</h3>
      <v-table class="close">
        <thead><tr><th>Port</th><th class="r">first</th><th>after each stage of work</th><th class="r">in all</th></tr></thead>
        <tbody>
          <tr v-for="{ cylinder, valve, n, list } in stages" :key="`${valve}${cylinder}/${n}`">
            <td>{{ valve }} <span class="num">{{ cylinder }}{{ nth(valve, n) }}</span></td><td class="r num">{{ digits(list[0]!.part.estimate.value, 1) }}</td>
            <td class="num"><span v-for="stage in list.slice(1)" :key="stage.part.entries[0]" class="stage">{{ digits(stage.part.estimate.value, 1) }} <span class="small quiet">({{ signed(stage.added!.value, 1) }} {{ sayDoubt(uncertainty(stage.added!), 'volume') }}{{ stage.reckoned === undefined ? '' : `, reckoned +${digits(stage.reckoned, 1)}` }})</span></span></td>
            <td class="r num"><strong>{{ digits(list.at(-1)!.part.estimate.value - list[0]!.part.estimate.value, 1) }} cc</strong></td>
          </tr>
        </tbody>
      </v-table>
    </div>
    <p class="small quiet stages">Ports are poured at Pour, filled as intake or exhaust port. Once places were ticked in a port, or it is ticked at Pour as worked on since, the new pour stands beside the old one.</p>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
  </section>
</template>

<style scoped>
.volumes { display: grid; grid-template-columns: 1fr 1fr; gap: 14px 32px; align-items: start; }
.stages { grid-column: 1 / -1; }
.stage + .stage { margin-left: 14px; }
.zero { stroke: var(--hair); }
.bar { fill: var(--ink); }
</style>
