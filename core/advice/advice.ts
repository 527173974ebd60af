import { shares } from '../estimate'
import { REASONS, cylindersOf, fit, hasPlace, headOf, kindRule, ofKind, placeOf, touches, type Enclosed, type OperationKind, type Place, type Quantity, type Reason } from '../ledger'
import { againstTarget, depthSet, findingsOf, finishesOf, isUndecided, modelOf, targetBand, quantityOf, type AgainstTarget, type ClearanceName, type Replay } from '../standing'
import { isCutInto } from '../chamber'
import { CLOSE_ENOUGH, NO_SOLIDS, allSprings, asIf, cutLimits, flatCut, footCut, headCut, inStages, offFoot, overLeast, squishLeft, type AsIf, type CylinderAsIf, type Chambers, type CutLimit, type HeadCut, type ShapeSource, type SpringRoom } from '../plan'
import { STARTING_RULES, type ShopRules } from '../shop'
import { crownsWorked, filledBy, poured, settling } from './poured'
import { isTurned, onLathe, tightOnLathe, type Unlike } from './turned'

/** What may be open, as kinds and numbers; the interface says it. Lengths mm, volumes cc. */
type Open
  = | { kind: 'takeOut', entries: string[] }
    | { kind: 'layOut' }
    /** A seat a cut is through, or would be: `figure` mm left of it, below 0 what is past. */
    | { kind: 'seatLost', valve: 'intake' | 'exhaust', figure: number, limit: 0, planned: boolean }
    /** `still`: even with the engine at rest. */
    | { kind: 'squishTouches', figure: number, limit: 0, planned: boolean, still: boolean }
    /** Less squish than the shop lets out, by what runs of it; `still`: nobody said how fast the engine turns. */
    | { kind: 'squishTight', figure: number, limit: number, planned: boolean, still: boolean }
    /** Metal that went, or is about to, and more than the target allows; `lift`: only a closed barrel that is lifted gives it back. */
    | { kind: 'passesTarget', figure: number, limit: number, planned: boolean, lift?: true }
    /** Something comes nearer than the shop lets out. */
    | { kind: 'tooClose', clearance: ClearanceName, figure: number, limit: number, planned: boolean }
    /** A valve spring that is near solid with its valve open, or a retainer near its seal. */
    | { kind: 'springRoom', room: SpringRoom, valve: 'intake' | 'exhaust', figure: number, limit: number, planned: boolean }
    /** A gasket that stands in the chamber. */
    | { kind: 'gasketInBore', figure: number, limit: number, planned: boolean }
    /** A face coarser than its gasket stands. */
    | { kind: 'tooCoarse', face: 'head' | 'deck', figure: number, limit: number }
    | { kind: 'leak', encloses: Enclosed, figure: number, limit: number }
    | { kind: 'disagree', encloses: Enclosed, figure: number, change: number, limit: number }
    /** A dimension there is no ratio without. */
    | { kind: 'state', quantity: Quantity }
    /** An assumption: `figure`, its share of what is unsure about the ratio, or about the depth of a cut or a seat. */
    | { kind: 'assumed', quantity: Quantity, figure: number, limit: number, of: 'ratio' | 'depth' | 'seat' }
    | { kind: 'setTarget' }
    /** What the target was chosen for has changed since. */
    | { kind: 'targetAgain', reasons: Reason[] }
    /** What was found at take-in and nobody has decided on. */
    | { kind: 'decide', findings: string[] }
    | { kind: 'pour' }
    | { kind: 'pourSecond' }
    | { kind: 'pourFine' }
    /** A turned head of which nobody measured the squish, or said what is wanted. */
    | { kind: 'solder' }
    | { kind: 'wanted', quantity: Quantity }
    | { kind: 'squish', figure: number, limit: number }
    /** `foot`, `lift`: a closed barrel, by its foot or by what goes under it; `other`: the chambers hold less than would have to go. `figure`: the depth, where it is known and does not hang on an assumption; `past`: the first limit that a cut of it would be past; `first`: the cylinder that a foot brings to the target first. */
    | { kind: 'plan', way: 'cut' | 'open' | 'even' | 'foot' | 'lift' | 'other', figure?: number, source?: ShapeSource, waiting: boolean, past?: CutLimit, first?: number }
    | { kind: 'do', operations: string[], what: OperationKind, at: Place, figure?: number, foot?: true, /** How the head is laid over for it. */ laid?: { slopeX?: number, slopeY?: number } }
    | { kind: 'pourAgain' }
    /** Crowns that were worked on: until they are poured the ratio goes by what was planned. */
    | { kind: 'pourCrown' }
    | { kind: 'onTarget' }

