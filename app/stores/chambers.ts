import { defineStore } from 'pinia'
import type { ChamberModel, Chambers, ChamberShape, Cut, Free, HeadSetup, NotReady, Unreachable } from '#core'
import { askSolids, type Thread } from '~/composables/useSolids'
import { solidAsk } from '~/workers/solidAsk'
import type { PlanAsk, PlanTold, SolidAsk, SolidFacts } from '~/workers/solidBench'

/** Answers kept, and planes of one chamber that wait to be asked at a time: a drag leaves many behind that nobody wants any more. */
const MOST_KEPT = 3000
const MOST_WAITING = 6
/** Answers of one chamber that are asked again once its solid is made: those of the last planes that were looked at. */
const MOST_AGAIN = 40

interface ThreadChambers {
  chambers: Chambers
  /** A chamber's shape, where it is named already: a name is made of its whole drawing. */
  shapeOf: (ask: SolidAsk) => ChamberShape | NotReady
  made: ReadonlyMap<string, SolidFacts>
  faults: ReadonlyMap<string, string>
  /** Whether a chamber is waited for. */
  wants: (key: string) => boolean
  /** Lets go of all that is still to be made: whoever still wants one asks again. */
  release: () => void
}

/** Chambers as one thread makes them, as solids where a station wants those; what the other one makes or has made it takes from there. */
function chambersOf(thread: Thread, wantsSolids: () => boolean, other?: ThreadChambers): ThreadChambers {
  /** Made solids by name, for every station of the page: a chamber that has not changed is not made again. */
  const made = shallowReactive(new Map<string, SolidFacts>())
  const faults = shallowReactive(new Map<string, string>())
  const told = shallowReactive(new Map<string, { ask: PlanAsk, answer: PlanTold }>())
  /** Changes when something that was asked for was let go: whoever still wants it asks again. */
  const letGo = ref(0)
  const whole = new Set<string>()
  const toMake = new Map<string, SolidAsk>()
  const toTell = new Map<string, PlanAsk>()
  let making = false
  let telling = false
  let saying = Promise.resolve()

  /** What the page asks of chambers that answer comes before the solids behind them, each of which takes seconds. */
  async function allTold() {
    do {
      await nextTick()
      await saying
    } while (telling)
  }

  /** From its rings first, which is as good as the solid to a ten-thousandth; as the solid itself once every chamber has answered, where that is wanted. */
  async function make() {
    if (making) return
    making = true
    // Not while a computed figure is being read.
    await Promise.resolve()
    for (;;) {
      if ([...toMake.keys()].every(key => made.has(key))) await allTold()
      for (const key of toMake.keys()) if (other?.wants(key)) toMake.delete(key)
      // Of what is only tried the last is what is still wanted.
      const list = thread === 'tried' ? [...toMake].reverse() : [...toMake]
      const [key, ask] = list.find(([k]) => !made.has(k)) ?? list[0] ?? []
      if (!key || !ask) break
      const quick = !made.has(key)
      if (!quick && !wantsSolids()) {
        toMake.delete(key)
        continue
      }
      const answer = await askSolids('solid', `solid ${key}`, { ...ask, quick }, thread)
      // What the rings told is asked again of the solid, and stands until that has answered.
      if (answer.kind === 'done' && !quick) await askAgain(key)
      if (answer.kind === 'done' && !quick) whole.add(key)
      if (answer.kind === 'done') made.set(key, answer.value)
      else if (answer.kind !== 'stale') faults.set(key, answer.kind === 'faults' ? answer.faults[0]?.path ?? 'outline' : answer.kind === 'refused' ? answer.argument : 'solids')
      if (answer.kind !== 'done' || !quick) toMake.delete(key)
    }
    making = false
  }

  /** A worker that was lost takes its chambers with it: whoever wants this one has it made again. */
  function forget(key: string) {
    whole.delete(key)
    for (const [id, { ask }] of told) if (ask.key === key) told.delete(id)
    made.delete(key)
  }
  function keep(asked: PlanAsk[], answers: PlanTold[]) {
    answers.forEach((answer, i) => {
      if ('argument' in answer && answer.argument === 'key') forget(asked[i]!.key)
      else told.set(answer.id, { ask: asked[i]!, answer })
    })
  }

  async function askAgain(key: string) {
    const before = [...told.values()].flatMap(({ ask }) => ask.key === key ? [ask] : [])
    const fresh = before.slice(-MOST_AGAIN)
    const answer = fresh.length > 0 ? await askSolids('plan', `again ${key}`, fresh, thread) : undefined
    before.forEach(({ id }) => told.delete(id))
    if (answer?.kind === 'done') keep(fresh, answer.value)
  }

  async function tell() {
    telling = true
    await Promise.resolve()
    while (toTell.size > 0) {
      const asked = [...toTell.values()]
      toTell.clear()
      const newest = asked.filter((one, i) => asked.slice(i + 1).filter(later => later.key === one.key).length < MOST_WAITING)
      const answer = await askSolids('plan', 'plan', newest, thread)
      if (answer.kind === 'done') keep(newest, answer.value)
      for (const id of told.keys()) {
        if (told.size <= MOST_KEPT) break
        told.delete(id)
      }
      if (newest.length < asked.length || answer.kind === 'stale') letGo.value++
    }
    telling = false
  }

  function wanted(ask: PlanAsk): PlanTold | undefined {
    const known = told.get(ask.id)?.answer
    if (!known) {
      void letGo.value
      toTell.set(ask.id, ask)
      if (!telling) saying = tell()
    }
    return known
  }

  function shapeOf(ask: SolidAsk): ChamberShape | NotReady {
    const { key } = ask
    const facts = made.get(key)
    if (!facts && (other?.made.has(key) || other?.faults.has(key))) return other.shapeOf(ask)
    if (!whole.has(key) && !faults.has(key) && (!facts || wantsSolids())) {
      void letGo.value
      if (!toMake.has(key)) toMake.set(key, ask)
      void make()
    }
    if (!facts) return 'notReady'
    return {
      source: whole.has(key) ? 'solid' : 'rings', volume: facts.volume, opening: facts.opening, factor: facts.factor,
      above: (cut: Cut) => {
        const answer = wanted({ id: `${key} ${JSON.stringify(cut)}`, key, cut })
        return answer && 'volume' in answer ? answer : 'notReady'
      },
      solve: (setup: HeadSetup, free: Free, volume: number, x: number): number | Unreachable | NotReady => {
        const answer = wanted({ id: `${key} ${JSON.stringify([setup, free, volume, x])}`, key, setup, free, volume, x })
        if (!answer || 'volume' in answer) return 'notReady'
        return 'value' in answer ? answer.value : answer
      }
    }
  }
  const shape = (model: ChamberModel, poured: number | undefined) => shapeOf(solidAsk(model, poured))
  function release() {
    toMake.clear()
    letGo.value++
  }
  return { chambers: { shape }, shapeOf, made, faults, wants: key => toMake.has(key), release }
}

/**
 * The page's one view of drawn chambers: it answers at once from what the worker has told, and asks for what it has not.
 * Whoever reads it while it is not ready is told again when it is, and again by its solid where a station wants that. `tried` is the same in a thread of its own, for the
 * header and for what is only tried on Shape: a chamber with metal ground out takes seconds, and the hand that draws must not wait
 * for that.
 */
export const useChambers = defineStore('chambers', () => {
  /** How many of what is open want solids: whoever reads a chamber is told when that changes, and asks for its solid. */
  const wanting = ref(0)
  const wantsSolids = () => wanting.value > 0
  const bench = chambersOf('bench', wantsSolids)
  /** While whoever calls this is open, chambers are made as solids behind their rings: other stations show nothing of them, and each takes seconds. */
  function withSolids() {
    wanting.value++
    onScopeDispose(() => wanting.value--)
  }
  const tried = chambersOf('tried', wantsSolids, bench)
  /** The ledger has grown: chambers that are still to be made are let go, for each takes seconds; whoever wants one now asks again. */
  function release() {
    bench.release()
    tried.release()
  }
  const { chambers, made, faults } = bench
  return { chambers, made, faults, tried: tried.chambers, withSolids, release }
})
