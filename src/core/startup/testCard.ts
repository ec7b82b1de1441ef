import type { GateIntent } from '../crossing'
import type { Call } from '../equipment'
import type { Ref, SettingChange } from '../installation'
import type { Situation } from '../situation'
import type { Past } from '../time'
import type { DegF } from '../units'

/** The droop that a step stays below, or passes, °F; `taken`: nobody set one, and it is the usual. */
export interface DroopLimit {
  droopF: number
  passes: boolean
  taken?: true
}

/** Steps that bring up a card's operating state. */
export type TestStep =
  /** Room and setpoint apart by so many degrees; `limit`: the droop that it must stay below, or has to pass. */
  | {
      kind: 'setpoint'
      way: 'raise' | 'lower'
      byF: number
      limit: DroopLimit | null
    }
  /** The step cannot stay below the droop: backup comes with it. */
  | { kind: 'backupComesToo'; droopF: number }
  | { kind: 'mode'; mode: 'fan' | 'emergency' | 'off' }
  /** The device's own installer test, in its words. */
  | { kind: 'installerTest'; at: Ref; text: string }
  | { kind: 'moveSetting'; at: Ref; was: number; to: number }
  /** The bulb of a switch that is set above 32 °F, in ice water. */
  | { kind: 'iceBath'; at: Ref }
  /** The sensor in a cup of water at this temperature, with a thermometer beside it. */
  | { kind: 'warmBath'; at: Ref; forF: number }
  /** A resistor in place of the sensor, whose lead is lifted: the ohms that the sensor has at that temperature. */
  | { kind: 'resistor'; at: Ref; forF: number; ohms: number }
  | { kind: 'forceDefrost'; speedUp: number | null; minutes: number | null }
  /** A jumper across the coil thermostat, put in and taken out with the power off: what a mild day needs. */
  | { kind: 'jumperCoil'; at: Ref }
  | { kind: 'jumperCoilOut'; at: Ref }
  /** A demand board's own test, in its words: its thermistors are never jumpered. */
  | { kind: 'boardDefrostTest'; text: string | null }
  | { kind: 'pour'; at: Ref }
  | { kind: 'leakTest'; at: Ref }
  | { kind: 'closeGas'; at: Ref }
  | { kind: 'compareSensor'; at: Ref }
  | { kind: 'callOffAndOn' }
  | { kind: 'meterSupply' }
  /** Power on the crankcase heater for so long before the first start; null: nobody knows how long. */
  | { kind: 'crankcase'; at: Ref; hours: number | null }
  /** An inverter gives what the load needs: readings mean something at its forced speed only. `text`: its maker's way. */
  | { kind: 'forcedSpeed'; at: Ref; text: string | null }
  | { kind: 'lookOutdoors'; what: OutdoorLook }

/** Whether a card can be tried today, or what weather it waits for, or why it never can be here. */
export type Today =
  | { can: true; brief: boolean }
  | { can: false; why: 'tooWarm' | 'tooCold'; untilF: number }
  | { can: false; why: 'settingUnknown'; at: Ref }
  /** The compressor is locked out at this temperature, and it is the compressor's doing that is tried. */
  | { can: false; why: 'heldOff' }
  /** As wired it runs in this call at no temperature. */
  | { can: false; why: 'neverRuns' }

/** Checks around an outdoor unit: drainage, snow, clearance, pan heater. */
export const OUTDOOR_LOOKS = ['drainage', 'snow', 'clearance', 'panHeater'] as const
export type OutdoorLook = (typeof OUTDOOR_LOOKS)[number]

export type CardKind =
  'supply' | 'sensor' | 'call' | 'gate' | 'defrost' | 'minimumOff' | 'float' | 'leak' | 'lowGas' | 'outdoors'

/** A test: an operating state to bring up and check. */
export interface TestCard {
  id: string
  kind: CardKind
  /** The gate's setting, the switch or the sensor. */
  at?: Ref
  intent?: GateIntent
  /** A defrost that is forced on a mild day: it proves neither the coil thermostat nor the melting. */
  isForced?: true
  situation: Situation
  /** Settings that are changed temporarily for the test; a setting that cannot be changed on the device is only assumed so. */
  moved: readonly SettingChange[]
  steps: TestStep[]
  /**
   * Loads that must run, and those of the heat sources that must not; `open`: those that do or do not by what is not known yet.
   * null: the circuit does not settle.
   */
  expected: { runs: Ref[]; stays: Ref[]; open: Ref[] } | null
  today: Today
  /** Calls just before this one, in the order of the plan: waits depend on them. */
  past: Past
}

/** A card as it is laid out, before it is solved. */
export type Card = Omit<TestCard, 'moved' | 'past' | 'expected'> & {
  moved?: readonly SettingChange[]
  past?: Past
}
export const TODAY: Today = { can: true, brief: false }
export const situationAt = (call: Call, outdoorF: DegF, modes: Situation['modes'] = {}): Situation => ({
  call,
  outdoorF,
  modes,
})
