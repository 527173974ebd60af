export { pourResult, takenOff, watchOf, type PourEntry } from './pours'
export { portRow, portScope, portsIn, severalOf, valveScope, type PortName, type PortPair, type PortRow, type PortStanding } from './ports'
export {
  USUAL_INLET, demandOf, flangeRecord, mouldsIn, mouldsOut, placesIn, portReckoned, portStages, seatRecord, seatWanted, portSectionOf, sectionsRecord, throatRecord, valveAcross,
  type FlangeRecord, type InletDemand, type MouldStanding, type PortReckoned, type PortStage, type SeatRecord, type SeatWanted, type SectionsRecord, type ThroatRecord
} from './portRecords'
export { compareRuns, runsApart, type Apart, type FlowCompare, type FlowGain } from './flowCompare'
export {
  USUAL_ROOM, benchRepeats, canPutBack, changesBetween, curveFigures, errorsOf, flowCurve, flowRuns, incomparable, repeatsOf, type BenchRepeats, type CurveFigures, type FlowCurve, type FlowRun, type FlowThing, type NoVerdict
} from './flowRecords'
export { squishStanding, wheelReading, type RunningSquish, type SquishCause, type SquishStanding } from './squishStanding'
export { cutPlane, knownQuantity, statedQuantity, statedU } from './statements'
export { finishesOf, type FinishStanding } from './finishes'
export { findingsOf, isUndecided, onFace, type FindingStanding, type OnFace } from './findings'
export type { HeightSet, HeightsStanding, TakenByHeights } from './heights'
export { clashOf, type Clash } from './clash'
export { AS_CAST, chamberModel, seatHeightNow, type ChamberModel } from './chamberModel'
export { asSet, type Part, type Provenance } from './part'
export { drawnFor, reliefLesson, reliefPrediction, type ReliefLesson, type Settlement } from './chamberHistory'
export { drawnShare, perMmOf, taught, type Lesson, type NoLesson, type PerMm } from './lessons'
export { faceDepth, groundAt, groundBy } from './walls'
export { cylinderState, reckon, type Challenge, type CylinderState, type LeftOut, type PourStanding, type Replay } from './replay'
export { CLEARANCES, clearanceSteps, valveStandings, type ClearanceName, type ClearanceStep, type ValveStanding } from './valves'
export { clearancesOf, modelOf, quantityOf, rodMaterialOf, squishBandOf, squishOf } from './asked'
export { ridgesOf, type Ridge } from './ridges'
export { exhaustPort, portOpen } from './portTiming'
export { ccBand, furthestOff, targetBand, type TargetBand } from './target'
export { doneOn, remembered } from './remembered'
export { CHAMBER_OPERATIONS, stretches, wholeStretches } from './stretches'
