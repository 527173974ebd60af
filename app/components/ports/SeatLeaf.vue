<script setup lang="ts">
import { KINDS, SEAT_LEAKS, SEAT_PITS, SEAT_TOUCHES, seatPoints, seatRecord, seatWanted, untyped, type Figure, type QuantityRule, type SeatBody, type SeatCut } from '#core'
import { capital, say } from '#shared/figures'
import { sayRefusal } from '#shared/words/domain'
import { useFormDraft } from '~/composables/useFormDraft'
import { usePorts } from '~/composables/usePorts'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { useShop } from '~/stores/shop'
import { LEAK_WORDS, PIT_WORDS, TOUCH_WORDS, saySeatFault } from '~/words/ports'

/** A valve's seat: its cuts drawn to scale, what was found, and what it gave when the valve went up. */
const build = useBuild()
const device = useDevice()
const shop = useShop()
const { side, many, port, ports, seatScopeOf, sayPort, nameOf } = usePorts()
const { bounds } = KINDS.seat
/** Cuts as they lie, from the port outwards. */
const CUTS = ['Throat cut, inner', 'Throat cut', 'Seat', 'Top cut', 'Top cut, outer'] as const
const SEAT_ROW = 2
const MEASURED = [
  { name: 'outer', label: 'Seat’s outer edge', rule: bounds.outer, noun: 'the seat’s outer edge' }, { name: 'tip', label: 'Stem over spring seat', rule: bounds.tip, noun: 'how high the stem stands' },
  { name: 'margin', label: 'Valve’s margin', rule: bounds.margin, noun: 'the valve’s margin' }, { name: 'backCut', label: 'Back cut', rule: bounds.backCut, noun: 'the back cut' },
  { name: 'runOut', label: 'Run-out', rule: bounds.runOut, noun: 'the run-out' }, { name: 'guide', label: 'Guide clearance', rule: bounds.guide, noun: 'the guide’s clearance' }
] as const
const ANGLE: QuantityRule = { dimension: 'angle', min: 5, max: 85 }
/** A width of 0 says that there is no such cut. */
const WIDTH: QuantityRule = { dimension: 'length', min: 0, max: 15 }
const form = useFormDraft(() => `seat/${side.value}/${port.value.cylinder}/${port.value.n}`)
const record = computed(() => build.replayed && seatRecord(build.replayed, shop.rules, port.value))
const wanted = computed(() => build.replayed && seatWanted(build.replayed, port.value))
/** What is entered: the seat as it is, or one that is still to be cut. */
const which = computed(() => form.text('which', 'is'))
const toCut = computed(() => which.value.value === 'toCut')
/** What stands in the form until it is typed over: this seat's last record, else that of a sister. */
const like = computed<SeatBody | undefined>(() => (toCut.value ? wanted.value?.entry.body : undefined) ?? record.value?.entry.body ?? ports.value.map(of => build.replayed && seatRecord(build.replayed, shop.rules, of)?.entry.body).find(Boolean))
const usualCut = (row: number): SeatCut | undefined => like.value?.cuts[row - SEAT_ROW + like.value.seat]
const figureOf = (value: number | undefined, unit: string): Figure | undefined => value === undefined ? undefined : untyped(value, unit)
const angle = (row: number) => form.figure(`angle${row}`)?.value ?? usualCut(row)?.angle
const width = (row: number) => form.figure(`width${row}`)?.value ?? usualCut(row)?.width
const usual = (name: (typeof MEASURED)[number]['name']) => name === 'outer' ? like.value?.outer : record.value?.entry.body[name]
const measured = computed(() => toCut.value ? MEASURED.slice(0, 1) : MEASURED)
/** What of the form is sent, and is empty again once it is kept: what was measured waits while a seat is planned. */
const entered = computed(() => [...CUTS.flatMap((_, row) => [`angle${row}`, `width${row}`]), ...measured.value.map(m => m.name), ...toCut.value ? ['up'] : ['touches', 'leak', 'pits', 'lapped'], 'cutter', 'which'])
const touches = computed(() => form.text('touches'))
const leak = computed(() => form.text('leak'))
const pits = computed(() => form.text('pits'))
const lapped = computed(() => form.text('lapped'))
const cutter = computed(() => form.text('cutter', record.value?.entry.body.cutter ?? ''))
const typed = computed(() => {
  const rows = CUTS.flatMap((_, row) => {
    const [a, w] = [angle(row), width(row)]
    return a !== undefined && w !== undefined && w > 0 ? [{ row, angle: a, width: w }] : []
  })
  return {
    cuts: rows.map(({ angle: a, width: w }) => ({ angle: a, width: w })), seat: rows.findIndex(r => r.row === SEAT_ROW),
    half: CUTS.find((_, row) => width(row) !== 0 && (angle(row) === undefined) !== (width(row) === undefined))
  }
})
const outer = computed(() => form.figure('outer') ?? usual('outer'))
/** The profile as it is typed, else as it was kept; a sentence where it can't be. */
const drawn = computed(() => {
  if (typed.value.seat < 0 || !outer.value) return undefined
  try {
    return { edges: seatPoints({ ...typed.value, outer: outer.value.value }), seat: typed.value.seat }
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
    return { fault: sayRefusal(error) }
  }
})
const edges = computed(() => drawn.value && 'edges' in drawn.value ? drawn.value.edges : undefined)
/** Twenty times true size where there is room: 75.6 px a mm. */
const scale = computed(() => edges.value ? Math.min(75.6, 290 / ((edges.value.at(-1)!.diameter - edges.value[0]!.diameter) / 2 + 0.4), 220 / (edges.value.at(-1)!.height - edges.value[0]!.height + 0.6)) : 1)
const px = computed(() => (edges.value ?? []).map(e => ({ x: 44 + (e.diameter - edges.value![0]!.diameter) / 2 * scale.value, y: 30 + (edges.value!.at(-1)!.height - e.height) * scale.value })))
const sentence = ref('')
const keepAs = (body: SeatBody) => form.sent(entered.value, async () => notKept(await build.add('seat', seatScopeOf(port.value), body)))
async function keep() {
  const { cuts, seat, half } = typed.value
  sentence.value = seat < 0 || !outer.value ? 'State the seat’s angle, its width and its outer edge.' : half ? `${half}: state its angle and its width, or neither.` : ''
  if (sentence.value || !outer.value) return
  if (toCut.value) {
    const up = form.figure('up') ?? wanted.value?.entry.body.up
    sentence.value = !up
      ? 'State how far the valve goes up: 0 where the seat is cut without.'
      : await keepAs({ cuts, seat, outer: outer.value, up, ...cutter.value.value.trim() ? { cutter: cutter.value.value.trim() } : {} })
    return
  }
  const more = Object.fromEntries(MEASURED.flatMap(({ name }) => {
    const figure = form.given(name, name === 'outer' ? undefined : record.value?.entry.body[name])
    return figure ? [[name, figure]] : []
  }))
  const body = {
    cuts, seat, outer: outer.value, ...more, ...touches.value.value ? { touches: touches.value.value } : {}, ...leak.value.value ? { leak: leak.value.value } : {}, ...pits.value.value ? { pits: pits.value.value } : {},
    ...lapped.value.value ? { lapped: lapped.value.value === 'yes' } : {}, ...cutter.value.value.trim() ? { cutter: cutter.value.value.trim() } : {}
  } as SeatBody
  sentence.value = await keepAs(body)
}
/** What went with it when the valve went up, which no seat work says yet. */
const gave = computed(() => record.value?.gave)
const cc = (value: number, unit: string) => untyped(value, unit, 3)
/** Work on just this valve that was planned is what has been done now. */
const planned = computed(() => (build.replayed?.planned ?? []).find(op => op.kind === 'seatWork' && op.scope.level === 'cylinder' && op.scope.cylinder === port.value.cylinder
  && op.body.valve === side.value && op.body.n === (many.value > 1 ? port.value.n : undefined)))
