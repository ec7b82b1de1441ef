export {
  BoardContext,
  JobContext,
  LiveProofContext,
  ProofContext,
  SituationContext,
  StoreContext,
  useBoard,
  useJobScreen,
  useJobStore,
  useJobView,
  useLiveProof,
  useLook,
  useProof,
  useProofNow,
  useSituationNow,
  ViewContext,
  type JobScreenValue,
  type SituationValue,
} from './JobContext'
export {
  placeOfPath,
  setSituation,
  situations,
  useCalm,
  useMark,
  usePlace,
  useSituation,
  useStore,
  useWho,
} from './hooks'
export { JobAnalyses } from './JobAnalyses'
export { LiveBoard, type LiveValue, type Source } from './LiveBoard'
export { LiveProof, type Proven } from './LiveProof'
export { terminalVolts, wireState, type TerminalVolts } from './liveness'
export { newWireId } from './newWireId'
export { type MarkSeen, type PlaceEntry, type PlaceMark } from './place'
