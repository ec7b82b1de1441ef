export { runTime, type TimeInput } from './run'
export type { Move, OutsideEvent, Step, Trace } from './trace'
export { waitsFor, type CallWaits, type Held, type Past, type Wait } from './waits'
export type { DemandCause, World } from './world'
