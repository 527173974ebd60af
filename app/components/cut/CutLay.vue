<script setup lang="ts">
import { KINDS, asSet, atEdges, type HeadSetup } from '#core'
import { say } from '#shared/figures'
import type { useCutSetup } from '~/composables/useCutSetup'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'

/** How the head is laid: flat, angled, angled then flat. A shop orders by the depths at two edges, so they come first; then which figure is found from the target. */
const props = defineProps<{ lay: ReturnType<typeof useCutSetup>, laid: HeadSetup, head: number }>()
const build = useBuild()
const device = useDevice()
const setup = computed(() => props.lay.setup.value)
const modes = [['flat', 'Flat'], ['angled', 'Angled'], ['both', 'Angled, then flat']] as const
const LAID = KINDS.faceCut.bounds.depth
const names = computed(() => ({ depth: setup.value.roll === 'aboutCrank' ? 'Depth at bore line' : 'Depth in the middle', angle: 'Angle', flat: 'Flat, afterwards' }))
const FINDS = { depth: 'its depth', angle: 'its angle', flat: 'the flat cut' } as const
/** What the shop is told: depths at two edges, the free figure among them. */
const ordered = computed(() => atEdges(props.laid, setup.value.reach))
const frees = computed(() => setup.value.mode === 'both' ? ['flat', 'depth', 'angle'] as const : ['depth', 'angle'] as const)
const field = (name: string) => `${build.view?.id}/lay/${props.head}/${name}`
const mm = (value: number) => say(value, 'length', device.lengths)
async function put(change: Parameters<typeof props.lay.set>[0]): Promise<string | undefined> {
  if (change.angle !== undefined && Math.abs(change.angle) > 15) return 'A head is never rolled by more than 15°.'
  if (change.depth !== undefined && !(change.depth >= LAID.min && change.depth <= LAID.max)) return `A face cut lies between ${mm(LAID.min)} and ${mm(LAID.max)}.`
  if (change.flat !== undefined && !(change.flat >= 0 && change.flat <= 12)) return `A flat cut lies between 0 and ${mm(12)}.`
  if (change.reach !== undefined && !(change.reach >= 10 && change.reach <= 500)) return `An edge lies between ${mm(10)} and ${mm(500)} from the middle.`
  props.lay.set({ ...change, typed: true })
  return undefined
}
async function edge(low: number, high: number): Promise<string | undefined> {
  if (Math.abs(high - low) / (2 * setup.value.reach) > 0.26) return 'That would roll the head by more than 15°.'
  props.lay.edges(low, high)
  return undefined
}
const sides = computed(() => setup.value.roll === 'aboutCrank' ? ['intake edge', 'far edge'] : build.frontIsPlus ? ['back end', 'front end'] : ['front end', 'back end'])
</script>

<template>
  <div class="lay">
    <RadioRow :model-value="setup.mode" :choices="modes" label="How the face is cut" @update:model-value="lay.mode" />
    <template v-if="setup.mode !== 'flat'">
      <div class="fields">
        <FigureField :field="field('low')" :label="`Off the ${sides[0]!}`" dimension="length" :part="asSet(ordered.low)" :commit="f => edge(f.value, ordered.high)" />
        <FigureField :field="field('high')" :label="`Off the ${sides[1]!}`" dimension="length" :part="asSet(ordered.high)" :commit="f => edge(ordered.low, f.value)" />
      </div>
      <div class="fields">
        <BenchSelect id="cut-roll" label="Rolled" :model-value="setup.roll" data-next :items="[['aboutCrank', 'about crank'], ['acrossCrank', 'across it']]" @update:model-value="lay.turn($event!)" />
        <FigureField :field="field('reach')" :label="setup.roll === 'aboutCrank' ? 'Edges, from bore line' : 'Ends, from the middle'" dimension="length" :part="asSet(setup.reach)" :commit="f => put({ reach: f.value })" />
      </div>
      <div class="fields">
        <BenchSelect id="cut-free" label="To find" :model-value="setup.free" data-next :items="[...frees.map(name => [name, FINDS[name]] as const), ['none', 'nothing'] as const]" @update:model-value="lay.set({ free: $event! })" />
        <FigureField v-if="setup.free !== 'angle'" :field="field('angle')" :label="names.angle" dimension="angle" :extra="1" :part="asSet(setup.angle)" :commit="f => put({ angle: f.value })" />
        <FigureField v-if="setup.free !== 'depth'" :field="field('depth')" :label="names.depth" dimension="length" :part="asSet(setup.depth)" :commit="f => put({ depth: f.value })" />
        <FigureField v-if="setup.mode === 'both' && setup.free !== 'flat'" :field="field('flat')" :label="names.flat" dimension="length" :part="asSet(setup.flat)" :commit="f => put({ flat: f.value })" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.lay { display: grid; gap: 6px; }
.fields { display: grid; grid-template-columns: 1fr 1fr; gap: 8px; }
</style>
