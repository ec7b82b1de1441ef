import type { Device, DeviceDraft } from '../equipment'
import { COMPRESSOR_CALLS, contact, figure, inMode, mode } from './pieces'

/** °F between closing and opening of an outdoor thermostat whose paper does not say. */
const DIFFERENTIAL_F = 5

/** A switch with two wires: on water, on a fault, or on outdoor warmth. */
export function loneSwitch(d: Device, draft: DeviceDraft): Device {
  const ends = ['T1', 'T2'] as const
  if (draft.opens === 'warm')
    return {
      ...d,
      parts: [
        contact('switch', ends, 'outdoorThermostat', d.name, {
          sense: 'outdoor',
          below: { set: 'setpoint' },
          band: DIFFERENTIAL_F,
        }),
      ],
      settings: [
        figure('setpoint', 'Closes below', 'set', [0, 60], '°F', draft.closesBelowF, 'outdoorSwitch'),
      ],
      plate: { differentialF: DIFFERENTIAL_F },
    }
  const water = draft.opens === 'water'
  return {
    ...d,
    parts: [contact('switch', ends, 'safety', d.name, inMode('state', 'closed'))],
    modes: [
      mode(
        'state',
        d.name,
        ['closed', 'Closed'],
        ['open', water ? 'Open: water' : 'Open: tripped'],
        water ? 'water' : 'tripped',
        water ? { call: COMPRESSOR_CALLS } : 'always',
      ),
    ],
  }
}
