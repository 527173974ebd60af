import { groundBudget, shortOf, SCHOOLS, asIf, headCut, squishAreaOver, hotSpots, liftProfile, liftTable, meanOverLift, mouthOf, nicked, proposeWall, reliefLesson, reliefPrediction, scribedLine, valveFrame, quantityOf, modelOf, type Below, type EntryOf, type Relief, type School, type Tried, type WallAt, type WallLimits, type WallProposal, type Quantity } from '#core'
import { watchDebounced } from '@vueuse/core'
import { v5 as uuidv5 } from 'uuid'
import { askSolids } from './useSolids'
import { notKept } from './useStatement'
import { useBuild, type ToAdd } from '~/stores/build'
import { useChambers } from '~/stores/chambers'
import { useDrafts } from '~/stores/drafts'
import { solidAsk } from '~/workers/solidAsk'
import type { Developed, SolidFacts, ValveWalls } from '~/workers/solidBench'

export interface Step { words: string, reliefs: Relief[] }
export interface ShapeSetup { school: School, margin: number, keepPads: boolean, into: number, pin: number, valve: number, lift: number, needs: 'seat' | 'cylinder', steps: Step[] }

const BEGIN: ShapeSetup = { school: 'match', margin: 0.5, keepPads: true, into: 0, pin: 4, valve: 0, lift: 6, needs: 'seat', steps: [] }
const NAMES = 'a0a4e2f6-1f0f-5f58-8a56-0d4d6c0a7f11'
/** Radii of a relief are kept every three degrees: a wall between them runs straight. */
const KEPT = 120

