import type { Intent } from './device'

const ON_OFF = ['on', 'off'] as const
const YES_NO = ['yes', 'no'] as const
const STAGES = ['1', '2', '3', '0'] as const

/**
 * Options of every intent whose options have an effect in the core. An intent that is not listed takes the device's own
 * options.
 */
const MEANINGS: Partial<Record<Intent, readonly string[]>> = {
  system: ['heatPump', 'dualFuel', 'conventional'],
  backupSource: ['electric', 'gas', 'lp', 'oil'],
  inCharge: ['thermostat', 'kit', 'stage'],
  rvSense: ['cooling', 'heating'],
  outdoorSource: ['none', 'display', 'wired', 'feed'],
  sourceLost: ['noLockouts', 'backupOnly', 'lastValue'],
  useCompressorLockout: ON_OFF,
  useAuxLockout: ON_OFF,
  faultHeat: ON_OFF,
  earlyRecovery: ON_OFF,
  autoChangeover: ON_OFF,
  earlyDefrost: ON_OFF,
  longDefrost: ON_OFF,
  capacityDrift: ON_OFF,
  boost: [...ON_OFF, 'auto'],
  fanInDefrost: ON_OFF,
  together: YES_NO,
  stripsWithHeatPump: YES_NO,
  stripsInDefrost: YES_NO,
  compressorStages: STAGES,
  backupStages: STAGES,
  auxWithE: ['together', 'separate'],
  fanWithBackup: ['thermostat', 'equipment'],
  selector: ['bus', '24V'],
  keypadLock: ['none', 'partial', 'full'],
  coil: ['after', 'before'],
  airPosition: ['ahead', 'after'],
  gasSwitch: ['none', 'pressure', 'flame'],
  fuel: ['natural', 'lp', 'oil'],
}

/** Unit that rules use for every intent that is a number in the core. */
const UNITS: Partial<Record<Intent, Unit>> = {
  compressorLockout: '°F',
  auxLockout: '°F',
  changeover: '°F',
  outdoorSwitch: '°F',
  rangeLow: '°F',
  rangeHigh: '°F',
  droop: 'Δ°F',
  stageDifferential: 'Δ°F',
  deadBand: 'Δ°F',
  displayOffset: 'Δ°F',
  stripOn: 'Δ°F',
  stripOff: 'Δ°F',
  upstageTimer: 'min',
  minimumOff: 'min',
  boardMinimumOff: 'min',
  furnaceHoldOff: 'min',
  defrostInterval: 'min',
  boardDelay: 'min',
  fanOverrunHeat: 's',
  fanOverrunCool: 's',
  fanOffDelay: 's',
  coldBlowDelay: 's',
  cyclesHeatPump: '1/h',
  cyclesBackup: '1/h',
  filterReminder: 'months',
}
type Unit = '°F' | 'Δ°F' | 'min' | 's' | '1/h' | 'months'

/** Other ways of writing a unit. */
const WRITTEN: Record<Unit, readonly string[]> = {
  '°F': ['f', 'deg f', 'degrees', '°'],
  'Δ°F': ['°f', 'f', 'deg f', 'degrees', '°'],
  min: ['mins', 'minute', 'minutes'],
  s: ['sec', 'secs', 'second', 'seconds'],
  '1/h': ['per hour', 'an hour', 'cycles', 'cycles an hour', '/h'],
  months: ['month', 'mo'],
}

/** The options that decide something for an intent; null: whatever the device calls them. */
export const meaningsOf = (intent: Intent | undefined): readonly string[] | null =>
  (intent && MEANINGS[intent]) ?? null

/** The unit that an intent is counted in; null: it is no figure, or its unit is the device's own. */
export const unitOf = (intent: Intent | undefined): string | null => (intent && UNITS[intent]) ?? null

/** Whether a written unit is that one, as people write it. */
export function isUnit(unit: string, written: string): boolean {
  const text = written.trim().toLowerCase()
  return (
    text === unit.toLowerCase() ||
    (WRITTEN[unit as Unit] as readonly string[] | undefined)?.includes(text) === true
  )
}
