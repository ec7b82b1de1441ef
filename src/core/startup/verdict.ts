import type { ChainGate } from '../explain'
import type { Ref } from '../installation'
import type { Reading } from './reading'

/** What may be behind a wrong reading, cheapest to check first. */
export type Cause =
  | { kind: 'fuseOpen' } | { kind: 'doorOpen' } | { kind: 'breakerOff' } | { kind: 'tapHighOnLow' } | { kind: 'tapLowOnHigh' }
  | { kind: 'overload' } | { kind: 'looseLug' } | { kind: 'utility' } | { kind: 'sequencerWaiting'; seconds: number | null }
  | { kind: 'gateBlocks'; gate: ChainGate } | { kind: 'oneBankClamped'; rows: number; of: number } | { kind: 'rowOpen'; rows: number }
  | { kind: 'linkOpen' } | { kind: 'limitOpen' } | { kind: 'wrongKit' } | { kind: 'voltsNotMeasured' } | { kind: 'shouldBeOff' }
  /** Live there and dead here: a conductor between the two. */
  | { kind: 'conductorOpen'; from: Ref } | { kind: 'otherService'; volts: number } | { kind: 'legLost' } | { kind: 'twoLegs' }
  | { kind: 'supplyNotFound' } | { kind: 'blowerIncluded' } | { kind: 'rowIsolated' } // prettier-ignore

export type Rule =
  'controlVolts' | 'lineVolts' | 'legToGround' | 'stripAmps' | 'stripsOff' | 'rowOhms' | 'recordedOnly'

export interface Verdict {
  verdict: 'right' | 'watch' | 'wrong' | 'unjudged'
  rule: Rule
  unit: string
  /** What it was held against; null where nothing is. */
  expected: { low: number; high: number; nominal: number } | null
  /** Numbers that the expectation was worked out from, for "why". */
  from: Record<string, number>
  causes: Cause[]
}

/** A reading as a number; an open circuit is endless. */
export const number = (r: Reading): number => (r.value === 'OL' ? Infinity : r.value)
