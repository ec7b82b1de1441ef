import { greatest, isShort } from './overloads'
import type { StateRule } from './rule'

/** No fuse, breaker or transformer carries more than it is made for. */
export const noShort: StateRule<'noShort', 'overcurrent' | 'overRating'> = {
  id: 'noShort',
  scope: 'state',
  severity: 'danger',
  codes: ['overcurrent', 'overRating'],
  applies: () => true,
  each: ({ facts }) => {
    const worst = greatest(facts.over, (o) => o.amps / o.limitA)
    if (!worst) return null
    return {
      at: worst.ref,
      code: isShort(worst) ? 'overcurrent' : 'overRating',
      numbers: [worst.amps, worst.limitA],
    }
  },
}
