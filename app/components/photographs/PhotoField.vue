<script setup lang="ts">
import { MOST_PHOTOS, PICTURE_TYPES } from '#shared/dto'
import { useBuild } from '~/stores/build'
import { useDrafts } from '~/stores/drafts'
import { usePictures } from '~/stores/pictures'

/** Photographs for what is about to be entered: each is kept and sent as it is chosen. */
const photos = defineModel<string[]>({ required: true })
/** How many are on their way: what they belong to is not entered without them. */
const taking = defineModel<number>('taking', { default: 0 })
/** `field`: the draft's key that the photographs are kept under. */
const props = defineProps<{ what: string, field: string }>()
const build = useBuild()
const drafts = useDrafts()
const pictures = usePictures()
const sentence = ref('')
/** The field itself is empty again once its files are taken. */
const chosen = ref<File[]>([])

async function take(given: File | File[] | null) {
  const files = given === null ? [] : Array.isArray(given) ? given : [given]
  if (files.length === 0) return
  sentence.value = ''
  // They belong to what they were chosen for, whatever form stands here, or none, once they have arrived.
  const [{ field: of }, { id }] = [props, build.view!]
  const before = photos.value
  const there = () => drafts.get(of)?.split(',').filter(name => name.trim() !== '') ?? before
  taking.value += files.length
  for (const file of files) {
    if (there().length >= MOST_PHOTOS) sentence.value = `At most ${MOST_PHOTOS} photographs go with one entry.`
    else {
      const taken = await pictures.keep(id, file)
      if ('sentence' in taken) sentence.value = taken.sentence
      else if (!there().includes(taken.sha256)) drafts.set(of, [...there(), taken.sha256].join())
    }
    taking.value--
  }
  chosen.value = []
}
onBeforeUnmount(() => taking.value = 0)
const remove = (sha256: string) => photos.value = photos.value.filter(one => one !== sha256)
</script>

<template>
  <div class="photo-field">
    <v-file-input v-model="chosen" label="Photographs" multiple :clearable="false" :accept="PICTURE_TYPES.join()" :loading="taking > 0" :error-messages="sentence ? [sentence] : []" @update:model-value="take">
      <template #loader />
    </v-file-input>
    <p v-if="taking" class="small quiet" role="status">{{ taking === 1 ? 'a photograph is being taken in' : `${taking} photographs are being taken in` }}</p>
    <PhotoStrip :photos="photos" :what="what" removable @remove="remove" />
  </div>
</template>

<style scoped>
.photo-field { display: grid; gap: 6px; }
</style>
