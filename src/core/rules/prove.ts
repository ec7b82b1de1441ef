import { nth } from '../assert'
import type { Call, Value } from '../equipment'
import { Circuit, solve, type Solution } from '../circuit'
import { gateChain } from '../explain'
import {
  splitRef,
  UNKNOWN_SITE,
  type Installation,
  type JobSeen,
  type Ref,
  isRef,
  type Name,
} from '../installation'
import {
  assignments,
  assume,
  assumedDefaults,
  callsOf,
  regionsOf,
  unknownsOf,
  whichMatter,
  type Situation,
  type Unknown,
} from '../situation'
import { tolerances } from '../tolerances'
import type { DegF } from '../units'
import { runSteps, smaller, type Broken, type Run } from './proofRun'
import { RULES } from './registry'
import { asksSite, isJobRule, type Breach, type Finding, type Proof, type Rule, type Undecided } from './rule'
import { jobFinding, runJobRules, wiresAt } from './jobRules'
import { openQuestions } from './withSite'

/**
 * Proves a job: solves every reachable state (calls × temperature regions × reachable modes × assumptions about what
 * is not known yet) and holds each rule against it. What asks about the house beside gear, wiring and settings is
 * looked for by `withSite`.
 * @param before a circuit that may be this one, or have the same devices: what is laid out is not laid out again
 */
export function prove(inst: Installation, rules: readonly Rule[] = RULES, before?: Circuit): Proof {
  return allSteps(proofSteps(inst, rules, before))
}

/** Takes the steps of a proof one after the other, with nothing in between. */
export function allSteps(steps: Generator<void, Proof, void>): Proof {
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}

/** The same proof in steps, one for each call under each assumption, for who has other work to see to in between. */
export function* proofSteps(
  inst: Installation,
  rules: readonly Rule[] = RULES,
  before?: Circuit,
): Generator<void, Proof, void> {
  const whole = circuitOf(before, inst)
  const unknowns = unknownsOf(inst)
  const rows = assignments(unknowns)
  const applying = rules.filter((r) => !asksSite(r) && r.applies(inst))
  const calls = callsOf(inst)
  const temperatures = regionsOf(inst)
  const ofJob = runJobRules({ ...UNKNOWN_SITE, inst }, applying.filter(isJobRule))
  const proof: Proof = {
    factors: {
      calls: calls.length,
      temperatures: temperatures.length,
      mostModes: 0,
      assumptions: rows?.length ?? 0,
      otherRests: 0,
    },
    tooMany: tooManyStates(whole, calls, temperatures, rows?.length ?? 1),
    solved: 0,
    assumed: assumedDefaults(inst),
    rules: applying.map((r) => r.id),
    ...ofJob,
  }
  if (rows && !proof.tooMany) yield* solveAll(proof, whole, unknowns, rows, applying)
  else
    for (const rule of applying)
      if (!isJobRule(rule))
        proof.undecided.push({
          rule: rule.id,
          code: null,
          unknown: proof.tooMany?.modes ?? unknowns.map((u) => u.ref),
          ...(proof.tooMany ? { tooMany: true as const } : {}),
          witness: null,
        })
  const rank = (x: { rule: string }) => applying.findIndex((r) => r.id === x.rule)
  proof.findings = together(
    proof.findings.sort((a, b) => rank(a) - rank(b)),
    applying,
  )
  proof.undecided = openQuestions(
    proof.undecided.sort((a, b) => rank(a) - rank(b)),
    applying,
  )
  return proof
}

/** The circuit of a wiring, which may be the one that is there already. */
const circuitOf = (known: Circuit | undefined, inst: Installation): Circuit =>
  known?.inst === inst ? known : new Circuit(inst, known)

/** Modes that are named where there are too many of them. */
const MOST_NAMED = 6

/** The count of states of a proof, made before any is solved; null where all of them can be tried. */
function tooManyStates(
  circuit: Circuit,
  calls: readonly Call[],
  temperatures: readonly DegF[],
  assumptions: number,
): Proof['tooMany'] {
  const counts = calls.flatMap((call) => temperatures.map((t) => circuit.countCombinations(call, t)))
  const states = counts.reduce((n, c) => n + c.count, 0) * assumptions
  // Without a thermostat there is no call, and nothing to count.
  const most = counts.reduce((a, c) => (c.count > a.count ? c : a), {
    count: 0,
    modes: [] as { ref: Ref; states: number }[],
  })
  if (states <= tolerances.mostStates && most.count <= tolerances.mostCombinations) return null
  // First the device that causes the most of them by itself.
  const ofDevice = (ref: Ref) =>
    most.modes
      .filter((m) => splitRef(m.ref).placed === splitRef(ref).placed)
      .reduce((n, m) => n * m.states, 1)
  const modes = most.modes
    .filter((m) => m.states > 1)
    .sort((a, b) => ofDevice(b.ref) - ofDevice(a.ref) || b.states - a.states)
    .slice(0, MOST_NAMED)
    .map((m) => m.ref)
  return { states, allowed: tolerances.mostStates, modes }
}

