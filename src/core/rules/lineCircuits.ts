import { makeRef, settingValue, splitRef, wireSize, type Installation, type Placed } from '../installation'
import { AMPACITY, nextBreaker } from '../kit'
import { feedsOf, ofKind, stripLoad } from '../query'
import { tolerances } from '../tolerances'
import { breach } from './breach'
import type { Breach, JobRule } from './rule'

type Code =
  | 'breakerOverMax'
  | 'breakerUnderMca'
  | 'conductorUnderMca'
  | 'breakerUnderLoad'
  | 'conductorUnderLoad'
  | 'breakerOverConductor'

interface LineCircuit {
  feed: Placed
  /** A; null: not known. */
  breaker: number | null
  /** A at 75 °C of its thinnest conductor; null where no gauge is recorded. */
  ampacity: number | null
}

function circuitOfFeed(inst: Installation, feed: Placed): LineCircuit {
  const gauges = inst.wires
    .filter((w) => [w.a, w.b].some((end) => end !== null && splitRef(end).placed === feed.ref))
    .map((w) => AMPACITY.copper75[wireSize(inst, w).gauge])
    .filter((a) => a !== undefined)
  const breaker = settingValue(feed, 'breakerA')
  return {
    feed,
    breaker: typeof breaker === 'number' ? breaker : null,
    ampacity: gauges.length ? Math.min(...gauges) : null,
  }
}

const hasElements = ({ device }: Placed): boolean =>
  device.parts.some((x) => x.kind === 'load' && x.does?.what === 'strip')

/**
 * Every line circuit against the plate of what it feeds: breaker at most the largest that it allows, conductors at least
 * its minimum ampacity; strips without such a plate by 125 % of what they draw, where one circuit feeds them. Cable type
 * and terminals' marking may ask for more: local code decides.
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
    'conductorUnderLoad',
    'breakerOverConductor',
  ],
  // A plate as read on site stands over the one that the device ships with.
  asksSite: true,
  applies: (inst) => ofKind(inst, 'feed').length > 0,
  find: ({ inst, plates }) => {
    const fed = ofKind(inst, 'outdoorUnit', 'packagedUnit', 'stripKit', 'furnace')
    return fed.flatMap((p): Breach<Code>[] => {
      const feeds = feedsOf(inst, p.ref).map((f) => circuitOfFeed(inst, f))
      const [only] = feeds
      // Of several circuits of one cabinet the plate's figures say nothing of each.
      if (!only || feeds.length > 1) return []
      const { mca, mocpA } = { ...p.device.plate, ...plates[p.ref] }
      const at = makeRef(only.feed.ref, 'breakerA')
      const found: Breach<Code>[] = []
      const { breaker, ampacity } = only
      if (mocpA !== undefined && breaker !== null && breaker > mocpA)
        found.push(...breach<Code>('breakerOverMax', [at], breaker, mocpA))
      if (mca !== undefined && ampacity !== null && ampacity < mca)
        found.push(...breach<Code>('conductorUnderMca', [only.feed.ref, p.ref], ampacity, mca))
      const strips = p.device.kind === 'stripKit'
      const load = strips ? tolerances.continuousShare * stripLoad(p).amps : 0
      // Elements draw for hours what they draw: too small a breaker trips. A motor's may hold; it is worth a look.
      if (mca !== undefined && breaker !== null && breaker < mca)
        found.push(
          ...breach<Code>('breakerUnderMca', [at], breaker, mca).map((b): Breach<Code> =>
            hasElements(p) ? b : { ...b, severity: 'warn' },
          ),
        )
      if (mca === undefined && breaker !== null && breaker < load)
        found.push(...breach<Code>('breakerUnderLoad', [at], breaker, load))
      if (mca === undefined && ampacity !== null && ampacity < load)
        found.push(...breach<Code>('conductorUnderLoad', [only.feed.ref, p.ref], ampacity, load))
      if (strips && breaker !== null && ampacity !== null && breaker > nextBreaker(ampacity))
        found.push(...breach<Code>('breakerOverConductor', [at], breaker, ampacity))
      return found
    })
  },
}
