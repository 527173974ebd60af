import { cylinderVolume } from '../engine'
import { carry } from '../estimate'
import { untyped, type OperationEntry } from '../ledger'
import { quantityOf, type Replay } from '../standing'
import { asEntered, type Tried } from './asIf'
import type { CylinderCut } from './depth'
import { after } from './states'

/**
 * A cut of a bank of closed barrels at their foot that nobody has entered.
 *
 * @param bank which bank, and what comes off, mm
 * @example offFoot(1, 0.2).body.foot // true
 */
export const offFoot = (bank: number, depth: number): Tried & { kind: 'deckCut' } => (
  { kind: 'deckCut', scope: { level: 'bank', bank }, body: { state: 'planned', depth: untyped(depth, 'mm'), foot: true } })

/**
 * What comes off the foot of closed barrels to bring their bank to the target: there is no face to cut, the barrel comes down.
 *
 * @param standing what replay gives
 * @param bank its number, from 1
 * @param operations what is done before
 * @returns the most that takes no cylinder of the bank past its target, and that cylinder; undefined where none is known
 * Source: gap over the bore's circle, sources carried (JCGM 100:2008 §5.2.2): the whole bore comes down.
 * @example footCut(standing, 1, []).depth.value // 0.57 mm: 1.208 cc over π/4 · 52²
 */
export function footCut(standing: Replay, bank: number, operations: readonly (Tried | OperationEntry)[]): Omit<CylinderCut, 'source'> | undefined {
  return footCuts(standing, bank, operations)[0]
}

/**
 * What would come off a closed barrel's foot at each cylinder of a bank by itself.
 *
 * @param standing what replay gives
 * @param bank its number, from 1
 * @param operations what is done before
 * @returns mm of those that are known, the least first; below 0 where the barrel would have to be lifted
 * Source: as {@link footCut}.
 * @example footCuts(standing, 1, []).map(c => c.cylinder) // [1, 2]: cylinder 1 has the least over
 */
export function footCuts(standing: Replay, bank: number, operations: readonly (Tried | OperationEntry)[]): Omit<CylinderCut, 'source'>[] {
  const before = asEntered(operations)
  const all = (standing.layout.banks[bank - 1] ?? []).flatMap((cylinder) => {
    const { gap } = after(standing, cylinder, before).state
    const bore = quantityOf(standing, 'bore', cylinder)
    return gap && bore ? [{ cylinder, depth: carry(([g, b]) => g! / cylinderVolume(b!, 1), [gap.estimate, bore.estimate]) }] : []
  })
  return all.sort((a, b) => a.depth.value - b.depth.value)
}
