export { curtainArea, flowArea, type Passage, type Seat } from './curtain'
export { meanShroud, shroud, type LiftPlace, type Shroud, type ShroudCase } from './shroud'
