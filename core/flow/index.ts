export { curveChange, flowChange, liftsOfBoth, type BenchErrors, type FlowChange, type FlowVerdict } from './change'
export { atDepression, dischargeCoefficient, idealFlow, rootReadsHigh, type Drawn } from './discharge'
export { USUAL_BENCH, benchErrors, repeatSums, type RepeatSums } from './repeats'
export { dipsIn, flowByAngle, flowOverLift, flowUnderCurve, type FlowRow } from './underCurve'
