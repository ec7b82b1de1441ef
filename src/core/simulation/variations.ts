import type { Intent, Setting, Value } from '../equipment'
import { modesOf } from '../situation'
import { SITE_FAULTS, type SiteFault } from './siteFault'
import { withFailure } from '../failures'
import { makeRef, settingValue, withSettings, type Installation, type Ref } from '../installation'
import { temperingContacts } from '../query'

/** A single change for a second tape to compare with. */
export type Variation =
  | { kind: 'setting'; at: Ref; intent: Intent; value: Value }
  | { kind: 'fault'; fault: SiteFault }
  /** Defrosts without backup, whatever is landed for them. */
  | { kind: 'cold' }

/** Key of a change. */
export const variationKey = (o: Variation): string =>
  o.kind === 'setting' ? `${o.at}=${String(o.value)}` : o.kind === 'fault' ? o.fault : o.kind

/** Values to try for a setting: a list, or an amount more and less. */
const TRIED: Partial<Record<Intent, { values?: readonly Value[]; by?: number }>> = {
  droop: { values: [2, 4] },
  upstageTimer: { values: [0, 30, 60] },
  minimumOff: { values: [2, 5] },
  boardMinimumOff: { values: [2, 5] },
  earlyRecovery: { values: ['on', 'off'] },
  defrostInterval: { values: [30, 60, 90] },
  earlyDefrost: { values: ['on', 'off'] },
  longDefrost: { values: ['on', 'off'] },
  stripsInDefrost: { values: ['yes', 'no'] },
  fanInDefrost: { values: ['on', 'off'] },
  cyclesHeatPump: { values: [2, 4] },
  stripOn: { by: 1 },
  compressorLockout: { by: 5 },
  auxLockout: { by: 5 },
  changeover: { by: 5 },
  outdoorSwitch: { by: 5 },
  furnaceHoldOff: { by: 2 },
}

/** Whether a device takes a value for a setting. */
export const takes = (setting: Setting, value: Value): boolean =>
  setting.kind === 'choice'
    ? (setting.options ?? []).some((o) => o.id === String(value))
    : typeof value === 'number' &&
      (!setting.range || (value >= setting.range[0] && value <= setting.range[1]))

/** Changes to offer for a second tape: settings with another value that their device takes, and faults of a defrost. */
export function variationsOf(inst: Installation): Variation[] {
  const settings = inst.placed.flatMap((placed) =>
    placed.device.settings.flatMap((setting) => {
      const { intent } = setting
      const tried = intent && TRIED[intent]
      if (!tried) return []
      const now = settingValue(placed, setting.id)
      return valuesOf(tried, now)
        .filter((v) => String(v) !== String(now) && takes(setting, v))
        .map((value): Variation => ({
          kind: 'setting',
          at: makeRef(placed.ref, setting.id),
          intent,
          value: setting.kind === 'choice' ? String(value) : value,
        }))
    }),
  )
  const defrosts = modesOf(inst).some(({ mode }) => mode.states.some((s) => s.condition === 'defrost'))
  const cold: Variation[] = temperingContacts(inst).length ? [{ kind: 'cold' }] : []
  return [
    ...settings,
    ...cold,
    ...(defrosts ? SITE_FAULTS : (['compressorDead'] as const)).map((fault): Variation => ({
      kind: 'fault',
      fault,
    })),
  ]
}

/** A job with that one thing otherwise, and what is then wrong at its site. */
export function withVariation(
  inst: Installation,
  o: Variation,
): { inst: Installation; fault: SiteFault | null } {
  switch (o.kind) {
    case 'setting':
      return { inst: withSettings(inst, [{ at: o.at, value: o.value }]), fault: null }
    case 'fault':
      return { inst, fault: o.fault }
    case 'cold': {
      const open = (i: Installation, at: Ref) => withFailure(i, { kind: 'stuckOpen', at })
      return { inst: temperingContacts(inst).reduce(open, inst), fault: null }
    }
  }
}

const valuesOf = (
  { values, by }: { values?: readonly Value[]; by?: number },
  now: Value | null,
): readonly Value[] => values ?? (typeof now === 'number' && by ? [now - by, now + by] : [])
