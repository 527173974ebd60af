<script setup lang="ts">
import { quantityRule, type Quantity, type Scope } from '#core'
import { QUANTITY_WORDS } from '#shared/words/quantities'
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
  bases?: Basis[]
}>(), { cylinder: undefined, label: undefined, extra: 0, bases: () => ['measure', 'book', 'assume'] })
const emit = defineEmits<{ focused: [on: boolean] }>()
const build = useBuild()
const { part, standing, basis, keep, changeBasis } = useStatement(props.quantity, () => props.scope, () => props.cylinder ?? build.cylinder)
const trouble = ref('')
const name = computed(() => props.label ?? QUANTITY_WORDS[props.quantity].label)
const words = { measure: 'measured', book: 'book', assume: 'assumed' } as const
const where = computed(() => Object.values(props.scope).join('-'))
</script>

<template>
  <div class="statement" :data-quantity="quantity" @focusin="emit('focused', true)" @focusout="emit('focused', false)">
    <FigureField
      :field="`${build.view?.id}/${quantity}/${where}`" :label="name" :dimension="quantityRule(quantity).dimension" :usual="QUANTITY_WORDS[quantity].usual"
      :part="part" :base="standing?.id" :extra="extra" :hide-label="hideLabel" :commit="(figure, _terms, base) => keep(figure, base)"
    />
    <select
      v-if="!noBasis" class="basis small" :value="basis" :aria-label="`${name}: where it comes from`"
      @change="changeBasis(($event.target as HTMLSelectElement).value as Basis).then(said => trouble = said ?? '')"
    >
      <option v-for="b in bases" :key="b" :value="b">{{ words[b] }}</option>
    </select>
    <p v-if="trouble" class="sentence">{{ trouble }}</p>
  </div>
</template>

<style scoped>
.statement { position: relative; }
.basis { position: absolute; right: 0; top: -1px; border: 0; background: transparent; color: var(--quiet); cursor: pointer; padding: 0; height: 19px; field-sizing: content; text-align: right; }
.basis option { background: var(--sheet); color: var(--ink); }
@media (max-width: 1000px) { .basis { height: 24px; top: -5px; } }
</style>