/** One thing that is open: what, at which cylinders and heads, and where it is settled. */
export type Advice = Open & { cylinders: number[], heads: number[], at: Place }
export type AdviceKind = Advice['kind']

/** An assumption is worth asking about once it makes this much of a variance. */
export const ASSUMED_SHARE = 0.25
/** A leak of less than this in a minute does no harm in the time a pour takes, cc. */
const LEAK_LIMIT = 0.2

interface Sight { r: Replay, rules: ShopRules, now: AsIf, then: AsIf, cuts: HeadCut[] }
type Found = Open & { cylinders: number[], at?: Place }

function cannotReckon({ r }: Sight): Found[] {
  const without = (quantity: Quantity) => r.asIs.filter(s => s.missing.includes(quantity)).map(s => s.cylinder)
  return (['bore', 'stroke', 'exhaustPortTop'] as const).flatMap((quantity): Found[] => {
    const cylinders = without(quantity)
    return cylinders.length > 0 ? [{ kind: 'state', quantity, cylinders }] : []
  })
}

/** Groups findings of cylinders by a name: the worst of each group speaks for it. */
function worstOf<T extends { cylinder: number, figure: number }>(list: T[], name: (one: T) => string, over: (one: T) => number): (T & { cylinders: number[] })[] {
  const groups = new Map<string, T[]>()
  for (const one of list) groups.set(name(one), [...groups.get(name(one)) ?? [], one])
  return [...groups.values()].map((group) => {
    const worst = group.reduce((a, b) => over(b) < over(a) ? b : a)
    return { ...worst, cylinders: [...new Set(group.map(g => g.cylinder))] }
  }).sort((a, b) => over(a) - over(b))
}

/** Seats that a cut went through, or will: by their stated heights and, all the way round, by the drawing. */
function seats({ now, then }: Sight): Found[] {
  const lost = (at: AsIf, planned: boolean) => at.cylinders.flatMap(({ cylinder, valves, room }) => {
    const stated = valves.flatMap(v => v.seatLeft && isCutInto(v.seatLeft.value) ? [{ cylinder, valve: v.valve, figure: v.seatLeft.value, planned, assumed: false }] : [])
    const drawn = (room?.valves ?? []).flatMap(({ valve: { valve }, seat }) =>
      seat.arcLost > 0 ? [{ cylinder, valve, figure: seat.margin, planned, assumed: room!.seats[valve] === 'assumed' }] : [])
    return [...stated, ...drawn]
  })
  const done = lost(now, false)
  const known = new Set(done.map(d => `${d.cylinder} ${d.valve}`))
  const all = [...done, ...lost(then, true).filter(l => !known.has(`${l.cylinder} ${l.valve}`))]
  const sure = worstOf(all.filter(l => !l.assumed), l => `${l.valve} ${l.planned}`, l => l.figure)
  const guessed = worstOf(all.filter(l => l.assumed && !sure.some(s => s.valve === l.valve)), l => l.valve, l => l.figure)
  return [
    ...sure.map(({ valve, figure, planned, cylinders }): Found => ({ kind: 'seatLost', valve, figure, limit: 0, planned, cylinders })),
    // A height nobody measured is no verdict: it is asked for.
    ...guessed.map(({ valve, cylinders }): Found => ({ kind: 'assumed', quantity: `${valve}SeatHeight`, of: 'seat', figure: 1, limit: ASSUMED_SHARE, cylinders }))
  ]
}

