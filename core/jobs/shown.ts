import { ofKind, scopeName, takesMetal, type Entry, type EntryKind, type EntryOf, type JobStep, type OperationKind, type Quantity } from '../ledger'
import { CHAMBER_OPERATIONS, canPutBack, changesBetween, doneOn, flowRuns, incomparable, isOnTarget, mouldsIn, mouldsOut, placesIn, portsIn, portStages, portWorkedAt, portWorkedSince, quantityOf, stretches, targetBand, throatRecord, valveScope, wholeStretches, type FlowThing, type Replay } from '../standing'

const doneAnd = (r: Replay, kinds: readonly OperationKind[]): boolean => r.done.some(op => kinds.includes(op.kind)) && !r.planned.some(op => kinds.includes(op.kind))
const all = <T>(list: readonly T[], is: (one: T) => boolean): boolean => list.length > 0 && list.every(is)
const place = (r: Replay, { id }: Entry) => r.ledger.place.get(id) ?? -1
/** Where in the ledger the last of some work on a cylinder stands; −1 where there was none. */
const lastOf = (r: Replay, kinds: readonly OperationKind[], cylinder: number): number => Math.max(-1, ...doneOn(r.ledger, cylinder, kinds).map(op => place(r, op)))
const poured = (r: Replay, cylinder: number, after: number): boolean =>
  ofKind(r.live.entries, 'pour').some(e => 'cylinder' in e.scope && e.scope.cylinder === cylinder && (e.body.encloses === 'chamber' || e.body.encloses === 'assembled') && place(r, e) > after)
const each = <K extends EntryKind>(r: Replay, kind: K, after = -1) => (cylinder: number): boolean =>
  (ofKind(r.live.entries, kind) as EntryOf<K>[]).some(e => 'cylinder' in e.scope && e.scope.cylinder === cylinder && place(r, e) > after)

/** Poured before anything was done to it. */
function pouredAsReceived(r: Replay, cylinder: number): boolean {
  const first = (list: { pours: unknown[] }[]) => list[0]!.pours.length > 0
  return first(stretches(r.ledger, cylinder)) || first(wholeStretches(r.ledger, cylinder))
}

/** Chambers worked on by hand, and each poured since. */
function pouredAgain(r: Replay): boolean {
  const worked = r.layout.cylinders.filter(c => lastOf(r, ['relief', 'seatWork'], c) >= 0)
  return all(worked, c => poured(r, c, lastOf(r, ['relief', 'seatWork'], c)))
}

/** Every face or foot is cut that has to be: the one of a head whose cylinders are on target without it need not. */
function allCut(r: Replay, kind: 'faceCut' | 'deckCut'): boolean {
  const band = targetBand(r.target)
  return doneAnd(r, [kind]) && all(r.asIs, state => lastOf(r, [kind], state.cylinder) >= 0 || isOnTarget(state, band))
}

/** Whether a figure of a cylinder was measured after a place in the ledger. */
const readAfter = (r: Replay, quantity: Quantity, cylinder: number, after: number): boolean => {
  const part = quantityOf(r, quantity, cylinder)
  return part?.provenance === 'measured' && (r.ledger.place.get(part.entries[0] ?? '') ?? -1) > after
}

const SQUISH_WORK = ['faceCut', 'deckCut', 'gasketChange', 'spacer', 'crownWork'] as const

