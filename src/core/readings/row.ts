import type { Name } from '../installation'

/** Way of measuring: position of the leads, the jaw or the probe. */
export type ReadingPlace =
  | 'terminals' | 'feed' | 'kitLead' | 'rowTerminals' | 'disconnect' | 'returnDuct' | 'supplyDuct'
  | 'motor' | 'twoClamps' | 'duct' | 'burner' | 'flue' | 'line' | 'coil' | 'sensor' // prettier-ignore

/** Tool that a technician reads. */
export type Tool =
  | 'multimeter'
  | 'clampMeter'
  | 'capacitanceMeter'
  | 'probeThermometer'
  | 'clampThermometer'
  | 'manometer'
  | 'oilGauge'
  | 'combustionAnalyzer'
  | 'smokeTester'
  | 'refrigerantGauges'
  | 'vacuumGauge'
  | 'scale'
  | 'tape'
  | 'stopwatch'
  | 'marking'

/** Practice meters that ship with the app. */
export const INSTRUMENTS = [
  'voltmeter',
  'clamp',
  'thermometer',
  'manometer',
  'outdoorSensor',
  'gauges',
  'analyser',
] as const
export type Instrument = (typeof INSTRUMENTS)[number]

/** Place for a reading: the way of measuring, and the device, terminal, load or setting. */
export interface Spot {
  place: ReadingPlace
  at: Name
}

/** Everything about one kind of reading but its words and, where a range decides it, the range's rule. */
export interface ReadingRow {
  unit: string
  /** Least and greatest value that a tool on this work can show; any other is a typing error. */
  least: number
  most: number
  /** Ways of measuring it, the usual one first. Their order is part of the cabinet code. */
  places: readonly ReadingPlace[]
  tool: Tool
  /** Practice meter, where it is not the tool's own (`METERS`). */
  meter?: Instrument
  /** Decided by the solved circuit, by a range (`startup/bandRules`), or only recorded. */
  judged: 'circuit' | 'range' | 'recorded'
  /**
   * Part by which it may change from year to year in good health, about the difference of two meters (usual). A reading that
   * depends on the day's weather has none.
   */
  driftShare?: number
  /** It depends on the air through a cabinet, and means nothing with the covers off. */
  byAir?: true
}
