<script setup lang="ts">
import { FADE, FLANGE_PARTS, flangeRecord, untyped, type Figure, type FlangePart, type Outline, type QuantityRule, type XY } from '#core'
import { openingFault } from '#shared/dto'
import { say } from '#shared/figures'
import { readPoints } from '#shared/files/sectionText'
import { useFormDraft } from '~/composables/useFormDraft'
import { usePorts } from '~/composables/usePorts'
import { notKept } from '~/composables/useStatement'
import { download } from '~/papers/download'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { inTyped } from '~/words/refusals'
import { FORM_WORDS, PART_WORDS } from '~/words/ports'

/** Openings that meet at a flange: how far a wall stands into the stream, where, and how to take it out. */
const build = useBuild()
const device = useDevice()
const { side } = usePorts()
const part = ref<FlangePart>('port')
const form = useFormDraft(() => `flange/${side.value}/${part.value}`)
const shape = computed(() => form.text('shape', opening(part.value)?.entry.body.outline.form ?? 'rectangle'))
const traced = computed(() => form.text('points'))
const whom = computed(() => form.text('whom', 'all'))
/** Where a port bends aside, which side its inner wall is on. */
const inner = computed(() => form.text('inner', opening('port')?.entry.body.inner ?? ''))
const record = computed(() => build.replayed && flangeRecord(build.replayed, build.cylinder, side.value))
const opening = (name: FlangePart) => record.value?.openings[name]
/** What a part is called on this side. */
const called = (name: FlangePart) => name === 'pipe' ? side.value === 'intake' ? 'manifold' : 'pipe' : PART_WORDS[name]
type Name = 'x' | 'y' | 'width' | 'height' | 'radius' | 'diameter'
const LENGTH: QuantityRule = { dimension: 'length', min: -500, max: 500 }
const FIELDS: Record<Exclude<Outline['form'], 'points'>, { name: Name, label: string }[]> = (() => {
  const [x, y] = [{ name: 'x', label: 'Middle, to the right' }, { name: 'y', label: 'Middle, up' }] as const
  const [width, height] = [{ name: 'width', label: 'Width' }, { name: 'height', label: 'Height' }] as const
  return { rectangle: [width, height, { name: 'radius', label: 'Corner radius' }, x, y], oval: [width, height, x, y], ellipse: [width, height, x, y], circle: [{ name: 'diameter', label: 'Diameter' }, x, y] }
})()
const fields = computed(() => shape.value.value === 'points' ? [] : FIELDS[shape.value.value as keyof typeof FIELDS])
const kept = (name: Name) => {
  const outline = opening(part.value)?.entry.body.outline
  return outline && outline.form === shape.value.value && name in outline ? (outline as unknown as Record<Name, number>)[name] : name === 'x' || name === 'y' ? 0 : undefined
}
const given = (name: Name) => form.figure(name)?.value ?? kept(name)
const sentence = ref('')
function typedOutline(): Outline | string {
  if (shape.value.value !== 'points') return { form: shape.value.value, ...Object.fromEntries(fields.value.map(f => [f.name, given(f.name)])) } as unknown as Outline
  const points = readPoints(traced.value.value, device.lengths === 'in' ? 'in' : 'mm')
  return typeof points === 'string' ? points : { form: 'points', points }
}
async function keep() {
  const outline = typedOutline()
  const fault = typeof outline === 'string' ? outline : openingFault(outline)
  const bent = part.value === 'port' && inner.value.value ? { inner: inner.value.value as 'left' | 'right' } : {}
  const of = whom.value.value === 'all' ? { level: 'build' } as const : { level: 'cylinder', cylinder: build.cylinder } as const
  sentence.value = fault
    ? inTyped(fault, device.lengths)
    : await form.sent(['shape', 'points', 'whom', 'inner', ...fields.value.map(f => f.name)], async () => notKept(await build.add('flange', of, { port: side.value, part: part.value, outline: outline as Outline, ...bent })))
}
/** Everything is drawn to fit the largest opening. */
const scale = computed(() => {
  const far = Math.max(20, ...FLANGE_PARTS.flatMap(name => opening(name)?.points.flatMap(([x, y]) => [Math.abs(x), Math.abs(y)]) ?? []))
  return 170 / far
})
const path = (points: readonly XY[]) => `M${points.map(([x, y]) => `${(200 + x * scale.value).toFixed(2)} ${(190 - y * scale.value).toFixed(2)}`).join('L')}Z`
const steps = computed(() => record.value?.steps ?? [])
const worst = computed(() => steps.value[0])
const WALLS = { roof: 'roof', floor: 'floor', left: 'left-hand wall', right: 'right-hand wall', inner: 'inner wall', outer: 'outer wall' } as const
const back = computed(() => worst.value && !worst.value.inStream)
const fade = computed(() => form.figure('fade')?.value)
const least = computed(() => worst.value?.fade ?? 0)
async function template() {
  const one = worst.value
  if (!one) return
  const { flangeTemplate, templatePdf } = await import('~/papers/template')
  const sheet = flangeTemplate({ title: `${build.view!.name}, ${side.value} ${build.cylinder}`, onto: called(one.downstream), to: opening(one.upstream)!.points, now: opening(one.downstream)!.points, metal: one.step.faces })
  download(await templatePdf(sheet) as BlobPart, 'application/pdf', `${build.view!.name} flange, ${side.value} ${build.cylinder}.pdf`)
}
const commit = (name: Name, label: string) => (figure: Figure) => form.keep(name, LENGTH, `the opening’s ${label.toLowerCase()}`)(figure)
</script>

