import { isOperation, makesAnother, type Bodies, type Entry, type EntryKind } from './entry'
import { fit, layoutOf, scopeName } from './layout'
import { isStatement, touches, type OperationEntry, type StatementEntry } from './ledger'
import { live } from './live'
import type { Scope } from './terms'

/** An entry that another build of the same engine begins with. */
export type Alike = { [K in EntryKind]: { kind: K, scope: Scope, body: Bodies[K] } }[EntryKind]

/** What belongs to an engine and not to the one that was on the bench. */
const CARRIED: readonly EntryKind[] = ['target', 'reasons', 'offer', 'liftTable', 'rod', 'chamberModel']
/** What was measured of that engine is only a claim about the next one; what was wanted of it is wanted again. */
const AS = { measure: 'book', book: 'book', assume: 'assume', wish: 'wish' } as const
const RANK = { measure: 2, book: 1, assume: 0, wish: 3 } as const

/**
 * What another build of the same engine begins with: its dimensions as claims, target, gaskets, cam and drawing. No reading,
 * nothing of a single cylinder, no work, and no dimension that was read after work had changed it.
 *
 * @param entries the ledger of the build that is copied
 * @returns in the order they were made; the layout is told apart
 * @example likeness(entries).some(({ kind }) => kind === 'pour') // false
 */
export function likeness(entries: readonly Entry[]): Alike[] {
  const counting = live(entries).entries
  const best = new Map<string, Entry>()
  const layout = layoutOf(counting)
  const worked: OperationEntry[] = []
  const workedOn = ({ scope, body: { quantity } }: StatementEntry) => layout && worked.some(op =>
    makesAnother(op.kind, quantity) && layout.cylinders.some(c => touches(op, layout, c) && fit(scope, layout, c) > 0))
  for (const entry of counting) {
    if (isOperation(entry) && entry.body.state === 'done') worked.push(entry)
    // The next engine has the gasket and the crowns that this one came with.
    if (!isStatement(entry) || entry.scope.level === 'cylinder' || workedOn(entry)) continue
    const about = `${entry.body.quantity} of ${scopeName(entry.scope)}`
    const before = best.get(about)
    if (!before || !isStatement(before) || RANK[entry.kind] >= RANK[before.kind]) best.set(about, entry)
  }
  const chosen = new Set([...best.values()].map(({ id }) => id))
  return counting.flatMap((entry): Alike[] => {
    if (isStatement(entry)) {
      if (!chosen.has(entry.id)) return []
      const { u: _u, ...body } = entry.body
      return [{ kind: AS[entry.kind], scope: entry.scope, body }]
    }
    return CARRIED.includes(entry.kind) && entry.scope.level !== 'cylinder' ? [{ kind: entry.kind, scope: entry.scope, body: entry.body } as Alike] : []
  })
}
