export { MENISCUS, PARALLAX_PER_MM, READ_KINDS, READ_SCALES, RING, SLIPS, judge, readTask, type Judged, type ReadKind, type ReadTask, type Slip } from './task'
export { READINGS_WANTED, ROUND_S, handReads, pourRepeatability, roundsOf, saysOfHand, type HandReads, type PracticeReading } from './hand'
