export { floatSpeed, retainerClearance, springLoad, springTravel, type Floating, type Spring } from './springs'
