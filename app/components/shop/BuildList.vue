<script setup lang="ts">
import type { Reckoned } from '#shared/dto'
import { sayAdvice } from '~/words/advice'
import { sayTime } from '~/words/entries'
import { useDevice } from '~/stores/device'
import { useShop } from '~/stores/shop'

const shop = useShop()
const device = useDevice()
const shelves = computed(() => [
  { title: 'Builds', builds: shop.builds.filter(b => b.reckoned?.away === undefined) },
  { title: 'Put away', builds: shop.builds.filter(b => b.reckoned?.away !== undefined) }
].filter((shelf, i) => i === 0 || shelf.builds.length > 0))
function ratioOf({ ratio }: Reckoned): string {
  if (!ratio) return '—'
  return ratio.high - ratio.low < 0.005 ? ratio.low.toFixed(2) : `${ratio.low.toFixed(2)}–${ratio.high.toFixed(2)}`
}
</script>

<template>
  <section>
    <template v-for="shelf in shelves" :key="shelf.title">
      <h2>{{ shelf.title }}</h2>
      <ul class="build-list">
        <li v-for="b in shelf.builds" :key="b.id">
          <NuxtLink :to="`/builds/${b.id}/sheet`" class="build">
            <span class="name"><strong>{{ b.name }}</strong><span class="quiet">{{ b.reference }}</span></span>
            <template v-if="b.reckoned">
              <span class="ratio num" :class="{ pale: b.stale }">{{ ratioOf(b.reckoned) }}</span>
              <span class="target small quiet"><template v-if="b.reckoned.target">wanted <span class="num">{{ b.reckoned.target.ratio.toFixed(1) }} ± {{ b.reckoned.target.tolerance }}</span></template><template v-else>no target</template></span>
              <span v-if="b.reckoned.away !== undefined" class="next">{{ b.reckoned.away }}</span>
              <span v-else class="next">{{ b.stale ? 'Being reckoned.' : sayAdvice(b.reckoned.next, b.reckoned.cylinders, device.lengths).sentence }}</span>
            </template>
            <span v-else class="next quiet">Being reckoned.</span>
            <span class="small quiet when">{{ b.entries }} entries{{ b.lastAt ? `, last ${sayTime(b.lastAt)}` : '' }}</span>
          </NuxtLink>
        </li>
      </ul>
    </template>
    <p v-if="shop.buildsFault" class="sentence" role="alert">{{ shop.buildsFault }}</p>
    <p v-else-if="shop.buildsRead && shop.builds.length === 0" class="quiet">No builds yet. Begin one on the right.</p>
    <div v-else-if="!shop.buildsRead" role="status" aria-label="Reading the shop’s builds"><v-skeleton-loader v-for="i in 3" :key="i" type="list-item-two-line" /></div>
  </section>
</template>

<style scoped>
.build-list { border-top: 1px solid var(--ink); margin-top: 6px; }
.build { display: grid; grid-template: auto auto / minmax(0, 1fr) auto; gap: 2px 20px; padding: 12px 4px; border-bottom: 1px solid var(--hair); color: inherit; text-decoration: none; }
.build:hover { background: var(--sheet-deep); }
.name { display: flex; gap: 12px; align-items: baseline; font-size: var(--s18); }
.ratio { font-size: var(--s32); font-weight: 700; grid-row: 1 / 3; grid-column: 2; align-self: center; text-align: right; }
.pale { opacity: 0.6; }
.target { grid-row: 3; grid-column: 2; text-align: right; }
.when { grid-column: 1; }
.next { grid-column: 1; }
</style>
