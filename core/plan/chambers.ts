import type { Cut, Free, HeadSetup } from '../chamber'
import type { ChamberModel } from '../standing'

/** What is asked of a chamber is still being made: no other figure stands in for it. */
export type NotReady = 'notReady'

/** By what a chamber is known: the area of its mouth alone, its drawing's rings, its solid. */
export type ShapeSource = 'mouth' | 'rings' | 'solid'

/** A figure of a set-up that no cut within reach gives, and what stood in the way. */
export interface Unreachable { argument: string, given: unknown, bound: string }

/** A drawn chamber in one state, over the face as it then stands. */
export interface ChamberShape {
  source: Exclude<ShapeSource, 'mouth'>
  /** cc it holds. */
  volume: number
  /** Open area at its face, mm². */
  opening: number
  /** Poured over drawn. */
  factor: number
  /** cc left above a plane, and the open area in it, mm². */
  above: (cut: Cut) => { volume: number, opening: number } | NotReady
  /** The free figure of a set-up that leaves it `volume` cc: mm, or degrees for the angle; `x` its place along the head. */
  solve: (setup: HeadSetup, free: Free, volume: number, x: number) => number | Unreachable | NotReady
}

/**
 * The one view of any chamber's shape. Where nobody has drawn a chamber its mouth's area is what there is, and nobody asks
 * here; where somebody has, the shape answers, or says that it is not ready.
 */
export interface Chambers {
  /**
   * @param model the drawing, with everything that is done to it before the cut
   * @param poured cc it holds by its pours, carried over what was done since; undefined where it was never poured
   */
  shape: (model: ChamberModel, poured: number | undefined) => ChamberShape | NotReady
}

/** Where nothing makes solids: a drawn chamber is never ready, and a mouth's area never stands in for it. */
export const NO_SOLIDS: Chambers = { shape: () => 'notReady' }
