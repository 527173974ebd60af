import { DomainError, above } from '../../domain'
import { UNCUT } from '../angledCut'
import { volumeAboveCut, type Cut } from '../cut'
import type { Mesh } from '../mesh'
import { ceilingField, metalIn, withMetalOff } from './heights'
import { lifted, type Fineness, FINE } from './rings'
import { draftAt, solidOn, type Plan, type SolidKit } from './solid'
import type { ChamberSpec } from './spec'

/** Outside this a chamber's pour does not fit its drawing, and a dimension wants checking. */
export const FACTOR_WINDOW = [0.85, 1.15] as const

/** A mouth drawn this much larger or smaller than it was measured is not that mouth: cuts would take other cc. */
const MOUTH_SLACK = 0.03

/**
 * How much larger a mouth is drawn than it was measured, as a share: below 0 it is drawn smaller, undefined where both agree.
 *
 * @param drawn and `measured` in mm², above 0
 * @example mouthOff(5200, 5000) // 0.04
 */
export function mouthOff(drawn: number, measured: number): number | undefined {
  const share = above('drawn', drawn, 0) / above('measured', measured, 0) - 1
  return Math.abs(share) > MOUTH_SLACK ? share : undefined
}

/** How far the ceiling between the seats may be stretched to meet a pour. */
const STRETCH = [0.15, 3] as const

/** A dimension of a drawing that a misfit may come from, and how much of it: cc that its likely error is worth. */
export interface Suspect { dimension: 'roof' | 'draft' | 'floorRadius' | 'outline' | 'intakeSeat' | 'exhaustSeat', worth: number }

export interface Calibration {
  mesh: Mesh
  /** Factor on the ceiling between the seats. */
  stretch: number
  /** cc as drawn, over the face as it is now. */
  asDrawn: number
  /** Poured over drawn. 1 when nothing was poured. */
  factor: number
  /** cc of the mesh over the face as it is now. */
  volume: number
  /** Whether ceiling and walls could be brought to the pour at all. */
  reached: boolean
}

const rings = (plan: Plan, spec: ChamberSpec, stretch: number) => lifted(plan.rings, spec, stretch, draftAt(spec, stretch), true)
const live = (plan: Plan, spec: ChamberSpec, stretch: number, cut: Cut) => volumeAboveCut(rings(plan, spec, stretch), cut)

/** Between the places of the grid by which a stretch is looked for, and of the one by which it is told and put right, mm. */
const [COARSE, TRUE] = [1, 0.5] as const
/** A solid this near to its pour, as a share, is that chamber. */
const NEAR = 8e-5

/** What rings and metal ground out hold at a stretch, cc. */
function holds(plan: Plan, spec: ChamberSpec, stretch: number, done: Cut, step: number): number {
  const mesh = rings(plan, spec, stretch)
  const bare = volumeAboveCut(mesh, done)
  return spec.reliefs?.length ? bare + metalIn(ceilingField(mesh, step), spec.valves, spec.reliefs, done) : bare
}

const found = (plan: Plan, spec: ChamberSpec, measured: number, done: Cut) => stretchFor(t => holds(plan, spec, t, done, COARSE), measured)

/** What solids on a plan held over its rings, cc, as last seen: the next chamber of the drawing is then met by its first solid. */
const overRings = new WeakMap<Plan, number>()

const within = (stretch: number) => Math.min(STRETCH[1], Math.max(STRETCH[0], stretch))

/**
 * Brings a chamber's solid to its measured volume. Seats and top cuts stay where they are; only the ceiling between
 * them and the lean of the walls move.
 *
 * @param kit the solids package
 * @param plan of the spec, see planOf
 * @param spec see {@link ChamberSpec}
 * @param measured cc over the face as it is now; undefined leaves the solid as drawn
 * @param done what has been cut off the face since it was cast
 * @returns see {@link Calibration}
 * @throws RangeError when the measured volume is not greater than 0, SpecError when nothing is left of the solid
 * Source: the ceiling's stretch is found on the lifted rings, metal ground out told by a grid ({@link metalIn}), and put right
 *   by the solid's own volume until that is within {@link NEAR}. What a solid held over its rings is kept for the plan's next one.
 * @example calibrated(kit, plan, spec, 55.3).volume // 55.30
 */
