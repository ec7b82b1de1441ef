export { drawFault, physicsFaults, type PhysicsFault, type SiteFault } from './fault'
export { HiddenSite } from './HiddenSite'
export { meterFor } from './meters'
export type { Point } from './point'
