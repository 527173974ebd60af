<script setup lang="ts">
import { useBuild } from '~/stores/build'

/** Holds a fault of what stands inside: a sentence in its place, the way back and a report, never nothing. */
const props = defineProps<{
  /** What stands inside, in words: “The Cut station”. */
  what: string
  /** A line of the frame: there is no room for more than a sentence. */
  line?: boolean
}>()
const route = useRoute()
const build = useBuild()
const fault = shallowRef<Error>()
/** A press that broke, while what stands here still stands. */
const press = shallowRef<Error>()
const copied = ref('')
const turn = ref(0)

// A handler that breaks leaves its station standing; in a build for use Vue names the place by a number at the end of a link.
const ofPress = (info: string) => /native event handler|component event handler|#runtime-[56]$/.test(info)

onErrorCaptured((error, _instance, info) => {
  const broken = error instanceof Error ? error : new Error(String(error))
  console.error(`${props.what} broke:`, broken)
  if (ofPress(info)) press.value = broken
  else fault.value = broken
  return false
})
function again() {
  fault.value = press.value = undefined
  copied.value = ''
  turn.value++
}
// Another page is another try; where nothing broke, nothing is made anew.
watch(() => route.fullPath, () => {
  if (fault.value || press.value) again()
})

const report = computed(() => {
  const broken = fault.value ?? press.value
  return [
    `Precise Bowl: ${props.what} broke`, `at ${new Date().toISOString()}, ${route.fullPath}`, `build ${build.view?.name ?? '–'}, ${build.entries.length} entries, cylinder ${build.cylinder}`,
    `${broken?.name}: ${broken?.message}`, ...(broken?.stack ?? '').split('\n').slice(1, 9).map(line => line.trim()), navigator.userAgent
  ].join('\n')
})
async function copy() {
  try {
    await navigator.clipboard.writeText(report.value)
    copied.value = 'Copied.'
  } catch {
    copied.value = 'This browser won’t copy by itself: mark the report below and copy it.'
  }
}
</script>

<template>
  <div v-if="fault && line" class="fault-line sentence" role="alert">{{ what }} can’t be shown: {{ fault.message }} <v-btn @click="again">Try again</v-btn></div>
  <section v-else-if="fault" class="fault" role="alert" data-fault>
    <h1>{{ what }} can’t be shown.</h1>
    <p>Something in it broke. Every reading that was kept is safe, and so is what you typed: nothing was changed.</p>
    <div class="ways">
      <v-btn variant="flat" color="primary" @click="again">Try again</v-btn>
      <NuxtLink v-if="build.view && !route.path.endsWith('/daybook')" class="go" :to="`/builds/${build.view.id}/daybook`">Daybook: strike out the last entry</NuxtLink>
      <NuxtLink v-if="build.view && !route.path.endsWith('/sheet')" class="go" :to="`/builds/${build.view.id}/sheet`">Sheet</NuxtLink>
      <NuxtLink v-if="route.path !== '/'" class="go" to="/">Shop</NuxtLink>
      <v-btn @click="copy">Copy the report</v-btn>
      <span role="status" class="small">{{ copied }}</span>
    </div>
    <pre class="report small" tabindex="0" aria-label="Report">{{ report }}</pre>
  </section>
  <template v-else>
    <div v-if="press" class="fault-line sentence" role="alert">
      That did not work: {{ press.message }} Nothing was kept by it.
      <v-btn @click="copy">Copy the report</v-btn> <v-btn @click="press = undefined">Close</v-btn> <span role="status">{{ copied }}</span>
    </div>
    <slot :key="turn" />
  </template>
</template>

<style scoped>
.fault { padding: 24px; display: grid; gap: 14px; align-content: start; justify-items: start; overflow: auto; }
.fault h1 { font-size: var(--s22); font-weight: 700; color: var(--stop); }
.ways { display: flex; flex-wrap: wrap; gap: 12px 20px; align-items: center; }
.report { max-width: 100%; overflow: auto; white-space: pre-wrap; border-top: 1px solid var(--hair); padding-top: 10px; color: var(--quiet); }
.fault-line { padding: 8px 16px; }
</style>
