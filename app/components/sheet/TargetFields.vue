<script setup lang="ts">
import { asSet, clearanceForRatio, offTheBook, type Bodies, type Figure } from '#core'
import { digits, say } from '#shared/figures'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'

const build = useBuild()
const target = computed(() => build.replayed?.target)
const ratio = computed(() => asSet(target.value?.body.ratio.value))
const tolerance = computed(() => asSet(target.value?.body.tolerance.value))
const plain = (value: number): Figure => ({ value, unit: ':1', typed: String(value) })

async function keep(change: Partial<Bodies['target']>, base: string | undefined): Promise<string | undefined> {
  const now = target.value?.body
  const wanted = change.ratio ?? now?.ratio
  if (!wanted) return 'Give the ratio first.'
  return notKept(await build.add('target', { level: 'build' }, {
    ratio: wanted, tolerance: change.tolerance ?? now?.tolerance ?? plain(0.1), countsCrevice: change.countsCrevice ?? now?.countsCrevice ?? true, ...((change.of ?? now?.of) === 'trapped' ? { of: 'trapped' as const } : {})
  }, base ? { supersedes: base } : {}), now && `${now.ratio.value.toFixed(2)} ± ${now.tolerance.value.toFixed(2)}`)
}
const twoStroke = computed(() => build.replayed?.layout.engine?.strokes === 2)
const crevice = computed(() => build.state?.parts.crevice?.estimate.value)
const clearance = computed(() => {
  const swept = build.state?.swept?.estimate.value
  return swept && target.value ? clearanceForRatio(swept, target.value.body.ratio.value) : undefined
})
/** How far the engine came from what its maker or seller says of it. */
const off = computed(() => build.replayed && offTheBook(build.replayed, build.cylinder)?.value)
</script>

<template>
  <fieldset class="target">
    <legend><h3>Target</h3></legend>
    <FigureField :field="`${build.view?.id}/target`" label="Ratio" dimension="ratio" :part="ratio" :base="target?.id" :commit="(figure, _t, base) => keep({ ratio: figure }, base)" />
    <FigureField :field="`${build.view?.id}/tolerance`" label="± tolerance" dimension="ratio" :part="tolerance" :base="target?.id" :commit="(figure, _t, base) => keep({ tolerance: figure }, base)" />
    <StatementField quantity="bookRatio" :scope="{ level: 'build' }" label="By the book" no-basis />
    <BenchCheck class="check small" :model-value="target?.body.countsCrevice ?? true" :disabled="!target" @update:model-value="keep({ countsCrevice: $event }, target?.id)">counts the crevice<template v-if="crevice !== undefined">, <span class="num">{{ say(crevice, 'volume', 'mm', 1) }}</span></template></BenchCheck>
    <BenchSelect v-if="twoStroke" id="target-of" label="Which ratio" class="of" :disabled="!target" :model-value="target?.body.of ?? 'full'" :items="[['full', 'of the whole stroke'], ['trapped', 'trapped, above the port']]" @update:model-value="keep({ of: $event }, target?.id)" />
    <p v-if="clearance || off !== undefined" class="small quiet">
      <span v-if="clearance">needs <span class="num">{{ say(clearance, 'volume') }}</span>{{ off === undefined ? ' in all' : '; ' }}</span>
      <span v-if="off !== undefined" data-off-the-book>book <template v-if="Math.abs(off) < 0.005">is right</template><template v-else><span class="num">{{ digits(Math.abs(off), 2) }}</span> too {{ off < 0 ? 'high' : 'low' }}</template></span>
    </p>
  </fieldset>
</template>

<style scoped>
.target { display: grid; grid-template-columns: repeat(3, 1fr); gap: 4px 8px; align-content: start; }
legend { margin-bottom: 2px; }
.of { grid-column: 1 / -1; }
.check, .target > p { grid-column: 1 / -1; }
.check { display: flex; align-items: center; gap: 6px; }
@media (max-width: 1000px) { .target { grid-template-columns: 1fr 1fr; } }
</style>
