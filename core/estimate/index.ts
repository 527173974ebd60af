export { propagate, ratioEstimate, slopes, type Estimate, type Propagated } from './propagate'
export {
  carry, estimate, exact, fromSource, fromSources, bestMean, linear, shares, uncertainty, type Share, type Sourced
} from './sourced'
export { BASIS_FACTOR, DEFAULT_U, GROUND_WALL, HEAT_STAND_IN, MODEL_RELATIVE_U, MOUTH_AREA_RELATIVE_U, MOUTH_SHARE_OF, ROD_STAND_IN, STAND_IN, STAND_IN_MOUTH_SHARE, WALL_SLOPE, WALL_SLOPE_OF } from './defaults'
