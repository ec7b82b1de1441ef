import { settingsWith } from './jobFacts'
import type { Law } from './law'

/** A coil-entering-air thermostat sits between furnace and coil: after the coil it trips on the heat pump's own heat. */
export const airSide: Law = {
  id: 'airSide',
  severity: 'wrong',
  applies: (inst) => settingsWith(inst, 'airPosition').length > 0,
  overall: ({ inst }) =>
    settingsWith(inst, 'airPosition')
      .filter((s) => s.value === 'after')
      .map((s) => ({ at: s.at, what: 'airAfterCoil', call: 'heat1' as const })),
}
