import { chance } from '../demo/chance'

/** A hand gauge that shows a number: a dial indicator, a calliper, a scale. */
export interface GaugeTraits {
  resolution: number
  /** Flutter of the display, one standard deviation. */
  noise: number
  /** How far it wanders over a few minutes: warm hands, a loose stand. */
  drift: number
}

/**
 * What a gauge shows over time for a true value.
 *
 * @param traits resolution, noise and drift in the gauge's own unit
 * @param seed its luck
 * @returns a function of the true value and the seconds since it was picked up
 */
export function simulatedGauge(traits: GaugeTraits, seed: number): (truth: number, seconds: number) => number {
  const luck = chance(seed)
  const phase = luck.uniform() * 2 * Math.PI
  return (truth, seconds) => {
    const wander = traits.drift * Math.sin(phase + seconds / 40)
    return Math.round((truth + wander + traits.noise * luck.normal()) / traits.resolution) * traits.resolution
  }
}

/**
 * A burette with a digital level while a chamber fills: fast, then drop by drop, then still, unless something leaks.
 *
 * @param truth cc the chamber takes
 * @param seconds since the tap was opened
 * @param mishap a bubble is not filled; a leak keeps the level falling
 * @returns cc delivered, before the display rounds it
 */
export function fillingLevel(truth: number, seconds: number, mishap: { bubble?: number, leak?: number } = {}): number {
  const wanted = truth - (mishap.bubble ?? 0)
  const fast = wanted - 1.5
  const fastTime = Math.max(0, fast) / 22
  const level = seconds <= fastTime ? 22 * seconds : Math.min(wanted, Math.max(0, fast) + 1.5 * (1 - Math.exp(-(seconds - fastTime) * 4)) / (1 - Math.exp(-6)))
  return level + (mishap.leak ?? 0) * seconds / 60
}
