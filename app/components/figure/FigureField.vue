<script setup lang="ts">
import type { Dimension, Figure, Part } from '#core'
import { UNITS, parseFigure, say, sayAsTyped, shown, shownUnit, type Parsed, type UnitName } from '#shared/figures'
import type { GaugePlace, TypingField } from '~/composables/useKeypad'
import { focusNext } from '~/composables/useStage'
import { useDevice } from '~/stores/device'
import { useDrafts } from '~/stores/drafts'

const props = withDefaults(defineProps<{
  /** Draft key: unique on this device. */
  field: string
  label: string
  dimension: Dimension
  usual?: readonly [number, number]
  /** What stands there now. */
  part?: Part
  /** The entry a new figure would take the place of. */
  base?: string
  extra?: number
  big?: boolean
  hideLabel?: boolean
  /** Enter keeps the focus here: the next reading belongs here too. */
  stay?: boolean
  emptyText?: string
  /** Takes away what stands here, where the field may be left open. */
  empty?: () => void
  /** What a gauge would be held to for this reading. */
  gaugeAt?: GaugePlace
  /** Keeps a reading; answers with a sentence when it can't be kept. */
  commit: (figure: Figure, terms: number[], base: string | undefined) => Promise<string | undefined>
}>(), { usual: undefined, part: undefined, base: undefined, extra: 0, emptyText: '', empty: undefined, gaugeAt: undefined })
const emit = defineEmits<{ typing: [value: { figure: Figure, terms: number[] } | undefined], pass: [] }>()

const UNFINISHED = /[.,+\-/]\s*$/
interface Draft { text: string, unit: UnitName, base?: string }

const device = useDevice()
const drafts = useDrafts()
const keypad = useKeypad()
const input = useTemplateRef<HTMLInputElement>('input')
const sentence = ref('')
const ask = shallowRef<Extract<Parsed, { kind: 'ask' }>>()
const cleared = ref('')
const inking = ref(false)
const id = useId()

const draft = computed<Draft | undefined>(() => {
  const kept = drafts.get(props.field)
  return kept === undefined ? undefined : JSON.parse(kept) as Draft
})
// The unit is the one that was printed when typing began, whatever is shown since.
const unit = computed<UnitName>(() => draft.value?.unit ?? shownUnit(props.dimension, device.lengths))
const standing = computed(() => props.part ? shown(props.part.estimate.value, props.dimension, device.lengths, props.extra).number : '')
const text = computed(() => draft.value?.text ?? standing.value)
const described = computed(() => [sentence.value || ask.value || cleared.value ? `${id}-say` : '', props.part ? `${id}-from` : ''].join(' ').trim() || undefined)
const base = computed(() => draft.value ? draft.value.base : props.base)

const read = (typed: string): Parsed => parseFigure(typed, { dimension: props.dimension, unit: unit.value, usual: props.usual })

function type(value: string) {
  const begun: Draft = { text: value, unit: unit.value, base: base.value }
  if (value === '' || value === standing.value) drafts.clear(props.field)
  else drafts.set(props.field, JSON.stringify(begun))
  if (value === '' && props.part) props.empty?.()
  sentence.value = ''
  ask.value = undefined
  if (value !== '') cleared.value = ''
}

watch(draft, (now) => {
  const parsed = now && parseFigure(now.text, { dimension: props.dimension, unit: now.unit })
  emit('typing', parsed?.kind === 'figure' ? { figure: parsed.figure, terms: parsed.terms } : undefined)
}, { immediate: true })

/**
 * Hands the reading on and empties the field at once, so that the next can be typed; a reading that is refused after
 * all comes back with its sentence. It is in the outbox before the draft goes: a reload finds it in one or the other.
 */
async function keep(entered: Draft, figure: Figure, terms: number[]) {
  const { field } = props
  const answer = props.commit(figure, terms, entered.base)
  drafts.clear(field)
  ask.value = undefined
  cleared.value = ''
  sentence.value = ''
  const said = await answer
  if (field !== props.field) {
    if (said && drafts.get(field) === undefined) drafts.set(field, JSON.stringify(entered))
    return
  }
  if (!said) {
    inking.value = true
    setTimeout(() => inking.value = false, 400)
    return
  }
  if (draft.value) {
    sentence.value = `${entered.text}: ${said}`
    return
  }
  // Whoever has been told what stands there now may put theirs in its place with the next Enter.
  drafts.set(props.field, JSON.stringify({ ...entered, base: props.base }))
  sentence.value = said
}

