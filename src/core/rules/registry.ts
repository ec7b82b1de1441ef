import { backupOnFault, stripLockout } from './backupHabits'
import { airSide } from './airSide'
import { auxHeldOff } from './auxHeldOff'
import { backupCalls } from './backupCalls'
import { boardsPowered } from './boardsPowered'
import { burnerNeedsBlower } from './burnerNeedsBlower'
import { blowerLead } from './blowerLead'
import { blowerSpeed } from './blowerSpeed'
import { coilVolts } from './coilVolts'
import { compressorNeedsBlower } from './compressorNeedsBlower'
import { coolRuns } from './coolRuns'
import { defrostIntent } from './defrostIntent'
import { defrostNoBurner } from './defrostNoBurner'
import { defrostTempered } from './defrostTempered'
import { emergencyHeat } from './emergencyHeat'
import { factorySettings } from './factorySettings'
import { fanRuns } from './fanRuns'
import { floatStops } from './floatStops'
import { grounded } from './grounded'
import { heatAheadOfCoil } from './heatAheadOfCoil'
import { heatPumpHeats } from './heatPumpHeats'
import { hotCoil } from './hotCoil'
import { humidifierHeat } from './humidifierHeat'
import { kitAirflow } from './kitAirflow'
import { leakStopsHeat } from './leakStopsHeat'
import { lineCircuits } from './lineCircuits'
import { lowGas } from './lowGas'
import { monitorStops } from './monitorStops'
import { noChatter } from './noChatter'
import { noParallel } from './noParallel'
import { noShort } from './noShort'
import { pairing } from './pairing'
import { plateAdds } from './plateAdds'
import { polarity } from './polarity'
import { quietUncalled } from './quietUncalled'
import { rowsReachable } from './rowsReachable'
import { busCalls, selectorMatches } from './selectorMatches'
import { someHeat } from './someHeat'
import { spareLeft } from './spareLeft'
import { stagesReachable } from './stagesReachable'
import { stripsNeedBlower } from './stripsNeedBlower'
import { thermostatPowered } from './thermostatPowered'
import { transformerLoad } from './transformerLoad'
import { valveRight } from './valveRight'
import { wireDetect } from './wireDetect'

import { sensor, lockoutSource } from './sensor'
import {
  backupSourceWrong,
  emergencyPath,
  inCharge,
  kitSize,
  noPower,
  staticClass,
  togetherAhead,
  valveSense,
} from './sharing'
import { feedNotOnline, heatGap, profileMisfit } from './sources'
import { stages } from './stages'
import { tapFits } from './tapFits'
import { systemFamily } from './systemFamily'
import {
  cycles,
  droop,
  earlyRecovery,
  fanOffInDefrost,
  minimumOff,
  stripHysteresis,
  testsBlocked,
} from './timing'
import type { Rule } from './rule'
/** Every rule, the gravest first. A code without a fixture that raises it fails the suite, one without words the build. */
const ALL = [
  noShort,
  noParallel,
  heatAheadOfCoil,
  hotCoil,
  stripsNeedBlower,
  burnerNeedsBlower,
  leakStopsHeat,
  lowGas,
  selectorMatches,
  busCalls,
  defrostNoBurner,
  emergencyHeat,
  someHeat,
  noChatter,
  valveRight,
  heatPumpHeats,
  coolRuns,
  fanRuns,
  quietUncalled,
  compressorNeedsBlower,
  blowerSpeed,
  kitAirflow,
  backupCalls,
  rowsReachable,
  stagesReachable,
  togetherAhead,
  heatGap,
  valveSense,
  noPower,
  tapFits,
  grounded,
  polarity,
  lineCircuits,
  stages,
  sensor,
  lockoutSource,
  systemFamily,
  backupSourceWrong,
  inCharge,
  emergencyPath,
  fanOffInDefrost,
  defrostIntent,
  stripHysteresis,
  kitSize,
  airSide,
  coilVolts,
  transformerLoad,
  thermostatPowered,
  boardsPowered,
  floatStops,
  monitorStops,
  humidifierHeat,
  auxHeldOff,
  blowerLead,
  backupOnFault,
  stripLockout,
  defrostTempered,
  wireDetect,
  spareLeft,
  staticClass,
  minimumOff,
  cycles,
  droop,
  earlyRecovery,
  factorySettings,
  pairing,
  plateAdds,
  profileMisfit,
  feedNotOnline,
  testsBlocked,
] as const

export const RULES: readonly Rule[] = ALL
export type RuleId = (typeof ALL)[number]['id']
/** Everything that some rule can say. */
export type RuleCode = (typeof ALL)[number]['codes'][number]
