<script setup lang="ts">
import { sayNextMove } from '~/words/nextMove'
import { sayTime } from '~/words/entries'
import { useDevice } from '~/stores/device'
import { useShop } from '~/stores/shop'

const shop = useShop()
const device = useDevice()
</script>

<template>
  <section>
    <h2>Builds</h2>
    <ul class="build-list">
      <li v-for="b in shop.builds" :key="b.id">
        <NuxtLink :to="`/builds/${b.id}/sheet`" class="build">
          <span class="name"><strong>{{ b.name }}</strong><span class="quiet">{{ b.reference }}</span></span>
          <span class="ratio num">{{ b.ratio ? (b.ratio.high - b.ratio.low < 0.005 ? b.ratio.low.toFixed(2) : `${b.ratio.low.toFixed(2)}–${b.ratio.high.toFixed(2)}`) : '—' }}</span>
          <span class="target small quiet"><template v-if="b.target">wanted <span class="num">{{ b.target.ratio.toFixed(1) }} ± {{ b.target.tolerance }}</span></template><template v-else>no target</template></span>
          <span class="next">{{ sayNextMove(b.next, b.cylinders, device.lengths).sentence }}</span>
          <span class="small quiet when">{{ b.entries }} entries{{ b.lastAt ? `, last ${sayTime(b.lastAt)}` : '' }}</span>
        </NuxtLink>
      </li>
    </ul>
    <p v-if="shop.builds.length === 0" class="quiet">No builds yet. Begin one on the right.</p>
  </section>
</template>

<style scoped>
.build-list { border-top: 1px solid var(--ink); margin-top: 6px; }
.build { display: grid; grid-template: auto auto / minmax(0, 1fr) auto; gap: 2px 20px; padding: 12px 4px; border-bottom: 1px solid var(--hair); color: inherit; text-decoration: none; }
.build:hover { background: var(--sheet-deep); }
.name { display: flex; gap: 12px; align-items: baseline; font-size: var(--s18); }
.ratio { font-size: var(--s32); font-weight: 700; grid-row: 1 / 3; grid-column: 2; align-self: center; text-align: right; }
.target { grid-row: 3; grid-column: 2; text-align: right; }
.when { grid-column: 1; }
.next { grid-column: 1; }
</style>
