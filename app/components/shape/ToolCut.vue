<script setup lang="ts">
import { asSet } from '#core'
import { digits, say } from '#shared/figures'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { pairsOf } from '~/words/pairs'

/** A tool of known size leaves its own shape: its diameter, its corner, how far in it reaches, between which azimuths. */
const props = defineProps<{ kind: 'intake' | 'exhaust', diameter: number, head: number }>()
const emit = defineEmits<{ cut: [words: string, tool: { diameter: number, corner: number, reach?: number, from: number, to: number }] }>()
const build = useBuild()
const device = useDevice()
const TOOLS = { guide: 'cutter about the guide', burr: 'burr round the valve', ball: 'ball round the valve' } as const
const tool = ref<keyof typeof TOOLS>('guide')
const across = ref(0)
const corner = ref(0)
const reach = ref<number>()
const arc = ref({ from: 0, to: 360 })
const wide = computed(() => across.value || (tool.value === 'guide' ? props.diameter + 4 : 3))
const field = (name: string) => `${build.view?.id}/shapefield/${props.head}/${name}`
const mm = (value: number) => say(value, 'length', device.lengths)
const within = (least: number, most: number, noun: string, change: (v: number) => void) => async ({ value }: { value: number }): Promise<string | undefined> => {
  if (!(value >= least && value <= most)) return `That can’t be right for ${noun}: it must lie between ${mm(least)} and ${mm(most)}.`
  change(value)
  return undefined
}
const turn = (to: 'from' | 'to') => async ({ value }: { value: number }): Promise<string | undefined> => {
  if (!(value >= -360 && value <= 720)) return 'Azimuths lie between −360° and 720°.'
  arc.value = { ...arc.value, [to]: value }
  return undefined
}
function cut() {
  // What is rolled against the valve's edge takes its own width all round; a ball's corner is the ball.
  const round = tool.value === 'ball' ? wide.value / 2 : Math.min(corner.value, wide.value / 2)
  emit('cut', `${tool.value === 'ball' ? 'Ball' : tool.value === 'burr' ? 'Burr' : 'Cutter'} ${digits(wide.value, 1)}, ${props.kind}`, {
    diameter: tool.value === 'guide' ? wide.value : props.diameter + 2 * wide.value, corner: round, reach: reach.value, ...arc.value
  })
}
</script>

<template>
  <div class="tool-cut">
    <BenchSelect v-model="tool" class="tool" hide-label label="Tool" :items="pairsOf(TOOLS)" />
    <FigureField :field="field('cutter')" label="Across" dimension="length" :part="asSet(wide)" :commit="within(0.5, 200, 'the tool', v => across = v)" />
    <FigureField v-if="tool !== 'ball'" :field="field('corner')" label="Corner radius" dimension="length" :part="asSet(corner)" :commit="within(0, 20, 'its corner', v => corner = v)" />
    <FigureField :field="field('from')" label="from" dimension="angle" :part="asSet(arc.from)" :commit="turn('from')" />
    <FigureField :field="field('to')" label="to" dimension="angle" :part="asSet(arc.to)" :commit="turn('to')" />
    <FigureField :field="field('reach')" label="Reach from the face" dimension="length" :part="asSet(reach)" empty-text="seat" :commit="within(0.2, 120, 'its reach', v => reach = v)" />
    <v-btn @click="cut">Cut</v-btn>
  </div>
</template>

<style scoped>
.tool-cut { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 6px 8px; align-items: end; }
.tool { grid-column: span 2; }
@media (max-width: 1000px) { .tool-cut { grid-template-columns: repeat(2, minmax(0, 1fr)); } }
</style>
