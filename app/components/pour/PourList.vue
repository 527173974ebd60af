<script setup lang="ts">
import { CHAMBER_OPERATIONS, doneOn, likelyFaults, linear, portOf, pourResult, watchOf, quantityOf, type Enclosed, type Part, type PourEntry } from '#core'
import { digits, say, signed } from '#shared/figures'
import { firstPress } from '~/composables/firstPress'
import { sayDay } from '~/words/entries'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { sayEnclosed, sayFaults } from '~/words/pours'

/** The pours that count for what is being filled, and whether they agree; none since it was `worked` on. */
const props = defineProps<{ what: Enclosed, n?: number, pours: PourEntry[], worked: boolean }>()
const build = useBuild()
const standing = computed(() => build.replayed?.pours.find(p => p.cylinder === build.cylinder))
const apart = computed(() => build.replayed?.challenges.find(c => c.cylinder === build.cylinder && c.encloses === props.what && c.n === (props.n ?? 1))?.disagreement)
const chamber = computed(() => build.state?.parts.chamber)
/** What the pours make: the part of the stack they are, or the volume itself. */
const made = computed<{ label: string, part?: Part, formula: string }>(() => {
  const { what } = props
  if (what === 'chamber') return { label: `Chamber ${build.cylinder}`, part: chamber.value, formula: 'the mean of the pours below' }
  if (what === 'crown') return { label: `Crown ${build.cylinder}, − dome`, part: build.state?.parts.crown, formula: 'poured − π/4 · bore² · depth (− crevice, sealed at the ring)' }
  if (what === 'assembled') return { label: `Whole clearance ${build.cylinder}`, part: build.state?.clearance, formula: 'poured − column in the plug hole' }
  const valve = portOf(what)
  return { label: sayEnclosed(what, props.n, build.cylinder), part: build.replayed?.ports.find(p => p.cylinder === build.cylinder && p.valve === valve && p.n === (props.n ?? 1))?.part, formula: 'the mean of the pours below' }
})
const book = computed(() => quantityOf(build.replayed, 'chamberVolume', build.cylinder))
/** A book speaks of a chamber as it was cast: one that has been worked on is not held against it any more. */
const touched = computed(() => build.replayed !== undefined && doneOn(build.replayed.ledger, build.cylinder, CHAMBER_OPERATIONS).length > 0)
const off = computed(() => chamber.value && book.value && chamber.value.provenance !== 'book' && !touched.value ? linear([[1, chamber.value.estimate], [-1, book.value.estimate]]) : undefined)
const sentence = ref('')
/** A reading that was taken at another cylinder: struck out here, and kept there as it was read, as one write. */
async function move(pour: PourEntry, cylinder: number) {
  const { scope, body, at, note } = pour
  sentence.value = notKept(await build.addAll([
    { kind: 'void', scope, body: { reason: `belongs to cylinder ${cylinder}` }, more: { supersedes: pour.id } },
    { kind: 'pour', scope: { level: 'cylinder', cylinder }, body, more: { at, ...(note ? { note } : {}) } }
  ])) ?? ''
}
async function takeOut(id: string) {
  sentence.value = notKept(await build.add('void', { level: 'cylinder', cylinder: build.cylinder }, { reason: 'bad pour' }, { supersedes: id })) ?? ''
}
</script>

<template>
  <section class="pours">
    <div class="sum">
      <p v-if="what !== 'container'"><span class="label">{{ made.label }}</span><FigureReading :label="made.label" :part="made.part" dimension="volume" :extra="1" doubt :formula="made.formula" class="mean" /></p>
      <p v-if="book && what === 'chamber'"><span class="label">Book<template v-if="off">, off by {{ signed(off.value, 1) }} cc</template></span><FigureReading label="Book figure" :part="book" dimension="volume" /></p>
    </div>
    <p v-if="apart" class="caution">
      These pours differ by {{ say(apart.difference, 'volume', 'mm', 1) }}; the glass allows {{ say(apart.allowed, 'volume', 'mm', 1) }}. The later one came out
      {{ apart.change < 0 ? 'smaller' : 'larger' }}: likeliest {{ sayFaults(likelyFaults(apart.change, what !== 'assembled')) }}. Pour a third.
    </p>
    <ol v-if="pours.length">
      <li v-for="(pour, i) in pours" :key="pour.id">
        <span class="quiet small num">{{ i + 1 }}</span>
        <span class="num measured inked">{{ digits(pourResult(pour).value, 1) }}</span><span class="unit">cc</span>
        <span class="num quiet small">± {{ digits(2 * pourResult(pour).u, 2) }}</span>
        <span v-if="watchOf(pour)?.leaking" class="warn small">leaks</span>
        <span class="small quiet who">{{ pour.hand }}, {{ sayDay(pour.at) }}{{ pour.seq === null ? ' · waiting' : '' }}</span>
        <v-menu v-if="build.cylinders.length > 1 && pour.scope.level === 'cylinder'">
          <template #activator="{ props: opens }"><v-btn v-bind="opens" variant="text" class="small" :aria-label="`Move pour ${i + 1} to another cylinder`">move</v-btn></template>
          <v-list :aria-label="`Move pour ${i + 1} to`"><v-list-item v-for="c in build.cylinders.filter(n => n !== build.cylinder)" :key="c" :title="`to cylinder ${c}`" @click="move(pour, c)" /></v-list>
        </v-menu>
        <v-btn variant="text" class="small" :aria-label="`Strike out pour ${i + 1}`" @click="firstPress($event) && takeOut(pour.id)">strike out</v-btn>
      </li>
    </ol>
    <p v-else class="quiet">{{ worked || (what === 'chamber' && standing?.ever) ? 'Not poured since it was worked on.' : 'Not poured yet.' }}</p>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
  </section>
</template>

<style scoped>
.sum { display: flex; gap: 18px; font-size: var(--s18); align-items: end; flex-wrap: wrap; }
.mean { font-size: var(--s22); font-weight: 700; }
ol li { display: flex; flex-wrap: wrap; align-items: baseline; gap: 0 5px; white-space: nowrap; border-bottom: 1px solid var(--hair); padding: 2px 0; }
.who { flex: 1; text-align: right; }
li .v-btn { padding: 0 2px; }
li .v-btn:last-child { margin-left: auto; }
.caution { margin: 8px 0; }
</style>
