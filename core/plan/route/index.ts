/** The search for ways to a target. Apart from the rest of the plan: only who searches loads it. What a page asks of it beforehand stands in `ask` and `best`. */
export { leversOf, limitFaults, offersOf, startingLimits, type LeverState, type LeverWants, type LimitFault, type RouteAsk, type RouteLimits } from './ask'
export { chanceInBand, chanceOfAll, drawsOf, safeFirstCut, worthMeasuring, type Band, type Draws } from './chance'
export type { AtLimit, Breach, LimitKind } from './judge'
export type { AfterStage, Measurement, Route, Stage } from './route'
export { bestOf } from './best'
export { drained, searchRoutes, type Found, type Missing, type NoSearch, type Progress, type RouteAnswer } from './search'
export type { Down, Grinding, Way } from './way'
