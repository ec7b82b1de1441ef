import type { TerminalRole, Value } from '../equipment'
import type { Ref } from '../installation'

/** Why a conductor lies where it does, for the words; only what is not obvious from its terminals has one. */
export type PlanWhy =
  | 'bypass' | 'auxThroughSwitch' | 'tempered' | 'temperedReturn' | 'jumperW' | 'jumperY' | 'jumperE' | 'jumperR' | 'isolated'
  | 'interlock' | 'airFirst' | 'fuelKit' | 'dryContact' | 'float' | 'monitor' | 'leak' | 'bus' | 'sensor' | 'zone'
  | 'oldCommon' | 'pair' | 'fanRelay' // prettier-ignore

/** Terminals that are to be one conductor, in the order in which the cable runs. */
export interface Net {
  role: TerminalRole
  points: Ref[]
  why?: PlanWhy
}

/** A setting and the value that it should have. */
export interface SettingFix {
  placed: string
  setting: string
  value: Value
}
/** A setting that the landing asks for. */
export interface PlanSetting extends SettingFix {
  why: PlanWhy | 'follows'
}

/** Requirements of a wiring practice that this equipment cannot meet. */
export type Unmet =
  | 'noThermostat' | 'noEquipment' | 'switchNeedsE' | 'switchOnBus' | 'kitMissing' | 'interlockMissing' | 'airMissing'
  | 'isolationMissing' | 'senseMissing' | 'leakMissing' | 'stageMissing'
  // Problems that only the landed plan's circuit shows.
  | 'fanMissing' | 'weakInput' | 'transformerSmall' // prettier-ignore

/** The technician's choices where good practitioners differ (each a school of practice). */
export interface WiringPractice {
  /** How emergency heat reaches the strips where the thermostat has an E of its own. */
  emergency: 'jumper' | 'setting'
  defrost: 'tempered' | 'cold'
  /** Who decides between heat pump and furnace. */
  fuel: 'thermostat' | 'kit' | 'stage'
}
/** Every choice of every school. */
export const WIRING_PRACTICES: { readonly [K in keyof WiringPractice]: readonly WiringPractice[K][] } = {
  defrost: ['tempered', 'cold'],
  emergency: ['setting', 'jumper'],
  fuel: ['thermostat', 'kit', 'stage'],
}
export const USUAL: WiringPractice = { emergency: 'setting', defrost: 'tempered', fuel: 'thermostat' }
