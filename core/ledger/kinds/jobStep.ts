import { kind } from '../kind'

/** What is looked at within a step before it is left. */
export const JOB_CHECKS = ['straight', 'corners', 'tracks', 'numbering', 'twice', 'dowels', 'sacrificial', 'seatsTested', 'deburred', 'washed', 'torque'] as const
export type JobCheck = (typeof JOB_CHECKS)[number]
/** What a job waits for that nobody at the bench can hurry. */
export const JOB_WAITS = ['cure', 'machinist', 'customer', 'parts'] as const
export type JobWait = (typeof JOB_WAITS)[number]

/** `check`: only that one of its checks. `waits`: what it waits for, until the next word on this step. */
export interface JobStepBody { step: string, done: boolean, check?: JobCheck, waits?: JobWait, words?: string }

/** A word on a step of the job card: done, not done after all, or waiting. The latest on a step counts, and on each of its checks. */
export const jobStep = kind<JobStepBody>()({
  example: () => ({ step: 'face', done: false, waits: 'machinist', words: 'back on Thursday' }),
  at: () => ({ station: 'daybook', leaf: 'card' }),
  role: 'remark', scopes: ['build'], changes: [], bounds: {}
})
