import { CALLS, type Call, type Value } from '../equipment'
import { Circuit, solve, type Outcome, type Solution } from '../circuit'
import { gateChain } from '../explain'
import { wireRef, type Installation, type Ref } from '../installation'
import {
  assignments,
  assume,
  callsOf,
  reachableCombinations,
  regionsOf,
  unknownsOf,
  type ModeCombination,
  type Situation,
  type Unknown,
} from '../situation'
import { tolerances } from '../tolerances'
import type { DegF } from '../units'
import type { Breach, Finding, Law, Proof, Undecided } from './law'
import { LAWS } from './registry'
import { stateSeen } from './seen'

/** The smallest witness of one law under one assumption of the unknowns. */
interface Broken {
  situation: Situation
  breach: Breach
  size: [number, number, number]
}
interface Run {
  assumed: Installation
  circuit: Circuit
  broken: Map<string, Broken>
  everRan: Set<Ref>
  solved: number
  mostModes: number
}

/**
 * Proves a job: solves every reachable state (calls × temperature regions × reachable modes × assumptions about what
 * is not known yet) and holds each law against it.
 */
export function prove(inst: Installation, laws: readonly Law[] = LAWS): Proof {
  const steps = proofSteps(inst, laws)
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}

/** The same proof in steps, one for each call under each assumption, for who has other work to see to in between. */
export function* proofSteps(inst: Installation, laws: readonly Law[] = LAWS): Generator<void, Proof, void> {
  const unknowns = unknownsOf(inst)
  const rows = assignments(unknowns)
  const applying = laws.filter((l) => l.applies(inst))
  const calls = callsOf(inst)
  const temperatures = regionsOf(inst)
  const factors = {
    calls: calls.length,
    temperatures: temperatures.length,
    mostModes: 0,
    assumptions: rows?.length ?? 0,
  }
  const proof: Proof = { factors, solved: 0, laws: applying.map((l) => l.id), findings: [], undecided: [] }
  if (!rows) {
    proof.undecided = applying.map((l) => ({ law: l.id, unknown: unknowns.map((u) => u.ref), witness: null }))
    return proof
  }
  const runs: Run[] = []
  for (const values of rows)
    runs.push(yield* runSteps(assume(inst, unknowns, values), applying, temperatures))
  proof.solved = runs.reduce((n, r) => n + r.solved, 0)
  factors.mostModes = Math.max(...runs.map((r) => r.mostModes))
  for (const law of applying) {
    const broken = runs.flatMap((r) => {
      const b = r.broken.get(law.id)
      return b ? [{ run: r, ...b }] : []
    })
    if (broken.length === 0) continue
    const smallest = broken.reduce((a, b) => (smaller(b.size, a.size) ? b : a))
    if (broken.length === runs.length) proof.findings.push(findingOf(law, smallest.run, smallest))
    else proof.undecided.push(undecidedOf(law, unknowns, rows, runs, smallest.situation))
  }
  return proof
}

/** Fewest modes away from normal, then the lowest call, then the temperature nearest the mild point. */
function sizeOf(abnormalCount: number, s: Situation): [number, number, number] {
  return [abnormalCount, CALLS.indexOf(s.call), Math.abs(s.outdoorF - tolerances.mildF)]
}
function smaller(a: [number, number, number], b: [number, number, number]): boolean {
  for (let i = 0; i < 3; i++) if (a[i]! !== b[i]!) return a[i]! < b[i]!
  return false
}

/** Outdoor temperatures that a call cannot tell apart: the same rows of modes with the same solutions. */
interface TemperatureClass {
  rows: ModeCombination[]
  /** °F: the one nearest the mild point, where a smallest witness is. */
  nearest: DegF
}

function temperatureClassAt(
  circuit: Circuit,
  known: Map<string, TemperatureClass>,
  call: Call,
  outdoorF: DegF,
): TemperatureClass {
  const rows = reachableCombinations(circuit.inst, call, outdoorF)
  const key = circuit.temperatureClass({ call, outdoorF })
  let temperatureClass = known.get(key)
  // Which modes can occur may hang on the temperature even where no contact does.
  if (temperatureClass && temperatureClass.rows !== rows) temperatureClass = undefined
  if (!temperatureClass) known.set(key, (temperatureClass = { rows, nearest: outdoorF }))
  else if (Math.abs(outdoorF - tolerances.mildF) < Math.abs(temperatureClass.nearest - tolerances.mildF))
    temperatureClass.nearest = outdoorF
  return temperatureClass
}

