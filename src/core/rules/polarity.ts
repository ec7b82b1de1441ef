import { hasTrait } from '../equipment'
import { makeRef, type Placed, type Ref } from '../installation'
import { joinedByCopper } from '../query'
import type { JobRule } from './rule'

const has = (p: Placed, id: string): boolean =>
  p.device.terminals.some((t) => t.id === id && t.side === 'line')
/** Devices between a hot leg and the neutral, and devices that supply these. */
const isOneLeg = (p: Placed): boolean => has(p, 'L1') && has(p, 'N')

/**
 * The neutral of a 120 V device is on the neutral. Crossed, it runs, and its door switch and its limits break the wrong side:
 * everything behind them stays live, and many boards do not sense their flame (NEC 200.11: the identified conductor is
 * not to be reversed).
 */
export const polarity: JobRule<'polarity', 'neutralCrossed'> = {
  id: 'polarity',
  scope: 'job',
  severity: 'danger',
  codes: ['neutralCrossed'],
  applies: (inst) => inst.placed.some(isOneLeg),
  find: ({ inst }) => {
    const feeds = inst.placed.filter((p) => hasTrait(p.device, 'feedsLine') && has(p, 'N'))
    const reaches = (from: Ref, id: string) =>
      feeds.some((f) => has(f, id) && joinedByCopper(inst, from, makeRef(f.ref, id)))
    return inst.placed
      .filter((p) => !hasTrait(p.device, 'feedsLine') && isOneLeg(p))
      .flatMap((p) => {
        const [hot, neutral] = [makeRef(p.ref, 'L1'), makeRef(p.ref, 'N')]
        const crossed = reaches(neutral, 'L1') || reaches(neutral, 'L2') || reaches(hot, 'N')
        return crossed ? [{ at: neutral, also: [hot], code: 'neutralCrossed' as const }] : []
      })
  },
}
