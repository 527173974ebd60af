<script setup lang="ts">
import { KINDS, PORT_PLACES, PORT_WAYS, placesIn, portReckoned, scopeName, takesMetal, type EntryOf, type PortName, type PortPlaceName, type PortWay } from '#core'
import { capital, say, sayList } from '#shared/figures'
import { firstPress } from '~/composables/firstPress'
import { useFormDraft } from '~/composables/useFormDraft'
import { usePorts } from '~/composables/usePorts'
import { notKept } from '~/composables/useStatement'
import { useBuild, type ToAdd } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { PLACE_WORDS, WAY_WORDS } from '~/words/ports'

/** What is to be done where in a port, pinned on its section; copied to its sisters, and ticked there one by one. */
const build = useBuild()
const device = useDevice()
const { side, port, ports, scopeOf, same, nameOf } = usePorts()
const FIELDS = ['way', 'amount', 'adds', 'tool', 'grit', 'finish'] as const
const chosen = ref<PortPlaceName>('shortTurn')
const form = useFormDraft(() => `place/${side.value}/${chosen.value}`)
const way = computed(() => form.text('way', 'take'))
const takes = computed(() => takesMetal({ way: way.value.value as PortWay }))
const tool = computed(() => form.text('tool'))
const grit = computed(() => form.text('grit'))
const finish = computed(() => form.text('finish'))
const marked = computed(() => build.replayed ? placesIn(build.replayed, port.value) : [])
const at = (place: PortPlaceName) => marked.value.filter(e => e.body.place === place)
/** What the port is reckoned to hold by what was ticked since it was poured. */
const reckoned = computed(() => build.replayed && portReckoned(build.replayed, port.value))
const left = computed(() => marked.value.filter(e => !e.body.done && takesMetal(e.body)).length)
/** Where each place lies on the section: the valve below, the flange to the right. */
const PINS: Record<PortPlaceName, readonly [x: number, y: number]> = {
  throat: [58, 196], bowl: [118, 150], guideBoss: [112, 74], shortTurn: [206, 168], roof: [226, 46], floor: [290, 134], walls: [262, 88], vane: [172, 104], flange: [372, 74]
}
/** Sisters that do not have all of this port's places yet. */
const sisters = computed(() => ports.value.filter(of => !same(of, port.value)))
const lacking = computed(() => build.replayed
  ? sisters.value.flatMap((of) => {
      const theirs = placesIn(build.replayed!, of)
      const more = marked.value.filter(m => !theirs.some(t => t.body.place === m.body.place && t.body.way === m.body.way))
      return more.length > 0 ? [{ of, more }] : []
    })
  : [])
/** The places of a port that are still to be done, each once. */
const sayLeft = (of: PortName) => sayList([...new Set(placesIn(build.replayed!, of).filter(e => !e.body.done && takesMetal(e.body)).map(e => PLACE_WORDS[e.body.place]))]) || 'all done'
const howOf = ({ body }: EntryOf<'portPlace'>) => [body.tool, body.grit && `grit ${body.grit}`, body.finish && `finish ${body.finish}`].filter(Boolean).join(', ')
const sentence = ref('')
/** Those of the lines of words that have any. */
const words = (lines: Record<string, typeof tool>) => Object.fromEntries(Object.entries(lines).flatMap(([name, { value: { value } }]) => value.trim() ? [[name, value.trim()]] : []))
async function mark() {
  const [amount, adds] = !takes.value ? [] : [form.figure('amount'), form.figure('adds')]
  const body = { place: chosen.value, way: way.value.value as PortWay, done: false, ...amount ? { amount } : {}, ...adds ? { adds } : {}, ...words({ tool, grit, finish }) }
  sentence.value = await form.sent(FIELDS, async () => notKept(await build.add('portPlace', scopeOf(port.value), body)))
}
const tick = async (entry: EntryOf<'portPlace'>, done: boolean) =>
  sentence.value = notKept(await build.add('portPlace', entry.scope, { ...entry.body, done }, { supersedes: entry.id })) ?? ''
