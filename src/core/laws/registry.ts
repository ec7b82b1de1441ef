import { airSide } from './airSide'
import { auxHeldOff } from './auxHeldOff'
import { blowerSpeed } from './blowerSpeed'
import { coilVolts } from './coilVolts'
import { compressorNeedsBlower } from './compressorNeedsBlower'
import { coolRuns } from './coolRuns'
import { defrostNoBurner } from './defrostNoBurner'
import { defrostTempered } from './defrostTempered'
import { emergencyHeat } from './emergencyHeat'
import { floatStops } from './floatStops'
import { heatAheadOfCoil } from './heatAheadOfCoil'
import { hotCoil } from './hotCoil'
import { humidifierHeat } from './humidifierHeat'
import type { Law } from './law'
import { leakStopsHeat } from './leakStopsHeat'
import { lowGas } from './lowGas'
import { noChatter } from './noChatter'
import { noParallel } from './noParallel'
import { noShort } from './noShort'
import { quietUncalled } from './quietUncalled'
import { rowsReachable } from './rowsReachable'
import { selectorMatches } from './selectorMatches'
import { settingsMatch } from './settingsMatch'
import { someHeat } from './someHeat'
import { spareLeft } from './spareLeft'
import { stagesReachable } from './stagesReachable'
import { stripsNeedBlower } from './stripsNeedBlower'
import { thermostatPowered } from './thermostatPowered'
import { transformerLoad } from './transformerLoad'
import { valveRight } from './valveRight'
import { wireDetect } from './wireDetect'

/** Every law, the gravest first. A law without a fixture that breaks it fails the test suite. */
export const LAWS: readonly Law[] = [
  noShort,
  noParallel,
  heatAheadOfCoil,
  hotCoil,
  stripsNeedBlower,
  leakStopsHeat,
  lowGas,
  selectorMatches,
  defrostNoBurner,
  emergencyHeat,
  someHeat,
  noChatter,
  valveRight,
  coolRuns,
  quietUncalled,
  compressorNeedsBlower,
  blowerSpeed,
  rowsReachable,
  stagesReachable,
  settingsMatch,
  airSide,
  coilVolts,
  transformerLoad,
  thermostatPowered,
  floatStops,
  humidifierHeat,
  auxHeldOff,
  defrostTempered,
  wireDetect,
  spareLeft,
]
