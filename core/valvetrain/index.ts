export { floatSpeed, retainerClearance, springFrom, springLoad, springTravel, type Floating, type Spring } from './springs'