<template>
  <section class="flange">
    <div class="left">
      <svg viewBox="0 0 400 380" role="img" :aria-label="`The ${side} flange of cylinder ${build.cylinder}, roof up`">
        <defs><pattern id="in-stream" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><path d="M0 0V6" class="hatch" /></pattern></defs>
        <path d="M200 176V204M186 190H214" class="cross" /><text x="184" y="14">roof</text><text x="184" y="376">floor</text>
        <path :d="(worst?.step.faces ?? []).map(path).join('')" fill-rule="evenodd" class="metal" />
        <path v-for="name in FLANGE_PARTS.filter(opening)" :key="name" :d="path(opening(name)!.points)" :class="name" />
        <circle v-if="worst && !back" :cx="200 + worst.step.worst.x * scale" :cy="190 - worst.step.worst.y * scale" r="7" class="worst" />
      </svg>
      <p class="small quiet key">Heavy line: the port. Thin: the gasket. Long dashes: the {{ called('pipe') }}. Hatched: metal that stands into the stream.</p>
    </div>
    <div class="right">
      <template v-if="worst">
        <p class="label">{{ back ? 'Nothing stands into the stream' : 'Furthest into the stream' }}</p>
        <p class="big num" data-step>{{ back ? say(Math.max(0, -worst.step.worst.step), 'length', device.lengths) : say(worst.step.worst.step, 'length', device.lengths) }}<span v-if="back" class="unit"> back at the nearest</span></p>
        <p v-if="back">Each opening is as large as the one before it. {{ side === 'exhaust' ? 'Keep the step to a larger pipe: it hinders gas that comes back.' : 'Leave it.' }}</p>
        <template v-else>
          <p>The {{ called(worst.downstream) }}’s {{ WALLS[worst.wall] }} stands {{ say(worst.step.worst.step, 'length', device.lengths) }} into what comes from the {{ called(worst.upstream) }}: <span class="num">{{ say(worst.step.facing, 'area', device.lengths) }}</span> in all.</p>
          <p v-if="worst.wall === 'floor'" class="small"><strong>Spare the floor.</strong> Move or shim the {{ called('pipe') }} first: metal off the floor is seldom worth what it costs.</p>
          <p v-else class="small">Dye the face, scribe the {{ called(worst.upstream) }}’s opening on it, and take what is hatched.</p>
          <FigureField :field="form.key('fade/typed')" label="Fade it out over" dimension="length" :part="form.part('fade')" :commit="form.keep('fade', { dimension: 'length', min: 0.5, max: 200 }, 'the length it fades over')" />
          <p v-if="fade !== undefined && fade < least" class="small warn">That is a short flare: let it run out over {{ say(least, 'length', device.lengths, -1) }} or more, {{ FADE }} times its depth, or the flow leaves the wall.</p>
          <p v-else class="small quiet">Over {{ say(least, 'length', device.lengths, -1) }} or more: {{ FADE }} times its depth.</p>
          <v-btn @click="template">Template, 1 : 1</v-btn>
        </template>
        <v-table v-if="steps.length > 1" class="close"><thead><tr><th>From</th><th>to</th><th class="r">into the stream</th></tr></thead><tbody><tr v-for="one in steps" :key="one.downstream"><td>{{ called(one.upstream) }}</td><td>{{ called(one.downstream) }}</td><td class="r num">{{ one.inStream ? `${say(one.step.worst.step, 'length', device.lengths)}, ${say(one.step.facing, 'area', device.lengths)}` : 'none' }}</td></tr></tbody></v-table>
      </template>
      <p v-else class="quiet">Enter two openings that meet: the port’s, and the {{ called('pipe') }}’s or the gasket’s. Both are measured from where bolts or dowels put them.</p>
      <form class="form" @submit.prevent="keep">
        <h3>An opening</h3>
        <div class="fields">
          <BenchSelect label="Of the" :model-value="part" :items="FLANGE_PARTS.map(p => [p, called(p)] as const)" @update:model-value="part = $event!" />
          <BenchSelect label="Form" :model-value="(shape.value as Outline['form'])" :items="(Object.entries(FORM_WORDS) as [Outline['form'], string][])" @update:model-value="shape.value = $event!" />
          <FigureField v-for="f in fields" :key="`${side}${part}${f.name}`" :field="form.key(`${f.name}/typed`)" :label="f.label" dimension="length" :part="form.part(f.name, kept(f.name) === undefined ? undefined : untyped(kept(f.name)!, 'mm'))" :commit="commit(f.name, f.label)" />
          <BenchSelect v-if="part === 'port'" label="Inner wall of its bend" :model-value="inner.value" :items="[['', 'no bend aside'], ['left', 'left'], ['right', 'right']]" @update:model-value="inner.value = $event!" />
        </div>
        <v-textarea v-if="shape.value === 'points'" id="flange-points" v-model="traced.value" class="num" :label="`A line a point: x and y in ${device.lengths}`" rows="4" spellcheck="false"><template #loader /></v-textarea>
        <div class="row">
          <BenchSelect v-if="build.cylinders.length > 1" class="whom" hide-label label="Whose" :model-value="whom.value" :items="[['all', 'every cylinder'], ['one', `cylinder ${build.cylinder}`]]" @update:model-value="whom.value = $event!" />
          <v-btn type="submit" :variant="worst ? 'outlined' : 'flat'" :color="worst ? undefined : 'primary'">Keep the opening</v-btn>
        </div>
        <p v-if="sentence" class="sentence" role="alert">{{ sentence }}</p>
      </form>
    </div>
  </section>
