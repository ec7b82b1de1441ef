import type { StateRule } from './rule'

/** A conductor's share of its fuse or breaker from which on it is a short, and below which it is too much load. */
export const SHORT_SHARE = 2

/** No fuse, breaker or transformer carries more than it is made for. */
export const noShort: StateRule<'noShort', 'overcurrent' | 'overRating'> = {
  id: 'noShort',
  scope: 'state',
  severity: 'danger',
  codes: ['overcurrent', 'overRating'],
  applies: () => true,
  each: ({ facts }) => {
    const worst = facts.over.reduce<(typeof facts.over)[number] | null>(
      (a, o) => (a && a.amps / a.limitA >= o.amps / o.limitA ? a : o),
      null,
    )
    const code = worst && worst.amps < SHORT_SHARE * worst.limitA ? 'overRating' : 'overcurrent'
    return worst && { at: worst.ref, code, numbers: [worst.amps, worst.limitA] }
  },
}
