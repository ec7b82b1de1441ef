import type { Call, ModeCondition } from '../equipment'
import type { Installation, Ref } from '../installation'
import type { Situation } from '../situation'
import type { Facts } from './facts'

export type Severity = 'danger' | 'wrong' | 'warn'

/** One reachable state as a law sees it. */
export interface StateSeen {
  inst: Installation
  situation: Situation
  /** Modes away from normal. */
  abnormalCount: number
  /** What the modes away from normal mean. */
  conditions: ReadonlySet<ModeCondition>
  facts: Facts
  /** Volts between two points of the state; NaN while it does not come to rest. */
  volts(a: Ref, b: Ref): number
  closed(contact: Ref): boolean
}

/** How a state breaks a law. */
export interface Breach {
  /** The load, contact or source that is wrong; its gate chain is the offending path. */
  at: Ref
  /** What happened, for the words. */
  what: string
}

/** A law over every reachable state. A law file exports one of these. */
export interface Law {
  id: string
  severity: Severity
  /** Whether the law has anything to say about this job. */
  applies(inst: Installation): boolean
  /**
   * Whether `each` reads the outdoor temperature itself; such a law judges states with every mode normal and no other.
   * All other laws are judged once for the temperatures that the circuit cannot tell apart. A test holds each to this.
   */
  readsOutdoor?: boolean
  /** Judges one state. Mutually exclusive with `overall`. */
  each?: (state: StateSeen) => Breach | null
  /** Judges the whole: what was seen running in which call, over all states. */
  overall?: (seen: Coverage) => (Breach & { call: Call })[]
}

/** What ran at all, over every reachable state. */
export interface Coverage {
  inst: Installation
  calls: readonly Call[]
  everRan: ReadonlySet<Ref>
}

export interface Finding {
  law: string
  severity: Severity
  what: string
  at: Ref
  witness: Situation
  /** The offending path: what it runs through, from source to common. */
  path: Ref[]
  /** The gates and settings that the finding hangs on. */
  dependsOn: Ref[]
}

/** A law that breaks or holds depending on what is not known yet. */
export interface Undecided {
  law: string
  /** What to find out on site. */
  unknown: Ref[]
  /** A situation in which it would break; null where there were too many unknowns to try. */
  witness: Situation | null
}

export interface Proof {
  /** calls, temperatures, the largest number of mode combinations for one of them, assignments of unknowns. */
  factors: { calls: number; temperatures: number; mostModes: number; assumptions: number }
  /** Reachable states solved: N. */
  solved: number
  /** Ids of the laws that apply to this job. */
  laws: string[]
  findings: Finding[]
  undecided: Undecided[]
}
