import type { Conflict, Conflicting, SetupSeen } from './conflict'
import {
  backupSourceWrong, emergencyPath, inCharge, kitSize, noPower, selector, stages, staticClass, togetherAhead, valveSense,
} from './sharing' // prettier-ignore
import { feedNotOnline, heatGap, lockoutNoSource, profileMisfit, sensorNoConductors } from './sources'
import {
  cycles,
  droop,
  earlyRecovery,
  fanOffInDefrost,
  minimumOff,
  stripHysteresis,
  testsBlocked,
} from './timing'

/** Every conflict that is looked for, the gravest first. One without a fixture that raises it fails the test suite. */
export const CONFLICTS: readonly Conflict[] = [
  togetherAhead,
  heatGap,
  selector,
  valveSense,
  noPower,
  backupSourceWrong,
  inCharge,
  stages,
  emergencyPath,
  lockoutNoSource,
  sensorNoConductors,
  fanOffInDefrost,
  stripHysteresis,
  kitSize,
  staticClass,
  minimumOff,
  cycles,
  droop,
  earlyRecovery,
  profileMisfit,
  feedNotOnline,
  testsBlocked,
]

/** Every contradiction between gear, wiring, settings and what the owner said. */
export const conflictsIn = (seen: SetupSeen): Conflicting[] =>
  CONFLICTS.flatMap((c) => c.find(seen).map((f) => ({ conflict: c.id, ...f })))
