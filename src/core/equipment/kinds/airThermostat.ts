import { airThermostatFields } from './control'
import type { KindRow } from './row'

export const airThermostat: KindRow = {
  traits: ['switchesCall', 'feelsEnteringAir', 'optional'],
  plate: airThermostatFields,
  column: 1,
  usualBreakerA: 15,
  inJob: { ref: 'air', where: 'beside' },
  form: [],
}
