import type { Intent, Value } from '../equipment'

/** Schools of practice: each a whole group of intents. */
export const STRATEGIES = [
  'runAlways', 'fixedLine', 'comfortSwitch', 'breakEven', 'stageDriven', 'emergencyOnly', 'temperedDefrost',
  'coldDefrost', 'fiveMinutes', 'twoMinutes',
] as const // prettier-ignore
export type Strategy = (typeof STRATEGIES)[number]

/** °F that the schools which have a number by habit go by. */
export const HABIT = { auxAbove: 40, fixedCompressor: 32, fixedAux: 50, comfort: 45 } as const
/** Δ°F over the balance point above which the first school holds backup off. */
export const ABOVE_BALANCE = 3

export const STRATEGY_INTENTS: Record<Strategy, Partial<Record<Intent, Value>>> = {
  // Its aux lockout is worked out from the balance point where that is known.
  runAlways: {
    useCompressorLockout: 'off', useAuxLockout: 'on', auxLockout: HABIT.auxAbove, outdoorSwitch: HABIT.auxAbove,
    changeover: 0,
  },
  fixedLine: {
    useCompressorLockout: 'on', compressorLockout: HABIT.fixedCompressor, useAuxLockout: 'on',
    auxLockout: HABIT.fixedAux, outdoorSwitch: HABIT.fixedAux, changeover: HABIT.fixedCompressor,
  },
  comfortSwitch: { useCompressorLockout: 'off', useAuxLockout: 'off', changeover: HABIT.comfort },
  // Its changeover is worked out from prices and ratings.
  breakEven: { useCompressorLockout: 'off', useAuxLockout: 'off' },
  stageDriven: { inCharge: 'stage', useCompressorLockout: 'off', useAuxLockout: 'off' },
  emergencyOnly: {
    useCompressorLockout: 'off', useAuxLockout: 'on', auxLockout: 0, outdoorSwitch: 0, stripsWithHeatPump: 'no',
    stripsInDefrost: 'no',
  },
  temperedDefrost: { stripsInDefrost: 'yes', fanInDefrost: 'on' },
  coldDefrost: { stripsInDefrost: 'no', fanInDefrost: 'off' },
  fiveMinutes: { minimumOff: 5, boardMinimumOff: 5 },
  twoMinutes: { minimumOff: 2 },
} // prettier-ignore
