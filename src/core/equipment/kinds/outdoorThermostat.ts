import { outdoorThermostatFields } from './control'
import { SWITCH } from './forms'
import type { KindRow } from './row'

export const outdoorThermostat: KindRow = {
  traits: ['outdoorSwitch', 'optional'],
  plate: outdoorThermostatFields,
  column: 2,
  inJob: { ref: 'odt', where: 'north wall' },
  form: SWITCH,
}
