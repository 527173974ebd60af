export { ASSUMED_SHARE, advice, type Advice, type AdviceKind } from './advice'
export { asItRan, asReceived } from './received'
export { replay } from './tolerant'
