export { drawFault, physicsFaults, type PhysicsFault, type SiteFault } from './fault'
export { heldBy, HiddenSite } from './HiddenSite'
export type { Point, Quantity } from './point'
