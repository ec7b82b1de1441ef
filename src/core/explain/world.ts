import { CALLS, type Call } from '../equipment'
import { Circuit, settled, solutionOf, type Outcome, type Solution } from '../circuit'
import { makeRef, withSettings, type Ref } from '../installation'
import { callsOf, modesKey, regionsOf, type Situation } from '../situation'
import type { DegF } from '../units'
import { intendedWiring, withDifferences, type Difference, type SettingFix } from '../wiring'

/**
 * The nearest state in which a load runs: the fewest changes to the job's conductors and settings, and to the situation,
 * that turn it on. What must change there and is not so here is the cause.
 */
export interface World {
  solution: Solution
  /** Differences from the intended wiring that have to be put right for it. */
  differences: readonly Difference[]
  settings: readonly SettingFix[]
  /** Where differences have to be put right: a solution in other weather in which it runs by the wiring as it is. */
  asWired: Solution | null
}

/** A job's circuit with its differences from the intended wiring, and circuits with some of them put right. */
class Repairs {
  readonly differences: readonly Difference[]
  readonly settings: readonly SettingFix[]
  /** Calls and outdoor temperatures that a situation is varied by. */
  readonly calls: readonly Call[]
  readonly temperatures: readonly DegF[]
  private readonly made = new Map<string, Circuit>()

  constructor(private readonly circuit: Circuit) {
    const { differences, settings } = intendedWiring(circuit.inst)
    this.differences = differences
    this.settings = settings
    this.calls = callsOf(circuit.inst)
    this.temperatures = regionsOf(circuit.inst)
  }

  /** The circuit with these differences put right. */
  with(differences: readonly Difference[]): Circuit {
    if (!differences.length) return this.circuit
    const key = differences.map((d) => this.differences.indexOf(d)).join()
    const known = this.made.get(key)
    if (known) return known
    const circuit = new Circuit(withDifferences(this.circuit.inst, differences), this.circuit)
    this.made.set(key, circuit)
    return circuit
  }

  /** The circuit with every difference put right and the settings made that go with the wiring. */
  withSettings(settings: readonly SettingFix[]): Circuit {
    const key = `set ${settings.map((s) => this.settings.indexOf(s)).join()}`
    const known = this.made.get(key)
    if (known) return known
    const inst = withDifferences(this.circuit.inst, this.differences)
    const changes = settings.map((s) => ({ at: makeRef(s.placed, s.setting), value: s.value }))
    const circuit = new Circuit(withSettings(inst, changes))
    this.made.set(key, circuit)
    return circuit
  }
}
const makeRepairs = (circuit: Circuit): Repairs => new Repairs(circuit)
const repairsOf = (circuit: Circuit): Repairs => circuit.cache.once(makeRepairs)

/** How a circuit settles, asked again and again at the same calls and temperatures. */
class Outcomes {
  private readonly known = new Map<string, Outcome>()
  private readonly solutions = new Map<Outcome, Solution>()

  constructor(private readonly circuit: Circuit) {}

  private outcome(situation: Situation, unknownClosed: boolean): Outcome {
    const { call, outdoorF, modes, after } = situation
    const as = unknownClosed ? 'closed' : 'open'
    if (after) return settled(this.circuit, situation, as)
    const key = `${call} ${outdoorF} ${as} ${Object.keys(modes).length ? modesKey(modes) : ''}`
    const known = this.known.get(key)
    if (known) return known
    const outcome = settled(this.circuit, situation, as)
    this.known.set(key, outcome)
    return outcome
  }

  runs(load: number, situation: Situation, unknownClosed: boolean): boolean {
    const outcome = this.outcome(situation, unknownClosed)
    return outcome.ok && outcome.coils[load] === 2
  }

