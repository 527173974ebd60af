<script setup lang="ts">
/** Where a figure comes from, as a plate in the line of its label; its list is made only once it is wanted, for a sheet has many. */
defineProps<{ label: string, now: string, choices: { value: string, title: string, note?: string }[] }>()
const emit = defineEmits<{ choose: [value: string] }>()
const open = ref(false)
const wanted = ref(false)
const plate = useTemplateRef<{ $el: HTMLElement }>('plate')
const list = useTemplateRef<{ $el: HTMLElement }>('list')
/** Opened, the list has the focus on what stands, so that the arrow keys go on from there. */
async function show() {
  wanted.value = true
  open.value = true
  for (let i = 0; i < 30 && open.value; i++) {
    await new Promise(resolve => requestAnimationFrame(resolve))
    const item = list.value?.$el.querySelector<HTMLElement>('[aria-selected=true]') ?? list.value?.$el.querySelector<HTMLElement>('[role=option]')
    item?.focus()
    if (item && document.activeElement === item) return
  }
}
function choose(value: string) {
  open.value = false
  plate.value?.$el.focus()
  emit('choose', value)
}
</script>

<template>
  <span>
    <v-btn ref="plate" class="plate" variant="text" aria-haspopup="listbox" :aria-expanded="open" :aria-label="`${label}, ${now}`" @click="show" @keydown.down.prevent="show">
      {{ now }}<v-icon icon="$dropdown" size="14" />
    </v-btn>
    <v-menu v-if="wanted && plate" v-model="open" :target="plate.$el" location="bottom end">
      <v-list ref="list" role="listbox" :aria-label="label">
        <v-list-item v-for="c in choices" :key="c.value" role="option" :aria-selected="c.title === now" :active="c.title === now" @click="choose(c.value)">
          {{ c.title }}<span v-if="c.note" class="quiet small"> {{ c.note }}</span>
        </v-list-item>
      </v-list>
    </v-menu>
  </span>
</template>

<style scoped>
.plate.v-btn { --v-btn-height: 19px; min-height: 0; padding: 0 0 0 4px; font-size: var(--s13); color: var(--quiet); }
.plate.v-btn::before { content: ''; position: absolute; inset: -3px 0; }
/* By finger it is caught all round, more above than below: under it lies its figure's well. */
@media (max-width: 1000px) {
  .plate.v-btn { --v-btn-height: 24px; z-index: 1; }
  .plate.v-btn::before { inset: -14px 0 -6px; }
}
</style>
