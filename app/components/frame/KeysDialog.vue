<script setup lang="ts">
import { useDevice } from '~/stores/device'

const open = defineModel<boolean>({ required: true })
const device = useDevice()
const keys: [string, string][] = [
  ['1 2 3 5 6 9', 'stations'], ['[  ]', 'cylinder before, after'], ['n', 'new reading'], ['u', 'mm or inches'], ['/', 'find'],
  ['?', 'this list'], ['F9', 'takes the gauge’s reading into the field'], ['Enter', 'keeps a reading and moves on'], ['Esc', 'clears a reading, z brings it back']
]
</script>

<template>
  <v-dialog v-model="open">
    <div class="paper">
      <h2>Keys</h2>
      <v-table>
        <tbody>
          <tr v-for="[key, does] in keys" :key="key"><td class="num">{{ key }}</td><td>{{ does }}</td></tr>
        </tbody>
      </v-table>
      <p class="small quiet note">Bare keys work while no field has the focus. Readings: 60+59.4 · 2.02in · .040 · 40 thou · 51,3 · 1 1/4"</p>
      <BenchCheck v-model="device.bareKeys" label="Bare keys on" />
      <BenchCheck v-model="device.night" label="Night colours" />
      <BenchCheck label="Keypad on the left" :model-value="device.side === 'left'" @update:model-value="device.side = $event ? 'left' : 'right'" />
      <v-btn variant="flat" color="primary" @click="open = false">Close</v-btn>
    </div>
  </v-dialog>
</template>

<style scoped>
.note { margin: 8px 0; }
</style>
