export { breakpointsOf, regionsOf } from './regions'
export {
  memoriesAt,
  reachableModes,
  ModeRows,
  reachableCombinations,
  stands,
  type ModeCombination,
} from './reachable'
export {
  abnormalCountOf,
  canFeel,
  callsOf,
  changedSituation,
  conditionsOf,
  conditionsOfModes,
  memoryState,
  modesKey,
  sameSituation,
  modesOf,
  conditionOf,
  modesWith,
  evalContextOf,
  type PlacedMode,
  type Situation,
} from './situation'
export {
  assignments,
  asUsual,
  assume,
  assumedDefaults,
  drives,
  oneChanged,
  unknownsOf,
  usualValues,
  whichMatter,
  type Unknown,
} from './unknowns'
