import { worstCase } from './overloads'
import type { StateRule } from './rule'

/** Every coil and input has its volts or none: what lies between comes of series loads, lost commons and leaks. */
export const coilVolts: StateRule<'coilVolts', 'weakCoil'> = {
  id: 'coilVolts',
  scope: 'state',
  severity: 'wrong',
  codes: ['weakCoil'],
  applies: () => true,
  each({ facts }) {
    if (facts.over.length) return null
    const worst = worstCase(facts.weak, (w) => w.volts)
    return worst && { at: worst.ref, code: 'weakCoil', numbers: [worst.volts, worst.needs] }
  },
}
