export {
  ENCLOSED, ENTRY_KINDS, OPERATION_KINDS, isOperation, type Bodies, type Enclosed, type Entry, type EntryKind, type EntryOf,
  type Figure, type OperationKind, type OperationState, type PourBody, type Removed, type FaceCutBody, type Scope, type SpotReading, type Statement
} from './entry'
export { FIGURE_BOUNDS, QUANTITIES, quantityRule, type Dimension, type Quantity, type QuantityRule } from './quantities'
export { inOrder, live, ofKind, type Live, type Standing } from './live'
export { bankOf, fit, headOf, layoutBounds, scopeName, type Layout } from './layout'
export { NOW, cylindersOf, openLedger, operationsOn, spotsOf, touches, type Ledger, type OperationEntry, type StatementEntry } from './ledger'
export { BODY_VERSION, upcast } from './upcast'
