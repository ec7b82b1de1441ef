export { bankTable, type Bank, type HeatInput } from './bank'
export {
  clockedInput,
  inputAtSite,
  inputSide,
  MANIFOLD,
  nozzleFlow,
  nozzleFor,
  oilInput,
  USUAL_HEATING,
  USUAL_PSI,
} from './burner'
export { lineCircuitsOf, rowFigures, type CircuitNote, type LineCircuit, type RowFigures } from './circuits'
export { ampacityOf, carries, conductorFor, largestBreaker, nextBreaker } from './conductors'
export {
  identifyKit,
  USUAL_KITS,
  type Clue,
  type KitCandidate,
  type KitClues,
  type KitIdentity,
} from './identify'
export { rowPaths, type RowPath, type RowStep } from './rowPath'
export { blowerAmps, motorsBehind } from './motors'
export { heaterRows, rowsBehind, unknownWatts, type HeaterRow } from './rows'
export {
  heatingVa,
  serviceLoad,
  serviceLoadOf,
  type ServiceAsked,
  type ServiceLoad,
  type ServiceMethod,
} from './service'
export { kitSequence, USUAL_STEP, type KitSequence, type SequenceEvent } from './sequence'
