import { leastClearance, squishOf, targetBand, uncertainty } from '#core'
import type { StairMark } from '~/components/cut/CutStair.vue'
import type { useCutting } from './useCutting'
import { useBuild } from '~/stores/build'
import { useShop } from '~/stores/shop'

/** What is met deeper than this is no matter of a face cut, mm. */
const DEEPEST = 4

/** The way down of a cut: who comes to target where, what is met, and what the depth that is looked at would be past. */
export function useCutStair({ head, needed, planned, tried, depth, free, outcomes, valves, margins }: ReturnType<typeof useCutting>) {
  const build = useBuild()
  const shop = useShop()
  const band = computed(() => targetBand(build.replayed?.target))
  const rod = computed(() => squishOf(build.replayed, build.cylinder)?.running?.material ?? 'steel')
  const own = computed(() => margins.value.find(m => m.cylinder === build.cylinder))
  const deepest = computed(() => needed.value?.deepest)

  const lostSeat = computed(() => margins.value.flatMap(c => c.valves.filter(v => v.verdict === 'seatJob' || v.verdict === 'stop').map(v => ({ cylinder: c.cylinder, valve: v.valve.valve })))[0]
    ?? valves.value.filter(v => v.seatLeft && v.seatLeft.value <= 0).map(v => ({ cylinder: build.cylinder, valve: v.valve }))[0])
  const tooClose = computed(() => valves.value.find(v => v.clearance && v.clearance.left.value < leastClearance(shop.rules, `${v.valve}Clearance`, rod.value)))
  const past = computed(() => outcomes.value.find(o => o.ratio && band.value && o.ratio.value.value > band.value.high))
  /** What this depth would be past, as a sentence. */
  const pastLimit = computed(() => lostSeat.value
    ? `This goes into the ${lostSeat.value.valve} seat of cylinder ${lostSeat.value.cylinder}.`
    : tooClose.value ? `This leaves the ${tooClose.value.valve} valve too near the piston.` : past.value ? `This takes cylinder ${past.value.cylinder} past its target.` : '')
  /** A depth nobody chose, inside its own doubt, is no cut. */
  const inDoubt = computed(() => tried.value === undefined && free.value === 'depth' && deepest.value !== undefined && Math.abs(deepest.value.depth.value) < 2 * uncertainty(deepest.value.depth))

  /** The cylinder whose target the depth is, the nearest where several lie within a hundredth. */
  const atMark = computed(() => {
    const off = (c: { depth: { value: number } }) => Math.abs(c.depth.value - depth.value)
    return (needed.value?.cylinders ?? []).filter(c => off(c) < 0.005).sort((a, b) => off(a) - off(b))[0]
  })
  const words = computed(() => planned.value
    ? 'Planned'
    : !atMark.value
        ? 'Depth looked at'
        : atMark.value.cylinder === deepest.value?.cylinder ? `The most head ${head.value} can lose: cylinder ${atMark.value.cylinder} on target` : `Cylinder ${atMark.value.cylinder} on target`)
  const doubt = computed(() => atMark.value && uncertainty(atMark.value.depth))

  const met = computed((): StairMark[] => (['intake', 'exhaust'] as const).flatMap((valve) => {
    const drawn = own.value?.valves.filter(v => v.valve.valve === valve) ?? []
    const standing = valves.value.find(v => v.valve === valve)
    const lowest = { seat: standing?.seatLeft, topCut: standing?.topCutLeft }
    // Drawn seats are met where the plane first touches them; of others the height of the lowest edge is all that is known.
    const nearest = (part: 'seat' | 'topCut') => drawn.length > 0 ? Math.min(...drawn.map(v => v[part].firstTouch)) : lowest[part] && lowest[part].value + depth.value
    const room = standing?.clearance && (standing.clearance.left.value - leastClearance(shop.rules, `${valve}Clearance`, rod.value)) / standing.clearance.perMm
    const list: [string, StairMark['kind'], number | undefined][] = [
      [`${valve} top cut`, 'top', nearest('topCut')], [`${valve} seat`, 'seat', nearest('seat')], [`${valve} to piston`, 'least', room === undefined ? undefined : depth.value + room]
    ]
    return list.flatMap(([what, kind, at]) => at === undefined || !Number.isFinite(at) || at <= 0 || at > DEEPEST ? [] : [{ key: `${valve} ${kind}`, at, words: what, kind }])
  }))
  const marks = computed((): StairMark[] => [
    ...(needed.value?.cylinders ?? []).filter(c => c.depth.value > 0).map((c): StairMark => ({
      key: String(c.cylinder), at: c.depth.value, doubt: uncertainty(c.depth), words: `cylinder ${c.cylinder}`, kind: 'target',
      ...(c.cylinder === deepest.value?.cylinder ? { answer: 'deepest' } : c.cylinder === needed.value?.toLowest?.cylinder ? { answer: 'lowest' } : {})
    })),
    ...met.value
  ])
  return { marks, words, doubt, pastLimit, inDoubt }
}