function squishTouching({ r, now, then }: Sight): Found[] {
  const gapOf = ({ squish: { running, gap } }: CylinderAsIf) => {
    const still = gap !== undefined && gap.estimate.value <= 0
    return { still, figure: (still ? gap : running?.gap)?.estimate.value }
  }
  const touching = then.cylinders.flatMap((c) => {
    const { still, figure } = gapOf(c)
    const was = now.cylinders.find(n => n.cylinder === c.cylinder)
    const before = was && gapOf(was).figure
    // What runs may hang on stand-ins, and a crown may rise into an open chamber: as it came it is left alone until it was measured.
    if (figure === undefined || figure > 0 || (!c.squish.solder && (r.planned.length === 0 || (still && (before ?? 1) <= 0)))) return []
    return [{ cylinder: c.cylinder, figure, still, planned: before === undefined || Math.abs(before - figure) > 1e-9 }]
  })
  return worstOf(touching, t => String(t.still), t => t.figure).map(({ figure, planned, still, cylinders }): Found => ({ kind: 'squishTouches', figure, limit: 0, planned, still, cylinders }))
}

/** Work that brings the piston nearer to the head on any engine, or may have. */
const closes = (op: Replay['done'][number]) =>
  op.kind === 'deckCut' || op.kind === 'gasketChange' || (op.kind === 'spacer' && op.body.change.value < 0) || (op.kind === 'crownWork' && (op.body.rise?.value ?? 0) > 0)

/** Squish under the shop's least: where work closes it, and where it was measured and is known to run so. */
function squishTight({ r, rules, now, then }: Sight): Found[] {
  const under = then.cylinders.flatMap(({ cylinder, squish }) => {
    const { running, solder } = squish
    const { left: figure, least, tight } = squishLeft(r, rules, cylinder, squish)
    const was = now.cylinders.find(c => c.cylinder === cylinder)?.squish
    const before = (running ? was?.running?.gap : was?.gap)?.estimate.value
    const planned = figure !== undefined && before !== undefined && figure < before - 1e-9
    const worked = planned || r.done.some(op => closes(op) && touches(op, r.layout, cylinder))
    // What touches is told already.
    return figure !== undefined && figure > 0 && tight && (worked || (running !== undefined && solder !== undefined)) ? [{ cylinder, figure, limit: least, planned, still: !running }] : []
  })
  return worstOf(under, u => String(u.still), u => u.figure - u.limit).map(({ figure, limit, planned, still, cylinders }): Found => ({ kind: 'squishTight', figure, limit, planned, still, cylinders }))
}

function pastTarget({ r, now, then }: Sight): Found[] {
  const band = targetBand(r.target)
  // Only metal that went, or is about to, can't be put back; a ratio above target before any work is a plan to make.
  // A turned head is past it between its two cuts, by the squish: its dome gives the ratio back.
  if (!band || isTurned(r) || (r.planned.length === 0 && r.done.length === 0)) return []
  const past = then.cylinders.flatMap(({ cylinder, state }) => {
    const ratio = state.ratio?.estimate.value
    const was = now.cylinders.find(c => c.cylinder === cylinder)?.state
    return ratio !== undefined && againstTarget(state, band) === 'over' ? [{ cylinder, figure: ratio, planned: was === undefined || againstTarget(was, band) !== 'over' }] : []
  })
  return worstOf(past, p => String(p.planned), p => -p.figure).map(({ figure, planned, cylinder, cylinders }): Found => {
    // The plan is changed where what takes the cylinder there is planned.
    const last = planned ? r.planned.filter(op => op.kind !== 'relief' && op.kind !== 'seatWork' && touches(op, r.layout, cylinder)).at(-1) : undefined
    return { kind: 'passesTarget', figure, limit: band.high, planned, ...(r.layout.engine?.head === 'blind' ? { lift: true } : {}), cylinders, ...(last ? { at: kindRule(last.kind).at(last.body) } : {}) }
  })
}

/** Clearances under the shop's least, with what is planned: that may take more of them, or give it back. */
function tooClose({ r, rules, then }: Sight): Found[] {
  const under = then.cylinders.flatMap(({ cylinder, clearances }) => {
    return clearances.flatMap((step) => {
      const { least, over } = overLeast(r, rules, cylinder, step)
      return over < 0 ? [{ cylinder, clearance: step.name, figure: step.then.value, limit: least, planned: Math.abs(step.then.value - step.now.value) > 1e-9 }] : []
    })
  })
  return worstOf(under, u => u.clearance, u => u.figure - u.limit).map(({ clearance, figure, limit, planned, cylinders }): Found => (
    { kind: 'tooClose', clearance, figure, limit, planned, cylinders }))
}

