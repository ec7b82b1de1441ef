import type { Call } from './call'
import type { DraftKind } from './kinds/draftKind'
import type { BlowerSpeed } from './part'

/** A heater row as its label says: watts at 240 V, the terminal that brings it on, the line circuit that feeds it. */
export interface DraftRow {
  watts: number
  by: 'W1' | 'W2' | 'W3'
  circuit: 1 | 2 | 3
}

/** A device that no library has, as a technician describes it from its paper: what it is called, its terminals, what it does. */
export interface DeviceDraft {
  kind: DraftKind
  name: string
  /** Model and suffix on the plate. */
  model: string
  /** Id of the library device that it was started from; '' where it was described from nothing. */
  from: string
  /** Low-voltage terminals that it has, of those offered for its kind. */
  terminals: string[]
  /** Thermostat: for each demand, the terminals that it connects to R. O/B is set by its own setting. */
  outputs: Partial<Record<Call, string[]>>
  /** Thermostat: it runs on batteries, and needs no C. */
  batteries: boolean
  /** Thermostat: what its minimum-off timer does when it loses its power; nobody knows: the longest wait is taken. */
  timerPower: 'unknown' | 'anew' | 'goesOn' | 'clears'
  /** Thermostat: it can hold compressor and backup off by an outdoor temperature. */
  lockouts: boolean
  /** Thermostat: it can change over to a furnace by an outdoor temperature. */
  dualFuel: boolean
  /** Outdoor unit and O/B thermostat: the valve is energised in. */
  rvSense: 'cooling' | 'heating'
  /** Outdoor unit: W sends 24 V indoors in defrost; on a fault lockout as well. Packaged: strips in defrost. */
  defrostW: boolean
  faultHeat: boolean
  inverter: boolean
  /** Outdoor unit: its board compares two sensors and defrosts on demand; else by run time. */
  demandDefrost: boolean
  /** Defrost interval pins, min: least, most and the step between; the same twice where there are none. */
  pinsLeast: number
  pinsMost: number
  pinsStep: number
  /** VA of the compressor at its rated load, of its contactor coil, of the blower at its highest speed, of the transformer. */
  compressorVa: number
  contactorVa: number
  blowerVa: number
  transformerVa: number
  /** From the plate: A; tons of cooling. 0 where it does not say. */
  mca: number
  mocpA: number
  tons: number
  /** Air handler: what heats in it: nothing, rows of its own, a kit that plugs in. */
  heat: 'none' | 'rows' | 'kit'
  /** Its board has several speeds; W starts the blower by itself; Y at the board starts a blower of one speed. */
  severalSpeeds: boolean
  blowerOnW: boolean
  blowerOnY: boolean
  /** Blower off delay, s: the most that can be set; 0 where there is none. */
  delayMost: number
  /** Strips: the rows, what switches them, whether each has a fuse link, whether the first contact feeds the blower. */
  rows: DraftRow[]
  switchedBy: 'sequencer' | 'relay'
  fuseLinks: boolean
  interlock: boolean
  /** s until the last contact is in. */
  stepSeconds: number
  /** The least that a kit may heat: CFM (0: not said) and blower speed. */
  leastCfm: number
  leastSpeed: 'any' | BlowerSpeed
  /** Fuel of the burner, or electric; position of the low-gas switch; whether the coil is after the burner. */
  fuel: 'natural' | 'lp' | 'oil' | 'electric'
  gasSwitch: 'none' | 'pressure' | 'flame'
  coilAfter: boolean
  /** BTU/h, %, °F; 0 where the plate does not say. */
  inputBtuh: number
  efficiency: number
  riseLow: number
  riseHigh: number
  /** The maker's instruction lets the burner temper a defrost; lets compressor and burner heat together. */
  temperDefrost: boolean
  together: boolean
  /** Switch: what opens it; °F: one that opens on warmth closes below this. */
  opens: 'water' | 'trip' | 'warm'
  closesBelowF: number
}
