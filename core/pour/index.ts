export { checkInstrument, fillVolume, scaleDoubt, type Fill, type Instrument } from './instrument'
export {
  combinePours, crownVolumeFromPour, pourVolume, scaleAtTemperature, stopReading, type PourResult
} from './pour'
export { waterDensity, waterVolume, warmedVolume } from './water'
export { checkPour, knownVolume, type CheckResult, type KnownVolume } from './check'
export { LEAK_TO_FIND, leakWatch, leakWatchTime, likelyFaults, type PourFault } from './watch'
export { disagreementOf, type Disagreement } from './disagreement'
export { fillsFor, nextOfRound, wholeRounds } from './round'
