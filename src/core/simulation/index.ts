export { scenesOf, sceneInput, SCENES, type Scene, type SceneOptions } from './scenes'
export { simulate, type Simulation, type SimulationInput } from './simulate'
export type { Sample } from './input'
export { noSums, type BackupCause, type Sums } from './sums'
export {
  airOf,
  kwhOf,
  winterOf,
  wintersAgainst,
  worksAgainst,
  WINTER_DAYS,
  type Against,
  type Habit,
  type Winter,
  type WinterOptions,
} from './winter'
export { variationKey, variationsOf, withVariation, type Variation } from './variations'
export { pinDays, type PinDay } from './pins'
export type { SiteFault } from './siteFault'
export {
  customSceneText,
  readCustomScene,
  type SceneEvent,
  type SceneProblem,
  type SceneEventKind,
} from './customScene'
export type { System } from './wall'
export {
  sampleAt,
  stepAt,
  stretchesOf,
  tapeOf,
  waitingAt,
  type Tape,
  type TapeStep,
  type Waiting,
} from './tape'
export { frostDrop, frostOver, melt, standStill, toward, type Coil } from './coil'
export { ESTIMATES } from './estimates'
export { Network } from './network'
export { COIL_JUMPER } from './siteFault'
export { sceneNotes, type SceneNote } from './notes'
