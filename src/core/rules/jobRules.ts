import { nth } from '../assert'
import { makeRef, wireRef, type Installation, type JobSeen, type Ref, type Name } from '../installation'
import {
  assignments,
  assume,
  oneChanged,
  unknownsOf,
  usualValues,
  whichMatter,
  type Unknown,
} from '../situation'
import type { Value } from '../equipment'
import type { Breach, Finding, JobRule, Rule, Undecided } from './rule'

/**
 * Findings of the rules about equipment, wiring, settings and house, and rules that cannot be decided while something
 * is unknown.
 */
export interface JobRuleFindings {
  findings: Finding[]
  undecided: Undecided[]
}

/** A breach as a finding that stands in every situation. */
export const jobFinding = (rule: Rule, b: Breach): Finding => ({
  rule: rule.id,
  code: b.code,
  severity: b.severity ?? rule.severity,
  at: b.at,
  also: b.also ?? [],
  numbers: b.numbers ?? [],
  witness: null,
  path: [b.at, ...(b.also ?? [])],
  dependsOn: [b.at, ...(b.also ?? [])],
  because: [],
})

/** Everything that is not known: what the circuit depends on, and each other setting that some rule may look at. */
function everyUnknown(inst: Installation): Unknown[] {
  const driving = unknownsOf(inst)
  const known = new Set(driving.map((u) => u.ref))
  const others = inst.placed.flatMap((p) =>
    p.device.settings.flatMap((s): Unknown[] => {
      const ref = makeRef(p.ref, s.id)
      if (p.settings[s.id] !== null || !s.intent || known.has(ref)) return []
      const range = [...(s.range ?? []), s.default]
      return [
        { ref, options: s.kind === 'choice' ? (s.options ?? []).map((o) => o.id) : [...new Set(range)] },
      ]
    }),
  )
  return [...driving, ...others]
}

/** Every assignment while they are few; else each unknown by itself, with the others at their defaults. */
function rowsOf(inst: Installation, unknowns: readonly Unknown[]): Value[][] {
  const all = assignments(unknowns)
  if (all) return all
  const usual = usualValues(inst, unknowns)
  return [usual, ...oneChanged(unknowns, usual).map((o) => o.values)]
}

/**
 * Runs the job rules. An unknown setting is tried at each of its options (a number at both ends of its range and its
 * default). A breach at every value is a finding; one at some values is undecided and names the setting.
 */
export function runJobRules(seen: JobSeen, rules: readonly JobRule<string, string>[]): JobRuleFindings {
  const applying = rules.filter((r) => r.applies(seen.inst))
  const unknowns = everyUnknown(seen.inst)
  const rows = unknowns.length ? rowsOf(seen.inst, unknowns) : [[]]
  const found = rows.map((values) => {
    const inst = assume(seen.inst, unknowns, values)
    return applying.map((rule) => rule.find({ ...seen, inst }))
  })
  const result: JobRuleFindings = { findings: [], undecided: [] }
  applying.forEach((rule, r) => {
    const keys = new Map<string, Breach>()
    for (const run of found) for (const b of nth(run, r)) if (!keys.has(keyOf(b))) keys.set(keyOf(b), b)
    for (const [key, breach] of keys) {
      const breaks = found.map((run) => nth(run, r).some((b) => keyOf(b) === key))
      if (breaks.every(Boolean)) result.findings.push(withWires(seen.inst, jobFinding(rule, breach)))
      else
        result.undecided.push({
          rule: rule.id,
          code: breach.code,
          unknown: whichMatter(unknowns, rows, breaks).map((u) => u.ref),
          witness: null,
        })
    }
  })
  return result
}

const keyOf = (b: Breach): string => `${b.code}:${b.at}`

const withWires = (inst: Installation, f: Finding): Finding => ({
  ...f,
  path: [...new Set([f.at, ...wiresAt(inst, f.at), ...f.path])],
})

/** The conductors on a terminal. */
export const wiresAt = (inst: Installation, at: Name): Ref[] =>
  inst.wires.filter((w) => w.a === at || w.b === at).map((w) => wireRef(w.id))
