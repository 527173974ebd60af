import { JOB_STEPS, hasPlace, type Engine, type JobCheck, type JobLine, type JobStep } from '../ledger'
import type { Work } from '../shop'

/** What kinds of job a shop has a card for; each is an order of steps. */
export const JOB_TEMPLATES = {
  fourStroke: ['takeIn', 'clean', 'deck', 'pourReceived', 'target', 'scribe', 'rough', 'ports', 'seats', 'pourAgain', 'face', 'deburr', 'pourLast', 'squish', 'clearances', 'springs', 'writeUp'],
  chamberOnly: ['takeIn', 'clean', 'pourReceived', 'target', 'scribe', 'rough', 'pourAgain', 'deburr', 'writeUp'],
  turned: ['takeIn', 'clean', 'squishReceived', 'pourReceived', 'target', 'face', 'dome', 'deburr', 'pourLast', 'squish', 'writeUp'],
  intake: ['takeIn', 'clean', 'throats', 'portsReceived', 'flowBefore', 'ports', 'mould', 'flange', 'portsAgain', 'flowAfter', 'writeUp'],
  assembly: ['gasket', 'squish', 'clearances', 'springs', 'assemble', 'writeUp']
} as const satisfies Record<string, readonly JobStep[]>
export type JobTemplate = keyof typeof JOB_TEMPLATES

const needsFace = (engine: Engine) => engine.head !== 'blind'
const needsValves = (engine: Engine) => engine.intakes + engine.exhausts > 0
/** Steps that not every engine has anything for. */
const NEEDS: Partial<Record<JobStep, (engine: Engine, cylinders: number) => boolean>> = {
  scribe: needsFace, seats: needsValves, throats: needsValves, clearances: needsValves, springs: needsValves, rough: (engine, cylinders) => hasPlace(engine, cylinders, 'shape')
}

/**
 * The steps of a kind of job on an engine: without those that it has nothing for, and off the barrel's foot where there is no face to cut.
 *
 * @param engine what it is; every step where nobody said
 * @example stepsOf('fourStroke', { ...closedBarrel }, 1).includes('foot') // true
 */
export function stepsOf(template: JobTemplate, engine: Engine | undefined, cylinders: number): JobStep[] {
  const steps: readonly JobStep[] = JOB_TEMPLATES[template]
  return engine ? steps.filter(step => NEEDS[step]?.(engine, cylinders) ?? true).map(step => step === 'face' && !needsFace(engine) ? 'foot' : step) : [...steps]
}

/** What is looked at within a step before it is left. */
export const STEP_CHECKS: Partial<Record<JobStep, readonly JobCheck[]>> = {
  takeIn: ['tracks', 'straight', 'numbering'], deck: ['corners'], pourReceived: ['twice'], scribe: ['dowels'], rough: ['sacrificial'], seats: ['seatsTested'], face: ['corners', 'straight'], foot: ['corners'], deburr: ['deburred', 'washed'],
  pourLast: ['twice'], assemble: ['washed', 'torque']
}

/** Which work of the shop's table a step is; the others have no price for each. */
export const STEP_WORK: Partial<Record<JobStep, Work>> = {
  pourReceived: 'pour', pourAgain: 'pour', pourLast: 'pour', rough: 'grind', seats: 'seats', face: 'face', foot: 'deck', dome: 'dome', gasket: 'gasket'
}

/** What a step takes where the shop's table has no price for it, hours: to be edited on each card. */
const USUAL_HOURS: Record<JobStep, number> = {
  takeIn: 0.5, clean: 1, deck: 0.7, pourReceived: 1, portsReceived: 1, throats: 0.5, squishReceived: 0.5, flowBefore: 1, target: 0.3, scribe: 0.5, rough: 3, ports: 6, mould: 0.7, flange: 1, portsAgain: 1, seats: 3,
  pourAgain: 1, face: 0.5, foot: 0.7, dome: 1, deburr: 0.7, pourLast: 1, squish: 0.5, clearances: 1, gasket: 0.2, springs: 1, flowAfter: 1, assemble: 2, writeUp: 0.5
}

export const isJobStep = (step: string): step is JobStep => (JOB_STEPS as readonly string[]).includes(step)

/**
 * A line of a card as it begins.
 *
 * @param planned hours that the shop's table has for as much as is to be done; where it says nothing, the step's usual hours
 * @example lineOf('scribe') // { step: 'scribe', hours: 0.5 }
 */
export const lineOf = (step: JobStep, planned?: number): JobLine => ({ step, hours: Math.round((planned ?? USUAL_HOURS[step]) * 100) / 100 })