async function enterWork() {
  if (!gave.value) return
  sentence.value = notKept(await build.add('seatWork', { level: 'cylinder', cylinder: port.value.cylinder }, { state: 'done', added: cc(gave.value.added, 'cc'), sunk: cc(gave.value.sunk, 'mm'), valve: side.value, ...many.value > 1 ? { n: port.value.n } : {} }, { note: `By its stem, from the record of ${sayPort(port.value)}.`, ...planned.value ? { supersedes: planned.value.id } : {} })) ?? ''
}
/** What was found at the last record, in one line. */
const found = computed(() => {
  const { touches: where, leak: test, pits: marks, lapped: rubbed, cutter: guide } = record.value?.entry.body ?? {}
  const said = [...where ? [`the valve touches ${TOUCH_WORDS[where]}`] : [], ...test ? [test === 'tight' ? 'it is tight' : `it ${LEAK_WORDS[test]}`] : [], ...marks && marks !== 'none' ? [`pits ${PIT_WORDS[marks]}`] : [], ...rubbed ? ['lapped'] : [], ...guide ? [`cutter guide ${guide}`] : []].join(', ')
  return said && `${capital(said)}.`
})
const without = (words: Record<string, string>, list: readonly string[]) => [['', 'not looked at'] as const, ...list.map(key => [key, words[key]!] as const)]
</script>

