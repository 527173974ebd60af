export { ASSUMED_SHARE, advice, type Advice, type AdviceKind } from './advice'
export { replay } from './tolerant'
