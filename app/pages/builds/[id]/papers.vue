<script setup lang="ts">
import { hasPlace, printedPapers, type PaperName } from '#core'
import { usePapers } from '~/composables/usePapers'
import { download } from '~/papers/download'
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'
import { useDevice } from '~/stores/device'
import { sayDate } from '~/words/entries'
import { FORM_WORDS, PAPER_WORDS } from '~/words/findings'

const build = useBuild()
const device = useDevice()
const { size, papers, make, makePage, leaves } = usePapers()
const wanted = useChoices().choice<PaperName>('papersLeaf', 'customer')
const chosen = computed({ get: () => papers.value.includes(wanted.value) ? wanted.value : 'customer', set: name => wanted.value = name })
const pdf = shallowRef<Uint8Array>()
const fault = ref('')
let turn = 0
/** What is chosen, as it is being made: the one before it stands there until then. */
let making: Promise<Uint8Array | undefined> = Promise.resolve(undefined)
async function show() {
  const mine = ++turn
  fault.value = ''
  try {
    const made = await make(chosen.value)
    if (mine === turn) pdf.value = made
    return made
  } catch (error) {
    console.warn('a paper could not be made', error)
    if (mine === turn) {
      pdf.value = undefined
      fault.value = 'This paper could not be made. The build itself is as it was.'
    }
    return undefined
  }
}
// A paper is of a moment: what comes to the ledger while it is shown makes it anew.
// That it was printed is no news to it.
const told = computed(() => build.entries.filter(entry => entry.kind !== 'printed').map(entry => entry.id).join())
watch([chosen, size, told, () => build.stages, () => device.lengths], () => making = show(), { immediate: true })
onBeforeUnmount(() => turn++)
/** What goes by what is set at a station. */
const OTHERS = [{ what: 'templates to scribe by', at: { station: 'shape', leaf: 'schools' } }, { what: 'flange templates', at: { station: 'ports', leaf: 'flange' } }] as const
const others = computed(() => OTHERS.filter(({ at }) => hasPlace(build.replayed?.layout.engine, build.cylinders.length, at.station)))
const fileName = (paper: PaperName, ending: string) => `${build.view!.name} ${PAPER_WORDS[paper].name.toLowerCase()}.${ending}`
/** What was chosen at the press is what leaves, whatever is chosen while it is made. */
async function save() {
  const [paper, on] = [chosen.value, size.value]
  const made = await making
  if (!made) return
  download(made as BlobPart, 'application/pdf', fileName(paper, 'pdf'))
  await leaves(paper, on)
}
/** Those of this kind that left the shop: whoever holds one may hold an old one. */
const earlier = computed(() => printedPapers(build.entries).filter(({ entry }) => entry.body.paper === chosen.value).slice(0, 3))
async function savePage() {
  const paper = chosen.value
  const page = await makePage(paper)
  if (!page) return
  download(page, 'text/html', fileName(paper, 'html'))
  await leaves(paper, 'page')
}
</script>

<template>
  <div class="papers" data-station>
    <h1 class="visually-hidden">Papers</h1>
    <div v-if="!build.replayed" class="room"><p class="quiet"><GoTo :at="{ station: 'sheet' }">Say on the Sheet how many cylinders the engine has</GoTo></p></div>
    <template v-else>
      <div class="list">
        <ul>
          <li v-for="name in papers" :key="name">
            <v-btn block :variant="chosen === name ? 'flat' : 'outlined'" :color="chosen === name ? 'primary' : undefined" :aria-pressed="chosen === name" @click="chosen = name">{{ PAPER_WORDS[name].name }}</v-btn>
            <p class="small quiet">{{ PAPER_WORDS[name].what }}</p>
          </li>
        </ul>
        <BenchSelect v-model="size" label="On" :items="[['A4', 'A4'], ['LETTER', 'letter']]" />
        <v-btn variant="flat" color="primary" :disabled="!pdf" @click="save">Save as PDF</v-btn>
        <v-btn :disabled="!pdf" @click="savePage">Save as a page</v-btn>
        <p v-if="fault" class="sentence" role="alert">{{ fault }}</p>
        <div v-if="earlier.length" class="earlier">
          <p class="label">Left the shop before</p>
          <p v-for="{ entry, since } in earlier" :key="entry.id" class="small" :class="{ warn: since > 0 }">{{ sayDate(entry.at) }}, {{ FORM_WORDS[entry.body.form] }}: {{ since === 0 ? 'still as it is now' : `as of then, ${since} ${since === 1 ? 'entry has' : 'entries have'} come since` }}</p>
        </div>
        <p class="small quiet">A paper is of this moment: its head says when it was printed, and after which entry.</p>
        <p v-if="others.length" class="small">Printed where they are made: <template v-for="one in others" :key="one.what"><GoTo :at="one.at" class="other">{{ one.what }}</GoTo> </template></p>
      </div>
      <div class="room" tabindex="0" role="region" aria-label="The paper as it will print">
        <PaperSheet v-if="pdf" :pdf="pdf" :name="PAPER_WORDS[chosen].name" />
        <p v-else class="quiet">being made</p>
      </div>
    </template>
  </div>
</template>

<style scoped>
.papers { display: grid; grid-template-columns: 240px minmax(0, 1fr); min-height: 0; overflow: hidden; }
.list { padding: 12px 16px; display: grid; gap: 12px; align-content: start; border-right: 1px solid var(--hair); overflow: auto; }
.list a { color: var(--dye); }
.other { margin-right: 10px; }
.list ul { list-style: none; margin: 0; padding: 0; display: grid; gap: 8px; }
.room { position: relative; min-height: 0; overflow: auto; padding: 14px; background: var(--sheet-deep); }
@media (max-width: 1000px) { .papers { grid-template-columns: 200px minmax(0, 1fr); } }
</style>
