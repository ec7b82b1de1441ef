import type { Intent } from '../equipment'

/** A word that rules and wiring go by, and what else a manual may call it. */
type Meanings = Readonly<Record<string, readonly string[]>>

const ON_OFF: Meanings = {
  on: ['yes', 'enabled', 'enable', 'active', 'used'],
  off: ['no', 'disabled', 'disable', 'none', 'not used'],
}
const YES_NO: Meanings = {
  yes: ['on', 'enabled', 'allowed', 'together'],
  no: ['off', 'disabled', 'not allowed', 'never', 'locked out'],
}
const STAGES: Meanings = {
  '1': ['one', 'single', 'one stage', 'single stage', '1 stage'],
  '2': ['two', 'two stages', 'two stage', '2 stages', '2 stage'],
  '3': ['three', 'three stages', 'three stage', '3 stages', '3 stage'],
  '0': ['none', 'no backup'],
}

/** Names that manuals give the options of an intent, beside the options' own names. */
const ALSO: Partial<Record<Intent, Meanings>> = {
  system: {
    heatPump: ['heat pump', 'hp', 'heat pump, electric backup'],
    dualFuel: ['dual fuel', 'heat pump and furnace', 'heat pump with furnace'],
    conventional: ['furnace', 'furnace or cooling', 'not a heat pump', 'heat and cool'],
  },
  backupSource: {
    electric: ['strips', 'electric strips', 'electric heat'],
    gas: ['natural gas', 'fossil', 'fossil fuel'],
    lp: ['propane', 'lp gas', 'bottled gas'],
    oil: ['fuel oil'],
  },
  inCharge: {
    thermostat: ['controller', 'this thermostat'],
    kit: ['external kit', 'fuel kit', 'external', 'fossil fuel kit'],
    stage: ['stages', 'staging', 'by stage', 'stage-driven'],
  },
  rvSense: {
    cooling: ['cool', 'o', 'energised in cooling', 'energized in cooling', 'on in cooling'],
    heating: ['heat', 'b', 'energised in heating', 'energized in heating', 'on in heating'],
  },
  outdoorSource: {
    none: ['off', 'no', 'nothing', 'not used'],
    display: ['display only', 'wired, display only', 'shown only'],
    wired: ['wired sensor', 'sensor', 'wired, control', 'wired control'],
    feed: ['weather feed', 'weather', 'internet', 'online'],
  },
  sourceLost: {
    noLockouts: ['no lockouts', 'no lockout', 'ignore lockouts'],
    backupOnly: ['backup only', 'backup', 'heat pump off'],
    lastValue: ['last value', 'hold last', 'last known'],
  },
  useCompressorLockout: ON_OFF,
  useAuxLockout: ON_OFF,
  faultHeat: ON_OFF,
  earlyRecovery: ON_OFF,
  autoChangeover: ON_OFF,
  earlyDefrost: ON_OFF,
  longDefrost: ON_OFF,
  capacityDrift: ON_OFF,
  boost: { ...ON_OFF, auto: ['automatic'] },
  fanInDefrost: ON_OFF,
  together: YES_NO,
  stripsWithHeatPump: YES_NO,
  stripsInDefrost: YES_NO,
  compressorStages: STAGES,
  backupStages: STAGES,
  auxWithE: {
    together: ['drive both', 'both', 'aux and e', 'joined', 'yes', 'on'],
    separate: ['separately', 'apart', 'no', 'off', 'e alone'],
  },
  fanWithBackup: {
    thermostat: ['electric', 'thermostat runs the fan', 'on', 'yes', 'fan with heat'],
    equipment: ['gas', 'gas or oil', 'furnace', 'equipment runs the fan', 'off', 'no'],
  },
  selector: { bus: ['communicating', 'data bus', 'serial'], '24V': ['24 v', '24v', 'conventional', 'wired'] },
  keypadLock: {
    none: ['off', 'unlocked', 'no'],
    partial: ['partly', 'setpoint only'],
    full: ['on', 'all', 'locked'],
  },
  coil: {
    after: ['after the furnace', 'downstream', 'after the heat', 'above'],
    before: ['before the furnace', 'upstream', 'before the heat', 'ahead', 'below'],
  },
  airPosition: {
    ahead: ['ahead of the coil', 'before', 'before the coil', 'between furnace and coil'],
    after: ['after the coil', 'behind', 'downstream'],
  },
  gasSwitch: {
    none: ['no', 'not fitted', 'absent'],
    pressure: ['pressure switch circuit', 'with the pressure switch'],
    flame: ['flame sense circuit', 'elsewhere', 'flame'],
  },
  fuel: { natural: ['natural gas', 'ng', 'gas'], lp: ['propane', 'lp gas', 'lpg'], oil: ['fuel oil'] },
}

/** The option that a meaning of a manual stands for, such as "LP" for the fuel; null: none of them. */
export function meaningFor(intent: Intent, written: string): string | null {
  const text = written.trim().toLowerCase()
  const found = Object.entries(ALSO[intent] ?? {}).find(
    ([id, others]) => id.toLowerCase() === text || others.includes(text),
  )
  return found?.[0] ?? null
}