function enter(move: boolean) {
  const entered = draft.value
  if (!entered) {
    if (!move) return
    emit('pass')
  } else {
    const parsed = read(entered.text)
    if (parsed.kind === 'refused') {
      sentence.value = parsed.sentence
      return
    }
    if (parsed.kind === 'ask') {
      ask.value = parsed
      return
    }
    if (parsed.kind === 'figure') void keep(entered, parsed.figure, parsed.terms)
  }
  if (move && !props.stay && input.value) focusNext(input.value)
}

function choose(figure: Figure) {
  if (draft.value) void keep(draft.value, figure, [figure.value])
  input.value?.focus()
}

function clear() {
  if (!draft.value) return
  cleared.value = draft.value.text
  drafts.clear(props.field)
  sentence.value = ''
  ask.value = undefined
  // What stands there is back: the next character must replace it, not run on from it.
  void nextTick(() => input.value?.select())
}

// The same box may come to stand for another figure: what was said of the one before is no word on this one.
watch(() => props.field, () => {
  sentence.value = cleared.value = ''
  ask.value = undefined
})

watch(() => props.field, (field, _, clean) => clean(drafts.show(field)), { immediate: true })

// What stands here may change while the field has the focus (another field's answer, another page): the next
// character must still replace it, not run on from it.
watch(standing, () => {
  if (!draft.value && document.activeElement === input.value) input.value?.select()
}, { flush: 'post' })

function bringBack() {
  type(cleared.value)
  cleared.value = ''
}

function onKey(event: KeyboardEvent) {
  if (event.key === 'Enter') {
    event.preventDefault()
    enter(true)
  } else if (event.key === 'Tab' && draft.value) {
    enter(false)
  } else if (event.key === 'Escape') {
    // With nothing to clear it leaves the field, so that the bare keys work again.
    if (draft.value) clear()
    else input.value?.blur()
  } else if (event.key === 'z' && cleared.value && !draft.value) {
    event.preventDefault()
    bringBack()
  }
}

const typingField: TypingField = {
  insert: (key: string) => {
    const el = input.value
    if (!el) return
    const [from, to] = draft.value ? [el.selectionStart ?? text.value.length, el.selectionEnd ?? text.value.length] : [0, text.value.length]
    type(text.value.slice(0, from) + key + text.value.slice(to))
    void nextTick(() => el.setSelectionRange(from + key.length, from + key.length))
  },
  erase: () => type(draft.value ? text.value.slice(0, -1) : ''),
  commit: () => enter(true),
  take: (reading) => {
    type(reading)
    enter(true)
  },
  get gaugeAt() {
    return props.gaugeAt
  }
}
const on = ref(false)
function focused() {
  on.value = true
  input.value?.select()
  keypad.take(typingField)
}
/**
 * What is typed is kept on every way out of the field, but within a place that says it belongs together (`data-stay`): there
 * the hand may still choose another glass, or leave it. A window that goes to the back is no way out, and a figure that breaks
 * off (“51.”, “60+”) is not finished: it waits as it is.
 */
function left(event: FocusEvent) {
  on.value = false
  keypad.leave(typingField)
  const room = input.value?.closest('[data-stay]')
  if (!draft.value || !document.hasFocus() || (room && event.relatedTarget instanceof Node && room.contains(event.relatedTarget))) return
  if (!UNFINISHED.test(draft.value.text)) enter(false)
}
/** A press beside the figure is a press on the field. */
function held(event: MouseEvent) {
  if (event.target === input.value) return
  event.preventDefault()
  input.value?.focus()
}
onBeforeUnmount(() => {
  keypad.leave(typingField)
  // By a way back in the browser the field goes without being left.
  if (on.value && draft.value && !UNFINISHED.test(draft.value.text)) enter(false)
})
defineExpose({ focus: () => input.value?.focus(), commit: () => enter(true), type })
</script>

