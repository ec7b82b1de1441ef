import type { Call } from './call'
import type { Expr } from './expr/expr'
import type { ModeCondition } from './condition'
import type { DeviceDraft } from './deviceDraft'
import type { Demand } from './demand'
import type { Profile } from './profile'
import type { Part } from './part'
import type { DeviceKind } from './kinds'
import type { Plate } from './plate'
import type { TerminalRole } from './roles'
import type { Transition } from './transition'
import type { Value } from './value'

/** A place where a conductor can be landed; also a node of the circuit. */
export interface Terminal {
  id: string
  label: string
  /** low: 24 V; line: 120 to 240 V. */
  side: 'low' | 'line'
  role: TerminalRole
  /** A configurable terminal: what it is for by the value of a setting of the device; else its `role`. */
  roleBy?: { set: string; roles: Record<string, TerminalRole> }
  about?: string
}

/** Something that can be set on the device, or read from its plate. */
export interface Setting {
  id: string
  label: string
  group: 'plate' | 'set'
  kind: 'choice' | 'number'
  /**
   * `loses`: what the pair no longer does with this option, such as modulation on 24 V wiring. `inert`: why this option does
   * what the default does.
   */
  options?: { id: string; label: string; loses?: string; inert?: string }[]
  /** Lowest and highest value the device takes, in `unit`. */
  range?: [number, number]
  step?: number
  unit?: string
  default: Value
  /**
   * Other factory defaults, the first that fits: for models and revisions with this text on the plate, or while another
   * setting of the device has one of these values.
   */
  defaultFor?: ({ model: string; value: Value } | { set: string; is: Value[]; value: Value })[]
  about?: string
  /** Why nothing in Gate Cross depends on it, in one sentence; left out: something does, and a test moves it to see. */
  inert?: string
  /** The setting's purpose, in words that rules understand; a device may name and code it in its own way. */
  intent?: Intent
  /** Over a bus, another device says it: the value is that of its setting with this intent, where there is one. */
  follows?: Intent
}

/** Purposes of settings, as technicians think of them, whatever a device calls them. */
export const INTENTS = [
  // who heats when
  'system', 'backupSource', 'inCharge', 'compressorStages', 'backupStages', 'rvSense', 'together', 'outdoorSource',
  'sourceLost', 'useCompressorLockout', 'compressorLockout', 'useAuxLockout', 'auxLockout', 'changeover', 'auxWithE',
  'boardDelay', 'faultHeat', 'stripsWithHeatPump', 'stripOn', 'stripOff', 'kitSize', 'selector', 'outdoorSwitch',
  // comfort
  'droop', 'upstageTimer', 'stageDifferential', 'cyclesHeatPump', 'cyclesBackup', 'earlyRecovery', 'autoChangeover',
  'deadBand', 'indoorSensor',
  // protection
  'minimumOff', 'powerRestart', 'boardMinimumOff', 'furnaceHoldOff',
  // defrost
  'defrostInterval', 'earlyDefrost', 'longDefrost', 'stripsInDefrost', 'fanInDefrost', 'capacityDrift', 'boost',
  // air
  'fanWithBackup', 'fanOverrunHeat', 'fanOverrunCool', 'staticClass', 'airflowTap', 'fanOffDelay', 'coldBlowDelay',
  // the owner's preferences
  'rangeLow', 'rangeHigh', 'keypadLock', 'displayOffset', 'scale', 'clock', 'daylightSaving', 'schedule', 'periods',
  'valveHold',
  // reminders
  'filterReminder', 'padReminder', 'lampReminder',
  // what is on the plate or in the ducts
  'coil', 'gasSwitch', 'fuel', 'airPosition',
] as const // prettier-ignore
export type Intent = (typeof INTENTS)[number]

/** A state of a device that time or an event changes. The first state is the normal one. */
export interface Mode {
  id: string
  label: string
  states: {
    id: string
    label: string
    condition?: ModeCondition
    /** When the state can occur; "failure": only when a part has failed. The normal state needs none. */
    reach?: Expr | 'always' | 'failure'
  }[]
  /** How time moves it from state to state; left out: only events do. The first that is due goes first. */
  transitions?: Transition[]
}

/** A device as data: its behaviour too. Nothing in the code knows a device by its id. */
export interface Device {
  format: 'gatecross.device'
  version: 2
  id: string
  kind: DeviceKind
  name: string
  /** Model suffixes and revisions that this description fits. */
  fits: string[]
  about?: string
  terminals: Terminal[]
  parts: Part[]
  settings: Setting[]
  modes: Mode[]
  /** Demands that this device can make; only thermostats have any. */
  calls?: { call: Call; label?: string; when?: Expr }[]
  /** How room and setpoint become calls; what is left out follows the settings. */
  demand?: Demand
  plate: Plate
  /** The form that it was made from, to be changed again; what is usual for the kind is left out. */
  draft?: Partial<DeviceDraft> & Pick<DeviceDraft, 'kind'>
  /** How its settings are keyed in; left out where there is nothing to key. */
  profile?: Profile
  /** Other ways of keying the same settings, where it has several. */
  otherProfiles?: Profile[]
}

/** Every way in which a device can be keyed. */
export const profilesOf = (device: Device): Profile[] =>
  device.profile ? [device.profile, ...(device.otherProfiles ?? [])] : []

/** The normal state of a mode: its first. */
export const normalState = (mode: Mode): string => mode.states[0]?.id ?? 'normal'