/** Springs that would be solid, or retainers on their seals, or nearer to it than the shop lets out. */
function springRoom({ r, rules }: Sight): Found[] {
  // Most engines come without a height read: nothing is asked of their valves.
  if (!r.live.entries.some(e => e.kind === 'installed')) return []
  const under = allSprings(r, rules).flatMap(({ port: { cylinder, valve }, faults }) => faults.map(({ room, left, least, planned }) => ({ cylinder, valve, room, figure: left, limit: least, planned })))
  return worstOf(under, u => `${u.valve} ${u.room}`, u => u.figure - u.limit).map(({ room, valve, figure, limit, planned, cylinders }): Found => ({ kind: 'springRoom', room, valve, figure, limit, planned, cylinders }))
}

function gasketInBore({ r }: Sight): Found[] {
  const inside = r.layout.cylinders.flatMap((cylinder) => {
    const limit = quantityOf(r, 'bore', cylinder)?.estimate.value
    const of = (column: 'asIs' | 'asPlanned') => quantityOf(r, 'gasketArea', cylinder, column) ? undefined : quantityOf(r, 'gasketBore', cylinder, column)?.estimate.value
    const [was, figure] = [of('asIs'), of('asPlanned')]
    return limit !== undefined && figure !== undefined && figure < limit ? [{ cylinder, figure, limit, planned: was !== figure }] : []
  })
  return worstOf(inside, () => '', i => i.figure - i.limit).map(({ figure, limit, planned, cylinders }): Found => ({ kind: 'gasketInBore', figure, limit, planned, cylinders }))
}

/** Faces that are coarser than their gasket stands, by the last reading of each. */
const tooCoarse = ({ r }: Sight): Found[] => finishesOf(r).flatMap(({ entry: { scope, body }, tooCoarse }): Found[] => {
  const cylinders = r.layout.cylinders.filter(c => fit(scope, r.layout, c) > 0)
  return tooCoarse && cylinders.length > 0
    ? [{ kind: 'tooCoarse', face: scope.level === 'bank' ? 'deck' : 'head', figure: body.roughness.value, limit: body.most.value, cylinders }]
    : []
})

/** The target was chosen for a fuel, a boost, a use: where one of them has changed since, it is asked for again. */
function targetAgain({ r }: Sight): Found[] {
  const { target, live } = r
  if (!target) return []
  const stated = ofKind(live.entries, 'reasons')
  const at = r.ledger.place.get(target.id)!
  const was = stated.filter(e => r.ledger.place.get(e.id)! < at).at(-1)?.body
  const now = stated.at(-1)
  if (!now || r.ledger.place.get(now.id)! < at || !was) return []
  const changed = REASONS.filter(reason => (now.body[reason] ?? '') !== (was[reason] ?? ''))
  return changed.length > 0 ? [{ kind: 'targetAgain', reasons: changed, cylinders: r.layout.cylinders }] : []
}

function challenged({ r }: Sight): Found[] {
  const leaks = r.challenges.flatMap((c): Found[] => c.leak ? [{ kind: 'leak', cylinders: [c.cylinder], encloses: c.encloses, figure: c.leak.rate, limit: LEAK_LIMIT }] : [])
  const apart = r.challenges.flatMap(c => c.disagreement ? [{ cylinder: c.cylinder, encloses: c.encloses, figure: c.disagreement.difference, change: c.disagreement.change, limit: c.disagreement.allowed }] : [])
  return [...leaks, ...worstOf(apart, a => a.encloses, a => -a.figure).map(({ encloses, figure, change, limit, cylinders }): Found => ({ kind: 'disagree', encloses, figure, change, limit, cylinders }))]
}

/** A mouth nobody stated, where a depth would hang on it by however little: what a face loses can't be put back. */
const hangsOnMouth = (cut: HeadCut) => cut.cylinders.map(({ cylinder, depth }) =>
  ({ cylinder, share: shares(depth, source => source.startsWith('standIn:mouthArea'))[0]?.share ?? 0 })).filter(a => a.share > 0)

