<script setup lang="ts">
import { DEFAULT_U, cutLimits, footCut, ofKind, offFoot, spotPlane, spotsOf, uncertainty, quantityOf, untyped, type Figure } from '#core'
import { say, sayDoubt } from '#shared/figures'
import { USUAL_CUT } from '#shared/words/quantities'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { useShop } from '~/stores/shop'
import { sayCutLimit } from '~/words/cuts'
import { sayGroup } from '~/words/entries'

/** Deck clearance read at several places, with rock taken out; and the deck's own cut. */
const build = useBuild()
const device = useDevice()
const shop = useShop()
const bank = computed(() => ({ level: 'bank' as const, bank: build.state?.bank ?? 1 }))
const read = computed(() => ofKind(build.replayed?.live.entries ?? [], 'deckReadings').filter(e => e.scope.level === 'cylinder' && e.scope.cylinder === build.cylinder).at(-1))
const plane = computed(() => read.value && spotPlane(spotsOf(read.value), DEFAULT_U.depth))
const bore = computed(() => quantityOf(build.replayed, 'bore', build.cylinder)?.estimate.value ?? 0)
const deck = computed(() => quantityOf(build.replayed, 'deckClearance', build.cylinder))
const planned = computed(() => build.replayed?.planned.find(op => op.kind === 'deckCut' && op.scope.level === 'bank' && op.scope.bank === bank.value.bank))
const cuts = computed(() => (build.replayed?.done ?? []).filter(op => op.kind === 'deckCut' && op.scope.level === 'bank' && op.scope.bank === bank.value.bank))
const after = computed(() => quantityOf(build.replayed, 'deckClearance', build.cylinder, 'asPlanned'))
const banks = computed(() => build.replayed?.layout.banks ?? [])
const foot = computed(() => build.closed && build.replayed ? footCut(build.replayed, bank.value.bank, []) : undefined)
/** What that would be past. */
const past = computed(() => {
  const cylinders = banks.value[bank.value.bank - 1] ?? []
  const then = foot.value && build.ifDone([offFoot(bank.value.bank, foot.value.depth.value)])?.cylinders.filter(c => cylinders.includes(c.cylinder))
  return then && build.replayed ? cutLimits(build.replayed, shop.rules, then).find(limit => limit.kind !== 'target') : undefined
})
const sentence = ref('')
const plan = async (depth: Figure) => notKept(await build.add('deckCut', bank.value, { state: 'planned', depth, ...(build.closed ? { foot: true as const } : {}) }, planned.value ? { supersedes: planned.value.id } : {}))
async function finish(state: 'done' | 'dropped', measured?: Figure): Promise<string | undefined> {
  const op = planned.value
  if (op?.kind !== 'deckCut') return 'Plan the cut first.'
  return notKept(await build.add('deckCut', bank.value, { ...op.body, state, ...(measured ? { measured } : {}) }, { supersedes: op.id }))
}
</script>

<template>
  <div class="deck">
    <CrownPlaces :key="build.cylinder" kind="deckReadings" :plane="plane" class="plan" />
    <div class="side">
      <div>
        <p class="label">Deck clearance of cylinder {{ build.cylinder }}</p>
        <p class="big"><FigureReading label="Deck clearance" :part="deck" dimension="length" formula="the plane through the readings, over the bore’s centre" /> <span v-if="deck" class="num quiet pm">{{ sayDoubt(uncertainty(deck.estimate), 'length', device.lengths) }}</span></p>
        <p v-if="plane" class="small">Rock of <strong class="num">{{ say(Math.abs(plane.rock) * bore, 'length', device.lengths) }}</strong> across the bore is taken out<template v-if="Math.abs(plane.taper) * bore > 0.02">; along the pin it tapers by <span class="num">{{ say(Math.abs(plane.taper) * bore, 'length', device.lengths) }}</span></template>.</p>
        <p v-else class="small quiet">Type one figure on the Section leaf, or read several places here: together they cancel the rock of the piston.</p>
      </div>
      <section>
        <h3>Cut the {{ build.closed ? 'barrel’s foot' : 'deck' }}{{ banks.length > 1 ? `: ${sayGroup('bank', bank.bank, banks)}` : '' }}</h3>
        <template v-if="planned && planned.kind === 'deckCut'">
          <p>Planned: <strong class="num">{{ say(planned.body.depth.value, 'length', device.lengths) }}</strong><template v-if="after">; this cylinder is then at <span class="num">{{ say(after.estimate.value, 'length', device.lengths) }}</span></template>.</p>
          <FigureField :field="`${build.view?.id}/deckcut/${bank.bank}/measured`" label="Really came off" dimension="length" :usual="USUAL_CUT" :commit="figure => finish('done', figure)" />
          <div class="row"><v-btn @click="finish('dropped').then(said => sentence = said ?? '')">Drop it</v-btn></div>
        </template>
        <template v-else>
          <p v-if="foot && foot.depth.value >= 0.005"><strong class="num big" data-foot>{{ say(foot.depth.value, 'length', device.lengths) }}</strong> <span class="num quiet">{{ sayDoubt(uncertainty(foot.depth), 'length', device.lengths) }}</span> off brings cylinder {{ foot.cylinder }} to the target.</p>
          <p v-if="past" class="caution">{{ sayCutLimit(past, device.lengths) }}</p>
          <v-btn v-if="foot && foot.depth.value >= 0.005" variant="flat" color="primary" @click="plan(untyped(foot.depth.value, 'mm', 2)).then(said => sentence = said ?? '')">Plan {{ say(foot.depth.value, 'length', device.lengths) }}</v-btn>
          <FigureField :field="`${build.view?.id}/deckcut/${bank.bank}/plan`" :label="`Depth off the ${build.closed ? 'barrel’s foot' : 'deck'}, to plan`" dimension="length" :usual="USUAL_CUT" :commit="plan" />
        </template>
        <DomeUnmeasured />
        <p v-if="cuts.length" class="small quiet">{{ cuts.length === 1 ? 'Cut once' : `Cut ${cuts.length} times` }} already.</p>
        <p v-if="sentence" class="sentence">{{ sentence }}</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.deck { display: grid; grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr); gap: 24px; flex: 1; min-height: 0; }
.plan { min-height: 400px; max-height: 520px; }
.side { display: grid; gap: 18px; align-content: start; }
.big { font-size: var(--s48); line-height: 1.05; font-weight: 700; margin-bottom: 6px; }
.big :deep(.unit) { font-weight: 400; font-size: var(--s18); }
.pm { font-size: var(--s18); font-weight: 400; }
.row { display: flex; gap: 8px; margin-top: 22px; }
</style>
