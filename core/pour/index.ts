export { checkInstrument, fillVolume, type Fill, type Instrument } from './instrument'
export {
  combinePours, crownVolumeFromPour, pourVolume, scaleAtTemperature, stopReading, type PourResult
} from './pour'
