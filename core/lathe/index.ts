export { DOME_FORMS, domeHeight, domeVolume, struck, type Dome, type DomeForm, type Struck } from './dome'
export { roundsLikely, safeRound, type Round } from './rounds'
export { NoseTooLarge, broughtTo, latheSettings, turnedDepth, turnedProfile, turnedVolume, type LatheLimit, type LatheSettings, type LatheTask, type TurnedShape } from './settings'
