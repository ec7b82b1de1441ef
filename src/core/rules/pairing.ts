import { makeRef } from '../installation'
import { having } from '../query'
import { breach } from './breach'
import type { JobRule } from './rule'

/** An outdoor unit on an air handler of another size, where the maker's table does not pair them. */
export const pairing: JobRule<'pairing', 'unpaired'> = {
  id: 'pairing',
  scope: 'job',
  severity: 'warn',
  codes: ['unpaired'],
  asksSite: true,
  applies: (inst) => having(inst, 'outdoorHalf').length > 0 && having(inst, 'takesKit').length > 0,
  find: ({ inst, plates }) =>
    having(inst, 'outdoorHalf').flatMap((out) => {
      const outdoor = { ...out.device.plate, ...plates[out.ref] }
      return having(inst, 'takesKit').flatMap((ah) => {
        const { tons } = { ...ah.device.plate, ...plates[ah.ref] }
        if (outdoor.tons === undefined || tons === undefined || outdoor.tons === tons) return []
        if (outdoor.pairs?.some((x) => x.tons === tons)) return []
        return breach('unpaired', [makeRef(out.ref, ''), makeRef(ah.ref, '')], outdoor.tons, tons)
      })
    }),
}
