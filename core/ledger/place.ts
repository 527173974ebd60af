import { hasValves, type Engine } from './engine'
import type { Enclosed } from './kinds/pour'
import type { Quantity } from './quantities'
import type { Valve } from './terms'

/** Where something is entered or settled: a station, its leaf, the field's quantity, what is filled there, which of its two sides. */
export interface Place { station: 'sheet' | 'pour' | 'shape' | 'ports' | 'cut' | 'mockup' | 'route' | 'flow' | 'daybook' | 'papers', leaf?: string, field?: Quantity, fill?: Enclosed, valve?: Valve }

const SQUISH_FIELDS: readonly Quantity[] = ['revs', 'pistonMass', 'rodBeamMass', 'rodSection', 'bearingPlay', 'heatGrowth', 'squishRecess', 'squishArea', 'bandEdge']
const LATHE_FIELDS: readonly Quantity[] = ['wantedSquish', 'bandAngle', 'plugRoom', 'leastBand', 'toolNose']
const CLEARANCE_FIELDS: readonly Quantity[] = ['intakeSide', 'exhaustSide', 'valveToValve', 'domeToChamber', 'intakeClearance', 'exhaustClearance']
const MOVING_FIELDS: readonly Quantity[] = ['runAngle', 'chainPitch', 'camTeeth', 'pushrodAngle', 'rockerRatio', 'halfBankAngle', 'flangeAngle', 'valleyGap', 'boltSpare', 'dowelSpare', 'boltSeat', 'deckThickness', 'leastDeckThickness']
const SPRING_FIELDS: readonly Quantity[] = ['intakeLift', 'exhaustLift', 'intakeDuration', 'exhaustDuration', 'intakeMovingMass', 'exhaustMovingMass', 'intakeFloat', 'exhaustFloat']
const THROAT_FIELDS: readonly Quantity[] = ['intakeValve', 'exhaustValve', 'intakeThroatShare', 'exhaustThroatShare']
const GASKET_FIELDS: readonly Quantity[] = ['gasketArea', 'gasketOutline', 'otherVolume']

/**
 * @returns where a dimension is stated, on an engine of this kind; what only work changes leads to where it is told.
 *
 * @example placeOf('wantedSquish') // { station: 'mockup', leaf: 'squish', field: 'wantedSquish' }
 */
export function placeOf(field: Quantity, engine?: Engine): Place {
  // How long an exhaust port is open is a dimension of the barrel.
  if (field === 'exhaustDuration' && engine && !hasValves(engine)) return { station: 'sheet', leaf: 'section', field }
  const valve = field.startsWith('exhaust') ? 'exhaust' : 'intake'
  if (field === 'intakeSunk' || field === 'exhaustSunk') return { station: 'ports', leaf: 'seats', field, valve }
  if (field === 'pinOffset') return { station: 'mockup', leaf: 'tdc', field }
  if (LATHE_FIELDS.includes(field)) return { station: 'mockup', leaf: 'turned', field }
  if (SQUISH_FIELDS.includes(field)) return { station: 'mockup', leaf: 'squish', field }
  if (CLEARANCE_FIELDS.includes(field)) return { station: 'mockup', leaf: 'clearances', field }
  if (MOVING_FIELDS.includes(field)) return { station: 'cut', leaf: 'else', field }
  if (SPRING_FIELDS.includes(field)) return { station: 'mockup', leaf: 'springs', field, valve }
  if (THROAT_FIELDS.includes(field)) return { station: 'ports', leaf: 'throats', field, valve }
  if (field === 'intakeFlowCoefficient') return { station: 'ports', leaf: 'sections', field, valve }
  if (GASKET_FIELDS.includes(field)) return { station: 'sheet', leaf: 'gaskets', field }
  if (field === 'headHeight') return { station: 'sheet', leaf: 'face', field }
  if (field === 'boreSpacing') return { station: 'sheet', leaf: 'chamber', field }
  return { station: 'sheet', leaf: 'section', field }
}
