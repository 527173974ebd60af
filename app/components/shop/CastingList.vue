<script setup lang="ts">
import { CASTING_FIGURES, castingsOf } from '#core'
import { digits, say, signed } from '#shared/figures'
import { useDevice } from '~/stores/device'
import { useShop } from '~/stores/shop'
import { CASTING_WORDS, castingUnit, sayRange } from '~/words/castings'
import { FINDING_WORDS } from '~/words/findings'
import { sayChanged } from '~/words/flow'
import { AFTERWARDS_WORDS } from '~/words/jobs'
import { PLACE_WORDS, sayPortOf } from '~/words/ports'

/** What the shop remembers of each casting: what its heads were as they came, what was found on them, what work gained, what they did afterwards. */
const shop = useShop()
const device = useDevice()
const castings = computed(() => castingsOf(shop.builds.flatMap(b => (b.reckoned?.castings ?? []).map(head => ({ ...head, build: b.id, name: b.name, lastAt: b.lastAt ?? '' })))))
/** The latest build of one: a new build copies its dimensions. */
const latest = (heads: readonly { build: string, lastAt: string }[]) => [...heads].sort((a, b) => b.lastAt.localeCompare(a.lastAt))[0]!.build
/** A head by its build; of a build with several, its number too. */
const nameOf = (head: { build: string, name: string, head: number }, heads: readonly { build: string }[]) => heads.filter(h => h.build === head.build).length > 1 ? `${head.name}, head ${head.head}` : head.name
const unit = (figure: (typeof CASTING_FIGURES)[number]) => castingUnit(figure, device.lengths)
</script>

<template>
  <section class="castings">
    <p v-if="castings.length === 0" class="quiet">No casting is marked yet. Say which casting a head is in its Daybook, under The build: every head of it teaches the next.</p>
    <article v-for="casting in castings" :key="casting.mark">
      <div class="top">
        <h2>{{ casting.mark }}</h2>
        <p v-if="casting.likely.chamber" class="big num">{{ digits(casting.likely.chamber.value, 1) }} <span class="unit">± {{ digits(2 * casting.likely.chamber.u, 1) }} cc, a chamber of the next head</span></p>
        <v-btn variant="flat" color="primary" :to="{ path: '/new', query: { like: latest(casting.heads), casting: casting.mark } }">New build of it</v-btn>
      </div>
      <v-table>
        <thead><tr><th>As it came</th><th class="r">next head</th><th class="r">±</th><th v-for="head in casting.heads" :key="`${head.build}${head.head}`" class="r"><NuxtLink class="go" :to="`/builds/${head.build}/sheet`">{{ nameOf(head, casting.heads) }}</NuxtLink></th></tr></thead>
        <tbody>
          <tr v-for="figure in CASTING_FIGURES.filter(f => casting.likely[f])" :key="figure">
            <th scope="row">{{ CASTING_WORDS[figure] }}, {{ unit(figure).unit }}</th>
            <td class="r num"><strong>{{ digits(casting.likely[figure]!.value * unit(figure).factor, unit(figure).places) }}</strong></td>
            <td class="r num quiet">{{ digits(2 * casting.likely[figure]!.u * unit(figure).factor, unit(figure).places) }}</td>
            <td v-for="head in casting.heads" :key="`${head.build}${head.head}`" class="r num">{{ sayRange(head.figures[figure], unit(figure)) }}</td>
          </tr>
        </tbody>
      </v-table>
      <ul class="small">
        <template v-for="head in casting.heads" :key="`${head.build}${head.head}`">
          <li v-for="(one, i) in head.found" :key="`f${i}`"><strong>{{ head.name }}</strong> was found with: {{ FINDING_WORDS[one.what] }}<template v-if="one.words">, {{ one.words }}</template></li>
          <li v-for="(one, i) in head.thin" :key="`t${i}`"><strong>{{ head.name }}</strong> is thin at the {{ PLACE_WORDS[one.place] }} of {{ sayPortOf(one) }}: keep off there</li>
          <li v-for="(one, i) in head.gains" :key="`g${i}`"><strong>{{ head.name }}</strong>, {{ sayPortOf(one) }}: <span class="num">{{ signed(one.change * 100, 1) }} ± {{ digits(one.u * 200, 1) }} %</span>. {{ sayChanged(one.changed, one.verdict) }}</li>
          <li v-for="(one, i) in head.afterwards" :key="`a${i}`"><strong>{{ head.name }}</strong> afterwards: {{ AFTERWARDS_WORDS[one.what] }}<template v-if="one.power !== undefined">, <span class="num">{{ say(one.power, 'power', device.lengths) }}</span><template v-if="one.revs"> at <span class="num">{{ one.revs }}</span> rpm</template></template><template v-if="one.words">, {{ one.words }}</template></li>
        </template>
      </ul>
    </article>
    <p v-if="castings.length" class="small quiet">The ± holds 95 of 100 heads of a casting, by how far heads of all this shop’s castings lie apart. One head’s result is no rule for another.</p>
  </section>
</template>

<style scoped>
.castings { display: grid; grid-template-columns: minmax(0, 1fr); gap: 22px; }
article { display: grid; grid-template-columns: minmax(0, 1fr); gap: 8px; }
/* A range may stand in two lines; heads past the width of the page are scrolled to under their own casting. */
.v-table :deep(.r) { white-space: normal; }
.v-table :deep(th.r) { min-width: 76px; }
.v-table :deep(tbody th) { vertical-align: top; }
.top { display: flex; gap: 8px 24px; align-items: center; flex-wrap: wrap; }
.big { font-size: var(--s36, 36px); line-height: 1.1; font-weight: 700; flex: 1; }
.big .unit { font-size: var(--s15); font-weight: 400; }
ul { list-style: none; margin: 0; padding: 0; display: grid; gap: 2px; }
</style>
