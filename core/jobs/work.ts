import { isOnValve, ofKind, type JobStep } from '../ledger'
import { STARTING_COSTS, WORK, type Work, type WorkCosts } from '../shop'
import { portsIn, type Replay } from '../standing'
import { jobCardOf } from './card'
import { STEP_WORK, isJobStep } from './steps'

/** Hours that a kind of work took on a build, and how much of it was done: what one of it takes is their share. */
export type WorkDone = Partial<Record<Work, { hours: number, amount: number }>>

/** How much of each kind of work the ledger says was done, in what the shop's table counts it by. */
function amounts(r: Replay): Partial<Record<Work, number>> {
  const done = (kind: 'faceCut' | 'deckCut' | 'gasketChange' | 'seatWork' | 'relief') => r.done.filter(op => op.kind === kind)
  const ground = r.done.reduce((cc, op) => op.kind === 'relief' ? cc + op.body.added.value : cc, 0)
  const turned = r.layout.engine?.head === 'turned'
  const heads = (ops: ReturnType<typeof done>) => ops.reduce((n, op) => n + (op.scope.level === 'head' ? 1 : r.layout.heads.length), 0)
  return {
    face: heads(done('faceCut')), gasket: heads(done('gasketChange')), deck: done('deckCut').length, [turned ? 'dome' : 'grind']: ground,
    seats: r.done.reduce((n, op) => op.kind === 'seatWork' ? n + Math.max(1, portsIn(r.layout).filter(p => 'cylinder' in op.scope && p.cylinder === op.scope.cylinder && isOnValve(op.body, p.valve, p.n)).length) : n, 0),
    pour: ofKind(r.live.entries, 'pour').filter(e => e.body.encloses === 'chamber' || e.body.encloses === 'assembled').length
  }
}

/**
 * What work really took on a build: hours of its card's steps against how much was done of that kind of work.
 * Work of which a step has begun and is not done counts for nothing yet: the rest of its hours is still to come.
 *
 * @param now ms, for clocks that run
 * @returns by kind of work; nothing where no hours were kept or nothing was done
 */
export function workDone(r: Replay, now: number): WorkDone {
  const card = jobCardOf(r, now)
  if (!card) return {}
  const much = amounts(r)
  const result: WorkDone = {}
  for (const work of WORK) {
    const lines = card.lines.filter(({ step, worked }) => isJobStep(step) && STEP_WORK[step] === work && worked > 0)
    const amount = much[work]
    if (!amount || lines.length === 0 || lines.some(({ done }) => !done)) continue
    result[work] = { hours: lines.reduce((h, { worked }) => h + worked, 0), amount }
  }
  return result
}

/** How much of a step there is on an engine before anything is planned: each chamber twice, each seat, each head. */
function countOf(r: Replay, work: Work): number | undefined {
  switch (work) {
    case 'pour': return 2 * r.layout.cylinders.length
    case 'seats': return portsIn(r.layout).length
    case 'face': case 'gasket': return r.layout.heads.length
    case 'deck': return r.layout.banks.length
    case 'grind': case 'dome': {
      const cc = r.planned.reduce((sum, op) => op.kind === 'relief' ? sum + op.body.added.value : sum, 0)
      return cc > 0 ? cc : undefined
    }
    default: return undefined
  }
}

/**
 * What a step of a new card is planned to take, by the shop's table.
 *
 * @returns h; undefined where the table has no price for it, or there is nothing planned to price
 * @example workPlanned(six, 'pourReceived', STARTING_COSTS) // 12 pours of 0.15 h: 1.8
 */
export function workPlanned(r: Replay, step: JobStep, work: WorkCosts = STARTING_COSTS): number | undefined {
  const kind = STEP_WORK[step]
  const count = kind && countOf(r, kind)
  return kind && count ? work[kind].hours * count : undefined
}

/**
 * What one of each kind of work took over several builds: all hours over all that was done, so that a large job counts for more.
 *
 * @param builds what each build's work took
 * @returns h for one, and of how many builds that is
 * @example ratesOf([{ pour: { hours: 2, amount: 12 } }, { pour: { hours: 1, amount: 8 } }]).pour // { hours: 0.15, builds: 2 }
 */
export function ratesOf(builds: readonly WorkDone[]): Partial<Record<Work, { hours: number, builds: number }>> {
  const result: Partial<Record<Work, { hours: number, builds: number }>> = {}
  for (const work of WORK) {
    const took = builds.flatMap(one => one[work] ?? [])
    if (took.length > 0) result[work] = { hours: took.reduce((h, t) => h + t.hours, 0) / took.reduce((n, t) => n + t.amount, 0), builds: took.length }
  }
  return result
}
