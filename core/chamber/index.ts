export { flatCutDepth, valveClearanceLost, type ClearanceConvention } from './flatCut'
