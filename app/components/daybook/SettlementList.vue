<script setup lang="ts">
import { uncertainty, type NoLesson, type Settlement } from '#core'
import { digits, sayRate, signed } from '#shared/figures'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { sayKind } from '~/words/entries'

const build = useBuild()
const device = useDevice()
const WHY: Record<NoLesson, string> = {
  severalKinds: 'none: several kinds of work lie between',
  notAFaceCut: 'none: only a face cut shows what a depth takes',
  depthNotMeasured: 'none: the depth was not measured',
  noPourBefore: 'none: not poured before the work',
  angled: 'none: an angled cut takes no one amount a depth',
  notSmaller: 'none: the chamber did not get smaller'
}
/** By cylinder, the newest of each first: what was foretold of one chamber stands together. */
const settlements = computed(() => [...build.replayed?.settlements ?? []].reverse().sort((a, b) => a.cylinder - b.cylinder))
/** The rule beside a difference: cc to either side, and how wide it is drawn. */
const [REACH, WIDE] = [1, 132]
const at = (cc: number) => WIDE / 2 + Math.max(-REACH, Math.min(REACH, cc)) / REACH * (WIDE / 2 - 6)
const work = (s: Settlement) => [...new Set(s.operations.map(id => build.byId.get(id)).flatMap(e => e ? [sayKind(e.kind)] : []))].join(' + ')
</script>

<template>
  <section>
    <p v-if="settlements.length === 0" class="quiet none">Nothing to compare yet. Pour a chamber, work on it, and pour it again: what was predicted then stands here beside what the glass read.</p>
    <v-table v-else class="settled">
      <thead><tr><th>Cyl.</th><th>Work</th><th class="r">Predicted, cc</th><th class="r">Measured, cc</th><th class="r">Difference, cc</th><th>−{{ REACH }} … +{{ REACH }} cc</th><th>Taught</th></tr></thead>
      <tbody>
        <tr v-for="(s, i) in settlements" :key="s.cylinder + s.after.join()" :class="{ next: i > 0 && settlements[i - 1]!.cylinder !== s.cylinder }">
          <td class="num">{{ settlements[i - 1]?.cylinder === s.cylinder ? '' : s.cylinder }}</td>
          <td>{{ work(s) }}</td>
          <td class="r num">{{ digits(s.predicted.value, 1) }}</td>
          <td class="r num"><span class="measured">{{ digits(s.measured.value, 1) }}</span></td>
          <td class="r num">{{ signed(s.difference.value, 2) }} <span class="quiet small">± {{ digits(2 * uncertainty(s.difference), 2) }}</span></td>
          <td>
            <svg :width="WIDE" height="16" :viewBox="`0 0 ${WIDE} 16`" aria-hidden="true" class="rule">
              <path :d="`M${at(-REACH)} 8H${at(REACH)}M${at(0)} 2V14`" class="scale" />
              <path :d="`M${at(s.difference.value - 2 * uncertainty(s.difference))} 8H${at(s.difference.value + 2 * uncertainty(s.difference))}`" class="doubt" />
              <circle :cx="at(s.difference.value)" cy="8" r="4" class="dot" :class="{ off: Math.abs(s.difference.value) > 2 * uncertainty(s.difference) }" />
            </svg>
          </td>
          <td class="small"><template v-if="s.lesson"><strong class="num">{{ sayRate(s.lesson.value, device.lengths).number }} {{ sayRate(1, device.lengths).unit }}</strong> <span class="quiet num">± {{ sayRate(2 * uncertainty(s.lesson), device.lengths).number }}</span></template><template v-else>{{ WHY[s.noLesson!] }}</template></td>
        </tr>
      </tbody>
    </v-table>
  </section>
</template>

<style scoped>
.none { padding: 16px 0; font-size: var(--s18); max-width: 60ch; }
.next td { border-top: 1px solid var(--ink); }
.rule { display: block; }
.scale { stroke: var(--hair); fill: none; }
.doubt { stroke: var(--ink); stroke-width: 2; }
.dot { fill: var(--ink); }
.dot.off { fill: var(--sheet); stroke: var(--stop); stroke-width: 2.5; }
</style>
