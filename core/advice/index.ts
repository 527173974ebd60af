export { ASSUMED_SHARE, advice, openedAt, type Advice, type AdviceKind } from './advice'
export { asItRan, asReceived, offTheBook } from './received'
export { replay } from './tolerant'
