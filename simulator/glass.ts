import { chance } from '../demo/chance'

/** What a piece of glass or plastic is sold as, and how it behaves at the bench. All cc. */
export interface GlassTraits {
  kind: 'burette' | 'syringe' | 'cylinder'
  capacity: number
  /** The maker's limit for the scale's own error. */
  tolerance: number
  resolution: number
  /** Scatter of one pour: end point, drops, the plate. */
  repeatability: number
}

/** What goes wrong now and then. */
export interface Mishap {
  /** Air left under the plate: it is not filled. */
  bubble?: number
  /** cc a minute past a valve, for as long as the filling takes. */
  leak?: number
  /** The scale read from its other end. */
  wrongWay?: boolean
}

export interface Reading { start: number, end: number }

/** Seconds a chamber takes to fill, for what leaks meanwhile. */
const FILLING = 90

/**
 * A stand-in for glass: it has an error of its own, once and for all, and every pour has its scatter. It knows
 * nothing of how pours are reckoned: the reckoning is tried against it.
 */
export class SimulatedGlass {
  readonly scaleError: number
  private readonly luck: ReturnType<typeof chance>

  constructor(readonly traits: GlassTraits, seed: number) {
    this.luck = chance(seed)
    // Makers sort by the limit: whatever lies within it is sold.
    this.scaleError = (2 * this.luck.uniform() - 1) * traits.tolerance
  }

  private rounded(value: number): number {
    const { resolution } = this.traits
    return Math.round(value / resolution) * resolution
  }

  /** What the scale counts for a true volume, unrounded. */
  private counted(truth: number, mishap: Mishap): number {
    const { capacity, repeatability } = this.traits
    const went = truth - (mishap.bubble ?? 0) + (mishap.leak ?? 0) * FILLING / 60
    return went + this.scaleError * Math.max(1, truth / capacity) + repeatability * this.luck.normal()
  }

  /** The readings somebody would write down for one pour of a true volume. */
  pour(truth: number, mishap: Mishap = {}): Reading[] {
    const { kind, capacity } = this.traits
    let left = this.counted(truth, mishap)
    const fills: Reading[] = []
    // What is less than half a step is nothing anybody would write down.
    while (left > this.traits.resolution / 2) {
      const offset = this.luck.uniform() * capacity * 0.02
      const room = capacity - offset
      const taken = Math.min(left, room)
      left -= taken
      const [from, to] = kind === 'burette' ? [offset, offset + taken] : [capacity - offset, capacity - offset - taken]
      const fill = { start: this.rounded(from), end: Math.min(capacity, Math.max(0, this.rounded(to))) }
      fills.push(mishap.wrongWay ? { start: fill.end, end: fill.start } : fill)
    }
    return fills
  }

  /** The scale once the level was topped up after a wait: more has gone only where something leaks. */
  topUp(end: number, seconds: number, mishap: Mishap = {}): number {
    // The mark was met within a step, not on it; the same eye meets it again within a fifth of one.
    const hidden = end + (this.luck.uniform() - 0.5) * this.traits.resolution
    const again = hidden + (mishap.leak ?? 0) * seconds / 60 * (this.traits.kind === 'burette' ? 1 : -1)
    return this.rounded(again + this.traits.resolution * 0.2 * this.luck.normal())
  }
}
