export { ASSUMED_SHARE, advice, type Advice, type AdviceKind } from './advice'
export { placeOf, type Place } from './place'
export { replay } from './tolerant'
