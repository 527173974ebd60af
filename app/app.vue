<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { useTheme } from 'vuetify'
import { useBenchKeys } from '~/composables/useBenchKeys'
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'
import { useDevice } from '~/stores/device'
import { useGauge } from '~/stores/gauge'
import { useDrafts } from '~/stores/drafts'
import { useOutbox } from '~/stores/outbox'
import { usePictures } from '~/stores/pictures'
import { useShop } from '~/stores/shop'
import { STATIONS } from '~/words/stations'

const device = useDevice()
const build = useBuild()
const choices = useChoices()
const shop = useShop()
const outbox = useOutbox()
const pictures = usePictures()
const gauge = useGauge()
const drafts = useDrafts()
const ready = ref(false)
const helpOpen = ref(false)
const findOpen = ref(false)

onMounted(async () => {
  // Nothing is shown before what this device keeps has been read: a half-typed reading must stand there at once.
  await Promise.all([drafts.load(), outbox.load(), pictures.load(), ...(shop.instruments.length === 0 ? [shop.loadInstruments()] : [])])
  ready.value = true
  await shop.refresh()
  shop.listen()
  await gauge.load()
})

const station = (path: string) => () => {
  if (build.view) void navigateTo(`/builds/${build.view.id}/${path}`)
}
/** The station's next reading, or the press that plans or ends what is next. */
const toNew = () => document.querySelector<HTMLElement>('[data-new] input, input[data-new], button[data-new]')?.focus()
useBenchKeys(() => ({
  ...Object.fromEntries(choices.stations.map(path => [STATIONS[path].key, station(path)])),
  '[': () => build.step(-1), ']': () => build.step(1),
  'n': toNew,
  // To where the next move is made; there already, to its reading.
  'm': () => document.querySelector<HTMLElement>('.next a.go') ? document.querySelector<HTMLElement>('.next a.go')!.click() : toNew(),
  'u': () => device.otherUnit(),
  '/': () => findOpen.value = true,
  '?': () => helpOpen.value = true
}))
// Taking a reading must not cost the field its focus, so this key works while one is typed in.
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (event.key !== 'F9') return
  event.preventDefault()
  gauge.take()
})
const theme = useTheme()
watch(() => device.night, night => theme.change(night ? 'night' : 'day'), { immediate: true })
</script>

<template>
  <v-app>
    <div class="app">
      <BenchHeader @help="helpOpen = true" @find="findOpen = true" />
      <OutboxTrouble />
      <FaultBoundary v-if="ready" what="This page"><NuxtPage /></FaultBoundary>
      <LazyHelpDialog v-model="helpOpen" />
      <LazyFindDialog v-model="findOpen" />
      <GaugePrompt />
    </div>
  </v-app>
</template>

<style>
.app { height: 100vh; height: 100dvh; display: flex; flex-direction: column; overflow: hidden; }
</style>