function assumptions({ now }: Sight): Found[] {
  const worst = new Map<string, { share: number, cylinders: number[] }>()
  for (const { state } of now.cylinders) {
    for (const { source, share } of state.ratio ? shares(state.ratio.estimate, source => source.startsWith('standIn:')) : []) {
      if (share < ASSUMED_SHARE) continue
      const known = worst.get(source) ?? { share: 0, cylinders: [] }
      worst.set(source, { share: Math.max(known.share, share), cylinders: [...known.cylinders, state.cylinder] })
    }
  }
  return [...worst].sort((a, b) => b[1].share - a[1].share).map(([source, { share, cylinders }]): Found => (
    { kind: 'assumed', quantity: source.slice('standIn:'.length) as Quantity, of: 'ratio', figure: share, limit: ASSUMED_SHARE, cylinders }))
}

/** Mouths that nobody stated, of heads that are to be cut and whose cut nobody has planned yet. */
function mouths({ r, cuts }: Sight): Extract<Found, { kind: 'assumed' }>[] {
  const cutHere = (head: number) => r.planned.some(op => op.kind === 'faceCut' && op.scope.level === 'head' && op.scope.head === head)
  const hanging = !r.target ? [] : cuts.filter(cut => !cutHere(cut.head) && (cut.deepest?.depth.value ?? 0) > 0).flatMap(hangsOnMouth)
  return hanging.length === 0
    ? []
    : [{ kind: 'assumed', quantity: 'mouthArea', of: 'depth', figure: Math.max(...hanging.map(m => m.share)), limit: ASSUMED_SHARE, cylinders: hanging.map(m => m.cylinder) }]
}

/** Chambers of which a figure still rests on a claim, one pour, or a syringe. */
function unpoured({ r }: Sight): Found[] {
  const of = (kind: 'pour' | 'pourSecond' | 'pourFine', which: (p: Replay['pours'][number]) => boolean): Found[] => {
    const cylinders = poured(r).filter(which).map(p => p.cylinder)
    return cylinders.length > 0 ? [{ kind, cylinders }] : []
  }
  return [
    ...of('pour', p => !p.ever),
    ...of('pourSecond', p => p.current.length === 1),
    ...r.target ? [] : [{ kind: 'setTarget' as const, cylinders: r.layout.cylinders }],
    // A syringe shows where one is; what a cut is reckoned from, or the job is called done by, comes from a burette.
    ...of('pourFine', p => p.current.length > 0 && p.current.every(pour => pour.body.instrument.kind === 'syringe'))
  ]
}

const squishFirst = (unlike: Unlike[]) => worstOf(unlike, w => String(w.figure < w.limit), w => w.figure - w.limit).map(({ figure, limit, cylinders }): Found => ({ kind: 'squish', figure, limit, cylinders }))

function planned({ r }: Sight): Found[] {
  // A turned head is poured between its two cuts: the second goes by what the first has left. What opens its squish comes before either.
  const again = settling(r)
  const tight = tightOnLathe(r)
  const waits = (op: Replay['planned'][number]) => onLathe(r, op.kind) && (tight.some(t => touches(op, r.layout, t.cylinder)) || (op.kind === 'relief' && again.some(c => touches(op, r.layout, c))))
  return [...squishFirst(tight), ...inStages(r.layout, r.planned.filter(op => !waits(op))).flatMap((alike) => {
    const what = alike[0]!.kind
    // A cut's depth is its head's own: two heads are two things to do.
    const groups = what === 'faceCut' || what === 'deckCut' ? alike.map(op => [op]) : [alike]
    return groups.map((ops): Found => {
      const [first] = ops
      const depth = first!.kind === 'faceCut' ? depthSet(first!.body) : first!.kind === 'deckCut' ? first!.body.depth.value : undefined
      const { slopeX, slopeY } = first!.kind === 'faceCut' ? first!.body : {}
      const foot = first!.kind === 'deckCut' && first!.body.foot
      return { kind: 'do', operations: ops.map(op => op.id), what, at: onLathe(r, what) ? { station: 'mockup', leaf: 'turned' } : kindRule(what).at(first!.body), ...(depth === undefined ? {} : { figure: depth }), ...(foot ? { foot } : {}), ...(slopeX || slopeY ? { laid: { slopeX, slopeY } } : {}), cylinders: r.layout.cylinders.filter(c => ops.some(op => touches(op, r.layout, c))) }
    })
  })]
}