  /** Whether a load runs with the contacts that nobody knows open (false), or only with them closed (true); null: neither. */
  runsWithUnknown(load: number, situation: Situation): boolean | null {
    const open = this.outcome(situation, false)
    if (open.ok && open.coils[load] === 2) return false
    // Where every driver is known there is nothing to take otherwise.
    const isKnown = open.ok && !open.drivers.includes(1)
    return !isKnown && this.runs(load, situation, true) ? true : null
  }

  /** The solution of a situation; ways that were found in it stay with it. */
  solution(situation: Situation, unknownClosed: boolean): Solution | null {
    const outcome = this.outcome(situation, unknownClosed)
    if (!outcome.ok) return null
    const solution = this.solutions.get(outcome) ?? solutionOf(this.circuit, situation, outcome)
    this.solutions.set(outcome, solution)
    return solution
  }
}
const makeOutcomes = (circuit: Circuit): Outcomes => new Outcomes(circuit)
const outcomesOf = (circuit: Circuit): Outcomes => circuit.cache.once(makeOutcomes)

/** Up to so many differences each is tried by itself, and left out by itself. */
const FEW = 6
/** Up to so many on a load's own way it is looked whether all of them are needed. */
const FEW_ON_WAY = 3

/** The fewest differences that do it, of all, which do: one of them, else all without those that are not needed. */
function fewest(
  all: readonly Difference[],
  does: (set: readonly Difference[]) => boolean,
  kept: readonly Difference[] = [],
): readonly Difference[] {
  const one = all.find((d) => does([...kept, d]))
  if (one) return [...kept, one]
  return all.reduce<readonly Difference[]>(
    (set, d) => {
      const fewer = set.filter((x) => x !== d)
      return does(fewer) ? fewer : set
    },
    [...kept, ...all],
  )
}

/**
 * The differences that have to be put right for a load, of all. In a job that is hardly wired there are many: those on the
 * load's own way are needed, and of the rest only such that join what should be apart.
 */
function needed(
  all: readonly Difference[],
  onWay: readonly Difference[],
  isOn: (set: readonly Difference[]) => boolean,
): readonly Difference[] {
  if (isOn(onWay)) return onWay.length > FEW_ON_WAY ? onWay : fewest(onWay, isOn)
  if (all.length <= FEW) return fewest(all, isOn)
  const beside = all.filter((d) => d.kind !== 'missing' && !onWay.includes(d))
  return isOn([...onWay, ...beside]) ? fewest(beside, isOn, onWay) : all
}

/** Situations that differ from one in modes, weather and call, from little to much: each made when it is asked for. */
function* variationsOf(repairs: Repairs, situation: Situation): Generator<Situation> {
  const { call, outdoorF, modes } = situation
  const resets = resetsOf(modes)
  for (const m of resets) yield { call, outdoorF, modes: m }
  const normal = resets.at(-1)
  const modesToTry = normal ? [modes, normal] : [modes]
  const far = (t: number) => Math.abs(t - outdoorF)
  const temperatures = repairs.temperatures.filter((t) => t !== outdoorF).sort((x, y) => far(x) - far(y))
  for (const t of temperatures) for (const m of modesToTry) yield { call, outdoorF: t, modes: m }
  const at = (c: Call) => CALLS.indexOf(c)
  const others = repairs.calls.filter((c) => c !== call)
  others.sort((x, y) => Math.abs(at(x) - at(call)) - Math.abs(at(y) - at(call)))
  for (const c of others)
    for (const t of [outdoorF, ...temperatures])
      for (const m of modesToTry) yield { call: c, outdoorF: t, modes: m }
}

/** Modes with one of those that are away from normal put back, and at last with all of them. */
function resetsOf(modes: Situation['modes']): Situation['modes'][] {
  const away = Object.keys(modes)
  const without = (ref: string) => Object.fromEntries(Object.entries(modes).filter(([r]) => r !== ref))
  if (!away.length) return []
  return away.length > 1 ? [...away.map(without), {}] : [{}]
}

/**
 * The nearest state in which a load runs; null where there is none.
 * @param onItsWay of some differences, those whose conductors its current takes in a solution in which it runs
 */
