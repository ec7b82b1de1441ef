import { quantity, type Installation, type Placed } from '../installation'
import { feedsOf, serviceVolts } from '../query'
import { breach } from './breach'
import type { Breach, JobRule } from './rule'

type Code = 'tapTooHigh' | 'tapTooLow'

/** Part of the service by which a tap may differ from it: 230 and 240 are one, 208 and 240 are not. */
const TAP_APART = 0.08

/** A transformer whose primary tap is a setting: the setting, and its volts. */
function taps(inst: Installation): { placed: Placed; setting: string; volts: number }[] {
  return inst.placed.flatMap((placed) =>
    placed.device.parts.flatMap((x) => {
      if (x.kind !== 'transformer' || typeof x.primaryVolts !== 'object') return []
      return [{ placed, setting: x.primaryVolts.set, volts: quantity(placed, x.primaryVolts) }]
    }),
  )
}

/** The primary tap of a control transformer is the one for its feed: before power-up, from the two facts. */
export const tapFits: JobRule<'tapFits', Code> = {
  id: 'tapFits',
  scope: 'job',
  severity: 'wrong',
  codes: ['tapTooHigh', 'tapTooLow'],
  applies: (inst) => taps(inst).some((t) => feedsOf(inst, t.placed.ref).length > 0),
  find: ({ inst }) =>
    taps(inst).flatMap(({ placed, setting, volts }): Breach<Code>[] => {
      if (!feedsOf(inst, placed.ref).length) return []
      const service = serviceVolts(inst, placed.ref)
      if (!(Math.abs(volts - service) > TAP_APART * service)) return []
      const code = volts > service ? 'tapTooHigh' : 'tapTooLow'
      return breach<Code>(code, [`${placed.ref}.${setting}`], volts, service)
    }),
}
