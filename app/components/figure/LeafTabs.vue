<script setup lang="ts">
/** Leaves of one station: a row of plates, one of them up. */
const props = defineProps<{ leaves: { key: string, name: string }[], label: string }>()
const open = defineModel<string>({ required: true })
function step(event: KeyboardEvent, by: number) {
  const at = props.leaves.findIndex(l => l.key === open.value)
  open.value = props.leaves[(at + by + props.leaves.length) % props.leaves.length]!.key
  event.preventDefault()
  void nextTick(() => (event.currentTarget as HTMLElement).querySelector<HTMLElement>('[aria-selected="true"]')?.focus())
}
</script>

<template>
  <div class="leaves" role="tablist" :aria-label="label" @keydown.right="step($event, 1)" @keydown.left="step($event, -1)">
    <button
      v-for="leaf in leaves" :key="leaf.key" type="button" role="tab" class="leaf" :aria-selected="open === leaf.key" :tabindex="open === leaf.key ? 0 : -1"
      @click="open = leaf.key"
    >
      {{ leaf.name }}
    </button>
  </div>
</template>

<style scoped>
.leaves { display: flex; border-bottom: 1px solid var(--ink); gap: 2px; }
.leaf { border: 1px solid transparent; border-bottom: 0; background: transparent; padding: 4px 12px; min-height: 34px; cursor: pointer; color: var(--quiet); }
.leaf[aria-selected="true"] { color: var(--ink); font-weight: 700; border-color: var(--ink); background: var(--sheet-deep); margin-bottom: -1px; border-bottom: 1px solid var(--sheet-deep); }
.leaf:hover { background: var(--sheet-deep); }
@media (max-width: 1000px) { .leaf { min-height: 44px; padding: 4px 10px; } }
</style>