/** Solves every reachable state under every assumption, and adds what the rules about states and the whole find. */
function* solveAll(
  proof: Proof,
  whole: Circuit,
  unknowns: readonly Unknown[],
  rows: readonly Value[][],
  rules: readonly Rule[],
): Generator<void, void, void> {
  const { inst } = whole
  const temperatures = regionsOf(inst)
  const runs: Run[] = []
  for (const values of rows)
    runs.push(yield* runSteps(circuitOf(whole, assume(inst, unknowns, values)), rules, temperatures))
  proof.solved = runs.reduce((n, r) => n + r.solved + r.otherRests, 0)
  proof.factors.otherRests = runs.reduce((n, r) => n + r.otherRests, 0)
  proof.factors.mostModes = Math.max(...runs.map((r) => r.mostModes))
  for (const key of keysOf(rules, runs)) {
    const broken = runs.flatMap((run) => {
      const b = run.broken.get(key)
      return b ? [{ run, ...b }] : []
    })
    const smallest = broken.reduce((a, b) => (smaller(b.size, a.size) ? b : a))
    if (broken.length === runs.length) proof.findings.push(findingOf(smallest.run, smallest))
    else proof.undecided.push(undecidedOf(key, unknowns, rows, runs, smallest))
  }
}

/** Broken rules of all runs, in the order of the rules; for one rule the simplest case first. */
function keysOf(rules: readonly Rule[], runs: readonly Run[]): string[] {
  const all = new Map<string, Broken>()
  for (const run of runs)
    for (const [key, b] of run.broken) {
      const known = all.get(key)
      if (!known || smaller(b.size, known.size)) all.set(key, b)
    }
  const rank = (b: Broken) => rules.indexOf(b.rule)
  return [...all]
    .sort(
      ([, a], [, b]) => rank(a) - rank(b) || (smaller(a.size, b.size) ? -1 : smaller(b.size, a.size) ? 1 : 0),
    )
    .map(([key]) => key)
}

/** Findings about equipment, wiring, settings and house that need no solved state. */
export const jobFindings = (seen: JobSeen, rules: readonly Rule[] = RULES): Finding[] =>
  runJobRules(seen, rules.filter(isJobRule)).findings

/** Merges a finding about a state with the finding about settings that causes it. */
function together(findings: readonly Finding[], rules: readonly Rule[]): Finding[] {
  const taken = new Set<Finding>()
  const told = findings.map((f) => {
    if (f.witness === null) return f
    const causes = findings.filter((c) => {
      const rule = rules.find((r) => r.id === c.rule)
      return rule?.scope === 'job' && (rule.explains?.includes(f.code) ?? false)
    })
    for (const c of causes) taken.add(c)
    const because = causes.map(({ code, at, also, numbers }): Breach => ({ code, at, also, numbers }))
    return because.length ? { ...f, because, dependsOn: [...f.dependsOn, ...because.map((c) => c.at)] } : f
  })
  const said = new Set<string>()
  return told.filter((f) => {
    if (taken.has(f)) return false
    // A single cause that one rule shows in two ways is told once, by the simpler case.
    const key = `${f.rule} ${f.because.map((c) => `${c.code} ${c.at}`).join()}`
    if (f.because.length && said.has(key)) return false
    said.add(key)
    return true
  })
}

function findingOf(run: Run, { rule, breach, situation }: Broken): Finding {
  const finding = jobFinding(rule, breach)
  const { path, gates } = offendingPath(run, situation, breach)
  return { ...finding, witness: situation, path, dependsOn: gates }
}

function offendingPath(run: Run, situation: Situation, breach: Breach): { path: Name[]; gates: Name[] } {
  const solved = solve(run.circuit, situation)
  if (!solved.ok) return { path: solved.cycle, gates: solved.cycle }
  if (solved.overcurrents.length) return shortPath(solved)
  const chain = isRef(breach.at) ? gateChain(solved, breach.at) : null
  // Something that is no load has no path of current to show.
  if (!chain?.route.length)
    return { path: [breach.at, ...wiresAt(run.assumed, breach.at)], gates: [breach.at] }
  return { path: chain.route, gates: chain.gates.map((g) => g.at) }
}

/** A short runs where the current is: every conductor and closed contact that carries more than the least limit. */
function shortPath(solved: Solution): { path: Ref[]; gates: Ref[] } {
  const least = Math.min(...solved.overcurrents.map((o) => o.limitA))
  const { net } = solved.circuit
  const hot = [...net.conductors, ...net.contacts].filter((x) => solved.amps(x.ref) > least)
  const ends = hot.flatMap((x) => [x.a, x.b]).filter((n) => n >= 0)
  return {
    path: [...new Set([...hot.map((x) => x.ref), ...ends.map((n) => nth(net.nodes, n))])],
    gates: solved.overcurrents.map((o) => o.ref),
  }
}

/** A rule that breaks under some of the assumptions. */
function undecidedOf(
  key: string,
  unknowns: readonly Unknown[],
  rows: readonly Value[][],
  runs: readonly Run[],
  smallest: Broken,
): Undecided {
  const breaks = runs.map((r) => r.broken.has(key))
  return {
    rule: smallest.rule.id,
    code: smallest.breach.code,
    unknown: whichMatter(unknowns, rows, breaks).map((u) => u.ref),
    witness: smallest.situation,
  }
}
