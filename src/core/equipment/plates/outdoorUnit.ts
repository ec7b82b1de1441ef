import { electricalFields, type ElectricalPlate } from './electrical'
import { amps, count, number, type PlateFields } from './field'

/** One rating point: capacity and power or COP of a stage at an outdoor temperature. */
export interface Rating {
  stage: 'low' | 'high' | 'min' | 'rated' | 'max'
  /** °F outdoors. */
  outdoorF: number
  capacityBtuh?: number
  powerKw?: number
  cop?: number
}

export interface OutdoorUnitPlate extends ElectricalPlate {
  stages?: number
  /** A: rated load amps of the compressor; full load amps of the fan. */
  compressorRla?: number
  fanFla?: number
  /** An inverter's plate amps are not the sum of its parts. */
  inverter?: boolean
  ratings?: Rating[]
  /** Degradation coefficient of cycling. */
  cd?: number
  /** Its board runs the compressor in a leak alarm to draw the refrigerant down. */
  drawsDownLeak?: boolean
  /** °F outdoors below which the maker lets it not run. */
  floorF?: number
  /** Nominal tons of cooling. */
  tons?: number
  /** Sizes of air handler that the maker's table pairs it with, beside its own. */
  pairs?: { tons: number }[]
}
export const outdoorUnitFields: PlateFields<OutdoorUnitPlate> = {
  ...electricalFields,
  stages: count(2),
  compressorRla: amps(),
  fanFla: amps(50),
  inverter: { type: 'flag' },
  ratings: {
    type: 'table',
    columns: {
      stage: { type: 'choice', values: ['low', 'high', 'min', 'rated', 'max'] },
      outdoorF: { type: 'number', unit: '°F', least: -40, most: 70 },
      capacityBtuh: { type: 'number', unit: 'BTU/h', least: 1000, most: 200_000, optional: true },
      powerKw: { type: 'number', unit: 'kW', least: 0.1, most: 40, optional: true },
      cop: { type: 'number', unit: '', least: 0.5, most: 10, optional: true },
    },
  },
  cd: number('', 0, 0.5),
  drawsDownLeak: { type: 'flag' },
  floorF: number('°F', -40, 50),
  tons: number('tons', 0.5, 10),
  pairs: { type: 'table', columns: { tons: { type: 'number', unit: 'tons', least: 0.5, most: 10 } } },
}
