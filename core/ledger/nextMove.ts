import { shares } from '../estimate'
import { cutsTogether } from '../chamber'
import { headCut } from './cutPlan'
import { touches } from './ledger'
import { cutPlane } from './statements'
import type { Enclosed, OperationKind } from './entry'
import type { Quantity } from './quantities'
import { STARTING_RULES, leastClearance, type ShopRules } from '../shop'
import type { ClearanceName } from './valves'
import { targetBand, type CylinderState, type Replay } from './replay'

/** The next move, as kinds and numbers; the interface says it. */
export type NextMove
  = | { kind: 'takeOut', entries: string[] }
    | { kind: 'layOut' }
    | { kind: 'stop', cylinders: number[], cause: 'cutReachesSeat' | 'passesTarget' | 'squishTouches', valve?: 'intake' | 'exhaust', left?: number }
    /** Something would touch, or comes nearer than the shop lets out: `left` mm where `least` is wanted, `planned` once what is planned is done. */
    | { kind: 'tooClose', cylinders: number[], clearance: ClearanceName, left: number, least: number, planned: boolean }
    | { kind: 'leak', cylinders: number[], encloses: Enclosed, rate: number }
    | { kind: 'disagree', cylinders: number[], encloses: Enclosed, difference: number, change: number, allowed: number }
    | { kind: 'state', cylinders: number[], quantity: Quantity, share?: number, of?: 'depth' }
    | { kind: 'setTarget' }
    | { kind: 'pour', cylinders: number[] }
    | { kind: 'pourSecond', cylinders: number[] }
    | { kind: 'pourFine', cylinders: number[] }
    | { kind: 'pourAgain', cylinders: number[] }
    | { kind: 'squish', cylinders: number[], excess: number }
    | { kind: 'plan', cylinders: number[], head: number, depth?: number }
    | { kind: 'do', operation: string, what: OperationKind, cylinders: number[], depth?: number }
    | { kind: 'onTarget' }

/** Squish is as wanted when it is this close, mm. */
const SQUISH_SLACK = 0.05

/** An assumption is worth asking about once it makes this much of a ratio's variance. */
const ASSUMED_SHARE = 0.25

function stopMove(r: Replay): NextMove | undefined {
  const cuts = r.planned.filter(op => op.kind === 'faceCut')
  if (cuts.length > 0) {
    const planeOf = (cylinder: number) => cutsTogether(cuts.flatMap(op =>
      op.kind === 'faceCut' && touches(op, r.layout, cylinder) ? [cutPlane(op, cylinder)] : []))
    const touched = r.layout.cylinders.flatMap(cylinder => r.valves(cylinder, planeOf(cylinder))
      .filter(v => v.seatLeft && v.seatLeft.value <= 0)
      .map(v => ({ cylinder, valve: v.valve, left: v.seatLeft!.value })))
    if (touched.length > 0) {
      return {
        kind: 'stop', cause: 'cutReachesSeat', cylinders: [...new Set(touched.map(t => t.cylinder))],
        valve: touched[0]!.valve, left: Math.min(...touched.map(t => t.left))
      }
    }
  }
  const touching = r.layout.cylinders.map(c => r.squish(c, 'asPlanned'))
    .filter(s => (r.planned.length > 0 || s.solder) && s.running && s.running.gap.value.value <= 0)
  if (touching.length > 0) {
    const left = Math.min(...touching.map(s => s.running!.gap.value.value))
    return { kind: 'stop', cause: 'squishTouches', cylinders: touching.map(s => s.cylinder), left }
  }
  const band = targetBand(r.target)
  // Only metal that went, or is about to, can't be put back; a ratio above target before any work is a plan to make.
  const worked = r.planned.length > 0 || r.done.length > 0
  if (!band || !worked) return undefined
  const past = r.asPlanned.filter(s => s.ratio && s.ratio.value.value > band.high)
  return past.length > 0 ? { kind: 'stop', cause: 'passesTarget', cylinders: past.map(s => s.cylinder) } : undefined
}

/** The clearance that is furthest under the shop's least, with what is planned. */
function tooClose(r: Replay, rules: ShopRules): NextMove | undefined {
  const under = r.layout.cylinders.flatMap((cylinder) => {
    const rod = r.rod(cylinder) ?? 'steel'
    return r.clearances(cylinder).flatMap(({ name, now, then }) => {
      const least = leastClearance(rules, name, rod)
      // What is planned may take more of it, or give it back: it counts as it will be.
      const left = then.value
      return left < least ? [{ cylinder, name, left, least, planned: Math.abs(left - now.value) > 1e-9 }] : []
    })
  }).sort((a, b) => (a.left - a.least) - (b.left - b.least))
  const [worst] = under
  if (!worst) return undefined
  return {
    kind: 'tooClose', clearance: worst.name, left: worst.left, least: worst.least, planned: worst.planned,
    cylinders: under.filter(u => u.name === worst.name).map(u => u.cylinder)
  }
}

/**
 * A mouth nobody stated, where the depth of a cut would hang on it: what a face loses can't be put back, so it is asked for
 * before a depth is told. A drawn chamber has its mouth.
 */
function mouthAsked(r: Replay, head: number): NextMove | undefined {
  const depths = headCut(r, head).cylinders.filter(c => !r.model(c.cylinder))
  const asked = depths.map(({ cylinder, depth }) => ({ cylinder, share: shares(depth).find(s => s.source === 'standIn:mouthArea')?.share ?? 0 })).filter(a => a.share >= ASSUMED_SHARE)
  return asked.length > 0 ? { kind: 'state', quantity: 'mouthArea', cylinders: asked.map(a => a.cylinder), share: Math.max(...asked.map(a => a.share)), of: 'depth' } : undefined
}

