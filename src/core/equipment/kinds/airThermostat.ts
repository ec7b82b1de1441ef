import { airThermostatFields } from './control'
import type { KindRow } from './row'

export const airThermostat: KindRow = {
  traits: ['feelsEnteringAir', 'optional'],
  plate: airThermostatFields,
  column: 1,
  inJob: { ref: 'air' },
}
