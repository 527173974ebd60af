<script setup lang="ts">
import { useNow } from '@vueuse/core'
import type { Reckoned } from '#shared/dto'
import { sayAdvice } from '~/words/advice'
import { sayTime } from '~/words/entries'
import { WAITS, WAIT_WORDS, sayWaits, waitOf } from '~/words/waits'
import { useDevice } from '~/stores/device'
import { useShop } from '~/stores/shop'

const shop = useShop()
const now = useNow({ interval: 30_000 })
/** What waits beside the next move. A summary that older code made has neither. */
const besides = ({ moulds = [], undecided = 0 }: Partial<Reckoned>) => [
  ...moulds.some(due => now.value.getTime() >= due) ? ['a mould has cured'] : [], ...undecided > 0 ? [`${undecided} ${undecided === 1 ? 'finding wants' : 'findings want'} a decision`] : []
].join(', ')
const device = useDevice()
const onBench = computed(() => shop.builds.filter(b => b.reckoned?.away === undefined))
/** Builds by what they wait for; those that are not reckoned yet last. */
const shelves = computed(() => [
  ...WAITS.map(wait => ({ title: WAIT_WORDS[wait].title, builds: onBench.value.filter(b => b.reckoned && waitOf(b.reckoned.next) === wait) })),
  { title: 'Working it out', builds: onBench.value.filter(b => !b.reckoned) },
  { title: 'Put away', builds: shop.builds.filter(b => b.reckoned?.away !== undefined) }
].filter(shelf => shelf.builds.length > 0))
const line = computed(() => sayWaits(WAITS.map(wait => ({ wait, builds: onBench.value.filter(b => b.reckoned && waitOf(b.reckoned.next) === wait).length }))))
function ratioOf({ ratio }: Reckoned): string {
  if (!ratio) return '—'
  return ratio.high - ratio.low < 0.005 ? ratio.low.toFixed(2) : `${ratio.low.toFixed(2)}–${ratio.high.toFixed(2)}`
}
</script>

<template>
  <section>
    <p v-if="shop.buildsRead && shop.builds.length" class="line" role="status">{{ line }}</p>
    <template v-for="shelf in shelves" :key="shelf.title">
      <h2 class="label">{{ shelf.title }}</h2>
      <ul class="build-list">
        <li v-for="b in shelf.builds" :key="b.id">
          <NuxtLink :to="`/builds/${b.id}/sheet`" class="build">
            <span class="name" :title="`${b.name} ${b.reference}`"><strong>{{ b.name }}</strong> <span class="quiet">{{ b.reference }}</span></span>
            <template v-if="b.reckoned">
              <MiniStrip :reckoned="b.reckoned" class="mini" />
              <span class="ratio num" :class="{ pale: b.stale }">{{ ratioOf(b.reckoned) }}</span>
              <span class="target small quiet"><template v-if="b.reckoned.target">wanted <span class="num">{{ b.reckoned.target.ratio.toFixed(1) }} ± {{ b.reckoned.target.tolerance }}</span></template><template v-else>no target</template></span>
              <span class="next">{{ b.reckoned.away ?? (b.stale ? 'Working it out.' : sayAdvice(b.reckoned.next, b.reckoned.cylinders, device.lengths).sentence) }}</span>
            </template>
            <span v-else class="next quiet">Working it out.</span>
            <span class="small quiet when">{{ b.lastAt ? sayTime(b.lastAt) : 'empty' }}<strong v-if="b.reckoned && besides(b.reckoned)" class="besides">{{ besides(b.reckoned) }}</strong></span>
          </NuxtLink>
        </li>
      </ul>
    </template>
    <p v-if="shop.buildsFault" class="sentence" role="alert">{{ shop.buildsFault }}</p>
    <p v-else-if="shop.buildsRead && shop.builds.length === 0" class="quiet">No builds yet. Take the first one in.</p>
    <div v-else-if="!shop.buildsRead" role="status" aria-label="Reading the shop’s builds"><v-skeleton-loader v-for="i in 3" :key="i" type="list-item-two-line" /></div>
  </section>
</template>

<style scoped>
.line { font-size: var(--s22); font-weight: 700; line-height: 1.25; margin-bottom: 10px; }
h2 { margin-top: 12px; }
.build-list { border-top: 1px solid var(--ink); }
.build { display: grid; grid-template: auto auto / minmax(0, 1fr) 200px 148px; gap: 2px 20px; align-items: center; padding: 9px 4px; min-height: 72px; border-bottom: 1px solid var(--hair); color: inherit; text-decoration: none; }
.build:hover { background: var(--sheet-deep); }
.name { font-size: var(--s18); white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.name .quiet { margin-left: 8px; font-size: var(--s15); }
.mini { grid-area: 1 / 2 / 3 / 3; }
.ratio { font-size: var(--s22); font-weight: 700; grid-area: 1 / 3; text-align: right; align-self: end; }
.pale { opacity: 0.6; }
.target { grid-area: 2 / 3; text-align: right; align-self: start; }
.next { grid-area: 2 / 1; line-height: 1.25; }
.when { grid-area: 3 / 1; }
.besides { margin-left: 12px; color: var(--dye); }
@media (max-width: 1000px) { .build { grid-template-columns: minmax(0, 1fr) 148px; } .mini { display: none; } .ratio { grid-column: 2; } .target { grid-column: 2; } }
</style>
