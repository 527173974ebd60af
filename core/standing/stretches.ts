import type { Enclosed, EntryOf, Ledger, OperationEntry, OperationKind } from '../ledger'
import { doneOn, remembered } from './remembered'

/** Operations that change a chamber's volume. */
export const CHAMBER_OPERATIONS = ['faceCut', 'relief', 'seatWork'] as const
export type ChamberOperation = Extract<OperationEntry, { kind: (typeof CHAMBER_OPERATIONS)[number] }>
export const changesChamber = (operation: OperationEntry): operation is ChamberOperation => (CHAMBER_OPERATIONS as readonly OperationKind[]).includes(operation.kind)

/** And those that change the whole clearance besides. */
const WHOLE_OPERATIONS = [...CHAMBER_OPERATIONS, 'deckCut', 'gasketChange', 'spacer', 'crownWork'] as const

/** A stretch of a volume's life between two changes, and the pours that fall in it. */
export interface Stretch<Op extends OperationEntry = OperationEntry> { operation?: Op, pours: EntryOf<'pour'>[] }

function cut(ledger: Ledger, cylinder: number, encloses: Enclosed, kinds: readonly OperationKind[]): Stretch[] {
  return remembered(ledger, `stretches ${encloses} ${cylinder}`, () => stretchesOf(ledger, cylinder, encloses, kinds))
}

function stretchesOf(ledger: Ledger, cylinder: number, encloses: Enclosed, kinds: readonly OperationKind[]): Stretch[] {
  const operations = doneOn(ledger, cylinder, kinds)
  const result: Stretch[] = [{ pours: [] }, ...operations.map(operation => ({ operation, pours: [] }))]
  const places = operations.map(op => ledger.place.get(op.id)!)
  let passed = 0
  for (const pour of ledger.pours.get(cylinder) ?? []) {
    if (pour.body.encloses !== encloses) continue
    while (passed < places.length && places[passed]! < ledger.place.get(pour.id)!) passed++
    result[passed]!.pours.push(pour)
  }
  return result
}

/** A chamber's life, cut at each operation done on it. */
export const stretches = (ledger: Ledger, cylinder: number): Stretch<ChamberOperation>[] => cut(ledger, cylinder, 'chamber', CHAMBER_OPERATIONS) as Stretch<ChamberOperation>[]

/** The life of a whole clearance that is poured assembled, cut at each operation that changes any part of it. */
export const wholeStretches = (ledger: Ledger, cylinder: number): Stretch[] => cut(ledger, cylinder, 'assembled', WHOLE_OPERATIONS)

/** Pairs of neighbouring poured stretches with the operations that lie between them. */
export function pairs<Op extends OperationEntry>(list: Stretch<Op>[]): { before: Stretch<Op>, after: Stretch<Op>, between: Op[] }[] {
  const poured = list.map((stretch, i) => ({ stretch, i })).filter(({ stretch }) => stretch.pours.length > 0)
  return poured.slice(1).map(({ stretch, i }, n) => ({
    before: poured[n]!.stretch, after: stretch,
    between: list.slice(poured[n]!.i + 1, i + 1).map(s => s.operation!)
  }))
}

/** The pours of the last stretch that was poured, and what was done since; no pours where there never were any. */
export function lastPoured(list: Stretch[]): { pours: EntryOf<'pour'>[], since: OperationEntry[] } {
  const last = list.map(s => s.pours.length > 0).lastIndexOf(true)
  return last < 0 ? { pours: [], since: [] } : { pours: list[last]!.pours, since: list.slice(last + 1).map(s => s.operation!) }
}
