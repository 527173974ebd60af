export { curtainArea, flowArea, type Passage, type Seat } from './curtain'
export { LIFT_TABLE, liftProfile, liftTable, meanOverLift, type LiftRow } from './lift'
export { RELIEF_PLACES, cutterRelief, faceToSeat, keptRadii, pulledWall, underSeat, type Cutter } from './metal'
export { mouthOn, shroudOnSolid, type Below, type SolidShroud, type SolidShroudCase } from './onSolid'
export {
  SCHOOLS, arcsOf, inArc, limitGaps, nicked, pinBlocked, proposeWall, scribedLine, type Arc, type School, type WallAt, type WallLimits, type WallProposal
} from './schools'
export { meanShroud, shortOf, shroud, type LiftPlace, type Shroud, type ShroudCase } from './shroud'
export { proposalOver, reliefOf, sweepLifts, wallsOver, type PinUse, type WallLook, type WallNeeds } from './walls'
