<script setup lang="ts">
import { gaugeReading } from '~/composables/useBenchKeys'
import { useDrafts } from '~/stores/drafts'

/** A gauge typed with no field focused: ask where the reading belongs. */
const fields = ref<{ label: string, field: string }[]>([])
const drafts = useDrafts()
watch(gaugeReading, (reading) => {
  if (!reading) return
  fields.value = [...document.querySelectorAll<HTMLInputElement>('[data-station] input[data-field]')]
    .filter(el => el.offsetParent !== null)
    .map(el => ({ label: el.dataset.figure ?? '', field: el.dataset.field ?? '' }))
})

async function put(field: string) {
  const el = document.querySelector<HTMLInputElement>(`input[data-field="${CSS.escape(field)}"]`)
  const reading = gaugeReading.value
  gaugeReading.value = ''
  await nextTick()
  if (!el) return
  el.focus()
  drafts.clear(field)
  await nextTick()
  el.value = reading
  el.dispatchEvent(new Event('input'))
}
</script>

<template>
  <v-dialog :model-value="gaugeReading !== ''" max-width="520" @update:model-value="gaugeReading = ''">
    <div class="paper">
      <h2>A gauge sent <span class="num">{{ gaugeReading }}</span>. Where does it belong?</h2>
      <ul v-if="fields.length" class="fields">
        <li v-for="{ label, field } in fields" :key="field">
          <v-btn @click="put(field)">{{ label }}</v-btn>
        </li>
      </ul>
      <p v-else>Nothing here takes a reading.</p>
      <v-btn variant="text" @click="gaugeReading = ''">Nowhere: drop it</v-btn>
    </div>
  </v-dialog>
</template>

<style scoped>
.fields { display: flex; flex-wrap: wrap; gap: 6px; margin: 12px 0; max-height: 50vh; overflow: auto; }
</style>
