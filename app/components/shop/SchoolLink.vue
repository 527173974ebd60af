<script setup lang="ts">
import type { SchoolTopic } from '#core'
import { useSchools } from '~/composables/useSchools'
import { TOPIC_WORDS } from '~/words/schools'

/** What this shop goes by where a choice is made on a build, and the way to why. */
const props = defineProps<{ topic: SchoolTopic }>()
const { load, chosen } = useSchools()
onMounted(load)
const ours = computed(() => chosen(props.topic))
</script>

<template>
  <p class="small school"><NuxtLink class="go" :to="{ path: '/', query: { leaf: 'schools', topic } }">{{ ours ? `This shop goes by: ${TOPIC_WORDS[topic].schools[ours.school]?.name.toLowerCase()}` : 'What the schools say' }}</NuxtLink><template v-if="ours?.why"> {{ ours.why }}</template></p>
</template>
