import type { Intent, Setting, Value } from '../equipment'
import { makeRef, settingValue, type Installation, type Ref } from '../installation'

/** One setting otherwise: what a second tape is played with. */
export interface Otherwise {
  at: Ref
  intent: Intent
  value: Value
}

/** What is tried of a setting: values of its own, or so much more and less. */
const TRIED: Partial<Record<Intent, { values?: readonly Value[]; by?: number }>> = {
  droop: { values: [2, 4] },
  upstageTimer: { values: [0, 30, 60] },
  minimumOff: { values: [2, 5] },
  boardMinimumOff: { values: [2, 5] },
  earlyRecovery: { values: ['on', 'off'] },
  defrostInterval: { values: [30, 60, 90] },
  cyclesHeatPump: { values: [2, 4] },
  stripOn: { by: 1 },
  compressorLockout: { by: 5 },
  auxLockout: { by: 5 },
  changeover: { by: 5 },
  outdoorSwitch: { by: 5 },
  furnaceHoldOff: { by: 2 },
}

const takes = (setting: Setting, value: Value): boolean =>
  setting.kind === 'choice'
    ? (setting.options ?? []).some((o) => o.id === String(value))
    : typeof value === 'number' &&
      (!setting.range || (value >= setting.range[0] && value <= setting.range[1]))

/** The settings of a job that are worth a second tape, each with another value that its device takes. */
export function otherwiseOf(inst: Installation): Otherwise[] {
  return inst.placed.flatMap((placed) =>
    placed.device.settings.flatMap((setting) => {
      const { intent } = setting
      const tried = intent && TRIED[intent]
      if (!tried) return []
      const now = settingValue(placed, setting.id)
      return valuesOf(tried, now)
        .filter((v) => String(v) !== String(now) && takes(setting, v))
        .map((value): Otherwise => ({
          at: makeRef(placed.ref, setting.id),
          intent,
          value: setting.kind === 'choice' ? String(value) : value,
        }))
    }),
  )
}

const valuesOf = (
  { values, by }: { values?: readonly Value[]; by?: number },
  now: Value | null,
): readonly Value[] => values ?? (typeof now === 'number' && by ? [now - by, now + by] : [])