const strike = async (entry: EntryOf<'portPlace'>) => sentence.value = notKept(await build.add('void', entry.scope, { reason: 'not to be done' }, { supersedes: entry.id })) ?? ''
async function copy() {
  const adds = lacking.value.flatMap(({ of, more }) => more.map(({ body }): ToAdd => ({ kind: 'portPlace', scope: scopeOf(of), body: { ...body, done: false } })))
  sentence.value = notKept(await build.addAll(adds)) ?? ''
}
</script>

<template>
  <section class="places">
    <div class="drawing">
      <div class="section">
        <svg viewBox="0 0 400 250" role="img" :aria-label="`A section of the ${side} port: the seat below, the flange at the right`">
          <path d="M20 214H60L76 196Q60 120 150 70Q230 36 400 36V4H20Z" class="metal" />
          <path d="M170 214H136V196Q150 168 196 158Q240 140 300 142H400V214Z" class="metal" />
          <path d="M102 4V100M118 4V96M102 100L118 96" class="line" />
          <path d="M106 4V206M114 4V206" class="stem" />
          <path d="M58 226L76 206H140L158 226Z" class="valve" />
          <path d="M384 36V142" class="flange" />
          <text x="20" y="244">valve</text><text x="336" y="164">flange</text>
        </svg>
        <v-btn
          v-for="place in PORT_PLACES" :key="place" class="pin" :variant="chosen === place ? 'flat' : 'outlined'" :color="chosen === place ? 'primary' : undefined" :aria-pressed="chosen === place" :aria-label="`${PLACE_WORDS[place]}${at(place).length ? `: ${at(place).map(e => WAY_WORDS[e.body.way]).join(', ')}` : ''}`"
          :style="{ left: `${PINS[place][0] / 4}%`, top: `${PINS[place][1] / 2.5}%` }" @click="chosen = place"
        >
          {{ at(place).length === 0 ? '+' : at(place).some(e => e.body.way === 'thin') ? 'thin' : at(place).every(e => e.body.way === 'leave') ? 'left' : at(place).every(e => e.body.done || !takesMetal(e.body)) ? '✓' : at(place).length }}
        </v-btn>
      </div>
      <form class="form" @submit.prevent="mark">
        <p class="head"><strong>{{ capital(PLACE_WORDS[chosen]) }}</strong> <span class="quiet">of {{ nameOf(port).toLowerCase() }}</span></p>
        <div class="fields">
          <BenchSelect label="What to do" :model-value="(way.value as PortWay)" :items="PORT_WAYS.map(w => [w, WAY_WORDS[w]] as const)" @update:model-value="way.value = $event!" />
          <FigureField v-if="takes" :field="form.key('amount/typed')" label="How much" dimension="length" :part="form.part('amount')" :commit="form.keep('amount', KINDS.portPlace.bounds.amount, 'how much comes off there')" />
          <FigureField v-if="takes" :field="form.key('adds/typed')" label="Adds to the port, about" dimension="volume" :part="form.part('adds')" :commit="form.keep('adds', KINDS.portPlace.bounds.adds, 'how much more the port will hold')" />
          <BenchText v-model="tool.value" label="Tool" maxlength="60" />
          <BenchText v-model="grit.value" label="Grit" maxlength="30" />
          <BenchText v-model="finish.value" label="Finish wanted" maxlength="40" />
        </div>
        <v-btn type="submit" variant="flat" color="primary">Mark it in this port</v-btn>
      </form>
    </div>
    <div class="list">
      <p class="label">{{ nameOf(port) }}</p>
      <p class="big num">{{ marked.length === 0 ? '–' : left }} <span v-if="marked.length" class="unit">{{ left === 1 ? 'place left to do' : 'places left to do' }}</span></p>
      <p v-if="reckoned" class="small">Poured <span class="num">{{ say(reckoned.poured, 'volume') }}</span>: about <template v-if="reckoned.now > reckoned.poured"><strong class="num">{{ say(reckoned.now, 'volume') }}</strong> now</template><template v-if="reckoned.now > reckoned.poured && reckoned.done > reckoned.now">, </template><template v-if="reckoned.done > reckoned.now"><strong class="num">{{ say(reckoned.done, 'volume') }}</strong> when all is done</template>. The next pour says.</p>
      <ul v-if="marked.length">
        <li v-for="entry in marked" :key="entry.id" :data-place="entry.body.place">
          <BenchCheck v-if="takesMetal(entry.body)" :model-value="entry.body.done" :aria-label="`${PLACE_WORDS[entry.body.place]} is done`" @update:model-value="tick(entry, $event)" />
          <span v-else class="kept small" :class="entry.body.way === 'thin' ? 'warn' : 'quiet'">{{ entry.body.way === 'thin' ? 'thin' : 'left' }}</span>
          <span class="what" :class="{ quiet: entry.body.done }">{{ PLACE_WORDS[entry.body.place] }}: {{ WAY_WORDS[entry.body.way] }}<template v-if="entry.body.amount">, <span class="num">{{ say(entry.body.amount.value, 'length', device.lengths) }}</span></template><template v-if="entry.body.adds">, <span class="num">+{{ say(entry.body.adds.value, 'volume') }}</span></template><br v-if="howOf(entry)"><span v-if="howOf(entry)" class="small quiet">{{ howOf(entry) }}</span></span>
          <v-btn variant="text" :aria-label="`Strike out: ${PLACE_WORDS[entry.body.place]}, ${WAY_WORDS[entry.body.way]}`" @click="firstPress($event) && strike(entry)">×</v-btn>
        </li>
      </ul>
      <p v-else class="small quiet">Choose a place on the drawing, and say what is done there. A natural hollow, a vane or a ledge that belongs there is marked to be left; where the wall is thin, to be kept off.</p>
      <v-btn v-if="marked.length && lacking.length" @click="copy">Copy to {{ lacking.length }} sister port{{ lacking.length > 1 ? 's' : '' }}</v-btn>
      <p v-else-if="marked.length && sisters.length" class="small quiet">All {{ sisters.length + 1 }} {{ side }} ports have these places.</p>
      <v-table v-if="sisters.length && marked.length" class="close">
        <thead><tr><th>Port</th><th class="r">left to do</th></tr></thead>
        <tbody><tr v-for="of in ports" :key="scopeName(scopeOf(of))"><td class="num">{{ nameOf(of) }}</td><td class="r num">{{ build.replayed && placesIn(build.replayed, of).length ? sayLeft(of) : '–' }}</td></tr></tbody>
      </v-table>
      <p v-if="sentence" class="sentence">{{ sentence }}</p>
      <p class="caution">Grinding dust harms eyes and lungs. Guard the seat, and stay off the short turn’s peak: dug flat it can’t be put back.</p>
    </div>
  </section>
