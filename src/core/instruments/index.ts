export { drawFault, physicsFaults, siteFaults, type Physics, type SiteFault } from './fault'
export { heldBy, HiddenSite, type Sample } from './HiddenSite'
export { INSTRUMENTS, NATURES, type Instrument } from './instrument'
export { QUANTITIES, type Point, type Quantity } from './point'
