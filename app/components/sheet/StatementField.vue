<script setup lang="ts">
import { asksFor, quantityRule, scopeName, type Figure, type Quantity, type Scope } from '#core'
import { QUANTITY_WORDS } from '#shared/words/quantities'
import { sayList } from '#shared/figures'
import { sayScope } from '~/words/entries'
import { useStatement, type Basis } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'

const props = withDefaults(defineProps<{
  quantity: Quantity
  scope: Scope
  cylinder?: number
  label?: string
  extra?: number
  hideLabel?: boolean
  noBasis?: boolean
  /** A narrow field says whom it holds for all the same. */
  saysWhom?: boolean
  bases?: Basis[]
  /** What may stand in for it, by name: with its own doubt. */
  standIns?: { name: string, figure: Figure, u: Figure }[]
}>(), { cylinder: undefined, label: undefined, extra: 0, bases: () => ['measure', 'book', 'assume'], standIns: () => [] })
const emit = defineEmits<{ focused: [on: boolean] }>()
const build = useBuild()
const { part, standing, basis, scope: held, forAll, levels, keep, changeBasis, standIn, holdFor } = useStatement(() => props.quantity, () => props.scope, () => props.cylinder ?? build.cylinder)
/** An engine of another kind has no such dimension; what was stated of it all the same stays to be seen. */
const asked = computed(() => asksFor(build.replayed?.layout.engine, props.quantity) || standing.value !== undefined)
const trouble = ref('')
const name = computed(() => props.label ?? QUANTITY_WORDS[props.quantity].label)
const words = { measure: 'measured', book: 'book', assume: 'assumed', wish: 'wanted' } as const
async function choose(to: string): Promise<string | undefined> {
  const one = props.standIns.find(s => s.name === to)
  return one ? standIn(one.figure, one.u) : changeBasis(to as Basis)
}
const choices = computed(() => [
  ...props.bases.map(b => ({ value: b as string, title: words[b] })),
  ...props.standIns.map(s => ({ value: s.name, title: s.name, note: 'assumed, by its kind' }))
])
const where = computed(() => Object.values(held.value).join('-'))
/** Whom it holds for, where an engine has more than one of it and the field has room to say so. */
const whom = computed(() => levels.value.length > 1 && (props.saysWhom || (!props.hideLabel && !props.noBasis)) ? levels.value.map(level => ({ value: scopeName(level), title: sayScope(level), note: build.replayed && level.level === 'head' ? sayList(build.replayed.layout.heads[level.head - 1] ?? []) : '' })) : [])
async function hold(name: string) {
  const level = levels.value.find(one => scopeName(one) === name)
  if (level) trouble.value = await holdFor(level) ?? ''
}
</script>

<template>
  <div v-if="asked" class="statement" :data-quantity="quantity" @focusin="emit('focused', true)" @focusout="emit('focused', false)">
    <FigureField
      :field="`${build.view?.id}/${quantity}/${where}`" :label="name" :dimension="quantityRule(quantity).dimension" :usual="QUANTITY_WORDS[quantity].usual"
      :part="part" :base="standing?.id" :extra="extra" :hide-label="hideLabel" :commit="(figure, _terms, base) => keep(figure, base)"
    >
      <template v-if="whom.length" #whom><BasisPlate class="whom" :label="`${name}: whom it holds for`" :now="forAll ? 'all' : sayScope(held)" :choices="whom" @choose="hold" /></template>
    </FigureField>
    <BasisPlate v-if="!noBasis" class="basis" :label="`${name}: where it comes from`" :now="words[basis]" :choices="choices" @choose="choose($event).then(said => trouble = said ?? '')" />
    <p v-if="trouble" class="sentence">{{ trouble }}</p>
  </div>
</template>

<style scoped>
.statement { position: relative; }
.whom { align-self: center; padding-right: 6px; margin-left: -4px; }
.basis { position: absolute; right: 0; top: -1px; z-index: 2; }
@media (max-width: 1000px) { .basis { top: -5px; } }
</style>
