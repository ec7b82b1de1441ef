import type { StateRule } from './rule'

/** No fuse, breaker or transformer carries more than it is made for. */
export const noShort: StateRule<'noShort', 'overcurrent'> = {
  id: 'noShort',
  scope: 'state',
  severity: 'danger',
  codes: ['overcurrent'],
  applies: () => true,
  each: ({ facts }) => {
    const worst = facts.over.reduce<(typeof facts.over)[number] | null>(
      (a, o) => (a && a.amps / a.limitA >= o.amps / o.limitA ? a : o),
      null,
    )
    return worst && { at: worst.ref, code: 'overcurrent', numbers: [worst.amps, worst.limitA] }
  },
}
