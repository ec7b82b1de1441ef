export { drawFault, physicsFaults, type PhysicsFault, type SiteFault } from './fault'
export { HiddenSite } from './HiddenSite'
export type { Point } from './point'
