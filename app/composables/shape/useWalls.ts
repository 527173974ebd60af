import { RELIEF_PLACES, SCHOOLS, cutterRelief, hotSpots, mouthOf, nicked, proposalOver, pulledWall, reliefOf, shortOf, underSeat, type Cutter, type Relief, type School, type WallProposal } from '#core'
import { watchDebounced } from '@vueuse/core'
import { onHand, type DevelopedOf } from './useDeveloped'
import type { ShapeSetupOf, Step } from './useShapeSetup'
import { askSolids } from '../useSolids'

/** Taking metal: what a school proposes, a cutter, a wall pulled by hand; and what it would run into. */
export function useWalls(
  { setup, set, model, spec, gasketBore, line, below, limits, valve, kind, mostLift, lift, reliefs, turned, addStep }: ShapeSetupOf,
  { facts, share, developed, now, then, lifts, sweep, wallsOf, mean, settled, tryMetal }: DevelopedOf
) {
  /** What the school proposes for a valve, over the lifts it looks at. */
  function propose(open: number, school = setup.value.school): WallProposal | undefined {
    const one = spec.value?.valves[open]
    return one && proposalOver(school, one.diameter / 2, wallsOf(sweep.value?.after, open), { diameter: setup.value.pin, lift: lift.value, most: mostLift.value })
  }
  const proposal = computed(() => propose(valve.value))
  /** Valves of the kind that is looked at: what is taken, is taken at all of them. */
  const others = computed(() => spec.value?.valves.flatMap((v, i) => v.valve === kind.value ? [i] : []) ?? [])
  const onMaster = (relief: Relief): Relief => onHand([relief], turned.value)[0]!
  const metalOf = (school: School) => others.value.flatMap((open) => {
    const proposed = propose(open, school)
    return proposed ? [{ open, proposed, relief: onMaster(reliefOf(open, spec.value!.valves[open]!, proposed, line.value)) }] : []
  })
  const takeProposal = (words: string) => addStep(words, metalOf(setup.value.school).map(m => m.relief))
  /** cc that taking the proposal would add, as soon as it is known. */
  const offered = ref<number>()
  let offering = ''
  watchDebounced(() => settled.value && proposal.value && developed.value ? JSON.stringify([developed.value.name, setup.value.school, share.value, proposal.value.radii]) : '', async (of, before) => {
    if (of === before) return
    offering = of
    offered.value = undefined
    if (!of) return
    const { answer } = await tryMetal('offer', developed.value!.name, metalOf(setup.value.school).map(m => m.relief))
    // An answer about the valve before would switch the button off under the hand.
    if (answer.kind === 'done' && offering === of) offered.value = answer.value.added
  }, { debounce: 250, immediate: true })
  /** A cutter on an arbor in the guide, or one rolled against the valve. */
  function takeCutter(words: string, cutter: Cutter) {
    const of = spec.value?.valves[valve.value]
    if (of) addStep(words, [onMaster(cutterRelief({ valve: valve.value, of }, cutter, line.value, model.value?.done.depth ?? 0))])
  }

  /** The schools side by side for the kind of valve that is looked at: what each takes, and what the valve gains by it. */
  const compared = shallowRef<{ school: School, added: number, factor?: number, arc: number, short: number }[]>([])
  const comparing = ref(false)
  watch([() => facts.value?.key, reliefs, limits, kind], () => compared.value = [])
  /** Set by the hand that will not wait: what is told by then stays. */
  let halted = false
  const haltComparing = () => halted = true
  async function compare() {
    halted = false
    const from = developed.value?.name
    if (!from || !spec.value) return
    comparing.value = true
    compared.value = []
    for (const school of SCHOOLS) {
      // Once something else is drawn, what is still to come is no answer any more.
      if (halted || developed.value?.name !== from) break
      const asked = metalOf(school)
      const { as, answer } = await tryMetal(`compare ${school}`, from, asked.map(m => m.relief))
      const walls = answer.kind === 'done' && await askSolids('walls', `compare ${school}`, { key: as, below: below.value, needs: setup.value.needs, limits: limits.value, valves: [{ open: valve.value, lifts: lifts.value }] })
      if (answer.kind !== 'done' || developed.value?.name !== from) continue
      const mine = asked.find(a => a.open === valve.value)?.proposed
      compared.value = [...compared.value, {
        school, added: answer.value.added, ...(walls && walls.kind === 'done' ? { factor: mean(walls.value) } : {}),
        arc: mine?.arcs.reduce((sum, a) => sum + a.to - a.from, 0) ?? 0, short: Math.max(0, ...(mine?.unmet.map(u => u.percent) ?? []))
      }]
    }
    comparing.value = false
  }

  /** A place of the wall moved out or in by hand, `far` mm from the valve's axis; moving on goes on with the same step. */
  function draw(words: string, azimuth: number, far: number) {
    const of = spec.value?.valves[valve.value]
    if (!now.value || !of) return
    const steps = setup.value.steps
    const last = steps.at(-1)
    const mine = last?.words === words && last.reliefs.length === 1 && last.reliefs[0]!.valve === valve.value
    const before = mine ? onMaster(last.reliefs[0]!).radii : Array.from({ length: RELIEF_PLACES }, () => 0)
    const radii = pulledWall(before, { radius: of.diameter / 2, gap: now.value.shroud.gap, most: now.value.limit }, azimuth, far)
    const step: Step = { words, reliefs: [onMaster({ valve: valve.value, radii, below: underSeat(of), line: line.value })] }
    set({ steps: [...(mine ? steps.slice(0, -1) : steps), step] })
  }
  /** Distance from the guide's axis that must just touch where the last step took most. */
  const gauge = computed(() => Math.max(0, ...(setup.value.steps.at(-1)?.reliefs.flatMap(r => r.radii) ?? [])))
  /** Seats that a step would run into: the steps are on the master's hand, and so is what they are held against. */
  const nicks = computed(() => spec.value
    ? reliefs.value.flatMap(r => nicked(spec.value!.valves, r.valve, onMaster(r).radii)).sort((a, b) => b.past - a.past)
    : [])
  /** How much of the valve's edge the wall keeps short, as it would be. */
  const short = computed(() => (then.value ?? now.value) && shortOf((then.value ?? now.value)!.shroud))
  const spots = computed(() => spec.value ? hotSpots(spec.value, mouthOf(spec.value), gasketBore.value) : [])
  return { proposal, others, offered, takeProposal, takeCutter, compared, comparing, compare, haltComparing, draw, gauge, nicks, short, spots }
}
