<script setup lang="ts">
import { asSet, type HeadSetup } from '#core'
import type { useCutSetup } from '~/composables/useCutSetup'
import { useBuild } from '~/stores/build'

/** How the head is laid: flat, angled, angled then flat; and which of the figures is found from the target. */
const props = defineProps<{ lay: ReturnType<typeof useCutSetup>, laid: HeadSetup, head: number }>()
const build = useBuild()
const setup = computed(() => props.lay.setup.value)
const modes = [['flat', 'Flat'], ['angled', 'Angled'], ['both', 'Angled, then flat']] as const
const NAMES = { depth: 'Depth at the bore line', angle: 'Angle', flat: 'Flat, afterwards' } as const
const frees = computed(() => setup.value.mode === 'both' ? ['flat', 'depth', 'angle'] as const : ['depth', 'angle'] as const)
const field = (name: string) => `${build.view?.id}/lay/${props.head}/${name}`
async function put(change: Parameters<typeof props.lay.set>[0]): Promise<string | undefined> {
  if (change.angle !== undefined && Math.abs(change.angle) > 15) return 'A head is rolled by 15° at most.'
  if (change.depth !== undefined && !(change.depth >= -5 && change.depth <= 12)) return 'That is no depth for a face: −5 to 12 mm.'
  if (change.flat !== undefined && !(change.flat >= 0 && change.flat <= 12)) return 'That is no depth for a face: 0 to 12 mm.'
  if (change.reach !== undefined && !(change.reach >= 10 && change.reach <= 500)) return 'Edges lie 10 to 500 mm from the bore line.'
  props.lay.set({ ...change, typed: true })
  return undefined
}
async function edge(low: number, high: number): Promise<string | undefined> {
  if (Math.abs(high - low) / (2 * setup.value.reach) > 0.26) return 'That would roll the head by more than 15°.'
  props.lay.edges(low, high)
  return undefined
}
const sides = computed(() => setup.value.roll === 'aboutCrank' ? ['intake edge', 'far edge'] : ['last cylinder’s end', 'cylinder 1’s end'])
</script>

<template>
  <div class="lay">
    <RadioRow :model-value="setup.mode" :choices="modes" label="How the face is cut" @update:model-value="lay.mode" />
    <template v-if="setup.mode !== 'flat'">
      <div class="pair">
        <BenchSelect id="cut-roll" label="Rolled" :model-value="setup.roll" data-next :items="[['aboutCrank', 'about the crank line'], ['acrossCrank', 'across it']]" @update:model-value="lay.set({ roll: $event! })" />
        <BenchSelect id="cut-free" label="To find" :model-value="setup.free" data-next :items="[...frees.map(name => [name, NAMES[name]] as const), ['none', 'nothing: as set'] as const]" @update:model-value="lay.set({ free: $event! })" />
      </div>
      <div class="fields">
        <FigureField v-if="setup.free !== 'angle'" :field="field('angle')" :label="NAMES.angle" dimension="angle" :extra="1" :part="asSet(setup.angle)" :commit="f => put({ angle: f.value })" />
        <FigureField v-if="setup.free !== 'depth'" :field="field('depth')" :label="NAMES.depth" dimension="length" :part="asSet(setup.depth)" :commit="f => put({ depth: f.value })" />
        <FigureField v-if="setup.mode === 'both' && setup.free !== 'flat'" :field="field('flat')" :label="NAMES.flat" dimension="length" :part="asSet(setup.flat)" :commit="f => put({ flat: f.value })" />
      </div>
      <BenchFold class="small" title="By the depth at two edges instead">
        <div class="fields three">
          <FigureField :field="field('reach')" label="Edges, from the bore line" dimension="length" :part="asSet(setup.reach)" :commit="f => put({ reach: f.value })" />
          <FigureField :field="field('low')" :label="sides[0]!" dimension="length" :part="asSet(lay.low.value)" :commit="f => edge(f.value, lay.high.value)" />
          <FigureField :field="field('high')" :label="sides[1]!" dimension="length" :part="asSet(lay.high.value)" :commit="f => edge(lay.low.value, f.value)" />
        </div>
      </BenchFold>
    </template>
  </div>
</template>

<style scoped>
.lay { display: grid; gap: 6px; }
.fields { display: grid; grid-template-columns: 1fr 1fr; gap: 8px; }
.pair { display: grid; gap: 6px; }
.three { grid-template-columns: repeat(3, minmax(0, 1fr)); padding-top: 4px; }
</style>
