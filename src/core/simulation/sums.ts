/** Causes of backup; `uncalled`: it runs on a call that asks for none, with the heat pump running. */
export type BackupCause =
  'droop' | 'upstage' | 'recovery' | 'defrost' | 'emergency' | 'lockedOut' | 'uncalled'

/** Totals of a stretch of time. */
export interface Sums {
  hours: number
  /** kWh by what drew it. */
  heatPumpKwh: number
  stripKwh: number
  blowerKwh: number
  /** The part of it that an oil burner's motor or a gas burner's inducer drew: it warms nothing. */
  motorKwh: number
  /** BTU of fuel burned, and of heat that came of it. */
  fuelBtu: number
  burnerBtu: number
  /** BTU that the heat pump gave; what it took from the house in defrosts. */
  heatPumpBtu: number
  defrostBtu: number
  /** BTU that the house lost to outdoors, and was given by sun, people and appliances. */
  lostBtu: number
  gainsBtu: number
  /** h for which a compressor, strips, a burner ran. */
  compressorHours: number
  stripHours: number
  burnerHours: number
  /** h of backup by what brought it. */
  backupHours: Record<BackupCause, number>
  starts: number
  /** s: the shortest that a compressor stood still between two starts; Infinity: it did not start twice. */
  shortestOff: number
  defrosts: number
  /** Defrosts that the board's time ended. */
  defrostsByTime: number
  /** lb of frost at the most. */
  mostFrostLb: number
  coldestF: number
  coldestAt: number
  /** h more than a degree below the setpoint. */
  belowHours: number
  /** h of the blower, and its starts, in the two hours before somebody wakes. */
  wakingHours: number
  wakingStarts: number
}

export const noSums = (): Sums => ({
  hours: 0,
  heatPumpKwh: 0,
  stripKwh: 0,
  blowerKwh: 0,
  motorKwh: 0,
  fuelBtu: 0,
  burnerBtu: 0,
  heatPumpBtu: 0,
  defrostBtu: 0,
  lostBtu: 0,
  gainsBtu: 0,
  compressorHours: 0,
  stripHours: 0,
  burnerHours: 0,
  backupHours: { droop: 0, upstage: 0, recovery: 0, defrost: 0, emergency: 0, lockedOut: 0, uncalled: 0 },
  starts: 0,
  shortestOff: Infinity,
  defrosts: 0,
  defrostsByTime: 0,
  mostFrostLb: 0,
  coldestF: Infinity,
  coldestAt: 0,
  belowHours: 0,
  wakingHours: 0,
  wakingStarts: 0,
})
