export { floatSpeed, retainerClearance, springFromLoads, springLoad, springTravel, type Floating, type Spring, type SpringReading } from './springs'
