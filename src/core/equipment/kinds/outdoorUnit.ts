import { electricalFields, type ElectricalPlate } from './electrical'
import { sensorFields, type SensorPlate } from './control'
import { amps, count, number, type PlateFields } from '../plateField'
import type { DeviceDraft } from '../deviceDraft'
import { figure, hasTerminal, yesNo } from '../draftField'
import { COMPRESSOR, SUPPLY, VALVE } from './forms'
import type { KindRow } from './row'

/** A rating point: capacity and power or COP of a stage at an outdoor temperature. */
export interface Rating {
  stage: 'low' | 'high' | 'min' | 'rated' | 'max'
  /** °F outdoors. */
  outdoorF: number
  capacityBtuh?: number
  powerKw?: number
  cop?: number
}

export interface OutdoorUnitPlate extends ElectricalPlate, SensorPlate {
  stages?: number
  /** A: rated load amps of the compressor; full load amps of the fan. */
  compressorRla?: number
  fanFla?: number
  /** µF of the run capacitor's sides. */
  compressorUf?: number
  fanUf?: number
  /** Δ°F of subcooling and superheat that its charge is set to, in cooling. */
  subcoolingF?: number
  superheatF?: number
  /** ft of line set that its factory charge is for, and oz for each foot more, or less. */
  chargedForFt?: number
  chargeOzPerFt?: number
  /** h of power that its crankcase heater needs before the first start. */
  crankcaseHours?: number
  /** °F at which its coil thermostat opens. */
  coilOpensF?: number
  /** An inverter's plate amps are not the sum of its parts. */
  inverter?: boolean
  ratings?: Rating[]
  /** Degradation coefficient of cycling. */
  cd?: number
  /** Its board runs the compressor in a leak alarm to draw the refrigerant down. */
  drawsDownLeak?: boolean
  /** How many times faster its defrost counts with the speed-up pins held. */
  speedUp?: number
  /** °F outdoors below which the maker lets it not run. */
  floorF?: number
  /** Nominal tons of cooling. */
  tons?: number
  /** Sizes of air handler that the maker's table pairs it with, beside its own. */
  pairs?: { tons: number }[]
}
export const outdoorUnitFields: PlateFields<OutdoorUnitPlate> = {
  ...electricalFields,
  ...sensorFields,
  stages: count(2),
  compressorRla: amps(),
  fanFla: amps(50),
  compressorUf: number('µF', 1, 200),
  fanUf: number('µF', 1, 60),
  subcoolingF: number('°F', 1, 30),
  superheatF: number('°F', 1, 40),
  chargedForFt: number('ft', 0, 200),
  chargeOzPerFt: number('oz/ft', 0, 5),
  crankcaseHours: number('h', 0, 72),
  coilOpensF: number('°F', 40, 100),
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
  speedUp: number('', 1, 1000),
  floorF: number('°F', -40, 50),
  tons: number('tons', 0.5, 10),
  pairs: { type: 'table', columns: { tons: { type: 'number', unit: 'tons', least: 0.5, most: 10 } } },
}

const isTimed = (d: DeviceDraft): boolean => !d.demandDefrost

export const outdoorUnit: KindRow = {
  traits: ['compresses', 'outdoorHalf', 'farFromCoil', 'onGlance'],
  plate: outdoorUnitFields,
  column: 2,
  usualBreakerA: 40,
  inJob: { ref: 'od', where: 'north wall' },
  form: [
    VALVE,
    yesNo('inverter'),
    yesNo('defrostW', hasTerminal('W')),
    yesNo('faultHeat', hasTerminal('W')),
    yesNo('demandDefrost'),
    figure('pinsLeast', 10, 180, 'min', isTimed),
    figure('pinsMost', 10, 180, 'min', isTimed),
    figure('pinsStep', 1, 90, 'min', (d) => isTimed(d) && d.pinsMost > d.pinsLeast),
    ...COMPRESSOR,
    ...SUPPLY,
  ],
}