export function nearestWorld(
  solution: Solution,
  target: Ref,
  onItsWay: (there: Solution, differences: readonly Difference[]) => readonly Difference[],
): World | null {
  const { circuit, situation } = solution
  const load = circuit.net.loads.findIndex((l) => l.ref === target)
  if (load < 0) return null
  const repairs = repairsOf(circuit)
  const { differences, settings } = repairs
  const [found, whole] = [outcomesOf(circuit), outcomesOf(repairs.with(differences))]
  const world = (c: Outcomes, s: Situation, unknownClosed: boolean, rest: Partial<World>): World | null => {
    const there = c.solution(s, unknownClosed)
    return there && { solution: there, differences: [], settings: [], asWired: null, ...rest }
  }
  /** The fewest differences that have to be put right for the load to run in a situation. */
  const least = (s: Situation, unknownClosed: boolean): World | null => {
    const isOn = (set: readonly Difference[]) => outcomesOf(repairs.with(set)).runs(load, s, unknownClosed)
    if (isOn([])) return world(found, s, unknownClosed, {})
    const there = whole.solution(s, unknownClosed)
    const onWay = there ? onItsWay(there, differences) : []
    // In a job that is hardly wired yet what its own way lacks is the answer, with nothing more to be solved.
    const isBare = onWay.length > FEW_ON_WAY && differences.every((d) => d.kind === 'missing')
    if (isBare) return world(whole, s, unknownClosed, { differences: onWay })
    const set = needed(differences, onWay, isOn)
    return world(outcomesOf(repairs.with(set)), s, unknownClosed, { differences: set })
  }
  const here = whole.runsWithUnknown(load, situation)
  if (here !== null) {
    // What somebody switched off, or what has tripped, is the reason where the wiring as it is runs without it.
    const { call, outdoorF, modes } = situation
    const reset = resetsOf(modes)
      .map((m): Situation => ({ call, outdoorF, modes: m }))
      .find((s) => found.runs(load, s, false))
    if (reset) return world(found, reset, false, {})
    const mended = least(situation, here)
    if (!mended?.differences.length) return mended
    const weather = repairs.temperatures
      .map((t): Situation => ({ call, outdoorF: t, modes }))
      .find((s) => found.runs(load, s, false))
    return { ...mended, asWired: weather ? found.solution(weather, false) : null }
  }
  if (settings.length) {
    const set = settings.find(
      (s) => outcomesOf(repairs.withSettings([s])).runsWithUnknown(load, situation) !== null,
    )
    const all = set ? [set] : settings
    const told = outcomesOf(repairs.withSettings(all))
    const unknown = told.runsWithUnknown(load, situation)
    if (unknown !== null) return world(told, situation, unknown, { settings: all })
  }
  for (const s of variationsOf(repairs, situation)) {
    const unknown = whole.runsWithUnknown(load, s)
    if (unknown !== null) return least(s, unknown)
  }
  if (whole !== found)
    for (const s of variationsOf(repairs, situation)) {
      const unknown = found.runsWithUnknown(load, s)
      if (unknown !== null) return world(found, s, unknown, {})
    }
  return null
}

/** The fewest differences that turn a load on which would be off in this situation by the intended wiring; none: it belongs on. */
export function strayFor({ circuit, situation }: Solution, target: Ref): readonly Difference[] {
  const load = circuit.net.loads.findIndex((l) => l.ref === target)
  const repairs = repairsOf(circuit)
  const { differences } = repairs
  const isOn = (set: readonly Difference[]) => outcomesOf(repairs.with(set)).runs(load, situation, false)
  if (!differences.length || isOn(differences)) return []
  const isOff = (set: readonly Difference[]) => !isOn(set)
  if (differences.length <= FEW) return fewest(differences, isOff)
  const one = differences.find((d) => d.kind !== 'missing' && isOff([d]))
  return one ? [one] : []
}