export function calibrated(
  kit: SolidKit, plan: Plan, spec: ChamberSpec, measured: number | undefined, done: Cut = UNCUT, fine: Fineness = FINE
): Calibration {
  const asDrawn = live(plan, spec, 1, done)
  if (measured === undefined) {
    const mesh = solidOn(kit, plan, spec, 1, fine)
    return { mesh, stretch: 1, asDrawn, factor: 1, volume: volumeAboveCut(mesh, done), reached: true }
  }
  above('measured', measured, 0)
  if (!(asDrawn > 0)) throw new DomainError('done.depth', done.depth, 'less than the chamber is deep')
  const sought = measured - (overRings.get(plan) ?? 0)
  let { stretch, slope } = found(plan, spec, sought > 0 ? sought : measured, done)
  if (spec.reliefs?.length && slope > 0) stretch = within(stretch + (sought - holds(plan, spec, stretch, done, TRUE)) / slope)
  let mesh = solidOn(kit, plan, spec, stretch, fine)
  let volume = volumeAboveCut(mesh, done)
  for (let i = 0; i < 4 && slope > 0 && Math.abs(measured - volume) > NEAR * measured; i++) {
    const next = within(stretch + (measured - volume) / slope)
    if (next === stretch) break
    mesh = solidOn(kit, plan, spec, next, fine)
    const now = volumeAboveCut(mesh, done)
    // The solid's own slope from here on: the secant method.
    if ((now - volume) / (next - stretch) > 0) slope = (now - volume) / (next - stretch)
    ;[stretch, volume] = [next, now]
  }
  if (!spec.reliefs?.length) overRings.set(plan, volume - live(plan, spec, stretch, done))
  return { mesh, stretch, volume, ...judged(plan, spec, measured, { stretch, volume, asDrawn }, done) }
}

/** Whether a pour was reached; and how far the drawing was stretched for it, of which what reliefs add is no part. */
function judged(plan: Plan, spec: ChamberSpec, measured: number, { stretch, volume, asDrawn }: { stretch: number, volume: number, asDrawn: number }, done: Cut): Pick<Calibration, 'asDrawn' | 'factor' | 'reached'> {
  const drawn = spec.reliefs?.length ? asDrawn + volume - live(plan, spec, stretch, done) : asDrawn
  return { asDrawn: drawn, factor: measured / drawn, reached: Math.abs(volume - measured) < 2e-3 * measured }
}

/**
 * The same on the lifted rings alone, metal ground out as columns on them: some 1e-4 of the volume off the solid, and ready
 * many times sooner.
 *
 * @returns see {@link Calibration}
 * @throws RangeError as {@link calibrated}
 */
export function calibratedLive(plan: Plan, spec: ChamberSpec, measured: number | undefined, done: Cut = UNCUT): Calibration {
  const asDrawn = live(plan, spec, 1, done)
  if (measured !== undefined) above('measured', measured, 0)
  if (!(asDrawn > 0)) throw new DomainError('done.depth', done.depth, 'less than the chamber is deep')
  const stretch = measured === undefined ? 1 : found(plan, spec, measured, done).stretch
  const bare = rings(plan, spec, stretch)
  const mesh = spec.reliefs?.length ? withMetalOff(bare, ceilingField(bare, TRUE), spec.valves, spec.reliefs, done) : bare
  const volume = volumeAboveCut(mesh, done)
  if (measured === undefined) return { mesh, stretch, asDrawn, factor: 1, volume, reached: true }
  return { mesh, stretch, volume, ...judged(plan, spec, measured, { stretch, volume, asDrawn }, done) }
}

