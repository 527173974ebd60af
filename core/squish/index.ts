export { bowlVolume, peakSquishVelocity, squishAreaOver, squishShare, squishVelocity, type SquishBand } from './velocity'
export { SOLDER_TOUCHED, axialGap, planeAt, spotPlane, type Spot, type SpotPlane } from './spots'
export { BLOCK_EXPANSION, ROD_MODULUS, heatCloses, rodStretch, runningGap, type BlockMaterial, type GapLosses, type HeatedParts, type RodLoad, type RodMaterial } from './runningGap'
export { bandEdgeShift, turnedHeadPlan, type TurnedHead, type TurnedHeadPlan } from './turnedHead'
