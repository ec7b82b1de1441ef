export {
  JobContext,
  liveOf,
  ProofContext,
  StateContext,
  useJobScreen,
  useJobView,
  useLook,
  useNow,
  useProof,
  useSessionState,
  useSituationNow,
  type JobScreenValue,
} from './JobContext'
export {
  placeOfPath,
  sceneInAddress,
  showSceneInstant,
  setSituation,
  situations,
  usePlace,
  useStore,
  useWho,
} from './hooks'
export { sceneInstantOf, type SceneInstant } from './sceneInstant'
export { JobAnalyses } from './JobAnalyses'
export { LiveProof } from './LiveProof'

export { newWireId } from './newWireId'
export { loaded, type MarkSeen, type PlaceEntry, type PlaceMark } from './place'
export { watchOpenField } from './openField'
export { openSessionState, type LiveValue, type SessionState } from './sessionState'
export { useConflicts } from './useConflicts'
export { later, useFetchedIdle, whenIdle } from './whenIdle'
export { useDraft } from './useDraft'
export { useStamp } from './useStamp'
export { useSetValue } from './useSetValue'