</template>

<style scoped>
.places { display: grid; grid-template-columns: minmax(0, 1fr) 320px; gap: 24px; align-items: start; }
.section { position: relative; max-width: 560px; }
svg { width: 100%; display: block; background: var(--sheet-deep); }
.metal { fill: var(--dye-wash, var(--well)); stroke: var(--ink); stroke-width: 1.5; }
.line { fill: none; stroke: var(--ink); stroke-width: 1.5; }
.stem, .valve { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; }
.flange { stroke: var(--ink); stroke-width: 3; }
text { fill: var(--quiet); font-size: 13px; }
.pin { position: absolute; transform: translate(-50%, -50%); min-width: 44px; width: 44px; --v-btn-height: 44px; padding: 0; background: var(--sheet); }
.pin.v-btn--variant-flat { background: var(--fill); }
.form { display: grid; gap: 8px; margin-top: 10px; justify-items: start; max-width: 560px; }
.head { font-size: var(--s18); }
.fields { display: grid; grid-template-columns: repeat(3, 1fr); gap: 10px; width: 100%; align-items: start; }
.list { display: grid; grid-template-columns: minmax(0, 1fr); gap: 6px; align-content: start; }
.list td { white-space: normal; }
.big { font-size: var(--s48); line-height: 1.05; font-weight: 700; }
.big .unit { font-size: var(--s18); font-weight: 400; }
li { display: grid; grid-template-columns: 44px minmax(0, 1fr) 44px; align-items: center; border-top: 1px solid var(--hair); min-height: 44px; }
.kept { text-align: center; }
.list > .v-btn { justify-self: start; }
@media (max-width: 1000px) { .places { grid-template-columns: minmax(0, 1fr) 250px; gap: 14px; } .fields { grid-template-columns: 1fr 1fr; } }
</style>
