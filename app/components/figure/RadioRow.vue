<script setup lang="ts" generic="Key extends string">
/** One choice out of a few, all of them in sight: a row of radio buttons as one strip. */
const props = defineProps<{ choices: readonly (readonly [key: Key, words: string])[], label: string }>()
const chosen = defineModel<Key>({ required: true })
const name = useId()
const pick = (key: Key) => chosen.value = key
</script>

<template>
  <div class="radio-row" role="radiogroup" :aria-label="props.label">
    <label v-for="[key, words] in choices" :key="key" :class="{ on: chosen === key }"><input type="radio" :name="name" :value="key" :checked="chosen === key" @change="pick(key)"><span>{{ words }}</span></label>
  </div>
</template>

<style scoped>
.radio-row { display: flex; border: 1px solid var(--ink); }
label { flex: 1 1 auto; position: relative; display: grid; place-items: center; min-height: 34px; padding: 0 6px; border-right: 1px solid var(--ink); cursor: pointer; white-space: nowrap; }
label:last-child { border-right: 0; }
.on { background: var(--dye); color: var(--scribe); font-weight: 700; }
input { position: absolute; opacity: 0; inset: 0; width: 100%; height: 100%; margin: 0; cursor: pointer; }
label:focus-within { outline: 3px solid var(--dye); outline-offset: 1px; }
@media (max-width: 1000px) { .radio-row { flex-wrap: wrap; } label { min-height: 44px; flex-basis: 40%; border-bottom: 1px solid var(--hair); } }
</style>
