<script setup lang="ts">
import { linear, pourResult } from '#core'
import { digits, say } from '#shared/figures'
import { sayDay } from '~/words/entries'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'

/** The pours that count for the cylinder now, and whether they agree. */
const build = useBuild()
const standing = computed(() => build.replayed?.pours.find(p => p.cylinder === build.cylinder))
const pours = computed(() => standing.value?.current ?? [])
const chamber = computed(() => build.state?.parts.chamber)
const book = computed(() => build.replayed?.quantity('chamberVolume', build.cylinder))
const off = computed(() => chamber.value && book.value && chamber.value.provenance !== 'book' ? linear([[1, chamber.value.value], [-1, book.value.value]]) : undefined)
const sentence = ref('')
async function takeOut(id: string) {
  sentence.value = notKept(await build.add('void', { level: 'cylinder', cylinder: build.cylinder }, { reason: 'bad pour' }, { supersedes: id })) ?? ''
}
</script>

<template>
  <section class="pours">
    <div class="sum">
      <p><span class="label">Chamber {{ build.cylinder }}</span><FigureReading label="Chamber" :part="chamber" dimension="volume" :extra="1" doubt formula="the mean of the pours below" class="mean" /></p>
      <p v-if="book"><span class="label">Book</span><FigureReading label="Book figure" :part="book" dimension="volume" /></p>
      <p v-if="off"><span class="label">The book is off by</span><span class="num">{{ off.value >= 0 ? '+' : '−' }}{{ digits(Math.abs(off.value), 1) }} cc</span></p>
    </div>
    <p v-if="standing?.disagreement" class="caution">
      These pours differ by {{ say(standing.disagreement.difference, 'volume', 'mm', 1) }}; the glass allows {{ say(standing.disagreement.allowed, 'volume', 'mm', 1) }}.
      Look for a bubble (reads small), a leak (reads large), grease in the chamber, a scale read from the wrong end. Pour a third.
    </p>
    <ol v-if="pours.length">
      <li v-for="(pour, i) in pours" :key="pour.id">
        <span class="quiet small num">{{ i + 1 }}</span>
        <span class="num measured inked">{{ digits(pourResult(pour).value, 1) }}</span><span class="unit">cc</span>
        <span class="num quiet small">± {{ digits(2 * pourResult(pour).u, 2) }}</span>
        <span class="small quiet who">{{ pour.hand }}, {{ sayDay(pour.at) }}{{ pour.seq === null ? ' · waiting' : '' }}</span>
        <button class="key bare small" type="button" :aria-label="`Take pour ${i + 1} out`" @click="takeOut(pour.id)">take out</button>
      </li>
    </ol>
    <p v-else class="quiet">{{ standing?.ever ? 'Not poured since metal went.' : 'Not poured yet.' }}</p>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
  </section>
</template>

<style scoped>
.sum { display: flex; gap: 18px; font-size: var(--s18); align-items: end; flex-wrap: wrap; }
.mean { font-size: var(--s22); font-weight: 700; }
ol li { display: flex; align-items: baseline; gap: 8px; border-bottom: 1px solid var(--hair); padding: 2px 0; }
.who { flex: 1; text-align: right; }
li .key { min-height: 30px; color: var(--quiet); }
.caution { margin: 8px 0; }
@media (max-width: 1000px) { li .key { min-height: 44px; } }
</style>
