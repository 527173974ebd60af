<script setup lang="ts">
import { usePictures } from '~/stores/pictures'
import { useBuild } from '~/stores/build'

/** Photographs side by side; a press on one opens it large. */
const props = defineProps<{ photos: readonly string[], what: string, removable?: boolean }>()
const emit = defineEmits<{ remove: [sha256: string] }>()
const build = useBuild()
const pictures = usePictures()
const open = ref<string>()
const lost = reactive(new Set<string>())
const nameOf = (i: number) => `${props.what}${props.photos.length > 1 ? `, photograph ${i + 1} of ${props.photos.length}` : ', photograph'}`
const src = (sha256: string, small: boolean) => pictures.src(build.view?.id ?? '', sha256, small)
</script>

<template>
  <ul v-if="photos.length" class="strip">
    <li v-for="(sha256, i) in photos" :key="sha256" :data-photo="sha256">
      <v-btn class="thumb" variant="outlined" :aria-label="`Open: ${nameOf(i)}`" :disabled="lost.has(sha256)" @click="open = sha256">
        <span v-if="lost.has(sha256)" class="small">not here</span>
        <img v-else :src="src(sha256, true)" alt="" loading="lazy" @error="lost.add(sha256)">
      </v-btn>
      <v-btn v-if="removable" variant="text" class="small" :aria-label="`Leave out: ${nameOf(i)}`" @click="emit('remove', sha256)">×</v-btn>
    </li>
  </ul>
  <v-dialog :model-value="open !== undefined" width="auto" max-width="96vw" @update:model-value="open = undefined">
    <v-card v-if="open" class="large">
      <img :src="src(open, false)" :alt="nameOf(photos.indexOf(open))">
      <div class="foot"><span class="small">{{ nameOf(photos.indexOf(open)) }}</span><v-btn @click="open = undefined">Close</v-btn></div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.strip { list-style: none; margin: 0; padding: 0; display: flex; flex-wrap: wrap; gap: 6px; }
li { display: flex; align-items: center; }
.thumb { --v-btn-height: 60px; width: 80px; min-width: 80px; padding: 0; overflow: hidden; background: var(--sheet-deep); }
.thumb img { width: 78px; height: 58px; object-fit: cover; display: block; }
.large { padding: 10px; background: var(--sheet); }
.large img { max-width: 92vw; max-height: 80vh; display: block; }
.foot { display: flex; justify-content: space-between; align-items: center; gap: 16px; padding-top: 8px; }
</style>
