import type { Intent, Unknowable, Setting, Value } from '../equipment'
import { makeRef, settingValue, type Installation, type Placed, type Ref } from '../installation'
import { allowedOf, type Allowed } from './codec'

/** Groups of intents, by what they decide. */
export const INTENT_GROUPS = [
  'heat',
  'comfort',
  'protection',
  'defrost',
  'air',
  'owner',
  'reminders',
] as const
export type IntentGroup = (typeof INTENT_GROUPS)[number]

/** Every intent, by what it decides, in the order in which a technician thinks of them. */
export const INTENTS_BY_GROUP: Record<IntentGroup, readonly Intent[]> = {
  heat: [
    'system', 'backupSource', 'compressorStages', 'backupStages', 'rvSense', 'valveHold', 'inCharge', 'together',
    'outdoorSource', 'sourceLost', 'useCompressorLockout', 'compressorLockout', 'useAuxLockout', 'auxLockout',
    'changeover', 'outdoorSwitch', 'auxWithE', 'stripsWithHeatPump', 'stripOn', 'stripOff', 'kitSize', 'boardDelay',
    'faultHeat', 'selector',
  ],
  comfort: [
    'droop', 'upstageTimer', 'stageDifferential', 'cyclesHeatPump', 'cyclesBackup', 'earlyRecovery', 'autoChangeover',
    'deadBand', 'indoorSensor',
  ],
  protection: ['minimumOff', 'boardMinimumOff', 'furnaceHoldOff', 'powerRestart'],
  defrost: [
    'defrostInterval', 'earlyDefrost', 'longDefrost', 'stripsInDefrost', 'fanInDefrost', 'capacityDrift', 'boost',
  ],
  air: ['fanWithBackup', 'fanOverrunHeat', 'fanOverrunCool', 'fanOffDelay', 'staticClass', 'airflowTap', 'coldBlowDelay'],
  owner: [
    'scale', 'displayOffset', 'clock', 'daylightSaving', 'schedule', 'periods', 'rangeLow', 'rangeHigh', 'keypadLock',
  ],
  reminders: ['filterReminder', 'padReminder', 'lampReminder'],
} // prettier-ignore

/** An intent where a device of the job expresses it. */
export interface Expressed {
  at: Ref
  placed: Placed
  setting: Setting
  allowed: Allowed
  value: Unknowable<Value>
}

/** Settings that can express an intent in this job; empty: no device has one. */
export const expressedIn = (inst: Installation, intent: Intent): Expressed[] =>
  inst.placed.flatMap((placed) =>
    placed.device.settings
      .filter((s) => s.intent === intent)
      .map((setting) => ({
        at: makeRef(placed.ref, setting.id),
        placed,
        setting,
        allowed: allowedOf(placed.device, setting),
        value: settingValue(placed, setting.id),
      })),
  )