function largestAssumption(states: CylinderState[]): NextMove | undefined {
  const worst = new Map<string, { share: number, cylinders: number[] }>()
  for (const state of states) {
    if (!state.ratio) continue
    for (const { source, share } of shares(state.ratio.value)) {
      if (!source.startsWith('standIn:') || share < ASSUMED_SHARE) continue
      const known = worst.get(source) ?? { share: 0, cylinders: [] }
      worst.set(source, { share: Math.max(known.share, share), cylinders: [...known.cylinders, state.cylinder] })
    }
  }
  const [first] = [...worst].sort((a, b) => b[1].share - a[1].share)
  if (!first) return undefined
  const quantity = first[0].slice('standIn:'.length) as Quantity
  return { kind: 'state', quantity, cylinders: first[1].cylinders, share: first[1].share }
}

/**
 * What to do next, from the ledger alone. Ranked: what can't be reckoned with, a stop condition, what comes too close, a leak, pours that disagree, the largest
 * assumed share, unpoured chambers, single pours, sizes set by syringe, then plan, do, pour again.
 *
 * @param r a replayed ledger, or undefined while there is no layout
 * @param rules what the shop lets out: contact comes before any target
 * @returns the one move that comes first
 * @example nextMove(replay(entries)) // { kind: 'pourSecond', cylinders: [2, 5] }
 */
export function nextMove(r: Replay | undefined, rules: ShopRules = STARTING_RULES): NextMove {
  if (!r) return { kind: 'layOut' }
  if (r.leftOut.length > 0) return { kind: 'takeOut', entries: r.leftOut.map(out => out.id) }
  const without = (quantity: Quantity) => r.asIs.filter(s => s.missing.includes(quantity)).map(s => s.cylinder)
  for (const quantity of ['bore', 'stroke'] as const) {
    const cylinders = without(quantity)
    if (cylinders.length > 0) return { kind: 'state', quantity, cylinders }
  }
  const stop = stopMove(r)
  if (stop) return stop
  const close = tooClose(r, rules)
  if (close) return close
  const leaking = r.challenges.find(c => c.leak)
  if (leaking) return { kind: 'leak', cylinders: [leaking.cylinder], encloses: leaking.encloses, rate: leaking.leak!.rate }
  const apart = r.challenges.filter(c => c.disagreement)
  if (apart.length > 0) {
    const worst = [...apart].sort((a, b) => b.disagreement!.difference - a.disagreement!.difference)[0]!
    const same = apart.filter(c => c.encloses === worst.encloses)
    return { kind: 'disagree', cylinders: same.map(c => c.cylinder), encloses: worst.encloses, ...worst.disagreement! }
  }
  const assumed = largestAssumption(r.asIs)
  if (assumed) return assumed
  const assembled = new Set(r.asIs.filter(s => s.clearance?.provenance === 'measured').map(s => s.cylinder))
  const unpoured = r.pours.filter(p => !p.ever && !assembled.has(p.cylinder)).map(p => p.cylinder)
  if (unpoured.length > 0) return { kind: 'pour', cylinders: unpoured }
  const single = r.pours.filter(p => p.current.length === 1).map(p => p.cylinder)
  if (single.length > 0) return { kind: 'pourSecond', cylinders: single }
  const band = targetBand(r.target)
  if (!band) return { kind: 'setTarget' }
  // A syringe shows where one is; what a cut is reckoned from, or the job is called done by, comes from a burette.
  const coarse = r.pours.filter(p => p.current.length > 0 && p.current.every(pour => pour.body.instrument.kind === 'syringe'))
  if (coarse.length > 0) return { kind: 'pourFine', cylinders: coarse.map(p => p.cylinder) }
  const unsettled = r.pours.filter(p => p.ever && p.current.length === 0).map(p => p.cylinder)
  if (r.planned.length > 0) {
    const operation = r.planned[0]!
    const depth = operation.kind === 'faceCut' || operation.kind === 'deckCut' ? operation.body.depth.value : undefined
    const alike = r.planned.filter(op => op.kind === operation.kind)
    return {
      kind: 'do', operation: operation.id, what: operation.kind, depth,
      cylinders: r.layout.cylinders.filter(cylinder => alike.some(op => touches(op, r.layout, cylinder)))
    }
  }
  if (unsettled.length > 0) return { kind: 'pourAgain', cylinders: unsettled }
  const low = r.asIs.filter(s => s.ratio && s.ratio.value.value < band.low)
  const high = r.asIs.filter(s => s.ratio && s.ratio.value.value > band.high)
  if (low.length === 0 && high.length === 0) return { kind: 'onTarget' }
  // A recessed band comes down with the face: squish first, then the ratio, or the cut is made twice.
  const wide = r.layout.cylinders.flatMap((cylinder) => {
    const wanted = r.quantity('wantedSquish', cylinder)?.value.value
    const { gap } = r.squish(cylinder)
    const recess = r.quantity('squishRecess', cylinder)?.value.value ?? 0
    return wanted !== undefined && gap && recess > 0 && gap.value.value - wanted > SQUISH_SLACK
      ? [{ cylinder, excess: gap.value.value - wanted }]
      : []
  })
  if (wide.length > 0) return { kind: 'squish', cylinders: wide.map(w => w.cylinder), excess: Math.min(...wide.map(w => w.excess)) }
  const off = low.length > 0 ? low : high
  const head = off[0]!.head
  const mouth = low.length > 0 ? mouthAsked(r, head) : undefined
  if (mouth) return mouth
  return {
    kind: 'plan', head, cylinders: off.map(s => s.cylinder),
    depth: low.length > 0 ? headCut(r, head).deepest?.depth.value : undefined
  }
}
