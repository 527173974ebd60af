<script setup lang="ts">
import type { SchoolTopic } from '#core'
import { useSchools } from '~/stores/schools'
import { TOPIC_WORDS } from '~/words/schools'

/** What this shop goes by where choices are made on a build, and the way to why. */
const props = defineProps<{ station: string, leaf?: string }>()
const schools = useSchools()
onMounted(schools.load)
const topics = computed(() => (Object.keys(TOPIC_WORDS) as SchoolTopic[]).filter(topic => TOPIC_WORDS[topic].at?.station === props.station && TOPIC_WORDS[topic].at?.leaf === props.leaf))
const wayOf = (topic: SchoolTopic) => ({ path: '/', query: { leaf: 'schools', topic } })
const ours = (topic: SchoolTopic) => schools.chosen(topic)
</script>

<template>
  <ul v-if="topics.length" class="small school">
    <li v-for="topic in topics" :key="topic"><span class="quiet">{{ TOPIC_WORDS[topic].asks }}</span> <NuxtLink class="go" :to="wayOf(topic)">{{ ours(topic) ? `This shop goes by: ${TOPIC_WORDS[topic].schools[ours(topic)!.school]?.name.toLowerCase()}` : 'What the schools say' }}</NuxtLink><template v-if="ours(topic)?.why">, {{ ours(topic)!.why }}</template></li>
  </ul>
</template>

<style scoped>
.school { list-style: none; margin: 0; padding: 0; display: grid; gap: 4px; }
</style>