<template>
  <v-input :id="id" class="figure-field v-text-field" :class="{ big, 'hide-label': hideLabel, 'typed': draft }" density="compact" hide-details :focused="on" :error="sentence !== ''">
    <v-field :id="id" :label="hideLabel ? undefined : label" single-line active :focused="on" variant="solo" flat :error="sentence !== ''" @mousedown="held">
      <template #loader />
      <template #default>
        <div class="v-field__input" :style="{ '--letters': Math.max(1, (text || emptyText).length) }">
          <!-- The input is our own: the gauge, the keypad and the keys of the bench need the element itself, and sixty of these stand on one sheet. -->
          <input
            :id="id" ref="input" class="num" :aria-label="hideLabel ? label : undefined" :value="text" size="1" :placeholder="emptyText" autocomplete="off" spellcheck="false"
            :inputmode="keypad.atBench.value ? 'none' : 'text'" :aria-describedby="described" :aria-invalid="sentence !== ''"
            maxlength="64" data-next :data-figure="label" :data-field="field" :data-typed="draft ? '' : undefined"
            @input="type(($event.target as HTMLInputElement).value)" @keydown="onKey" @focus="focused" @blur="left"
          >
          <span v-if="part && !draft" class="rule" :class="[part.provenance, { inked: inking }]" :style="{ width: `${standing.length - (standing.match(/[.,]/g)?.length ?? 0) * 0.55}ch` }" aria-hidden="true" />
        </div>
        <span v-if="dimension !== 'ratio'" class="v-text-field__suffix">{{ UNITS[unit].label }}</span>
        <slot name="whom" />
      </template>
    </v-field>
    <template #append>
      <span v-if="part" :id="`${id}-from`" class="visually-hidden">{{ part.provenance !== 'derived' ? part.provenance : part.entries.some(entry => entry !== props.base) ? 'reckoned' : 'set' }}, {{ say(part.estimate.value, dimension, device.lengths, extra) }}</span>
      <div v-if="sentence || ask || cleared" :id="`${id}-say`" class="said" role="status">
        <span v-if="sentence" class="sentence">{{ sentence }}</span>
        <span v-else-if="ask" class="small">
          {{ ask.question }}
          <v-btn v-for="choice in ask.choices" :key="choice.unit" class="choice" @click="choose(choice)">
            {{ ask.choices.length === 1 ? `Keep ${say(choice.value, dimension, device.lengths)}` : sayAsTyped(choice) }}
          </v-btn>
        </span>
        <span v-else class="small quiet">cleared {{ cleared }}, z brings it back</span>
      </div>
      <div v-else-if="draft && !hideLabel && !big" class="said small quiet">Enter keeps it</div>
    </template>
  </v-input>
</template>

<style>
.figure-field { font-family: var(--figure); }
.figure-field .v-field.v-field { font-size: var(--s18); }
.figure-field .v-field-label, .figure-field .v-text-field__suffix, .figure-field .said { font-family: var(--label); }
.figure-field.big { --well-height: 64px; }
.figure-field.big .v-field.v-field { font-size: var(--s48); line-height: 1; }
.figure-field.typed .v-field__input { color: var(--dye); }
.figure-field .v-field__input { position: relative; container-type: inline-size; min-width: 60px; }
.figure-field .v-field__input > input { flex: 1; min-width: 0; width: 100%; color: inherit; }
/* A figure is read whole or misread: where its place is narrow (ten-thousandths of an inch) its letters are. */
.figure-field .v-field__input > :is(input, .rule) { font-size: max(var(--s13), min(1em, calc(100cqw / (var(--letters) * 0.62)))); }
.figure-field .rule { position: absolute; left: 8px; bottom: 4px; height: 0; max-width: calc(100% - 8px); pointer-events: none; }
.figure-field > .v-input__append { grid-area: auto; margin: 0; padding: 0; position: absolute; left: 0; right: 0; top: 100%; z-index: 4; min-height: 0; }
.figure-field .said { background: var(--sheet); padding: 1px 4px 3px; min-width: 200px; white-space: normal; line-height: 1.35; font-size: var(--s13); }
.figure-field .said .v-btn { --v-btn-height: 32px; margin-left: 6px; }
</style>
