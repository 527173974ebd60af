export {
  ENTRY_KINDS, OPERATION_KINDS, changersOf, isOperation, kindRule, mayCorrect, type Bodies, type Entry, type EntryKind, type EntryOf, type OperationKind
} from './entry'
export type { KindRule, Role } from './kind'
export * as KINDS from './kinds'
export type { Figure, OperationState, Scope, SpotReading, Valve } from './terms'
export type { Statement } from './statement'
export { ENCLOSED, type Enclosed, type PourBody } from './kinds/pour'
export type { FaceCutBody, Removed } from './kinds/faceCut'
export { FIGURE_BOUNDS, PARTS, QUANTITIES, quantityRule, type Dimension, type PartName, type Quantity, type QuantityRule } from './quantities'
export { inOrder, live, ofKind, type Live, type Standing } from './live'
export { bankOf, fit, headOf, layoutBounds, scopeName, type Layout } from './layout'
export { NOW, cylindersOf, openLedger, operationsOn, spotsOf, touches, type Ledger, type OperationEntry, type StatementEntry } from './ledger'
export { BODY_VERSION, upcast } from './upcast'
