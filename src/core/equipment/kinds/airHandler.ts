import { BLOWER_SPEEDS, type BlowerSpeed } from '../part'
import { stripKitFields, type StripKitPlate } from './stripKit'
import { amps, number, type PlateFields } from '../plateField'
import { choice, figure, onPlate, yesNo } from '../draftField'
import type { DeviceDraft } from '../deviceDraft'
import { AIR, switchedBy } from './forms'
import type { KindRow } from './row'

/** A point of a blower's table: air and power at one tap or speed and one static pressure. */
export interface BlowerPoint {
  speed: BlowerSpeed
  staticInWc: number
  cfm: number
  watts?: number
}
/** An air handler; one with heater rows of its own has a strip kit's fields too. */
export interface AirHandlerPlate extends StripKitPlate {
  /** A: full load amps of the blower. */
  blowerFla?: number
  /** VA of the control transformer. */
  transformerVa?: number
  /** Strip kits that the maker lists for it. */
  kits?: { kilowatts: number }[]
  blower?: BlowerPoint[]
  /** in.w.c.: the most total external static pressure. */
  maxStaticInWc?: number
  /** Nominal tons of cooling that it is made for. */
  tons?: number
}
export const airHandlerFields: PlateFields<AirHandlerPlate> = {
  ...stripKitFields,
  blowerFla: amps(50),
  transformerVa: number('VA', 5, 200),
  maxStaticInWc: number('in.w.c.', 0, 3),
  tons: number('tons', 0.5, 10),
  kits: { type: 'table', columns: { kilowatts: { type: 'number', unit: 'kW', least: 0.5, most: 40 } } },
  blower: {
    type: 'table',
    columns: {
      speed: { type: 'choice', values: BLOWER_SPEEDS },
      staticInWc: { type: 'number', unit: 'in.w.c.', least: 0, most: 3 },
      cfm: { type: 'number', unit: 'CFM', least: 50, most: 4000 },
      watts: { type: 'number', unit: 'W', least: 1, most: 3000, optional: true },
    },
  },
}

const ownRows = (d: DeviceDraft): boolean => d.heat === 'rows'

export const airHandler: KindRow = {
  traits: ['indoors', 'movesAir', 'takesKit', 'holdsStrips', 'onGlance'],
  plate: airHandlerFields,
  column: 1,
  inJob: { ref: 'ah', where: 'utility room' },
  form: [
    choice('heat', ['none', 'rows', 'kit']),
    yesNo('severalSpeeds'),
    yesNo('blowerOnW'),
    yesNo('blowerOnY', (d) => !d.severalSpeeds),
    switchedBy(ownRows),
    yesNo('fuseLinks', ownRows),
    yesNo('interlock', (d) => d.heat === 'kit'),
    figure('delayMost', 0, 180, 's'),
    ...AIR,
    onPlate('tons', 10, 'tons'),
  ],
}
