import { DomainError } from '../domain'

/** Instruments a hand can practise on: a burette's and a syringe's cc, a dial's and a calliper's mm, a wheel's degrees. */
export const READ_KINDS = ['burette', 'syringe', 'dial', 'calliper', 'wheel'] as const
export type ReadKind = (typeof READ_KINDS)[number]

/** How readings go wrong. */
export const SLIPS = ['parallax', 'meniscus', 'wrongWay', 'edge', 'turn', 'carry', 'mark', 'sign', 'bubble'] as const
export type Slip = (typeof SLIPS)[number]

/** What there is to be read: all that a picture of it is drawn from, and what somebody reads who makes a certain mistake. */
export interface ReadTask {
  kind: ReadKind
  truth: number
  /** A bubble hangs in it: it is not to be read at all. */
  bubble: boolean
  /** How far the eye stands over what is read, mm; below it where negative. Only the burette is looked at from beside. */
  eye: number
  wrongs: { slip: Slip, value: number }[]
}

/** What each instrument is graduated in, how finely a good hand reads it, and what counts as a slip and not as scatter. */
export const READ_SCALES = {
  burette: { most: 50, division: 0.1, fine: 0.02, slip: 0.35 },
  syringe: { most: 60, division: 1, fine: 0.1, slip: 1.2 },
  dial: { most: 10, division: 0.01, fine: 0.002, slip: 0.05 },
  calliper: { most: 60, division: 0.1, fine: 0.05, slip: 0.4 },
  wheel: { most: 60, division: 1, fine: 0.25, slip: 1.5 }
} as const satisfies Record<ReadKind, { most: number, division: number, fine: number, slip: number }>

/** How much a burette's level seems to rise for each mm the eye stands too high, cc: 10 mm of bore, 1.2 mm for a tenth. */
export const PARALLAX_PER_MM = 0.006
/** The meniscus of water in a burette stands this much higher at the glass than at its lowest, cc. */
export const MENISCUS = 0.12
/** How thick a syringe's ring is, cc. */
export const RING = 2
/** How often a picture has a bubble in it. */
const BUBBLES = 1 / 12

const near = (value: number, places: number) => Number(value.toFixed(places))

/**
 * Something to be read, by chance.
 *
 * @param kind which instrument
 * @param random uniform in [0, 1), seeded by whoever calls
 * @example readTask('wheel', () => 0.5).truth // 0.25
 */
export function readTask(kind: ReadKind, random: () => number): ReadTask {
  const { most } = READ_SCALES[kind]
  const at = (from: number, to: number, places: number) => near(from + (to - from) * random(), places)
  switch (kind) {
    case 'burette': {
      const truth = at(2, most - 2, 2)
      const eye = near((random() - 0.5) * 40, 0)
      const mark = Math.floor(truth)
      return { kind, truth, bubble: random() < BUBBLES, eye, wrongs: [
        { slip: 'parallax', value: truth - eye * PARALLAX_PER_MM }, { slip: 'meniscus', value: truth - MENISCUS },
        // The scale runs down: whoever reads it upwards counts from the mark below.
        { slip: 'wrongWay', value: mark + 1 + (mark + 1 - truth) }, { slip: 'mark', value: truth + 1 }, { slip: 'mark', value: truth - 1 }
      ] }
    }
    case 'syringe': {
      const truth = at(5, most - 3, 1)
      return { kind, truth, bubble: random() < BUBBLES, eye: 0, wrongs: [{ slip: 'edge', value: truth + RING }, { slip: 'mark', value: truth + 5 }, { slip: 'mark', value: truth - 5 }] }
    }
    case 'dial': {
      const truth = at(0.2, 4, 3)
      return { kind, truth, bubble: false, eye: 0, wrongs: [
        { slip: 'turn', value: truth + 1 }, { slip: 'turn', value: truth - 1 }, { slip: 'wrongWay', value: Math.floor(truth) + 1 - (truth - Math.floor(truth)) }
      ] }
    }
    case 'calliper': {
      const truth = at(8, most - 2, 1)
      return { kind, truth, bubble: false, eye: 0, wrongs: [{ slip: 'carry', value: truth + 1 }, { slip: 'carry', value: truth - 1 }, { slip: 'mark', value: truth + 10 }, { slip: 'mark', value: truth - 10 }] }
    }
    case 'wheel': {
      const truth = near(Math.round((random() - 0.5) * 2 * (most - 5) * 4) / 4 + 0.25, 2)
      return { kind, truth, bubble: false, eye: 0, wrongs: [{ slip: 'sign', value: -truth }, { slip: 'mark', value: truth + 10 }, { slip: 'mark', value: truth - 10 }, { slip: 'mark', value: truth + 5 }, { slip: 'mark', value: truth - 5 }] }
    }
  }
}

/** What is said of a reading: by how much it is off, and what mistake gives just that. */
export interface Judged { off: number, slip?: Slip, /** As near as a good hand reads it. */ close: boolean }

/**
 * Judges what somebody read.
 *
 * @param given what was read; nothing where it was said that there is a bubble
 * @returns `off` given less truth, and the mistake that lies nearer to it than the truth does; off 0 where a bubble was rightly refused
 * @throws RangeError where what was given is no number
 * @example judge(readTask('dial', random), 2.413) // { off: 1, slip: 'turn' } where the truth is 1.413
 */
export function judge(task: ReadTask, given: number | undefined): Judged {
  if (given === undefined) return task.bubble ? { off: 0, close: true } : { off: 0, slip: 'bubble', close: false }
  if (!Number.isFinite(given)) throw new DomainError('given', given, 'a number')
  const off = given - task.truth
  if (task.bubble) return { off, slip: 'bubble', close: false }
  const { fine, division } = READ_SCALES[task.kind]
  if (Math.abs(off) <= 2 * fine) return { off, close: true }
  const nearest = [...task.wrongs].map(wrong => ({ ...wrong, by: Math.abs(given - wrong.value) })).sort((a, b) => a.by - b.by)[0]
  // A mistake explains a reading that lies nearer to it than to the truth, and near it at all.
  return nearest && nearest.by < Math.abs(off) / 2 && nearest.by <= Math.max(division, 3 * fine) ? { off, slip: nearest.slip, close: false } : { off, close: false }
}