/** What is planned and to be done, and what to pour again: before a cut, whose depth hangs on it and whose metal can't be put back, else at the end. */
function toDo(sight: Sight): Found[] {
  const { r } = sight
  const work = planned(sight)
  const isCut = (found: Found) => found.kind === 'do' && (found.what === 'faceCut' || found.what === 'deckCut')
  const again = [{ kind: 'pourCrown', which: crownsWorked(r) }, { kind: 'pourAgain', which: settling(r) }] as const
  const first = work.findIndex(found => isCut(found) && found.cylinders.some(c => again.some(({ which }) => which.includes(c))))
  const waits = (c: number) => first >= 0 && work.some(found => isCut(found) && found.cylinders.includes(c))
  const pour = (before: boolean): Found[] => again.flatMap(({ kind, which }) => {
    const cylinders = which.filter(c => waits(c) === before)
    return cylinders.length > 0 ? [{ kind, cylinders }] : []
  })
  return [...work.slice(0, Math.max(0, first)), ...pour(true), ...work.slice(Math.max(0, first)), ...pour(false)]
}

/** What a turned head's first cut is reckoned from. */
function squishUnknown(now: AsIf, r: Replay, idle: ReadonlySet<number>): Found[] {
  const without = (lacks: (c: AsIf['cylinders'][number]) => boolean) => now.cylinders.filter(c => idle.has(c.cylinder) && lacks(c)).map(c => c.cylinder)
  const solder = without(c => !c.squish.solder)
  const wanted = without(c => !quantityOf(r, 'wantedSquish', c.cylinder))
  return [
    ...solder.length > 0 ? [{ kind: 'solder' as const, cylinders: solder }] : [], ...wanted.length > 0 ? [{ kind: 'wanted' as const, quantity: 'wantedSquish' as const, cylinders: wanted }] : []
  ]
}

/** What to plan for the heads that are off their target: for those where nothing planned or done waits to be settled. */
function toPlan({ r, rules, now, cuts }: Sight): Found[] {
  const band = targetBand(r.target)
  if (!band) return []
  const busy = (cylinder: number) => r.planned.some(op => touches(op, r.layout, cylinder)) || settling(r).includes(cylinder) || crownsWorked(r).includes(cylinder)
  const idle = new Set(r.layout.heads.filter(cylinders => !cylinders.some(busy)).flat())
  const unlike = now.cylinders.filter(c => idle.has(c.cylinder)).flatMap(({ cylinder, squish, state }) => {
    const wanted = quantityOf(r, 'wantedSquish', cylinder)?.estimate.value
    const gap = squish.gap?.estimate.value
    if (wanted === undefined || gap === undefined || state.ratio === undefined || againstTarget(state, band) === 'on') return []
    const recessed = (quantityOf(r, 'squishRecess', cylinder)?.estimate.value ?? 0) > 0
    return (isTurned(r) ? Math.abs(gap - wanted) : recessed ? gap - wanted : 0) > CLOSE_ENOUGH ? [{ cylinder, figure: gap, limit: wanted }] : []
  })
  // A recessed band comes down with the face: squish first, then the ratio, or the cut is made twice. What is too tight already no cut opens.
  const first = squishFirst(unlike)
  const standing = (where: AgainstTarget) => now.cylinders.filter(c => idle.has(c.cylinder) && againstTarget(c.state, band) === where).map(c => c.cylinder)
  const unknown = isTurned(r) ? squishUnknown(now, r, idle) : []
  const notYet = new Set([...unknown, ...first].flatMap(f => f.cylinders.map(c => headOf(r.layout, c))))
  // A closed barrel has no face: it comes down by its foot, its bank as one.
  if (r.layout.engine?.head === 'blind') {
    return r.layout.banks.flatMap((cylinders, i): Found[] => {
      const least = footCut(r, i + 1, r.planned)
      const low = standing('under').filter(c => cylinders.includes(c))
      const high = standing('over').filter(c => cylinders.includes(c))
      if (low.length > 0 && least && least.depth.value >= 0.01) {
        const past = cutLimits(r, rules, asIf(r, [...r.planned, offFoot(i + 1, least.depth.value)], NO_SOLIDS).cylinders.filter(c => cylinders.includes(c.cylinder))).find(l => l.kind !== 'target')
        return [{ kind: 'plan', way: 'foot', cylinders: low, waiting: false, figure: least.depth.value, first: least.cylinder, ...(past ? { past } : {}) }]
      }
      return high.length > 0 ? [{ kind: 'plan', way: 'lift', cylinders: high, waiting: false }] : []
    })
  }
  return [...unknown, ...first, ...cuts.filter(cut => !notYet.has(cut.head)).flatMap((cut): Found[] => {
    const here = (list: number[]) => list.filter(c => headOf(r.layout, c) === cut.head)
    const low = here(standing('under'))
    const high = here(standing('over'))
    if (low.length === 0 && high.length === 0) return []
    if (low.length === 0) return [{ kind: 'plan', way: 'open', cylinders: high, waiting: false }]
    const depth = cut.deepest?.depth.value
    if (depth !== undefined && depth < 0.01) return [{ kind: 'plan', way: 'even', cylinders: low, waiting: false }]
    const never = cut.unreachable.map(u => u.cylinder)
    if (depth === undefined && never.length > 0) return [{ kind: 'plan', way: 'other', cylinders: never, waiting: false }]
    const known = depth !== undefined && hangsOnMouth(cut).length === 0
    // Seats and clearances hang on the plane alone: no shape is asked for, and the target is what the depth comes from.
    const past = known ? cutLimits(r, rules, asIf(r, [...r.planned, flatCut(cut.head, depth)], NO_SOLIDS).cylinders.filter(c => c.head === cut.head)).find(l => l.kind !== 'target') : undefined
    return [{ kind: 'plan', way: 'cut', cylinders: low, waiting: cut.waiting.length > 0, ...(known ? { figure: depth, source: cut.deepest!.source } : {}), ...(past ? { past } : {}) }]
  })]
}