/** Solves every reachable state of a job in which nothing is unknown. */
function* runSteps(
  assumed: Installation,
  laws: readonly Law[],
  temperatures: readonly DegF[],
): Generator<void, Run, void> {
  const circuit = new Circuit(assumed)
  const run: Run = { assumed, circuit, broken: new Map(), everRan: new Set(), solved: 0, mostModes: 0 }
  const calls = callsOf(assumed)
  const each = laws.filter((l) => l.each)
  for (const call of calls) {
    proveCall(run, call, each, temperatures)
    yield
  }
  const nearest = temperatures.reduce((a, t) =>
    Math.abs(t - tolerances.mildF) < Math.abs(a - tolerances.mildF) ? t : a,
  )
  for (const law of laws)
    for (const breach of law.overall?.({ inst: assumed, calls, everRan: run.everRan }) ?? []) {
      const situation: Situation = { call: breach.call, outdoorF: nearest, modes: {} }
      keep(run, law.id, { situation, breach, size: sizeOf(0, situation) })
    }
  return run
}

/** Solves the reachable states of one call, at every temperature, and keeps what they break. */
function proveCall(run: Run, call: Call, each: readonly Law[], temperatures: readonly DegF[]): void {
  const { circuit } = run
  const weather = each.filter((l) => l.readsOutdoor)
  const classes = new Map<string, TemperatureClass>()
  const list = temperatures.map((outdoorF) => temperatureClassAt(circuit, classes, call, outdoorF))
  temperatures.forEach((outdoorF, at) => {
    const temperatureClass = list[at]!
    const { rows, nearest } = temperatureClass
    run.mostModes = Math.max(run.mostModes, rows.length)
    run.solved += rows.length
    // Elsewhere in the same temperature class nothing differs but the thermometer: only the laws that read it look again.
    const first = outdoorF === nearest
    const judges = first ? each : weather
    if (!judges.length) return
    const outcomes: Outcome[] = []
    rows.forEach(({ modes, abnormalCount, conditions, parentIndex }, i) => {
      if (!first && abnormalCount > 0) return
      const situation: Situation = { call, outdoorF, modes }
      const outcome = circuit.settle(situation, 'open', outcomes[parentIndex])
      outcomes[i] = outcome
      const seen = stateSeen(circuit, outcome, situation, { abnormalCount, conditions })
      if (first) for (const ref of seen.facts.running) run.everRan.add(ref)
      for (const law of judges) {
        const breach = law.each!(seen)
        if (breach) keep(run, law.id, { situation, breach, size: sizeOf(abnormalCount, situation) })
      }
    })
  })
}

function keep(run: Run, law: string, b: Broken): void {
  const known = run.broken.get(law)
  if (!known || smaller(b.size, known.size)) run.broken.set(law, b)
}

function findingOf(law: Law, run: Run, b: Broken): Finding {
  const { path, gates } = offendingPath(run, b)
  return {
    law: law.id,
    severity: law.severity,
    what: b.breach.what,
    at: b.breach.at,
    witness: b.situation,
    path,
    dependsOn: gates,
  }
}

function offendingPath(run: Run, b: Broken): { path: Ref[]; gates: Ref[] } {
  const solved = solve(run.circuit, b.situation)
  if (!solved.ok) return { path: solved.cycle, gates: solved.cycle }
  if (solved.overcurrents.length) return shortPath(solved)
  const chain = gateChain(solved, b.breach.at)
  // A law about settings or spares points at one thing; there is no path of current to show.
  if (!chain.route.length)
    return {
      path: [
        b.breach.at,
        ...run.assumed.wires
          .filter((w) => w.a === b.breach.at || w.b === b.breach.at)
          .map((w) => wireRef(w.id)),
      ],
      gates: [b.breach.at],
    }
  return { path: chain.route, gates: chain.gates.map((g) => g.at) }
}

/** A short runs where the current is: every conductor and closed contact that carries more than the least limit. */
function shortPath(solved: Solution): { path: Ref[]; gates: Ref[] } {
  const least = Math.min(...solved.overcurrents.map((o) => o.limitA))
  const { net } = solved.circuit
  const hot = [...net.conductors, ...net.contacts].filter((x) => solved.amps(x.ref) > least)
  const ends = hot.flatMap((x) => [x.a, x.b]).filter((n) => n >= 0)
  return {
    path: [...new Set([...hot.map((x) => x.ref), ...ends.map((n) => net.nodes[n]!)])],
    gates: solved.overcurrents.map((o) => o.ref),
  }
}

/** Which unknowns matter: those where changing that one alone makes the law break or hold. */
function undecidedOf(
  law: Law,
  unknowns: readonly Unknown[],
  rows: readonly Value[][],
  runs: readonly Run[],
  witness: Situation,
): Undecided {
  const breaks = rows.map((_, i) => runs[i]!.broken.has(law.id))
  const key = (row: readonly Value[], except: number) => row.filter((_, i) => i !== except).join('|')
  const matters = unknowns.filter((_, u) =>
    rows.some((a, i) => rows.some((b, j) => key(a, u) === key(b, u) && breaks[i] !== breaks[j])),
  )
  return { law: law.id, unknown: (matters.length ? matters : unknowns).map((m) => m.ref), witness }
}
