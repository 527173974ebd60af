<script setup lang="ts">
import { FIRST_ENDS } from '#core'
import { CHAMBER_WORDS } from '#shared/words/chamber'
import { answered, choicesOf, engineBody, hasBanks, hasSides, sharesOf, type EngineAnswers } from '~/forms/engine'
import { ARRANGEMENT_WORDS, FIRST_WORDS, HEAD_WORDS, NUMBERING_WORDS, SIDE_WORDS, STROKE_WORDS, sayHeads, sayValves } from '~/words/engines'
import { pairsOf } from '~/words/pairs'

/** What kind of engine it is, drawn as it is chosen. */
const answers = defineModel<EngineAnswers>({ required: true })
const props = defineProps<{ faults: Partial<Record<string, string>> }>()
const give = <K extends keyof EngineAnswers>(name: K) => (value: EngineAnswers[K] | undefined) => {
  if (value !== undefined && value !== null) answers.value = answered(answers.value, name, value)
}
const choices = computed(() => choicesOf(answers.value))
const made = computed(() => engineBody(answers.value))
const faults = computed<Partial<Record<string, string>>>(() => 'faults' in made.value ? { ...props.faults, ...made.value.faults } : props.faults)
/** The last engine that could be drawn stays, while a field is half typed. */
const drawn = shallowRef('body' in made.value ? made.value.body : undefined)
watch(made, (now) => {
  if ('body' in now) drawn.value = now.body
})
const shares = computed(() => sharesOf(answers.value))
const banks = computed(() => hasBanks(answers.value))
const numberings = [...pairsOf(NUMBERING_WORDS), ['own', 'As I name them']] as const
</script>

<template>
  <div class="engine">
    <div class="answers">
      <BenchSelect label="Cycle" :model-value="answers.strokes" :items="([4, 2] as const).map(s => [s, STROKE_WORDS[s]] as const)" @update:model-value="give('strokes')($event)" />
      <BenchSelect label="Arrangement" :model-value="answers.arrangement" :items="pairsOf(ARRANGEMENT_WORDS)" @update:model-value="give('arrangement')($event)" />
      <BenchText label="Cylinders" inputmode="numeric" :model-value="answers.cylinders" :fault="faults.cylinders" @update:model-value="give('cylinders')($event ?? '')" />
      <BenchText v-if="answers.arrangement === 'vee'" label="Angle of the vee, °" inputmode="decimal" :model-value="answers.angle" :fault="faults.angle" @update:model-value="give('angle')($event ?? '')" />
      <BenchSelect v-if="Number(answers.cylinders) !== 1" :label="answers.head === 'blind' ? 'Barrels' : 'Heads'" :model-value="answers.each" :items="(['bank', ...shares, 1] as const).map(each => [each, sayHeads(each)] as const)" @update:model-value="give('each')($event)" />
      <BenchSelect v-if="banks" label="Numbered" :model-value="answers.numbering" :items="numberings" @update:model-value="give('numbering')($event)" />
      <BenchText v-if="banks && answers.numbering === 'own'" label="Cylinders of each bank" placeholder="1 4 6 7 / 2 3 5 8" :model-value="answers.own" :fault="faults.own" @update:model-value="give('own')(String($event ?? ''))" />
      <BenchSelect label="Cylinder 1 is at" :model-value="answers.first" :items="FIRST_ENDS.map(end => [end, FIRST_WORDS[end]] as const)" @update:model-value="give('first')($event)" />
      <BenchSelect label="Head" :model-value="answers.head" :items="choices.heads.map(h => [h, HEAD_WORDS[h]] as const)" @update:model-value="give('head')($event)" />
      <BenchSelect v-if="hasSides(answers)" label="Face up, intakes away, 1 is" :model-value="answers.side" :items="(['right', 'left'] as const).map(side => [side, `${SIDE_WORDS[side]}, with the face up and the intake side away from you`, SIDE_WORDS[side]] as const)" @update:model-value="give('side')($event)" />
      <BenchSelect label="Valves of a cylinder" :model-value="answers.valves" :items="choices.valves.map(v => [v, sayValves(...(v.split('+').map(Number) as [number, number])), v === '0+0' ? 'None' : v.replace('+', ' + ')] as const)" @update:model-value="give('valves')($event)" />
      <BenchSelect label="Chamber" :model-value="answers.chamber" :items="choices.chambers.map(kind => [kind, CHAMBER_WORDS[kind]] as const)" @update:model-value="give('chamber')($event)" />
    </div>
    <div v-if="drawn?.engine" class="plan">
      <EnginePlan :layout="drawn" />
      <FaceUpPlan v-if="hasSides(answers) && answers.side" :layout="drawn" />
    </div>
  </div>
</template>

<style scoped>
.engine { display: grid; grid-template-columns: minmax(0, 480px) minmax(0, 1fr); gap: 12px 32px; align-items: start; }
.answers { display: grid; grid-template-columns: 1fr 1fr; gap: 10px 14px; }
.plan { max-width: 720px; }
@media (max-width: 1000px) { .engine { grid-template-columns: minmax(0, 1fr); } }
</style>
