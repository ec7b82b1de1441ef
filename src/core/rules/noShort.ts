import type { Overcurrent } from '../circuit'
import type { StateRule } from './rule'

/** Times its fuse or breaker from which on a conductor carries a short; and what a meter's error leaves of the loads' own amps. */
const [SHORT_SHARE, LOAD_SHARE] = [2, 1.1]

/** Whether it is a short, and not more load than it is made for. */
export const isShort = ({ amps, limitA, loadA }: Overcurrent): boolean =>
  amps >= SHORT_SHARE * limitA && amps > LOAD_SHARE * loadA

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
