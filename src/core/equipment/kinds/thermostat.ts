import { choice, hasTerminal, yesNo } from '../draftField'
import { controlFields } from './control'
import type { KindRow } from './row'

export const thermostat: KindRow = {
  traits: ['onWall', 'farFromCoil', 'onGlance'],
  plate: controlFields,
  column: 0,
  inJob: { ref: 'tstat', where: 'inside wall' },
  form: [
    choice('rvSense', ['cooling', 'heating'], hasTerminal('OB')),
    yesNo('batteries'),
    choice('timerPower', ['unknown', 'anew', 'goesOn', 'clears'], (d) => !d.batteries && hasTerminal('Y')(d)),
    yesNo('lockouts'),
    yesNo('dualFuel'),
  ],
}
