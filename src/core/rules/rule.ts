import type { Ohms, Volts } from '../units'
import type { Circuit } from '../circuit'
import type { Call, ModeCondition } from '../equipment'
import type { Installation, JobSeen, Name, Ref } from '../installation'
import type { Target } from '../query'
import type { Situation } from '../situation'
import type { Facts } from './facts'

/** How grave: it can hurt or leave the house cold; it does not do what it should; it is worth a look. */
export type Severity = 'danger' | 'wrong' | 'warn'

/** A reachable state as rules see it. */
export interface StateSeen {
  inst: Installation
  situation: Situation
  /** Modes away from normal. */
  abnormalCount: number
  /** Conditions of the modes away from normal. */
  conditions: ReadonlySet<ModeCondition>
  facts: Facts
  /** Volts between two points of the state; NaN while it does not settle. */
  volts: (a: Ref, b: Ref) => Volts
  /** V that a meter of so many Ω shows between two points; NaN likewise. It factors the state anew: ask seldom. */
  metered: (a: Ref, b: Ref, ohms: Ohms) => Volts
  closed: (contact: Ref) => boolean
  /** Every load of the job that does something worth naming. */
  targets: readonly Target[]
  /** Looks up a fact of the job that is the same in every state; it is worked out once. */
  ofJob: <T>(work: (circuit: Circuit) => T) => T
}

/** Loads that ran in any reachable state. */
export interface Coverage {
  inst: Installation
  calls: readonly Call[]
  everRan: ReadonlySet<Ref>
  /** Loads that ran in each call at some outdoor temperature with every mode normal. */
  ranNormally: (call: Call) => ReadonlySet<Ref>
}

/** A rule's result as data. The code says what is wrong; its words are elsewhere. */
export interface Breach<C extends string = string> {
  code: C
  /** The load, contact, setting or terminal that is wrong; its gate chain is the offending path. */
  at: Name
  /** Other settings and terminals that it depends on, the first to check first. */
  also?: Name[]
  /** The figures that the words need, in the order in which they name them. */
  numbers?: number[]
  /** Severity of a code that is more or less serious than its rule. */
  severity?: Severity
}

interface RuleBase<I extends string, C extends string> {
  id: I
  severity: Severity
  /** Every code that it can find. A code without words does not compile; one without a fixture fails the suite. */
  codes: readonly C[]
  /** Whether it has anything to say about this job. */
  applies: (inst: Installation) => boolean
}

/** A rule over gear, wiring and settings as they stand, and over what is known of the house. */
export interface JobRule<I extends string, C extends string> extends RuleBase<I, C> {
  scope: 'job'
  find: (seen: JobSeen) => Breach<C>[]
  /** It asks the owner's answers, plates as read or how far the work is: not only gear, wiring and settings. */
  asksSite?: true
  /** Codes of state rules that these findings are the cause of: where both are found, they are told as one. */
  explains?: readonly string[]
}

/** A rule over every reachable state. */
export interface StateRule<I extends string, C extends string> extends RuleBase<I, C> {
  scope: 'state'
  /**
   * Whether `each` reads the outdoor temperature itself; such a rule judges states with every mode normal and no other.
   * All other rules are judged once for the temperatures that the circuit cannot tell apart. A test holds each to this.
   */
  readsOutdoor?: boolean
  /** Judges one state. Two things wrong in one state are two breaches: neither hides the other. */
  each: (state: StateSeen) => Breach<C> | readonly Breach<C>[] | null
}

/** A rule over the whole: what was seen running in which call, over all states. */
export interface CoverageRule<I extends string, C extends string> extends RuleBase<I, C> {
  scope: 'coverage'
  overall: (seen: Coverage) => (Breach<C> & { call: Call })[]
}

/** A rule, and what it found. A rule's file exports one of these. */
export type Rule<I extends string = string, C extends string = string> =
  JobRule<I, C> | StateRule<I, C> | CoverageRule<I, C>

export const asksSite = (r: Rule): boolean => r.scope === 'job' && r.asksSite === true
export const isJobRule = (r: Rule): r is JobRule<string, string> => r.scope === 'job'

export interface Finding {
  rule: string
  code: string
  severity: Severity
  at: Name
  also: Name[]
  numbers: number[]
  /** The smallest situation that shows it; null: it stands in every situation. */
  witness: Situation | null
  /** The offending path: what it runs through, from source to common. */
  path: Name[]
  /** The gates and settings that the finding depends on. */
  dependsOn: Name[]
  /** Breaches in equipment, wiring or settings that cause it. */
  because: Breach[]
}

/**
 * Identity of a finding when two proofs are compared. A finding about equipment or settings belongs to its place; the
 * same at another place is another. A finding about a state keeps only the place of its simplest case.
 */
export const findingKey = ({ rule, code, at, witness }: Finding): string =>
  witness === null ? `${rule}:${code}:${at}` : `${rule}:${code}`

/** A rule that breaks or holds depending on what is not known yet. */
export interface Undecided {
  rule: string
  /** Code of the possible breach; null where nothing could be tried. */
  code: string | null
  /** Facts to find out on site. */
  unknown: Ref[]
  /** Nothing is unknown: there are more states than can be tried, because of these modes. */
  tooMany?: true
  /** A situation in which it would break; null where there were too many unknowns to try. */
  witness: Situation | null
}

export interface Proof {
  /**
   * Calls, temperatures, the largest number of mode combinations for one of them, assignments of unknowns; and how many
   * states settled in another way still, by what stood before.
   */
  factors: {
    calls: number
    temperatures: number
    mostModes: number
    assumptions: number
    otherRests: number
  }
  /** More states than can be tried: how many there are, how many are allowed, and the modes that make them so many. */
  tooMany: { states: number; allowed: number; modes: Ref[] } | null
  /** Reachable states solved: N. */
  solved: number
  /** Settings that something depends on and that are at their factory default without anybody having looked. */
  assumed: Ref[]
  /** Ids of the rules that apply to this job. */
  rules: string[]
  findings: Finding[]
  undecided: Undecided[]
}