/** The chamber being developed on a head: school, limits and steps, kept on this device until they are planned. */
export function useShaping() {
  const build = useBuild()
  const drafts = useDrafts()
  const { tried } = useChambers()
  const head = computed(() => build.state?.head ?? 1)
  const key = computed(() => `${build.view?.id}/shape/${head.value}`)
  const setup = computed<ShapeSetup>(() => {
    const text = drafts.get(key.value)
    return text === undefined ? BEGIN : { ...BEGIN, ...JSON.parse(text) as Partial<ShapeSetup> }
  })
  const set = (change: Partial<ShapeSetup>) => drafts.set(key.value, JSON.stringify({ ...setup.value, ...change }))

  const model = computed(() => modelOf(build.replayed, build.cylinder, 'asIs'))
  const spec = computed(() => model.value?.spec)
  const q = (name: Quantity) => quantityOf(build.replayed, name, build.cylinder)?.value.value
  const bore = computed(() => q('bore') ?? 90)
  const gasketBore = computed(() => q('gasketBore') ?? bore.value * 1.02)
  const line = computed(() => scribedLine(gasketBore.value, bore.value, setup.value.margin))
  const below = computed<Below>(() => ({ bore: bore.value, gasketBore: gasketBore.value, gasketThickness: q('gasketThickness') ?? 1.2 }))
  const limits = computed<WallLimits>(() => ({ line: line.value, pads: setup.value.keepPads ? spec.value?.pads ?? [] : [], fromSeat: 5, ...(setup.value.into > 0 ? { into: setup.value.into } : {}) }))
  const valve = computed(() => Math.min(setup.value.valve, (spec.value?.valves.length ?? 1) - 1))
  const kind = computed(() => spec.value?.valves[valve.value]?.valve ?? 'intake')
  /** The cam's own table, where somebody measured it. */
  const liftEntry = computed(() => [...build.replayed?.live.entries ?? []].reverse().find((e): e is EntryOf<'liftTable'> => e.kind === 'liftTable' && e.body.valve === kind.value))
  const mostLift = computed(() => (liftEntry.value && liftTable(liftEntry.value.body.rows).most) ?? q(`${kind.value}Lift`) ?? Math.round((spec.value?.valves[valve.value]?.diameter ?? 40) * 2.4) / 10)
  const lift = computed(() => Math.min(setup.value.lift, mostLift.value))
  const measured = computed(() => {
    const chamber = build.state?.parts.chamber
    return chamber && (chamber.provenance === 'measured' || chamber.provenance === 'derived') ? chamber.value.value : undefined
  })
  const ask = computed(() => model.value && solidAsk(model.value, measured.value))

  const facts = shallowRef<SolidFacts>()
  const fault = ref('')
  watch(() => ask.value?.key, async () => {
    if (!ask.value) return
    const answer = await askSolids('solid', 'shape', ask.value)
    if (answer.kind === 'done') facts.value = answer.value
    fault.value = answer.kind === 'faults' ? answer.faults[0]!.kind : answer.kind === 'refused' ? answer.argument : ''
  }, { immediate: true })

  const reliefs = computed(() => setup.value.steps.flatMap(s => s.reliefs))
  /** On a mirrored cylinder the reliefs, drawn on the master's hand, are the other way round too. */
  const own = (list: Relief[], turned: boolean): Relief[] => turned
    ? list.map(r => ({ ...r, radii: r.radii.map((_, i) => r.radii[(KEPT / 2 - i + KEPT) % KEPT]!) }))
    : list
  const name = computed(() => facts.value && (reliefs.value.length ? uuidv5(facts.value.key + JSON.stringify(reliefs.value), NAMES) : `${facts.value.key}/bare`))
  /** What is planned besides this chamber's own grinding and its head's cut: what the target is reckoned with. */
  const before = computed(() => (build.replayed?.planned ?? []).filter(op => !(op.kind === 'faceCut' && op.scope.level === 'head' && op.scope.head === head.value)
    && !(op.kind === 'relief' && op.scope.level === 'cylinder' && op.scope.cylinder === build.cylinder)))
  const lesson = computed(() => build.replayed && reliefLesson(build.replayed.settlements))
  /** How much of what is drawn comes out when it is ground here. */
  const share = computed(() => reliefPrediction(1, lesson.value).added)
  const developed = shallowRef<Developed & { name: string }>()
  watch(() => [name.value, facts.value?.key, share.value] as const, async ([as, from]) => {
    if (!as || !from) return
    const answer = await askSolids('develop', 'develop', { key: from, name: as, reliefs: own(reliefs.value, model.value?.mirrored ?? false), share: share.value })
    if (answer.kind === 'done') developed.value = { ...answer.value, name: as }
  }, { immediate: true })

  // Walls at the lift that is looked at, and over all lifts: as they are and as developed.
  const now = shallowRef<WallAt>()
  const then = shallowRef<WallAt>()
  const one = (answer: { kind: string, value?: ValveWalls[] }) => answer.kind === 'done' ? answer.value?.[0] : undefined
  watch(() => [facts.value?.key, developed.value?.name, valve.value, lift.value, setup.value.needs, JSON.stringify(limits.value), JSON.stringify(below.value)] as const, async ([from, as]) => {
    if (!from || !spec.value?.valves.length) return
    const valves = [{ open: valve.value, lifts: [lift.value] }]
    const common = { below: below.value, needs: setup.value.needs, valves, limits: limits.value }
    const [a, b] = await Promise.all([askSolids('walls', 'walls now', { key: from, ...common }), as ? askSolids('walls', 'walls then', { key: as, ...common }) : undefined])
    const [before, after] = [one(a), b && one(b)]
    if (before) now.value = 'walls' in before ? before.walls[0] : undefined
    if (after) then.value = 'walls' in after ? after.walls[0] : undefined
  }, { immediate: true })

  /** Lifts over which the walls are judged: fifteen, up to the highest. */
  const lifts = computed(() => Array.from({ length: 15 }, (_, i) => Math.max(0.2, mostLift.value * (i + 1) / 15)))
  const sweep = shallowRef<{ of: string, before: ValveWalls[], after: ValveWalls[] }>()
  const sweepOf = computed(() => JSON.stringify([facts.value?.key, developed.value?.name, setup.value.needs, limits.value, below.value, lifts.value]))
  watch(sweepOf, async (of) => {
    const [from, as] = [facts.value?.key, developed.value?.name]
    if (!from || !spec.value?.valves.length) return
    const common = { below: below.value, needs: setup.value.needs, limits: limits.value, valves: spec.value.valves.map((_, open) => ({ open, lifts: lifts.value })) }
    const [a, b] = await Promise.all([askSolids('walls', 'sweep now', { key: from, ...common }), as ? askSolids('walls', 'sweep then', { key: as, ...common }) : undefined])
    if (a.kind === 'done' && (!as || b?.kind === 'done')) sweep.value = { of, before: a.value, after: b?.kind === 'done' ? b.value : a.value }
  }, { immediate: true })
  const wallsOf = (list: ValveWalls[] | undefined, open: number) => {
    const found = list?.find(w => w.open === open)
    return found && 'walls' in found ? found.walls : []
  }
  /** Mean factor over the cam's lift table, or a simple curve from lift and duration. */
  const mean = (list: ValveWalls[] | undefined) => {
    const walls = wallsOf(list, valve.value)
    return walls.length === 0 ? undefined : meanOverLift(liftEntry.value?.body.rows ?? liftProfile(mostLift.value, q(`${kind.value}Duration`) ?? 240, 61), walls)
  }
  const means = computed(() => ({ before: mean(sweep.value?.before), after: mean(sweep.value?.after) }))

  /** Whether what is told is of what is drawn: until then nothing may be taken or planned by it. */
  const settled = computed(() => facts.value?.key === ask.value?.key && developed.value?.name === name.value && sweep.value?.of === sweepOf.value)

  /** What the school proposes for a valve, over the lifts it looks at. */
  function propose(open: number, school = setup.value.school): WallProposal | undefined {
    const one = spec.value?.valves[open]
    const all = wallsOf(sweep.value?.after, open)
    if (!one || all.length === 0) return undefined
    const walls = school === 'pin' ? all.filter(w => Math.abs(w.lift - lift.value) <= mostLift.value / 30 + 1e-9).slice(0, 1) : all
    return proposeWall(school, one.diameter / 2, walls.length ? walls : all.slice(-1), school === 'pin' ? setup.value.pin : undefined)
  }
  const proposal = computed(() => propose(valve.value))
  const others = computed(() => spec.value?.valves.flatMap((v, i) => v.valve === kind.value ? [i] : []) ?? [])

  const kept = (radii: number[]) => Array.from({ length: KEPT }, (_, i) => {
    const from = Math.round(i * radii.length / KEPT)
    return Math.round(Math.max(0, radii[from % radii.length]!) * 100) / 100
  })
  const underSeat = (open: number) => {
    const { seat, topCut, axis } = valveFrame(spec.value!.valves[open]!)
    return Math.round(1000 * Math.max(0, seat.reduce((sum, s, k) => sum + (s - topCut[k]!) * axis[k]!, 0))) / 1000
  }
  const relief = (open: number, radii: number[]): Relief => ({ valve: open, radii: own([{ valve: open, radii: kept(radii), below: 0, line: 0 }], model.value?.mirrored ?? false)[0]!.radii, below: underSeat(open), line: line.value })
  function take(words: string, list: Relief[]) {
    const worth = list.filter(r => r.radii.some(x => x > 0))
    if (worth.length > 0) set({ steps: [...setup.value.steps, { words, reliefs: worth }] })
  }
  /** What a school proposes for every valve of the kind. */
  const metalOf = (school: School) => others.value.flatMap((open) => {
    const proposed = propose(open, school)
    return proposed ? [{ open, proposed, relief: relief(open, proposed.radii) }] : []
  })
  const takeProposal = (words: string) => take(words, metalOf(setup.value.school).map(m => m.relief))
  /** What it would do, on top of what is drawn. */
  function tryMetal(job: string, from: string, list: Relief[]) {
    const metal = list.filter(r => r.radii.some(x => x > 0))
    const as = uuidv5(from + JSON.stringify(metal), NAMES)
    return askSolids('develop', job, { key: from, name: as, reliefs: own(metal, model.value?.mirrored ?? false), share: share.value }).then(answer => ({ as, answer }))
  }
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
  /** Along the guide's axis from the face, as it is, to the seat's plane. */
  const deep = computed(() => {
    const one = spec.value?.valves[valve.value]
    if (!one) return 0
    const { seat, axis } = valveFrame(one)
    return (seat[2] - (model.value?.done.depth ?? 0)) / axis[2]
  })
  /** A cutter on an arbor in the guide, or one rolled against the valve: one radius between two azimuths, as deep as it reaches. */
  function takeCutter(words: string, { diameter, corner, reach, from, to }: { diameter: number, corner: number, reach?: number, from: number, to: number }) {
    const inside = (degrees: number) => ((degrees - from) % 360 + 360) % 360 <= ((to - from) % 360 + 360) % 360
    const cut = relief(valve.value, Array.from({ length: 360 }, (_, i) => to - from >= 360 || inside(i) ? diameter / 2 : 0))
    const below = reach === undefined ? cut.below : Math.min(40, Math.max(cut.below, deep.value - reach))
    take(words, [{ ...cut, below: Math.round(below * 1000) / 1000, ...(corner > 0 ? { corner } : {}) }])
  }
  /** The schools side by side for the kind of valve that is looked at: what each takes, and what the valve gains by it. */
  const compared = shallowRef<{ school: School, added: number, factor?: number, arc: number, short: number }[]>([])
  const comparing = ref(false)
  watch([() => facts.value?.key, reliefs, limits, kind], () => compared.value = [])
  /** Set by the hand that will not wait: what is told by then stays. */
  let halted = false
  const halt = () => halted = true
  async function compare() {
    halted = false
    const from = developed.value?.name
    const one = spec.value
    if (!from || !one) return
    comparing.value = true
    const list: typeof compared.value = []
    for (const school of SCHOOLS) {
      if (halted) break
      const asked = metalOf(school)
      const { as, answer } = await tryMetal(`compare ${school}`, from, asked.map(m => m.relief))
      const walls = answer.kind === 'done' && await askSolids('walls', `compare ${school}`, { key: as, below: below.value, needs: setup.value.needs, limits: limits.value, valves: [{ open: valve.value, lifts: lifts.value }] })
      if (answer.kind !== 'done') continue
      const mine = asked.find(a => a.open === valve.value)?.proposed
      list.push({
        school, added: answer.value.added, ...(walls && walls.kind === 'done' ? { factor: mean(walls.value) } : {}),
        arc: mine?.arcs.reduce((sum, a) => sum + a.to - a.from, 0) ?? 0, short: Math.max(0, ...(mine?.unmet.map(u => u.percent) ?? []))
      })
      compared.value = [...list]
    }
    comparing.value = false
  }

  /** A place of the wall moved out or in by hand: its neighbours for 15° on either side follow, less and less. */
  function draw(words: string, azimuth: number, far: number) {
    const wall = now.value?.shroud.gap
    const r = (spec.value?.valves[valve.value]?.diameter ?? 0) / 2
    if (!wall) return
    const steps = setup.value.steps
    const last = steps.at(-1)
    const mine = last?.words === words && last.reliefs.length === 1 && last.reliefs[0]!.valve === valve.value
    const turned = model.value?.mirrored ?? false
    const radii = mine ? own(last.reliefs, turned)[0]!.radii.slice() : Array.from({ length: KEPT }, () => 0)
    const at = Math.round(azimuth / 360 * KEPT)
    const bare = (i: number) => r + wall[Math.round(i * 360 / KEPT) % 360]!
    const most = (i: number) => r + (now.value!.limit[Math.round(i * 360 / KEPT) % 360] ?? 0)
    for (let j = -5; j <= 5; j++) {
      const i = (at + j + KEPT) % KEPT
      const to = Math.min(most(i), bare(i) + (far - bare(at)) * (1 - Math.abs(j) / 6))
      radii[i] = j === 0 || to > radii[i]! ? (to > bare(i) + 0.02 ? Math.round(to * 100) / 100 : 0) : radii[i]!
    }
    const step: Step = { words, reliefs: [{ valve: valve.value, radii: own([{ valve: 0, radii, below: 0, line: 0 }], turned)[0]!.radii, below: underSeat(valve.value), line: line.value }] }
    set({ steps: [...(mine ? steps.slice(0, -1) : steps), step] })
  }
  /** Distance from the guide's axis that must just touch where the last step took most. */
  const gauge = computed(() => Math.max(0, ...(setup.value.steps.at(-1)?.reliefs.flatMap(r => r.radii) ?? [])))
  const undo = () => set({ steps: setup.value.steps.slice(0, -1) })

  /** Seats that a step would run into: the steps are on the master's hand, and so is what they are held against. */
  const nicks = computed(() => spec.value && model.value
    ? reliefs.value.flatMap(r => nicked(spec.value!.valves, r.valve, own([r], model.value!.mirrored)[0]!.radii)).sort((a, b) => b.past - a.past)
    : [])
  /** Standard uncertainty of what is added, cc. */
  const addedU = computed(() => developed.value && reliefPrediction(Math.max(0, developed.value.drawn), lesson.value).u)
  const squishThen = computed(() => developed.value && squishAreaOver(bore.value, developed.value.opening))
  const cc = (value: number) => ({ value: Math.round(value * 1000) / 1000, unit: 'cc', typed: '' })
  /** The grinding as it would be planned on a cylinder. */
  const asPlanned = (cylinder: number, { drawn }: Pick<Developed, 'drawn'>): Tried & { kind: 'relief' } => {
    const { added, u } = reliefPrediction(Math.max(0, drawn), lesson.value)
    return { kind: 'relief', scope: { level: 'cylinder', cylinder }, body: { state: 'planned', added: cc(added), u: cc(u), drawn: cc(drawn), reliefs: reliefs.value } }
  }
  /** This chamber's grinding once the hand rests: until then nothing is told that hangs on the opened chamber's solid. */
  const resting = shallowRef<{ of: string, grinding: Tried[] }>()
  const restOf = computed(() => settled.value && developed.value ? `${build.cylinder} ${developed.value.name}` : '')
  watchDebounced(restOf, (of) => {
    resting.value = of && developed.value ? { of, grinding: reliefs.value.length > 0 ? [asPlanned(build.cylinder, developed.value)] : [] } : undefined
  }, { debounce: 400, immediate: true })
  const mine = <T extends { cylinder: number }>(list: T[] | undefined) => list?.find(c => c.cylinder === build.cylinder)
  const ratioThen = computed(() => developed.value && mine(build.ifDone([...before.value, asPlanned(build.cylinder, developed.value)])?.cylinders)?.state.ratio?.value.value)
  /** The cut that pays it back, as the Cut station would find it once it is planned, and whether the seats allow it. */
  const paying = computed(() => {
    if (!build.replayed || !resting.value || resting.value.of !== restOf.value) return undefined
    const operations = [...before.value, ...resting.value.grinding]
    return { operations, cut: headCut(build.replayed, head.value, operations, tried) }
  })
  /** Whether the cut that pays it back is told of what is drawn, or there is none to tell. */
  const paid = computed(() => paying.value !== undefined && !paying.value.cut.waiting.includes(build.cylinder))
  const payBack = computed(() => {
    if (!paying.value) return undefined
    const { operations, cut } = paying.value
    const depth = mine(cut.cylinders)?.depth.value
    if (depth === undefined || depth <= 0) return undefined
    const { room } = mine(asIf(build.replayed!, [...operations, { kind: 'faceCut', scope: { level: 'head', head: head.value }, body: { state: 'planned', depth: { value: depth, unit: 'mm', typed: '' } } }], tried).cylinders) ?? {}
    const worst = [...room?.valves ?? []].sort((a, b) => a.seat.margin - b.seat.margin)[0]
    return { depth, worst: worst && { ...worst, valve: worst.valve.valve } }
  })
  /** The cc that may go before a seat stands in the way of the cut that pays it back. */
  const budget = computed(() => build.replayed && groundBudget(build.replayed, { cylinder: build.cylinder, head: head.value }, before.value, tried))
  /** How much of the valve's edge the wall keeps short, as it would be. */
  const short = computed(() => (then.value ?? now.value) && shortOf((then.value ?? now.value)!.shroud))
  const spots = computed(() => spec.value ? hotSpots(spec.value, mouthOf(spec.value), gasketBore.value) : [])

  // The developed chamber as master: what every other cylinder gains by the same metal.
  const copies = shallowRef<(Pick<Developed, 'drawn' | 'added' | 'volume'> & { cylinder: number, mirrored: boolean })[]>([])
  const copying = ref(false)
  watch([name, () => build.cylinder], () => copies.value = [])
  async function copy() {
    halted = false
    copying.value = true
    const list: typeof copies.value = []
    for (const cylinder of build.cylinders) {
      if (halted) break
      const other = modelOf(build.replayed, cylinder, 'asIs')
      const chamber = build.asIs.find(s => s.cylinder === cylinder)
      if (!other || chamber?.head !== head.value) continue
      const part = chamber.parts.chamber
      const asked = solidAsk(other, part && (part.provenance === 'measured' || part.provenance === 'derived') ? part.value.value : undefined)
      const made = await askSolids('solid', `copy ${cylinder}`, asked)
      if (made.kind !== 'done') continue
      const answer = await askSolids('develop', `copy ${cylinder}`, { key: asked.key, name: uuidv5(asked.key + JSON.stringify(reliefs.value), NAMES), reliefs: own(reliefs.value, other.mirrored), share: share.value })
      if (answer.kind === 'done') list.push({ cylinder, ...answer.value, mirrored: other.mirrored })
      copies.value = [...list]
    }
    copying.value = false
  }

  const planned = computed(() => (build.replayed?.planned ?? []).filter((op): op is EntryOf<'relief'> => op.kind === 'relief' && op.scope.level === 'cylinder' && build.asIs.find(s => s.cylinder === (op.scope as { cylinder: number }).cylinder)?.head === head.value))
  /** Plans the same metal on every cylinder that was reckoned, or on this one alone. */
  async function plan(note: string): Promise<string | undefined> {
    const list = copies.value.length > 0 ? copies.value : developed.value ? [{ cylinder: build.cylinder, ...developed.value }] : []
    // Its steps are the hand's work: they stay until they are planned.
    if (list.length === 0) return 'The chamber is not ready yet: try again in a moment.'
    const said = notKept(await build.planAll('Chambers opened', [], list.map(({ cylinder, drawn }) => {
      const before = planned.value.find(op => op.scope.level === 'cylinder' && op.scope.cylinder === cylinder)
      const { kind, scope, body } = asPlanned(cylinder, { drawn })
      return { kind, scope, body, more: { note, ...(before ? { supersedes: before.id } : {}) } } as ToAdd
    })))
    if (!said) set({ steps: [] })
    return said
  }
  async function finish(to: 'done' | 'dropped', cylinder?: number, hours?: string): Promise<string | undefined> {
    const list = planned.value.filter(o => cylinder === undefined || (o.scope.level === 'cylinder' && o.scope.cylinder === cylinder))
    return notKept(await build.addAll(list.map(op => ({ kind: 'relief', scope: op.scope, body: { ...op.body, state: to }, more: { supersedes: op.id, ...(hours ? { note: `${hours} h` } : {}) } }))))
  }
  return {
    head, setup, set, settled, model, spec, bore, gasketBore, line, limits, valve, kind, lift, mostLift, liftEntry, facts, fault, reliefs, developed, now, then, lifts, sweep, wallsOf, means,
    proposal, propose, others, offered, takeProposal, takeCutter, draw, undo, compared, comparing, compare, halt, gauge, lesson, addedU, nicks, squishThen, ratioThen, payBack, paid, budget, short, spots, copies, copying, copy, planned, plan, finish
  }
}
