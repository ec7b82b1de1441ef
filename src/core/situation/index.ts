export { cutPoints, regionsOf } from './regions'
export { memoriesAt, reachableModes, reachableRows, type ModeRow } from './reachable'
export {
  awayCount,
  callsOf,
  meanings,
  meaningsOf,
  memoryState,
  modesOf,
  sightOf,
  type Situation,
} from './situation'
export { assignments, assume, unknownsOf, type Unknown, drives } from './unknowns'