</template>

<style scoped>
.flange { display: grid; grid-template-columns: minmax(0, 1fr) 360px; gap: 24px; align-items: start; }
svg { width: 100%; max-height: 470px; background: var(--sheet-deep); }
svg path { fill: none; stroke: var(--ink); }
.port { stroke-width: 2.5; }
.gasket { stroke-width: 1; }
.pipe { stroke-width: 1.5; stroke-dasharray: 9 5; }
svg .hatch { stroke: var(--dye); stroke-width: 2.5; }
svg .metal { fill: url(#in-stream); stroke: var(--dye); stroke-width: 1; }
.cross { stroke-width: 1; }
.worst { fill: none; stroke: var(--stop); stroke-width: 2; }
text { fill: var(--quiet); font-size: 13px; }
.right { display: grid; gap: 6px; align-content: start; }
.right > .v-btn { justify-self: start; }
.big { font-size: var(--s48); line-height: 1.05; font-weight: 700; }
.big .unit { font-size: var(--s18); font-weight: 400; }
.form { display: grid; gap: 8px; margin-top: 10px; border-top: 1px solid var(--ink); padding-top: 6px; }
.fields { display: grid; grid-template-columns: 1fr 1fr; gap: 8px 12px; }
.row { display: flex; gap: 10px; align-items: center; }
.whom { width: 150px; }
@media (max-width: 1000px) { .flange { grid-template-columns: minmax(0, 1fr) 320px; gap: 14px; } .big { font-size: var(--s32); } }
</style>
