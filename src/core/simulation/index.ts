export { scenesOf, sceneInput, SCENES, type Scene, type SceneOptions } from './scenes'
export { simulate, type Simulation, type SimulationInput } from './simulate'
export type { Sample } from './home'
export { BACKUP_CAUSES, type BackupCause, type Sums } from './sums'
export { Machine } from './machine'
export {
  airOf,
  kwhOf,
  winterOf,
  worksAgainst,
  WINTER_DAYS,
  type Against,
  type Habit,
  type Winter,
  type WinterOptions,
} from './winter'
