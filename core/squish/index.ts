export { bowlVolume, peakSquishVelocity, squishAreaOver, squishShare, squishVelocity, type SquishBand } from './velocity'
export { SOLDER_TOUCHED, axialGap, planeAt, spotPlane, type Spot, type SpotPlane } from './spots'
export { ROD_MODULUS, rodStretch, runningGap, type GapLosses, type RodLoad, type RodMaterial } from './runningGap'
export { bandEdgeShift, turnedHeadPlan, type TurnedHead, type TurnedHeadPlan } from './turnedHead'