/** Each step that a ledger can show, and what shows it. The others are only ticked by hand. */
const SHOWS: Partial<Record<JobStep, (r: Replay) => boolean>> = {
  takeIn: r => ofKind(r.live.entries, 'finding').length > 0,
  deck: r => all(r.layout.cylinders, c => quantityOf(r, 'deckClearance', c)?.provenance === 'measured'),
  pourReceived: r => all(r.layout.cylinders, c => pouredAsReceived(r, c)),
  // Which ports a shop pours is its own affair: those that it poured on one cylinder it pours on every one.
  portsReceived: r => all(r.ports, ({ valve, n }) => r.layout.cylinders.every(c => r.ports.some(port => port.cylinder === c && port.valve === valve && port.n === n))),
  throats: r => all(portsIn(r.layout), port => throatRecord(r, port).now !== undefined),
  squishReceived: r => all(r.layout.cylinders, each(r, 'solder')),
  flowBefore: r => flowRuns(r).some(run => !run.entry.body.claimed),
  target: r => r.target !== undefined,
  rough: r => doneAnd(r, ['relief']),
  dome: r => doneAnd(r, ['relief']),
  ports: (r) => {
    const places = portsIn(r.layout).flatMap(port => placesIn(r, port).filter(e => takesMetal(e.body)))
    return all(places, e => e.body.done)
  },
  mould: r => mouldsOut(r).length > 0 && mouldsIn(r).length === 0,
  flange: r => ofKind(r.live.entries, 'flange').some(e => e.body.part === 'port') && ofKind(r.live.entries, 'flange').some(e => e.body.part !== 'port'),
  // Ports that were worked on, by what was ticked in them; where nothing was ticked, all that were poured.
  portsAgain: (r) => {
    const worked = portsIn(r.layout).filter(port => portWorkedAt(r.ledger, port).length > 0)
    const left = portsIn(r.layout).some(port => placesIn(r, port).some(e => takesMetal(e.body) && !e.body.done))
    return worked.length > 0 ? !left && worked.every(port => portStages(r, port).length > 0 && !portWorkedSince(r.ledger, port)) : all(r.ports, port => portStages(r, port).length > 1)
  },
  seats: r => doneAnd(r, ['seatWork']),
  pourAgain: pouredAgain,
  face: r => allCut(r, 'faceCut'),
  foot: r => allCut(r, 'deckCut'),
  pourLast: (r) => {
    const cut = r.layout.engine?.head === 'blind' ? 'deckCut' : 'faceCut'
    const kinds: readonly OperationKind[] = [...CHAMBER_OPERATIONS, cut]
    return allCut(r, cut) && all(r.layout.cylinders, c => poured(r, c, lastOf(r, kinds, c))) && !r.planned.some(op => kinds.includes(op.kind))
  },
  squish: r => all(r.layout.cylinders, c => each(r, 'solder', lastOf(r, SQUISH_WORK, c))(c)),
  // One cylinder tells of its head, read after the last work between that head and its piston.
  clearances: r => all(r.layout.heads, head => head.some(c => (['intakeClearance', 'exhaustClearance'] as const).every(q => readAfter(r, q, c, lastOf(r, SQUISH_WORK, c))))),
  gasket: r => doneAnd(r, ['gasketChange']),
  springs: (r) => {
    const read = new Map(ofKind(r.live.entries, 'installed').map(e => [scopeName(e.scope), place(r, e)]))
    return all(portsIn(r.layout), port => (read.get(scopeName(valveScope(r.layout, port))) ?? -2) > lastOf(r, ['seatWork'], port.cylinder))
  },
  flowAfter: (r) => {
    const runs = flowRuns(r).filter(run => !run.entry.body.claimed)
    // Another fixture or a pipe is no work, and another port's run says nothing of it.
    const isWork = (thing: FlowThing) => !canPutBack(thing) || thing.what === 'valve'
    return runs.some((after, i) => runs.slice(0, i).some(before => !incomparable(before, after).includes('specimen') && changesBetween(r, before, after).some(isWork)))
  },
  writeUp: r => ofKind(r.live.entries, 'printed').some(e => (e.body.paper === 'customer' || e.body.paper === 'record') && place(r, e) > Math.max(-1, ...r.done.map(op => place(r, op)))) && r.planned.length === 0
}

/**
 * Whether a ledger shows that a step of the job was done.
 *
 * @returns undefined for a step that no ledger shows: it is ticked by hand
 * @example shownByLedger(standing, 'target') // true, where there is one
 */
export const shownByLedger = (r: Replay, step: JobStep): boolean | undefined => SHOWS[step]?.(r)