/** Findings that nobody has decided on: they are told before metal goes. */
function undecided({ r }: Sight): Found[] {
  const open = findingsOf(r).map(({ entry }) => entry).filter(isUndecided)
  return open.length === 0 ? [] : [{ kind: 'decide', findings: open.map(({ id }) => id), cylinders: [...new Set(open.flatMap(({ scope }) => cylindersOf(r.layout, 'head' in scope ? scope.head : 1)))] }]
}

/**
 * Where chambers are opened: on the lathe's leaf, at Shape where they are drawn, else at Route, which says how far.
 *
 * @example openedAt(standing, [1, 2]) // { station: 'shape' }, both are drawn
 */
export function openedAt(r: Replay, cylinders: readonly number[]): Place {
  if (isTurned(r)) return { station: 'mockup', leaf: 'turned' }
  return hasPlace(r.layout.engine, r.layout.cylinders.length, 'shape') && cylinders.some(c => modelOf(r, c)) ? { station: 'shape' } : { station: 'route' }
}

/** Where a way to the target is planned: the others are at Route, where this one is past a limit. */
function plannedAt(r: Replay, { way, past, cylinders }: Extract<Found, { kind: 'plan' }>): Place {
  if (past?.kind === 'seat' && past.assumed) return placeOf(`${past.valve}SeatHeight`)
  if (past) return { station: 'route' }
  switch (way) {
    case 'cut': return { station: 'cut', leaf: 'face' }
    case 'foot': return { station: 'sheet', leaf: 'deck' }
    case 'even': return { station: 'pour', leaf: 'even' }
    case 'open': return openedAt(r, cylinders)
    case 'lift': case 'other': return { station: 'route' }
  }
}

