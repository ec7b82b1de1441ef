import { isShort } from './overloads'
import type { StateRule } from './rule'

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
    if (!worst) return null
    return {
      at: worst.ref,
      code: isShort(worst) ? 'overcurrent' : 'overRating',
      numbers: [worst.amps, worst.limitA],
    }
  },
}
