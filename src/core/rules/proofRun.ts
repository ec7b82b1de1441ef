import { nth } from '../assert'
import type { Circuit, Outcome } from '../circuit'
import { CALLS, isHeatPumpHeating, type Call } from '../equipment'
import type { Installation, Ref } from '../installation'
import { callsOf, type ModeCombination, type Situation } from '../situation'
import { tolerances } from '../tolerances'
import type { DegF } from '../units'
import { otherRests } from './resting'
import type { Breach, CoverageRule, Rule, StateRule, StateSeen } from './rule'
import { stateSeen } from './seen'

/** The smallest witness of one code of a rule under one assumption of the unknowns. */
export interface Broken {
  rule: Rule
  situation: Situation
  breach: Breach
  size: Size
}
export interface Run {
  assumed: Installation
  circuit: Circuit
  /** By rule and code, and for rules about the whole by place. */
  broken: Map<string, Broken>
  everRan: Set<Ref>
  /**
   * Findings and running loads of defrost states. They count when the compressor ran on some heating call, so that its
   * coil can frost.
   */
  inDefrost: { broken: Map<string, Broken>; everRan: Set<Ref> }
  canFrost: boolean
  ranNormally: Map<Call, Set<Ref>>
  solved: number
  mostModes: number
  /** Rests that only what stood before leads to; and whether a control coil was seen holding on weak volts. */
  otherRests: number
  holdsOn: boolean
}

type Size = [modes: number, call: number, degrees: number, steps: number]

/**
 * Fewest modes away from normal, then the lowest call, then the temperature nearest the mild point, then the fewest
 * situations that must have stood before.
 */
function sizeOf(abnormalCount: number, s: Situation): Size {
  let steps = 0
  for (let before = s.after; before; before = before.after) steps++
  return [abnormalCount, CALLS.indexOf(s.call), Math.abs(s.outdoorF - tolerances.mildF), steps]
}
export function smaller(a: Size, b: Size): boolean {
  for (let i = 0; i < 4; i++) if (nth(a, i) !== nth(b, i)) return nth(a, i) < nth(b, i)
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
  const rows = circuit.combinationsAt(call, outdoorF)
  const key = circuit.temperatureClass({ call, outdoorF })
  let temperatureClass = known.get(key)
  // Which modes can occur may depend on the temperature even where no contact does.
  if (temperatureClass && temperatureClass.rows !== rows) temperatureClass = undefined
  if (!temperatureClass) known.set(key, (temperatureClass = { rows, nearest: outdoorF }))
  else if (Math.abs(outdoorF - tolerances.mildF) < Math.abs(temperatureClass.nearest - tolerances.mildF))
    temperatureClass.nearest = outdoorF
  return temperatureClass
}

/** Solves every reachable state of a circuit in which nothing is unknown. */
export function* runSteps(
  circuit: Circuit,
  rules: readonly Rule[],
  temperatures: readonly DegF[],
): Generator<void, Run, void> {
  const assumed = circuit.inst
  const run: Run = {
    assumed,
    circuit,
    broken: new Map(),
    everRan: new Set(),
    inDefrost: { broken: new Map(), everRan: new Set() },
    canFrost: false,
    ranNormally: new Map(),
    solved: 0,
    mostModes: 0,
    otherRests: 0,
    holdsOn: false,
  }
  const calls = callsOf(assumed)
  const each = rules.filter((r) => r.scope === 'state')
  for (const call of calls) {
    proveCall(run, call, each, temperatures)
    yield
  }
  if (run.holdsOn || circuit.hasMemory()) proveOtherRests(run, calls, each, temperatures)
  if (run.canFrost) {
    for (const ref of run.inDefrost.everRan) run.everRan.add(ref)
    for (const [key, b] of run.inDefrost.broken) keep(run.broken, key, b)
  }
  const nearest = temperatures.reduce((a, t) =>
    Math.abs(t - tolerances.mildF) < Math.abs(a - tolerances.mildF) ? t : a,
  )
  for (const rule of rules) {
    if (rule.scope === 'coverage') keepOverall(run, rule, calls, nearest)
  }
  return run
}

