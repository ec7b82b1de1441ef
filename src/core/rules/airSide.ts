import { settingsWith } from '../query'
import type { JobRule } from './rule'

/** A coil-entering-air thermostat sits between furnace and coil: after the coil it trips on the heat pump's own heat. */
export const airSide: JobRule<'airSide', 'airAfterCoil'> = {
  id: 'airSide',
  scope: 'job',
  severity: 'wrong',
  codes: ['airAfterCoil'],
  applies: (inst) => settingsWith(inst, 'airPosition').length > 0,
  find: ({ inst }) =>
    settingsWith(inst, 'airPosition')
      .filter((s) => s.value === 'after')
      .map((s) => ({ at: s.at, code: 'airAfterCoil' })),
}
