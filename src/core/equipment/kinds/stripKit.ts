import { BLOWER_SPEEDS, type BlowerSpeed } from '../part'
import { electricalFields, type ElectricalPlate } from './electrical'
import { count, number, type PlateFields } from '../plateField'
import { choice, figure, onPlate, yesNo } from '../draftField'
import { switchedBy } from './forms'
import type { KindRow } from './row'

export interface StripKitPlate extends ElectricalPlate {
  /** kW at the plate's volts, of all rows. */
  kilowatts?: number
  rows?: number
  /** Line circuits that feed it. */
  circuits?: number
  /** s between a call and the last contact of its sequencers; 0 for relays. */
  sequencerSeconds?: number
  /** CFM: the least airflow it may heat. */
  leastCfm?: number
  /** The slowest blower speed that it may heat at. */
  leastSpeed?: BlowerSpeed
}
export const stripKitFields: PlateFields<StripKitPlate> = {
  ...electricalFields,
  kilowatts: number('kW', 0.5, 40),
  rows: count(9),
  circuits: count(6),
  sequencerSeconds: number('s', 0, 600),
  leastCfm: number('CFM', 50, 4000),
  leastSpeed: { type: 'choice', values: BLOWER_SPEEDS },
}

export const stripKit: KindRow = {
  traits: ['addsStrips', 'onGlance'],
  plate: stripKitFields,
  column: 1,
  usualBreakerA: 60,
  inJob: { ref: 'kit', where: 'utility room' },
  form: [
    switchedBy(),
    yesNo('fuseLinks'),
    yesNo('interlock'),
    figure('stepSeconds', 0, 600, 's', (d) => d.switchedBy === 'sequencer'),
    onPlate('leastCfm', 4000, 'CFM'),
    choice('leastSpeed', ['any', 'fan', 'low', 'high', 'heat']),
  ],
}