/** The stretch at which a chamber holds a volume, kept within its bounds, and cc per unit of it there; no slope at a bound. */
function stretchFor(holds: (stretch: number) => number, measured: number): { stretch: number, slope: number } {
  const off = (t: number) => holds(t) - measured
  // The secant method from two near guesses nearly always lands (Press et al., Numerical Recipes, §9.2) …
  let [a, atA] = [1, off(1)]
  let b = atA > 0 ? 0.95 : 1.05
  for (let i = 0; i < 8 && b > STRETCH[0] && b < STRETCH[1]; i++) {
    const atB = off(b)
    if (atB === atA) break
    const slope = (atB - atA) / (b - a)
    if (Math.abs(atB) < 1e-6 * measured) return { stretch: b, slope }
    ;[a, b, atA] = [b, b - atB / slope, atB]
  }
  // … and where it does not, halving between the bounds does.
  let [low, high]: [number, number] = [STRETCH[0], STRETCH[1]]
  if (off(low) >= 0) return { stretch: low, slope: 0 }
  if (off(high) <= 0) return { stretch: high, slope: 0 }
  for (let i = 0; i < 34; i++) {
    const middle = (low + high) / 2
    if (off(middle) < 0) low = middle
    else high = middle
  }
  const stretch = (low + high) / 2
  return { stretch, slope: (off(stretch * 1.01) - off(stretch)) / (stretch * 0.01) }
}

/** Likely error of each figure of a drawing that nobody checked twice: mm, degrees for the draft. */
const LIKELY = { roof: 1.5, draft: 4, floorRadius: 2.5, outline: 0.6, seat: 0.5 } as const

/**
 * Which dimension of a drawing to check first when its pour does not fit.
 *
 * @param plan of the spec
 * @param spec see {@link ChamberSpec}
 * @param assumed whether the seats' heights were measured by nobody
 * @returns dimensions, the one whose likely error is worth most cc first
 */
export function suspects(plan: Plan, spec: ChamberSpec, assumed: { intake: boolean, exhaust: boolean }): Suspect[] {
  const at = (changed: ChamberSpec) => live(plan, changed, 1, UNCUT)
  const base = at(spec)
  const raised = (valve: 'intake' | 'exhaust') => at({ ...spec, valves: spec.valves.map(v => v.valve === valve ? { ...v, seatHeight: v.seatHeight + LIKELY.seat } : v) })
  const edge = plan.mouth.reduce((sum, [x, y], i) => {
    const [u, v] = plan.mouth[(i + 1) % plan.mouth.length]!
    return sum + Math.hypot(u - x, v - y)
  }, 0)
  const deep = 2 * base * 1000 / Math.max(1, area(plan))
  const list: Suspect[] = [
    { dimension: 'roof', worth: at({ ...spec, roof: { ...spec.roof, height: spec.roof.height + LIKELY.roof } }) - base },
    { dimension: 'draft', worth: base - at({ ...spec, draft: spec.draft + LIKELY.draft }) },
    { dimension: 'floorRadius', worth: base - at({ ...spec, floorRadius: spec.floorRadius + LIKELY.floorRadius }) },
    { dimension: 'outline', worth: edge * LIKELY.outline * deep / 2000 },
    { dimension: 'intakeSeat', worth: assumed.intake ? raised('intake') - base : 0 },
    { dimension: 'exhaustSeat', worth: assumed.exhaust ? raised('exhaust') - base : 0 }
  ]
  return list.filter(s => Math.abs(s.worth) > 1e-6).sort((a, b) => Math.abs(b.worth) - Math.abs(a.worth))
}

function area({ mouth }: Plan): number {
  return Math.abs(mouth.reduce((sum, [x, y], i) => {
    const [u, v] = mouth[(i + 1) % mouth.length]!
    return sum + (x * v - u * y) / 2
  }, 0))
}
