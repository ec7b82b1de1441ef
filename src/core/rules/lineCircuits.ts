import { cableOf } from '../house'
import { makeRef } from '../installation'
import { ampacityOf, carries, largestBreaker, lineCircuitsOf } from '../kit'
import { having } from '../query'
import { breach } from './breach'
import type { Breach, JobRule } from './rule'

type Code =
  | 'breakerOverMax'
  | 'breakerUnderMca'
  | 'conductorUnderMca'
  | 'breakerUnderLoad'
  | 'breakerOverKit'
  | 'conductorUnderLoad'
  | 'breakerOverConductor'
  | 'undivided'

/** Makes breaches into questions for whoever reads the label: they are no fault yet. */
const asked = (list: readonly Breach<Code>[]): Breach<Code>[] => list.map((b) => ({ ...b, severity: 'warn' }))

/** A: what two sums of the same figures may differ by. */
const ALIKE_A = 1e-9

/**
 * Every line circuit against the plate of what it feeds: breaker at most the largest that it allows, conductors at least
 * its minimum ampacity; strips without such a plate, or on several circuits, by 125 % of elements and blower of each
 * (NEC 424.4), their breakers by their conductors (NEC 240.4), and whether they are divided (NEC 424.22). By the cable's
 * rating as recorded, else the lower column; local code decides.
 */
export const lineCircuits: JobRule<'lineCircuits', Code> = {
  id: 'lineCircuits',
  scope: 'job',
  severity: 'wrong',
  codes: [
    'breakerOverMax',
    'breakerUnderMca',
    'conductorUnderMca',
    'breakerUnderLoad',
    'breakerOverKit',
    'conductorUnderLoad',
    'breakerOverConductor',
    'undivided',
  ],
  // A plate as read on site stands over the one that the device ships with.
  asksSite: true,
  applies: (inst) => having(inst, 'feedsLine').length > 0,
  find: ({ inst, plates, house }) => {
    const rating = cableOf(house)
    return lineCircuitsOf(inst, plates, rating).flatMap((c): Breach<Code>[] => {
      const at = makeRef(c.feed, c.breakerSetting ?? '')
      const { breakerA: breaker, gauge, mostBreakerA: most, platedBy } = c
      const least = c.requiredA - ALIKE_A
      const ampacity = gauge === null ? null : ampacityOf(gauge, rating)
      const heats = c.elementsA > 0
      const found: Breach<Code>[] = []
      if (most !== null && breaker !== null && breaker > most)
        found.push(...breach<Code>('breakerOverMax', [at], breaker, most))
      if (platedBy !== null) {
        if (ampacity !== null && ampacity < least)
          found.push(...breach<Code>('conductorUnderMca', [c.feed, platedBy], ampacity, c.requiredA))
        // Elements draw for hours what they draw: too small a breaker trips. A motor's may hold; it is worth a look.
        const small =
          breaker !== null && breaker < least
            ? breach<Code>('breakerUnderMca', [at], breaker, c.requiredA)
            : []
        found.push(...(heats ? small : asked(small)))
      }
      const [fed = ''] = c.feeds
      if (platedBy === null) {
        // A breaker that strips trip by and by; a motor's may hold. What a compressor asks for is at least what it runs with.
        const asks = c.hasCompressor ? c.motorsA : c.requiredA
        if (heats && !c.hasCompressor && breaker !== null && breaker < least)
          found.push(...breach<Code>('breakerUnderLoad', [at], breaker, c.requiredA))
        if (ampacity !== null && ampacity < asks - ALIKE_A)
          found.push(...breach<Code>('conductorUnderLoad', [c.feed, fed], ampacity, asks))
      }
      // A kit's label has the most that may protect it. Where nobody has read it, more than its own load needs is a question.
      if (heats && platedBy === null && most === null && breaker !== null && breaker > c.breakerNeeds)
        found.push(...asked(breach<Code>('breakerOverKit', [at], breaker, c.breakerNeeds)))
      // A compressor's breaker is limited by its plate and not by its conductors.
      if (c.hasCompressor) return found
      if (breaker !== null && gauge !== null && breaker > largestBreaker(gauge, rating))
        found.push(...breach<Code>('breakerOverConductor', [at], breaker, carries(gauge, rating, false)))
      // A maker may have divided them behind one feed: then the kit has its own breakers, or its plate says what it asks for.
      if (c.notes.some((n) => n.code === 'subdivide'))
        found.push(...asked(breach<Code>('undivided', [c.feed], c.elementsA)))
      return found
    })
  },
}
