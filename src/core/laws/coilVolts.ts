import type { Law } from './law'

/** Every coil and input has its volts or none: what lies between comes of series loads, lost commons and leaks. */
export const coilVolts: Law = {
  id: 'coilVolts',
  severity: 'wrong',
  applies: () => true,
  each({ facts }) {
    if (facts.over.length) return null
    const worst = facts.weak.reduce<(typeof facts.weak)[number] | null>(
      (a, w) => (a && a.volts >= w.volts ? a : w),
      null,
    )
    return worst && { at: worst.ref, what: 'weakCoil' }
  },
}
