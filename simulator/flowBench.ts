import { chance } from '../demo/chance'

/** How well a bench repeats: one standard deviation, as a share of the flow. */
export interface BenchTraits { mounting: number, reading: number }

/**
 * A stand-in for a flow bench: every mounting of a head has an error that all its lifts share, and every reading its own. It
 * knows nothing of how runs are compared: the comparing is tried against it.
 */
export class SimulatedFlowBench {
  private readonly luck: ReturnType<typeof chance>
  private mounted = 1

  constructor(readonly traits: BenchTraits, seed: number) {
    this.luck = chance(seed)
    this.mount()
  }

  /** Takes the head off and mounts it again. */
  mount(): this {
    this.mounted = 1 + this.traits.mounting * this.luck.normal()
    return this
  }

  /** What is read of a true flow, in its own unit. */
  read(truth: number): number {
    return truth * this.mounted * (1 + this.traits.reading * this.luck.normal())
  }
}