/** Where a kind of thing is settled, where that is no dimension. */
function settledAt(r: Replay, open: Found): Place {
  switch (open.kind) {
    case 'takeOut': return { station: 'daybook' }
    case 'tooCoarse': return { station: 'sheet', leaf: 'face' }
    case 'decide': return { station: 'sheet', leaf: 'takeIn' }
    case 'layOut': case 'setTarget': case 'targetAgain': return { station: 'sheet', leaf: 'section' }
    case 'state': return placeOf(open.quantity)
    case 'assumed': case 'wanted': return placeOf(open.quantity)
    case 'tooClose': return placeOf(open.clearance)
    case 'springRoom': return { station: 'mockup', leaf: 'springs', valve: open.valve }
    case 'gasketInBore': return placeOf('gasketBore')
    case 'seatLost': return { station: 'cut', leaf: open.planned ? 'face' : 'seats' }
    case 'passesTarget': return open.planned ? { station: 'cut', leaf: 'face' } : openedAt(r, open.cylinders)
    case 'squishTouches': case 'squishTight': case 'solder': return { station: 'mockup', leaf: 'squish' }
    case 'squish': return { station: 'mockup', leaf: 'turned' }
    case 'leak': case 'disagree': return { station: 'pour', fill: open.encloses }
    case 'pour': case 'pourSecond': case 'pourFine': case 'pourAgain': return { station: 'pour', fill: filledBy(r) }
    case 'pourCrown': return { station: 'pour', fill: 'crown' }
    case 'plan': return plannedAt(r, open)
    case 'do': return open.at
    case 'onTarget': return { station: 'papers' }
  }
}

/**
 * Everything that is open on a build, ranked: what can't be reckoned with; contact and lost metal; readings that are
 * challenged; assumptions worth a quarter of the ratio's or the depth's variance; what is not poured; a mouth worth less; what nobody has decided; what to plan; what is
 * planned and to be done, poured again before a cut; what else to pour again, which comes before any plan where nothing is planned. Only where nothing is open it is to be written up.
 *
 * @param r what replay gives, or undefined while there is no layout
 * @param rules what the shop lets out
 * @param chambers answers for the shape of drawn chambers
 * @returns one or more, the next move first
 * @example advice(replay(entries))[0] // { kind: 'pourSecond', cylinders: [2, 5], heads: [1], at: { station: 'pour' } }
 */
export function advice(r: Replay | undefined, rules: ShopRules = STARTING_RULES, chambers: Chambers = NO_SOLIDS): Advice[] {
  if (!r) return [{ kind: 'layOut', cylinders: [], heads: [], at: { station: 'sheet', leaf: 'section' } }]
  const out: Found[] = r.leftOut.length > 0 ? [{ kind: 'takeOut', entries: r.leftOut.map(l => l.id), cylinders: [] }] : []
  const sight: Sight = {
    r, rules, now: asIf(r, [], chambers), then: asIf(r, r.planned, chambers),
    // A closed barrel has no face that could be cut.
    cuts: r.layout.engine?.head === 'blind' ? [] : r.layout.heads.map((_, i) => headCut(r, i + 1, r.planned, chambers))
  }
  // A mouth that is little of the doubt waits until the chambers are poured: while they are claims, pouring tells most.
  const unstated = mouths(sight)
  const heavy = unstated.filter(m => m.figure >= ASSUMED_SHARE)
  const light = unstated.filter(m => m.figure < ASSUMED_SHARE)
  const open: Found[] = [
    ...out, ...cannotReckon(sight),
    ...seats(sight), ...squishTouching(sight), ...pastTarget(sight), ...gasketInBore(sight), ...tooCoarse(sight), ...tooClose(sight), ...squishTight(sight), ...springRoom(sight),
    ...challenged(sight), ...targetAgain(sight), ...assumptions(sight), ...heavy, ...unpoured(sight), ...light, ...undecided(sight),
    // What was cut of one head is poured before the next one is planned: with nothing planned there is nothing else to do.
    ...r.planned.length > 0 ? [...toPlan(sight), ...toDo(sight)] : [...toDo(sight), ...toPlan(sight)]
  ]
  const list: Found[] = open.length > 0 ? open : [{ kind: 'onTarget', cylinders: r.layout.cylinders }]
  // An engine that has nothing to do at a station is not sent there.
  const { engine, cylinders } = r.layout
  const reached = (at: Place): Place => hasPlace(engine, cylinders.length, at.station, at.leaf) ? at : engine?.head === 'turned' ? { station: 'mockup', leaf: 'turned' } : at.station === 'shape' || at.station === 'cut' ? { station: 'route' } : { station: 'sheet', leaf: 'section' }
  return list.map(found => ({ ...found, heads: [...new Set(found.cylinders.map(c => headOf(r.layout, c)))].sort((a, b) => a - b), at: reached(found.at ?? settledAt(r, found)) }))
}
