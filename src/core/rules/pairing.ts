import { makeRef } from '../installation'
import { ofKind } from '../query'
import { breach } from './breach'
import type { JobRule } from './rule'

/** An outdoor unit on an air handler of another size, where the maker's table does not pair them. */
export const pairing: JobRule<'pairing', 'unpaired'> = {
  id: 'pairing',
  scope: 'job',
  severity: 'warn',
  codes: ['unpaired'],
  asksSite: true,
  applies: (inst) => ofKind(inst, 'outdoorUnit').length > 0 && ofKind(inst, 'airHandler').length > 0,
  find: ({ inst, plates }) =>
    ofKind(inst, 'outdoorUnit').flatMap((out) => {
      const outdoor = { ...out.device.plate, ...plates[out.ref] }
      return ofKind(inst, 'airHandler').flatMap((ah) => {
        const { tons } = { ...ah.device.plate, ...plates[ah.ref] }
        if (outdoor.tons === undefined || tons === undefined || outdoor.tons === tons) return []
        if (outdoor.pairs?.some((x) => x.tons === tons)) return []
        return breach('unpaired', [makeRef(out.ref, ''), makeRef(ah.ref, '')], outdoor.tons, tons)
      })
    }),
}
