import { kind } from '../kind'

/** Steps that a shop's templates know; a card may have others, in its own words. */
export const JOB_STEPS = [
  'takeIn', 'clean', 'deck', 'pourReceived', 'portsReceived', 'throats', 'squishReceived', 'flowBefore', 'target', 'scribe', 'rough', 'ports', 'mould', 'flange', 'portsAgain', 'seats', 'pourAgain', 'face', 'foot', 'dome', 'deburr',
  'pourLast', 'squish', 'clearances', 'gasket', 'springs', 'flowAfter', 'assemble', 'writeUp'
] as const
export type JobStep = (typeof JOB_STEPS)[number]

/** `step`: one of the shop's, or this job's own in words. */
export interface JobLine { step: string, hours: number, who?: string }
/** Something bought in for the job, in the shop's money. */
export interface JobBought { words: string, money: number }

/** Most a card holds, and most hours one step of it is planned to take. */
export const JOB_CARD = { lines: 60, bought: 40, hours: 1000, money: 10_000_000, words: 60 } as const

export interface JobCardBody { lines: JobLine[], bought: JobBought[] }

/** The order of work of a build, with what each step is to take. The latest card counts. */
export const jobCard = kind<JobCardBody>()({
  example: () => ({ lines: [{ step: 'takeIn', hours: 0.5 }, { step: 'pourReceived', hours: 1, who: 'ML' }, { step: 'Make a plate', hours: 0.4 }], bought: [{ words: 'Gasket', money: 60 }] }),
  at: () => ({ station: 'daybook', leaf: 'card' }),
  role: 'remark', scopes: ['build'], changes: [], bounds: {}, told: true
})
