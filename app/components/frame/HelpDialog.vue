<script setup lang="ts">
import { useDevice } from '~/stores/device'
import { STATIONS, type StationName } from '~/words/stations'

/** How the open station is worked, with its picture, and the keys. */
const open = defineModel<boolean>({ required: true })
const device = useDevice()
const route = useRoute()
const station = computed(() => {
  const path = route.path.split('/')[3] as StationName | undefined
  return path && path in STATIONS ? path : undefined
})
const keys: [string, string][] = [
  [Object.values(STATIONS).map(s => s.key).join(' '), 'stations'], ['[  ]', 'cylinder before, after'], ['n', 'new reading'], ['m', 'to the next move'], ['u', 'mm or inches'], ['/', 'find'],
  ['?', 'this page'], ['F9', 'takes the gauge’s reading into the field'], ['Enter', 'keeps a reading and moves on'], ['Esc', 'clears a reading, z brings it back'], ['Ctrl Z', 'undoes what you did last'], ['Ctrl Y', 'does it again']
]
</script>

<template>
  <v-dialog v-model="open" max-width="920">
    <div class="paper help">
      <section v-if="station" class="how">
        <h2>{{ STATIONS[station].name }}</h2>
        <p>{{ STATIONS[station].help.what }}</p>
        <ol><li v-for="step in STATIONS[station].help.how" :key="step">{{ step }}</li></ol>
        <figure>
          <StationPicture :station="station" />
          <figcaption class="small quiet">{{ STATIONS[station].help.picture }}</figcaption>
        </figure>
      </section>
      <section>
        <h2>Keys</h2>
        <v-table>
          <tbody>
            <tr v-for="[key, does] in keys" :key="key"><td class="num">{{ key }}</td><td>{{ does }}</td></tr>
          </tbody>
        </v-table>
        <p class="small quiet note">These keys work while no field has the focus. Readings: 60+59.4 · 2.02in · .040 · 40 thou · 51,3 · 1 1/4"</p>
        <BenchCheck v-model="device.bareKeys" label="Single keys on" />
        <BenchCheck v-model="device.night" label="Night colours" />
        <BenchCheck label="Keypad on the left" :model-value="device.side === 'left'" @update:model-value="device.side = $event ? 'left' : 'right'" />
      </section>
      <v-btn variant="flat" color="primary" class="close" @click="open = false">Close</v-btn>
    </div>
  </v-dialog>
</template>

<style scoped>
.help { display: grid; grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr); gap: 12px 28px; max-height: 90vh; overflow: auto; }
.help > section:only-of-type { grid-column: 1 / -1; }
.how { display: grid; gap: 8px; align-content: start; }
ol { padding-left: 20px; list-style: decimal; display: grid; gap: 4px; }
figure { display: grid; gap: 4px; margin: 0; }
.note { margin: 8px 0; }
.close { justify-self: start; grid-column: 1 / -1; }
@media (max-width: 1000px) { .help { grid-template-columns: 1fr; } }
</style>
