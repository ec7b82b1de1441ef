export { makesHeatAhead, mayTemper } from './ahead'
export { farEnds, landedAt } from './settings'
export { isCopper, joinedByCopper, wiredNet } from './copper'
export { JoinedRefs } from './JoinedRefs'
export { usualBackupCycles, USUAL_CYCLES } from './cycles'
export { defrostOutputs, landedOutputs, temperingContacts } from './defrostOutputs'
export { breakerOf, feedsOf, isLeg, serviceVolts } from './feeds'
export { burnersOf, kitWattsAt, stripLoad } from './heatParts'
export { aheadTargets, hasBurner, hasCompressor, hasStrips, onStripsAlone } from './heatSources'
export {
  intentOf,
  isFelt,
  isLanded,
  having,
  settingsWith,
  terminalsWith,
  unknownSettings,
  type SettingAt,
} from './settings'
export { lowSpeedIsEnough } from './air'
export { targetsOf, type Target } from './targets'
export { defrostStarts, type DefrostStart } from './defrost'
