export { clearanceVolume, creviceVolume, cylinderVolume, openingLedge, pocketArea, sweptVolume, type ClearanceParts } from './volumes'
export { clearanceForRatio, compressionRatio } from './ratio'
export {
  effectiveCompressionRatio, pistonTravel, topDeadCentre, trappedCompressionRatio, type CrankTrain
} from './piston'
export { crankAngleAtDrop, oneSidedError, twoSidedTopDeadCentre, type DropPair } from './findTopDeadCentre'
