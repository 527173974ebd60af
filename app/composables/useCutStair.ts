import { cutLimits, cutOf, metOnTheWay, oldFace, uncertainty } from '#core'
import type { StairMark } from '~/components/cut/CutStair.vue'
import type { useCutting } from './useCutting'
import { sayCutLimit, sayFaceLeft, sayMet } from '~/words/cuts'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { useShop } from '~/stores/shop'

/** What is met deeper than this is no matter of a face cut, mm. */
const DEEPEST = 4
const KINDS = { topCut: 'top', seat: 'seat', clearance: 'least' } as const

/** The way down of a cut: who comes to target where, what is met, and what the depth that is looked at would be past. */
export function useCutStair({ head, needed, planned, tried, depth, free, here, outcomes, laid, setup }: ReturnType<typeof useCutting>) {
  const build = useBuild()
  const device = useDevice()
  const shop = useShop()
  const deepest = computed(() => needed.value?.deepest)
  const limits = computed(() => {
    const r = build.replayed
    // Seats and clearances hang on the plane alone; whether a target is passed is told once the chambers are ready.
    return r
      ? [...cutLimits(r, shop.rules, here.value).filter(l => l.kind !== 'target'), ...cutLimits(r, shop.rules, outcomes.value).filter(l => l.kind === 'target')]
      : []
  })
  /** What of the old face would stay beside a cut that is laid over. */
  const uncut = computed(() => {
    const left = oldFace(cutOf(laid.value), setup.value.reach)
    return left > 0 ? sayFaceLeft(left, setup.value.reach, device.lengths) : ''
  })
  /** What this depth would be past, as a sentence. */
  const pastLimit = computed(() => limits.value[0] ? sayCutLimit(limits.value[0], device.lengths) : uncut.value)
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
        : atMark.value.cylinder === deepest.value?.cylinder ? `Deepest cut for head ${head.value}: cylinder ${atMark.value.cylinder} on target` : `Cylinder ${atMark.value.cylinder} on target`)
  const doubt = computed(() => atMark.value && uncertainty(atMark.value.depth))

  const met = computed(() => build.replayed ? metOnTheWay(build.replayed, shop.rules, here.value, depth.value).filter(m => m.depth > 0 && m.depth <= DEEPEST) : [])
  const marks = computed((): StairMark[] => [
    ...(needed.value?.cylinders ?? []).filter(c => c.depth.value > 0).map((c): StairMark => ({
      key: String(c.cylinder), at: c.depth.value, doubt: uncertainty(c.depth), words: `cylinder ${c.cylinder}`, kind: 'target',
      ...(c.cylinder === deepest.value?.cylinder ? { answer: 'deepest' } : c.cylinder === needed.value?.toLowest?.cylinder ? { answer: 'lowest' } : {})
    })),
    ...met.value.map((m): StairMark => ({ key: sayMet(m), at: m.depth, words: sayMet(m), kind: KINDS[m.kind] }))
  ])
  return { marks, words, doubt, pastLimit, uncut, inDoubt }
}