<template>
  <section class="seats">
    <div class="left">
      <div class="drawn">
        <svg viewBox="0 0 360 290" role="img" :aria-label="`The ${sayPort(port)} seat in section, ${CUTS.length} cuts at most, the port at the left`">
          <template v-if="edges">
            <path :d="`M${px[0]!.x} 288V${px[0]!.y}${px.slice(1).map(p => `L${p.x} ${p.y}`).join('')}H356V288Z`" class="metal" />
            <path :d="`M${px[typed.seat]!.x} ${px[typed.seat]!.y}L${px[typed.seat + 1]!.x} ${px[typed.seat + 1]!.y}`" class="seat" />
            <g v-for="(cut, i) in typed.cuts" :key="i"><text :x="(px[i]!.x + px[i + 1]!.x) / 2 - 12" :y="(px[i]!.y + px[i + 1]!.y) / 2 - 8" text-anchor="end">{{ cut.angle }}°</text></g>
            <text x="4" y="284">port</text><text x="352" y="20" text-anchor="end">chamber</text>
          </template>
          <text v-else x="60" y="140">State the seat and its cuts: it is drawn here.</text>
        </svg>
        <div class="say">
          <p class="label">{{ nameOf(port) }}, seat</p>
          <p class="big num">{{ record ? say(record.form.seatWidth, 'length', device.lengths) : '–' }}</p>
          <p v-if="record">wide, at {{ record.form.seatAngle }}°, {{ say(record.entry.body.outer.value, 'length', device.lengths) }} across</p>
          <p v-if="found" class="small">{{ found }}</p>
          <p v-if="record && record.faults.length === 0" class="small">Nothing found is past the shop’s limits.</p>
          <ul v-if="record?.faults.length" class="faults" role="status"><li v-for="fault in record.faults" :key="fault.kind" class="warn">{{ saySeatFault(fault, device.lengths) }}</li></ul>
          <p v-if="record?.sunk !== undefined" class="small">Its stem stands <strong class="num">{{ say(Math.abs(record.sunk), 'length', device.lengths) }}</strong> {{ record.sunk < 0 ? 'lower' : 'higher' }} than at the first record.<template v-if="record.anotherValve"> By its margin this is another valve: that tells of the seat only where its stem is as long.</template></p>
          <p v-if="record?.angleWas !== undefined" class="small">The seat was at {{ record.angleWas }}° before: blend the throat under it again.</p>
          <template v-if="wanted">
            <p class="small">To be cut: <strong class="num">{{ say(wanted.form.seatWidth, 'length', device.lengths) }}</strong> at {{ wanted.form.seatAngle }}°, the valve <span class="num">{{ say(wanted.up, 'length', device.lengths) }}</span> up. It gives the chamber <strong class="num">{{ say(wanted.added, 'volume', 'mm', 2) }}</strong><template v-if="wanted.ledge">; the seat cut alone would leave a ledge of <span class="num">{{ say(wanted.ledge, 'length', device.lengths) }}</span></template>.</p>
            <v-btn :to="`/builds/${build.view?.id}/cut?leaf=seats`">Plan its work at Cut</v-btn>
          </template>
          <template v-if="gave">
            <p class="small">By the cone that is <strong class="num">{{ say(gave.added, 'volume', 'mm', 1) }}</strong> more chamber, which is not entered yet.</p>
            <v-btn @click="enterWork">Enter it as seat work</v-btn>
          </template>
          <p v-if="drawn && 'fault' in drawn" class="sentence">{{ drawn.fault }}</p>
        </div>
      </div>
      <p class="caution">Stones and cutters throw grit: protect your eyes. A seat that leaks after lapping is cut again, not lapped longer.</p>
    </div>
    <form class="form" @submit.prevent="keep">
      <v-table class="cuts close">
        <thead><tr><th>From the port outwards</th><th>angle</th><th>width</th></tr></thead>
        <tbody>
          <tr v-for="(name, row) in CUTS" :key="name">
            <th scope="row" :class="{ strong: row === SEAT_ROW }">{{ name }}</th>
            <td><FigureField :field="form.key(`angle${row}/typed`)" :label="`${name}: angle`" hide-label dimension="angle" :extra="-1" :part="form.part(`angle${row}`, figureOf(usualCut(row)?.angle, '°'))" :data-new="row === SEAT_ROW ? true : undefined" :commit="form.keep(`angle${row}`, ANGLE, 'the cut’s angle')" /></td>
            <td><FigureField :field="form.key(`width${row}/typed`)" :label="`${name}: width`" hide-label dimension="length" :part="form.part(`width${row}`, figureOf(usualCut(row)?.width, 'mm'))" :commit="form.keep(`width${row}`, WIDTH, 'the cut’s width')" /></td>
          </tr>
        </tbody>
      </v-table>
      <div class="fields">
        <BenchSelect label="This seat" :model-value="which.value" :items="[['is', 'as it is'], ['toCut', 'as it is to be cut']]" @update:model-value="which.value = $event!" />
        <FigureField v-if="toCut" :field="form.key('up/typed')" label="Valve goes up by" dimension="length" :part="form.part('up', wanted?.entry.body.up)" :commit="form.keep('up', bounds.up, 'how far the valve goes up')" />
        <FigureField v-for="m in measured" :key="m.name" :field="form.key(`${m.name}/typed`)" :label="m.label" :dimension="m.rule.dimension" :part="form.part(m.name, usual(m.name))" :empty="m.name === 'outer' ? undefined : form.empty(m.name)" :commit="form.keep(m.name, m.rule, m.noun)" />
        <template v-if="!toCut">
          <BenchSelect label="Valve touches" :model-value="touches.value" :items="without(TOUCH_WORDS, SEAT_TOUCHES)" @update:model-value="touches.value = $event!" />
          <BenchSelect label="Leak test" :model-value="leak.value" :items="without(LEAK_WORDS, SEAT_LEAKS)" @update:model-value="leak.value = $event!" />
          <BenchSelect label="Pits" :model-value="pits.value" :items="without(PIT_WORDS, SEAT_PITS)" @update:model-value="pits.value = $event!" />
          <BenchSelect label="Lapped" :model-value="lapped.value" :items="[['', 'not said'], ['yes', 'yes'], ['no', 'no']]" @update:model-value="lapped.value = $event!" />
        </template>
        <BenchText v-model="cutter.value" label="Cutter guide’s number" maxlength="40" />
      </div>
      <v-btn type="submit" variant="flat" color="primary">{{ toCut ? 'Keep it as planned' : 'Keep this seat' }}</v-btn>
      <p v-if="!record && like" class="small quiet">Cuts and outer edge are those of a sister seat until you type others. A width of 0 says that there is no such cut.</p>
      <p v-if="sentence" class="sentence" role="alert">{{ sentence }}</p>
    </form>
  </section>
</template>

<style scoped>
.seats { display: grid; grid-template-columns: minmax(0, 1fr) 452px; gap: 24px; align-items: start; }
.left { display: grid; gap: 10px; }
svg { width: 100%; max-width: 400px; background: var(--sheet-deep); display: block; }
.metal { fill: var(--well); stroke: var(--ink); stroke-width: 1.5; }
.seat { fill: none; stroke: var(--dye); stroke-width: 5; }
text { fill: var(--quiet); font-size: 13px; }
.say { display: grid; gap: 4px; justify-items: start; margin-top: 8px; }
.big { font-size: var(--s48); line-height: 1.05; font-weight: 700; }
.form { display: grid; gap: 10px; align-content: start; justify-items: start; }
.cuts { width: 100%; }
.cuts :deep(td) { width: 116px; }
.cuts th { font-weight: 400; }
.cuts th.strong { font-weight: 700; }
.fields { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 6px 12px; width: 100%; }
@media (max-width: 1000px) { .seats { grid-template-columns: minmax(0, 1fr) 372px; gap: 14px; } .fields { grid-template-columns: 1fr 1fr; } }
</style>
