<script setup lang="ts">
import { uncertainty, type NoLesson, type Settlement } from '#core'
import { digits, sayDoubt } from '#shared/figures'
import { useBuild } from '~/stores/build'
import { sayKind } from '~/words/entries'

const build = useBuild()
const WHY: Record<NoLesson, string> = {
  severalKinds: 'none: several kinds of work lie between',
  notAFaceCut: 'none: only a face cut teaches cc per mm',
  depthNotMeasured: 'none: the depth was not measured',
  noPourBefore: 'none: not poured before the work',
  angled: 'none: an angled cut has no cc per mm',
  notSmaller: 'none: the chamber did not get smaller'
}
const settlements = computed(() => [...build.replayed?.settlements ?? []].reverse())
const work = (s: Settlement) => [...new Set(s.operations.map(id => build.byId.get(id)).flatMap(e => e ? [sayKind(e.kind)] : []))].join(' + ')
</script>

<template>
  <section v-if="settlements.length">
    <h2>Settlements</h2>
    <v-table>
      <thead><tr><th>Cyl.</th><th>Work</th><th class="r">Predicted</th><th class="r">Measured</th><th class="r">Difference</th><th>Lesson</th></tr></thead>
      <tbody>
        <tr v-for="s in settlements" :key="s.cylinder + s.after.join()">
          <td class="num">{{ s.cylinder }}</td>
          <td>{{ work(s) }}</td>
          <td class="r num">{{ digits(s.predicted.value, 1) }}</td>
          <td class="r num"><span class="measured">{{ digits(s.measured.value, 1) }}</span> cc</td>
          <td class="r num">{{ s.difference.value >= 0 ? '+' : '−' }}{{ digits(Math.abs(s.difference.value), 2) }} <span class="quiet small">{{ sayDoubt(uncertainty(s.difference), 'volume') }}</span></td>
          <td class="small"><template v-if="s.lesson"><strong class="num">{{ digits(s.lesson.value, 2) }} cc per mm</strong> <span class="quiet num">± {{ digits(2 * uncertainty(s.lesson), 2) }}</span></template><template v-else>{{ WHY[s.noLesson!] }}</template></td>
        </tr>
      </tbody>
    </v-table>
  </section>
</template>