function keepOverall(
  run: Run,
  rule: CoverageRule<string, string>,
  calls: readonly Call[],
  outdoorF: DegF,
): void {
  for (const breach of rule.overall({
    inst: run.assumed,
    calls,
    everRan: run.everRan,
    ranNormally: (call: Call) => run.ranNormally.get(call) ?? new Set<Ref>(),
  })) {
    const situation: Situation = { call: breach.call, outdoorF, modes: {} }
    keep(run.broken, `${rule.id}:${breach.code}`, { rule, situation, breach, size: sizeOf(0, situation) })
  }
}

/** Solves the reachable states of one call, at every temperature, and keeps what they break. */
function proveCall(
  run: Run,
  call: Call,
  each: readonly StateRule<string, string>[],
  temperatures: readonly DegF[],
): void {
  const { circuit } = run
  const weather = each.filter((l) => l.readsOutdoor)
  const classes = new Map<string, TemperatureClass>()
  const normally = new Set<Ref>()
  const rests = new Set<Uint8Array>()
  run.ranNormally.set(call, normally)
  const list = temperatures.map((outdoorF) => temperatureClassAt(circuit, classes, call, outdoorF))
  temperatures.forEach((outdoorF, at) => {
    const temperatureClass = nth(list, at)
    const { rows, nearest } = temperatureClass
    run.mostModes = Math.max(run.mostModes, rows.length)
    run.solved += rows.length
    // Elsewhere in the same temperature class nothing differs but the thermometer: only the rules that read it look again.
    const first = outdoorF === nearest
    const judges = first ? each : weather
    if (!judges.length) return
    const outcomes: Outcome[] = []
    rows.forEach(({ modes, abnormalCount, conditions, parentIndex }, i) => {
      if (!first && abnormalCount > 0) return
      const situation: Situation = { call, outdoorF, modes }
      const outcome = circuit.settle(situation, 'open', outcomes[parentIndex])
      outcomes[i] = outcome
      // States that come to the same rest share their coils, which are looked at once.
      if (!run.holdsOn && outcome.ok && !rests.has(outcome.coils)) {
        rests.add(outcome.coils)
        run.holdsOn = circuit.holdsOn(outcome)
      }
      const seen = stateSeen(circuit, outcome, situation, { abnormalCount, conditions })
      const defrosts = conditions.has('defrost')
      if (!defrosts && seen.facts.compressor !== null && isHeatPumpHeating(call)) run.canFrost = true
      const ever = defrosts ? run.inDefrost.everRan : run.everRan
      if (first)
        for (const ref of seen.facts.running) {
          ever.add(ref)
          if (abnormalCount === 0) normally.add(ref)
        }
      for (const rule of judges) judge(run, rule, seen)
    })
  })
}

/** Holds the rules against what a situation settles in after another one, where that differs. */
function proveOtherRests(
  run: Run,
  calls: readonly Call[],
  each: readonly StateRule<string, string>[],
  temperatures: readonly DegF[],
): void {
  for (const { situation, row, outcome } of otherRests(run.circuit, calls, temperatures)) {
    run.otherRests++
    const seen = stateSeen(run.circuit, outcome, situation, row)
    for (const rule of each) if (!rule.readsOutdoor || row.abnormalCount === 0) judge(run, rule, seen)
  }
}

function judge(run: Run, rule: StateRule<string, string>, seen: StateSeen): void {
  const found = rule.each(seen)
  if (!found) return
  const { situation, abnormalCount, conditions } = seen
  const into = conditions.has('defrost') ? run.inDefrost.broken : run.broken
  for (const breach of 'code' in found ? [found] : found)
    keep(into, `${rule.id}:${breach.code}`, {
      rule,
      situation,
      breach,
      size: sizeOf(abnormalCount, situation),
    })
}

function keep(into: Map<string, Broken>, key: string, b: Broken): void {
  const known = into.get(key)
  if (!known || smaller(b.size, known.size)) into.set(key, b)
}
