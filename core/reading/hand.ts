import { mean, rootMeanSquare, sampleStandardDeviation } from 'simple-statistics'
import { coverageFactor } from '../castings'
import { READ_SCALES, type ReadKind, type Slip } from './task'

/** One reading of practice, as it is kept. */
export interface PracticeReading { kind: ReadKind, off: number, slip?: Slip, at: string }

/** Readings that are wanted before anything is said of a hand. */
export const READINGS_WANTED = 20

/** How one hand reads a kind of instrument, in its unit. `u`s are standard uncertainties, doubled on the screen. */
export interface HandReads {
  readings: number
  /** Slips among them: they count for neither figure. */
  slips: number
  bias: number
  biasU: number
  /** One standard deviation of a single reading. */
  scatter: number
  scatterU: number
}

/** Whether a reading says how a hand repeats: one that is off by more than an eye can be is a slip of another kind. */
export const saysOfHand = ({ slip, off, kind }: PracticeReading): boolean => slip !== 'bubble' && Math.abs(off) <= READ_SCALES[kind].slip

/** The latest count: a hand learns. */
const LATEST = 60

/**
 * How a hand reads an instrument, out of its practice: its bias and its scatter, each with its ±, slips apart.
 *
 * @param readings of one hand and one kind, in order
 * @returns undefined while there are fewer than {@link READINGS_WANTED} that are no slips
 * Source: mean and experimental standard deviation (JCGM 100:2008 §4.2); of the mean s/√n with t for 95.45 % (table G.2), of s: s/√(2(n − 1)) (§E.4.3).
 * @example handReads(twenty)?.scatter // 0.03
 */
export function handReads(readings: readonly PracticeReading[]): HandReads | undefined {
  const latest = readings.slice(-LATEST)
  const sound = latest.filter(saysOfHand).map(({ off }) => off)
  if (sound.length < READINGS_WANTED) return undefined
  const scatter = sampleStandardDeviation(sound)
  const n = sound.length
  return { readings: n, slips: latest.length - n, bias: mean(sound), biasU: scatter / Math.sqrt(n) * coverageFactor(n - 1) / 2, scatter, scatterU: scatter / Math.sqrt(2 * (n - 1)) }
}

/** A round of practice: what was read within its time, and how far a reading was typically off, slips apart; nothing where all were slips. */
export interface PracticeRound { readings: number, slips: number, off?: number }

/** A round lasts a minute, s. */
export const ROUND_S = 60

/**
 * Practice, round by round: a round begins with the first reading after the one before it has run out.
 *
 * @param readings of one hand and one kind, in order
 * @returns of each the root mean square of what was off, in the instrument's unit
 * @example roundsOf(readings).at(-1)?.off // 0.03
 */
export function roundsOf(readings: readonly PracticeReading[]): PracticeRound[] {
  const rounds: PracticeReading[][] = []
  for (const one of readings) {
    const round = rounds.at(-1)
    if (round && Date.parse(one.at) < Date.parse(round[0]!.at) + ROUND_S * 1000) round.push(one)
    else rounds.push([one])
  }
  return rounds.map((round) => {
    const sound = round.filter(saysOfHand).map(({ off }) => off)
    return { readings: round.length, slips: round.length - sound.length, ...sound.length > 0 ? { off: rootMeanSquare(sound) } : {} }
  })
}

/**
 * What a hand's scatter makes of a pour: it is read where it begins and where it ends.
 *
 * @returns one standard uncertainty of a pour by reading alone, in the instrument's unit
 * Source: two independent readings, √2·s.
 * @example pourRepeatability({ scatter: 0.03, … }) // 0.042
 */
export const pourRepeatability = ({ scatter }: Pick<HandReads, 'scatter'>): number => Math.SQRT2 * scatter
