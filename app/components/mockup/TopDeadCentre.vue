<script setup lang="ts">
import { FIGURE_BOUNDS, oneSidedError, ofKind, twoSidedTopDeadCentre, quantityOf, type DropPair, type Figure, type Part } from '#core'
import { figureFault } from '#shared/dto'
import { digits, say } from '#shared/figures'
import { sayRefusal } from '#shared/words/domain'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { useDrafts } from '~/stores/drafts'
import { useDevice } from '~/stores/device'

/** Top dead centre by dial and wheel, from both sides: the piston hardly moves where it is looked for. */
const build = useBuild()
const device = useDevice()
const drafts = useDrafts()
const ROWS = 4
type Cell = 'drop' | 'before' | 'after'
const CELLS: { name: Cell, label: string, dimension: 'length' | 'angle' }[] = [
  { name: 'drop', label: 'Dial down by', dimension: 'length' }, { name: 'before', label: 'Wheel before', dimension: 'angle' }, { name: 'after', label: 'Wheel after', dimension: 'angle' }
]
const entry = computed(() => ofKind(build.replayed?.live.entries ?? [], 'wheel').at(-1))
const key = computed(() => `${build.view?.id}/wheel`)
type Pair = Partial<Record<Cell, Figure>>
/** The table as it lies before the hand, while any of it waits for its other figures: one side is read down the rows, then the other up them. */
const laid = computed(() => JSON.parse(drafts.get(key.value) ?? 'null') as Pair[] | null)
const rows = computed<Pair[]>(() => Array.from({ length: ROWS }, (_, i) => (laid.value ?? entry.value?.body.pairs)?.[i] ?? {}))
const whole = (pair: Pair): pair is Record<Cell, Figure> => Boolean(pair.drop && pair.before && pair.after)
const half = (pair: Pair) => !whole(pair) && Object.keys(pair).length > 0
const part = (figure: Figure | undefined): Part | undefined => figure && { estimate: { value: figure.value, by: new Map() }, provenance: 'measured', entries: entry.value ? [entry.value.id] : [] }

async function keep(row: number, name: Cell, figure: Figure, base: string | undefined): Promise<string | undefined> {
  const fault = figureFault(figure, name === 'drop' ? { ...FIGURE_BOUNDS.dialDrop, noun: 'the drop' } : { ...FIGURE_BOUNDS.wheel, noun: 'the wheel' })
  if (fault) return fault
  const pair = { ...rows.value[row], [name]: figure }
  if (whole(pair) && pair.after.value <= pair.before.value) return 'After must read more than before: count on through the zero, or write before as negative.'
  const now = rows.value.map((r, i) => i === row ? pair : r)
  drafts.set(key.value, JSON.stringify(now))
  if (!whole(pair)) return undefined
  const forget = drafts.forgetting(key.value)
  const said = notKept(await build.add('wheel', { level: 'build' }, { pairs: now.filter(whole) }, base ? { supersedes: base } : {}))
  if (!said && !now.some(half)) forget()
  return said
}
const train = computed(() => {
  const value = (name: 'stroke' | 'rodLength' | 'pinOffset') => quantityOf(build.replayed, name, build.cylinder)?.estimate.value
  const [stroke, rodLength] = [value('stroke'), value('rodLength')]
  return stroke && rodLength ? { stroke, rodLength, pinOffset: value('pinOffset') ?? 0 } : undefined
})
const found = computed(() => {
  const pairs: DropPair[] = rows.value.filter(whole).map(p => ({ drop: p.drop.value, before: p.before.value, after: p.after.value }))
  if (pairs.length === 0) return undefined
  try {
    return { ...twoSidedTopDeadCentre(pairs, train.value), pairs }
  } catch (error) {
    if (error instanceof RangeError) return { sentence: sayRefusal(error) }
    throw error
  }
})
const oneSided = computed(() => {
  try {
    return train.value && oneSidedError(train.value, 0.01, 0.05, rows.value.find(whole)?.drop.value ?? 5)
  } catch (error) {
    if (error instanceof RangeError) return undefined
    throw error
  }
})
</script>

<template>
  <section class="tdc">
    <div class="left">
      <p>Read the wheel with the piston the same distance down before top and after it: top dead centre lies half way. Two or three drops show how sure it is.</p>
      <v-table class="pairs close">
        <thead><tr><th class="no" /><th v-for="cell in CELLS" :key="cell.name" class="small quiet">{{ cell.label }}</th><th class="small quiet r">half way</th></tr></thead>
        <tbody>
          <tr v-for="(row, i) in rows" :key="i">
            <td class="num quiet">{{ i + 1 }}</td>
            <td v-for="cell in CELLS" :key="cell.name">
              <FigureField
                :field="`${build.view?.id}/wheel/${i}/${cell.name}`" :label="`${cell.label}, pair ${i + 1}`" hide-label :dimension="cell.dimension" :part="part(row[cell.name])" :base="entry?.id"
                :data-new="i === 0 && cell.name === 'drop' ? true : undefined" :commit="(figure, _t, base) => keep(i, cell.name, figure, base)"
              />
            </td>
            <td class="r num half">{{ found && 'each' in found && whole(row) ? `${digits((row.before.value + row.after.value) / 2, 2)}°` : '' }}</td>
          </tr>
        </tbody>
      </v-table>
      <p v-if="rows.some(half)" class="small quiet">A pair counts once it has all three. <v-btn variant="text" class="go" @click="drafts.clear(key)">Leave out what is half read</v-btn></p>
      <StatementField quantity="pinOffset" :scope="{ level: 'build' }" no-basis class="offset" />
    </div>
    <div class="right">
      <p class="label">The wheel reads at top dead centre</p>
      <p v-if="found && 'value' in found" class="num answer" data-tdc>{{ digits(found.value, 2) }}° <span class="quiet pm">± {{ digits(2 * found.u, 2) }}°</span></p>
      <p v-else-if="found" class="sentence">{{ found.sentence }}</p>
      <p v-else class="quiet num answer">–</p>
      <p v-if="found && 'value' in found && Math.abs(found.value) > 0.25">Turn the wheel on the crank by <strong class="num">{{ digits(Math.abs(found.value), 2) }}°</strong> so that it reads 0 there, then try one drop again.</p>
      <template v-if="oneSided">
        <h3>Why not from one side</h3>
        <p>Near the top a dial of {{ say(0.01, 'length', device.lengths) }} stands still over <strong class="num">± {{ digits(oneSided.dwell, 1) }}°</strong> of crank: stopping where it stops is that unsure. And {{ say(0.05, 'length', device.lengths) }} of slack alone puts a one-sided reading <strong class="num">{{ digits(oneSided.fromSlack, 2) }}°</strong> off; from both sides it cancels.</p>
      </template>
      <p v-else class="small quiet">With stroke and rod length stated, the error of a one-sided reading stands here.</p>
    </div>
  </section>
</template>

<style scoped>
.tdc { display: grid; grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr); gap: 28px; align-content: start; }
.pairs { margin: 10px 0; }
.pairs :deep(table) { table-layout: fixed; }
.no { width: 22px; }
.r { text-align: right !important; }
.half { width: 90px; }
.answer { font-size: var(--s48); line-height: 1.1; font-weight: 700; }
.pm { font-size: var(--s18); font-weight: 400; }
.right { display: grid; gap: 8px; align-content: start; }
.offset { max-width: 180px; }
@media (max-width: 1000px) { .tdc { grid-template-columns: 1fr; } }
</style>
