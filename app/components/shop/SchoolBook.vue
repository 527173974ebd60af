<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { SCHOOL_AREAS, SCHOOL_TOPICS, type SchoolArea, type SchoolTopic } from '#core'
import { useShown } from '~/composables/useShown'
import { useDevice } from '~/stores/device'
import { useDrafts } from '~/stores/drafts'
import { useOutbox } from '~/stores/outbox'
import { useSchools } from '~/stores/schools'
import { sentenceOf, useShop } from '~/stores/shop'
import { sayDate } from '~/words/entries'
import { AREA_WORDS, TOPIC_WORDS } from '~/words/schools'

/** What the trade disagrees on, by area: what each school says, and what this shop chose and why. */
const shop = useShop()
const device = useDevice()
const drafts = useDrafts()
const outbox = useOutbox()
const route = useRoute()
const schools = useSchools()
const { load, chosen } = schools
const { choices } = storeToRefs(schools)
const topics = Object.keys(SCHOOL_TOPICS) as SchoolTopic[]
const asked = topics.find(topic => topic === route.query.topic)
const area = ref<SchoolArea>(asked ? SCHOOL_TOPICS[asked].area : 'chamber')
const open = ref<SchoolTopic | undefined>(asked)
const here = computed(() => topics.filter(topic => SCHOOL_TOPICS[topic].area === area.value))
onMounted(() => {
  void load()
  void shop.loadBuilds()
})
/** What is being written down on the topic that is open, kept on the device until it is sent. */
interface Edit { school: string, why: string, builds: string[] }
const usual = (topic: SchoolTopic): Edit => ({ school: chosen(topic)?.school ?? SCHOOL_TOPICS[topic].schools[0], why: chosen(topic)?.why ?? '', builds: [...chosen(topic)?.builds ?? []] })
const edit = computed<Edit>(() => {
  const kept = open.value && drafts.get(`school/${open.value}`)
  return kept ? JSON.parse(kept) as Edit : open.value ? usual(open.value) : { school: '', why: '', builds: [] }
})
const field = <K extends keyof Edit>(name: K) => computed({ get: () => edit.value[name], set: (to: Edit[K]) => void drafts.set(`school/${open.value}`, JSON.stringify({ ...edit.value, [name]: to })) })
const [school, why, builds] = [field('school'), field('why'), field('builds')]
const fault = ref('')
function choose(topic: SchoolTopic) {
  open.value = open.value === topic ? undefined : topic
  fault.value = ''
}
async function keep(topic: SchoolTopic) {
  fault.value = await drafts.sent([`school/${topic}`], async () => {
    const id = uuid()
    const sent = await outbox.put(id, `/api/schools/${id}`, { hand: device.hand, topic, school: school.value, why: why.value.trim(), builds: builds.value, at: new Date().toISOString() })
    if (sent.kind !== 'refused') return undefined
    return device.hand === '' ? 'Put your initials in the header first.' : sentenceOf(sent.problem)
  })
  if (fault.value) return
  open.value = undefined
  await load()
}
const { read, say } = useShown()
watch([choices, here], () => void read(here.value.flatMap(topic => chosen(topic)?.builds ?? [])), { immediate: true })
const earlier = (topic: SchoolTopic) => choices.value.filter(one => one.topic === topic).slice(0, -1).reverse()
</script>

<template>
  <section class="schools">
    <p class="small quiet">Advice goes both ways on all of this, and each side has engines to show for it. Write down what this shop does, why, and which of its own builds showed it.</p>
    <div class="areas" role="group" aria-label="Area">
      <v-btn v-for="one in SCHOOL_AREAS" :key="one" :variant="area === one ? 'flat' : 'outlined'" :color="area === one ? 'primary' : undefined" :aria-pressed="area === one" @click="area = one">{{ AREA_WORDS[one] }}</v-btn>
    </div>
    <article v-for="topic in here" :key="topic" :data-topic="topic">
      <h2>{{ TOPIC_WORDS[topic].asks }}</h2>
      <div class="sides">
        <div v-for="name in SCHOOL_TOPICS[topic].schools" :key="name" class="side" :class="{ ours: chosen(topic)?.school === name }">
          <h3>{{ TOPIC_WORDS[topic].schools[name]!.name }} <span v-if="chosen(topic)?.school === name" class="label">ours</span></h3>
          <p>{{ TOPIC_WORDS[topic].schools[name]!.says }}</p>
          <p class="small"><span class="quiet">For</span> {{ TOPIC_WORDS[topic].schools[name]!.right }}</p>
          <p class="small"><span class="quiet">Against</span> {{ TOPIC_WORDS[topic].schools[name]!.against }}</p>
        </div>
      </div>
      <p v-if="chosen(topic)" class="why"><strong>{{ TOPIC_WORDS[topic].schools[chosen(topic)!.school]?.name }}</strong><template v-if="chosen(topic)!.why">: {{ chosen(topic)!.why }}</template> <span class="small quiet">{{ chosen(topic)!.hand }}, {{ sayDate(chosen(topic)!.at) }}</span></p>
      <p v-if="chosen(topic)?.builds.length" class="small">Shown by <template v-for="(one, i) in chosen(topic)!.builds" :key="one"><template v-if="i">; </template><NuxtLink class="go" :to="say(one).to">{{ say(one).words }}</NuxtLink></template></p>
      <v-btn :aria-expanded="open === topic" :aria-label="`${chosen(topic) ? 'Choose again' : 'Choose'}: ${TOPIC_WORDS[topic].asks}`" @click="choose(topic)">{{ chosen(topic) ? 'Choose again' : 'Choose' }}</v-btn>
      <form v-if="open === topic" class="form" @submit.prevent="keep(topic)">
        <BenchSelect v-model="school" label="This shop goes by" :items="SCHOOL_TOPICS[topic].schools.map(name => [name, TOPIC_WORDS[topic].schools[name]!.name] as const)" />
        <BenchText v-model="why" label="Why" maxlength="1000" />
        <ShownBy v-model="builds" />
        <v-btn type="submit" variant="flat" color="primary">Keep the choice</v-btn>
        <p v-if="fault" class="sentence" role="alert">{{ fault }}</p>
      </form>
      <BenchFold v-if="earlier(topic).length" title="Chosen before"><p v-for="one in earlier(topic)" :key="one.id" class="small">{{ TOPIC_WORDS[topic].schools[one.school]?.name }}<template v-if="one.why">: {{ one.why }}</template>, {{ one.hand }}, {{ sayDate(one.at) }}</p></BenchFold>
    </article>
  </section>
</template>

<style scoped>
.schools { display: grid; gap: 16px; }
.areas { display: flex; flex-wrap: wrap; gap: 8px; }
article { display: grid; gap: 8px; justify-items: start; border-top: 1px solid var(--ink); padding-top: 10px; }
.sides { display: grid; grid-template-columns: repeat(auto-fit, minmax(200px, 1fr)); gap: 10px; width: 100%; }
.side { border: 1px solid var(--hair); padding: 10px 12px; display: grid; gap: 4px; align-content: start; }
.side.ours { border: 2px solid var(--dye); padding: 9px 11px; }
.side .label { color: var(--dye); margin-left: 6px; }
h3 { font-size: var(--s18); }
.why { font-size: var(--s18); line-height: 1.3; }
.form { display: grid; grid-template-columns: 260px minmax(0, 1fr); gap: 10px 14px; width: 100%; align-items: end; }
.form > .shown, .form > p { grid-column: 1 / -1; }
.form > .v-btn { justify-self: start; }
@media (max-width: 1000px) { .form { grid-template-columns: minmax(0, 1fr); } }
</style>
