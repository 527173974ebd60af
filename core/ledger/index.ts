export {
  ENTRY_KINDS, OPERATION_KINDS, isOperation, type Bodies, type Entry, type EntryKind, type EntryOf, type Figure,
  type OperationKind, type OperationState, type Scope, type Statement
} from './entry'
export { FIGURE_BOUNDS, QUANTITIES, quantityRule, type Dimension, type Quantity, type QuantityRule } from './quantities'
export { inOrder, live, ofKind, type Live, type Standing } from './live'
export { bankOf, headOf, layoutBounds, type Layout } from './layout'
export { cylindersOf, type OperationEntry } from './ledger'
export { pourResult } from './pours'
export { statedU } from './statements'
export type { Part, Provenance } from './part'
export type { Lesson, NoLesson, PerMm, Settlement } from './chamberHistory'
export { PARTS, replay, targetBand, type CylinderState, type PartName, type PourStanding, type Replay } from './replay'
export type { Valve, ValveStanding } from './valves'
export { depthToTarget, headCut, outcomesAt, type CutOutcome, type CylinderCut, type HeadCut } from './cutPlan'
export { nextMove, type NextMove } from './nextMove'
export { BODY_VERSION, upcast } from './upcast'
