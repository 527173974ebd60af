import { turnedShape } from '../chamber'
import { NOW, type Bodies, type Quantity } from '../ledger'
import type { RodMaterial } from '../squish'
import { chamberModel, type ChamberModel } from './chamberModel'
import type { Part } from './part'
import type { Replay } from './replay'
import { materialsOf } from './materials'
import { squishStanding, type SquishStanding } from './squishStanding'
import { statedQuantity } from './statements'
import { clearanceSteps, type ClearanceStep } from './valves'

/** What was asked of a replay before: it never changes, so neither does an answer. */
const answers = new WeakMap<Replay, Map<string, unknown>>()

function once<T>(r: Replay, key: string, reckon: () => T): T {
  const known = answers.get(r) ?? new Map<string, unknown>()
  answers.set(r, known)
  if (!known.has(key)) known.set(key, reckon())
  return known.get(key) as T
}

/**
 * A stated dimension of a cylinder with what is done, and if asked with what is planned.
 *
 * @returns mm, mm², degrees, by the dimension; undefined where nobody stated it
 * Source: {@link statedQuantity}.
 * @example quantityOf(standing, 'bore', 1)?.estimate.value // 92
 */
export function quantityOf(r: Replay | undefined, quantity: Quantity, cylinder: number, column: 'asIs' | 'asPlanned' = 'asIs'): Part | undefined {
  return r && statedQuantity(r.ledger, quantity, cylinder, NOW, column === 'asPlanned' ? r.planned : [])
}

/**
 * The drawing of a cylinder's chamber as the ledger knows it.
 *
 * @param column `beforeCut` with what is planned apart from face cuts
 * @param tried a drawing to try in place of the one that was kept
 * Source: {@link chamberModel}.
 * @example modelOf(standing, 4)?.done.depth // 0.5, mm off the face since it was drawn
 */
export function modelOf(r: Replay | undefined, cylinder: number, column: 'asIs' | 'beforeCut' = 'asIs', tried?: Bodies['chamberModel']): ChamberModel | undefined {
  if (!r) return undefined
  const made = () => chamberModel(r.ledger, cylinder, column === 'beforeCut' ? r.planned.filter(op => op.kind !== 'faceCut') : [], tried)
  return tried ? made() : once(r, `model ${cylinder} ${column}`, made)
}

/**
 * A cylinder's other clearances, and what each planned operation takes of them or gives back.
 *
 * Source: {@link clearanceSteps}.
 * @example clearancesOf(standing, 1)[0] // { name: 'exhaust', now: { value: 2.1, … }, … }
 */
export function clearancesOf(r: Replay | undefined, cylinder: number): ClearanceStep[] {
  return r ? once(r, `clearances ${cylinder}`, () => clearanceSteps(r.ledger, cylinder)) : []
}

/**
 * A cylinder's squish, as it is or as planned.
 *
 * Source: {@link squishStanding}.
 * @example squishOf(standing, 1).gap?.estimate.value // 1.12 mm
 */
export function squishOf(r: Replay, cylinder: number, column?: 'asIs' | 'asPlanned'): SquishStanding
export function squishOf(r: Replay | undefined, cylinder: number, column?: 'asIs' | 'asPlanned'): SquishStanding | undefined
export function squishOf(r: Replay | undefined, cylinder: number, column: 'asIs' | 'asPlanned' = 'asIs'): SquishStanding | undefined {
  return r && once(r, `squish ${cylinder} ${column}`, () => squishStanding(r.ledger, cylinder, column === 'asPlanned' ? r.planned : []))
}

/**
 * What a cylinder's rod is made of, where somebody said so.
 *
 * @example rodMaterialOf(standing, 1) // 'aluminium'
 */
export const rodMaterialOf = (r: Replay | undefined, cylinder: number): RodMaterial | undefined => r && materialsOf(r.ledger, cylinder).rod

/**
 * Area of the squish band over the piston, and the length of its inner edge.
 *
 * @returns mm² and mm, as stated; else those of a turned head's drawing; undefined where neither says it
 * Source: ring and circle, π(R² − a²) and 2π·a.
 * @example squishBandOf(standing, 1).edge // 151.0 mm, of a dome 24.04 in radius
 */
export function squishBandOf(r: Replay | undefined, cylinder: number): { area?: number, edge?: number } {
  const drawing = modelOf(r, cylinder)
  const shape = drawing && turnedShape(drawing.spec, drawing.done.depth)
  return {
    area: quantityOf(r, 'squishArea', cylinder)?.estimate.value ?? (shape && Math.PI * (shape.bore ** 2 / 4 - shape.dome.mouth ** 2)),
    edge: quantityOf(r, 'bandEdge', cylinder)?.estimate.value ?? (shape && 2 * Math.PI * shape.dome.mouth)
  }
}
