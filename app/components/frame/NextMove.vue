<script setup lang="ts">
import type { Advice, Place } from '#core'
import { firstPress } from '~/composables/firstPress'
import { openingOf } from '~/composables/useOpening'
import { usePlanned } from '~/composables/usePlanned'
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'
import { useDevice } from '~/stores/device'
import { GROUPS, GROUP_WORDS, groupOf, sayAdvice } from '~/words/advice'
import { STATION_WORDS } from '~/words/stations'

/** What comes first of everything that is open, and the rest of it one key away. */
const build = useBuild()
const device = useDevice()
const route = useRoute()
const all = computed(() => build.opens.map(open => ({ open, ...sayAdvice(open, build.cylinders.length, device.lengths) })))
const first = computed(() => all.value[0]!)
const groups = computed(() => GROUPS.flatMap((group) => {
  const list = all.value.filter(({ open }) => groupOf(open) === group)
  return list.length > 0 ? [{ group, list }] : []
}))
const choices = useChoices()
const side = choices.choice<string>('portSide', 'intake')
/** Whether the page shows a place: its station, with that leaf open, that thing to fill, that side. */
const isOpen = ({ station, leaf, fill, valve }: Place) => route.path.endsWith(`/${station}`)
  && (leaf === undefined || choices.leafOf(station).value === leaf) && (fill === undefined || choices.thing.encloses === fill) && (valve === undefined || side.value === valve)
/** Another place, a field to go to, or a cylinder of another head than the one on the bench. */
const elsewhere = computed(() => {
  const { at, cylinders } = first.value.open
  return !isOpen(at) || at.field !== undefined || (cylinders.length > 0 && !cylinders.includes(build.cylinder))
})
const shown = ref(false)
const { finish, said } = usePlanned()
const to = (open: Advice) => openingOf(build.view!.id, open.at, open.cylinders.includes(build.cylinder) ? build.cylinder : open.cylinders[0])
</script>

<template>
  <div class="next">
    <p role="status" class="said">
      <span class="mark" :class="{ warn: first.urgent }">{{ first.urgent ? 'Stop' : 'Next' }}</span>
      <span class="sentence-of" :class="{ long: first.sentence.length > 90 }">{{ first.sentence }}</span>
    </p>
    <NuxtLink v-if="elsewhere && build.view" class="go" :to="to(first.open)">{{ STATION_WORDS[first.open.at.station] }}</NuxtLink>
    <span v-else class="here quiet small">here</span>
    <v-menu v-if="all.length > 1" v-model="shown" location="bottom end" :close-on-content-click="false">
      <template #activator="{ props }">
        <v-btn v-bind="props" variant="text" class="more" data-more>{{ all.length }} open</v-btn>
      </template>
      <v-list class="open-list" aria-label="Everything that is open" density="compact">
        <template v-for="{ group, list } in groups" :key="group">
          <v-list-subheader>{{ GROUP_WORDS[group] }}</v-list-subheader>
          <div v-for="(one, i) in list" :key="i" class="one">
            <v-list-item :to="to(one.open)" :data-open="one.open.kind" @click="shown = false">
              <span class="what"><strong v-if="one.urgent" class="warn">Stop. </strong>{{ one.sentence }}</span>
              <span class="go where">{{ STATION_WORDS[one.open.at.station] }}</span>
            </v-list-item>
            <template v-if="one.open.kind === 'do'">
              <v-btn variant="text" @click="firstPress($event) && finish(one.open.operations, 'done')">Done<span class="visually-hidden">: {{ one.sentence }}</span></v-btn>
              <v-btn variant="text" @click="firstPress($event) && finish(one.open.operations, 'dropped')">Drop<span class="visually-hidden">: {{ one.sentence }}</span></v-btn>
            </template>
          </div>
        </template>
        <p v-if="said" class="sentence">{{ said }}</p>
      </v-list>
    </v-menu>
  </div>
</template>

<style scoped>
.next { display: flex; align-items: center; gap: 14px; padding: 4px 0 4px 16px; font-size: var(--s18); border-bottom: 1px solid var(--hair); min-height: 52px; line-height: 1.2; flex: none; }
.said { flex: 1; display: flex; align-items: center; gap: 14px; }
.mark { font-size: var(--s13); font-weight: 700; color: var(--dye); min-width: 42px; }
.mark.warn { color: var(--stop); font-size: var(--s18); }
.sentence-of { flex: 1; }
.go, .here { white-space: nowrap; font-size: var(--s15); min-width: 72px; text-align: right; padding-right: 14px; }
.go { display: inline-flex; align-items: center; justify-content: end; gap: 4px; }
.more.v-btn { --v-btn-height: 52px; flex: none; padding: 0 16px; border-left: 1px solid var(--hair); }
.more[aria-expanded=true] { background: var(--sheet-deep); }
.open-list { width: 640px; max-width: 92vw; }
.open-list :deep(.v-list-subheader) { min-height: 28px; padding: 4px 10px 0; font-size: var(--s13); color: var(--quiet); opacity: 1; }
.one { display: flex; align-items: stretch; border-top: 1px solid var(--hair); }
.one > .v-btn { --v-btn-height: 44px; height: auto; border-left: 1px solid var(--hair); }
.open-list :deep(.v-list-item) { flex: 1; min-height: 44px; }
.open-list :deep(.v-list-item__content) { display: flex; gap: 12px; align-items: baseline; white-space: normal; }
.open-list .go { min-width: 0; padding: 0; }
.what { flex: 1; font-size: var(--s15); line-height: 1.3; }
@media (max-width: 1000px) { .next { min-height: 64px; } .long { font-size: var(--s15); } .more.v-btn { --v-btn-height: 64px; } }
</style>
