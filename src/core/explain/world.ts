import { CALLS, type Call } from '../equipment'
import { Circuit, solutionOf, type Outcome, type Solution } from '../circuit'
import { makeRef, withSettings, type Ref } from '../installation'
import { callsOf, regionsOf, type Situation } from '../situation'
import type { DegF } from '../units'
import { differencesFrom, intendedWiring, withDifferences, type Difference, type SettingFix } from '../wiring'

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
    const { nets, settings } = intendedWiring(circuit.inst)
    this.differences = differencesFrom(circuit.inst, nets)
    this.calls = callsOf(circuit.inst)
    this.temperatures = regionsOf(circuit.inst)
    this.settings = settings.map(({ placed, setting, value }) => ({ placed, setting, value }))
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

function settle(circuit: Circuit, situation: Situation, unknownClosed: boolean): Outcome {
  const as = unknownClosed ? 'closed' : 'open'
  const before = situation.after && settle(circuit, situation.after, unknownClosed)
  return before?.ok ? circuit.settleAfter(situation, before, as) : circuit.settle(situation, as)
}

/** Whether a load runs in a situation. */
function runs(circuit: Circuit, load: number, situation: Situation, unknownClosed: boolean): boolean {
  const outcome = settle(circuit, situation, unknownClosed)
  return outcome.ok && outcome.coils[load] === 2
}

/** The fewest differences that do it, of all, which do: one of them, else all without those that are not needed. */
function fewest(
  all: readonly Difference[],
  does: (set: readonly Difference[]) => boolean,
): readonly Difference[] {
  const one = all.find((d) => does([d]))
  if (one) return [one]
  return all.reduce<readonly Difference[]>((set, d) => {
    const fewer = set.filter((x) => x !== d)
    return does(fewer) ? fewer : set
  }, all)
}

interface Variation {
  situation: Situation
  cost: number
}

/** The situation itself, and others in the order of how little they differ from it: modes, the temperature, the call. */
function variationsOf(repairs: Repairs, situation: Situation): Variation[] {
  const { call, outdoorF, modes } = situation
  const away = Object.keys(modes) as Ref[]
  const without = (ref: Ref) => Object.fromEntries(Object.entries(modes).filter(([r]) => r !== ref))
  const modeChoices: [Situation['modes'], number][] = [[modes, 0]]
  if (away.length > 1) for (const ref of away) modeChoices.push([without(ref), 1])
  if (away.length) modeChoices.push([{}, away.length])
  const temperatures = [outdoorF, ...repairs.temperatures.filter((t) => t !== outdoorF)]
  const calls = [call, ...repairs.calls.filter((c) => c !== call)]
  const out = modeChoices.flatMap(([m, forModes]) =>
    calls.flatMap((c) =>
      temperatures.map((t): Variation => {
        const forCall = c === call ? 0 : 2 + Math.abs(CALLS.indexOf(c) - CALLS.indexOf(call)) / 100
        const forF = t === outdoorF ? 0 : 1 + Math.abs(t - outdoorF) / 1000
        const cost = forModes + forCall + forF
        return { situation: cost ? { call: c, outdoorF: t, modes: m } : situation, cost }
      }),
    ),
  )
  return out.sort((x, y) => x.cost - y.cost)
}

/** The nearest state in which a load runs; null where there is none. */
export function nearestWorld(solution: Solution, target: Ref): World | null {
  const { circuit, situation } = solution
  const load = circuit.net.loads.findIndex((l) => l.ref === target)
  if (load < 0) return null
  const repairs = repairsOf(circuit)
  const { differences, settings } = repairs
  const whole = repairs.with(differences)
  const isIn = (c: Circuit, s: Situation): boolean | null =>
    runs(c, load, s, false) ? false : runs(c, load, s, true) ? true : null
  const world = (c: Circuit, s: Situation, unknownClosed: boolean, rest: Partial<World>): World | null => {
    const state = settle(c, s, unknownClosed)
    return state.ok
      ? { solution: solutionOf(c, s, state), differences: [], settings: [], asWired: null, ...rest }
      : null
  }
  /** The fewest differences that have to be put right for the load to run in a situation. */
  const least = (s: Situation, unknownClosed: boolean): World | null => {
    const isOn = (set: readonly Difference[]) => runs(repairs.with(set), load, s, unknownClosed)
    const set = isOn([]) ? [] : fewest(differences, isOn)
    return world(repairs.with(set), s, unknownClosed, { differences: set })
  }
  const others = variationsOf(repairs, situation).slice(1)
  const here = isIn(whole, situation)
  // What somebody switched off, or what has tripped, is the reason where the wiring as it is runs without it.
  const normal = others.find(
    ({ situation: s }) =>
      s.call === situation.call && s.outdoorF === situation.outdoorF && runs(circuit, load, s, false),
  )
  if (normal && here !== null) return world(circuit, normal.situation, false, {})
  if (here !== null) {
    const mended = least(situation, here)
    if (!mended?.differences.length) return mended
    const weather = others.find(
      ({ situation: s }) =>
        s.call === situation.call && s.modes === situation.modes && runs(circuit, load, s, false),
    )
    const asWired = weather && world(circuit, weather.situation, false, {})
    return { ...mended, asWired: asWired?.solution ?? null }
  }
  if (settings.length) {
    const set = settings.find((s) => isIn(repairs.withSettings([s]), situation) !== null)
    const all = set ? [set] : settings
    const c = repairs.withSettings(all)
    const unknown = isIn(c, situation)
    if (unknown !== null) return world(c, situation, unknown, { settings: all, differences: [] })
  }
  for (const { situation: s } of others) {
    const unknown = isIn(whole, s)
    if (unknown !== null) return least(s, unknown)
  }
  if (whole !== circuit)
    for (const { situation: s } of others) {
      const unknown = isIn(circuit, s)
      if (unknown !== null) return world(circuit, s, unknown, {})
    }
  return null
}

/** The fewest differences that turn a load on which would be off in this situation by the intended wiring; none: it belongs on. */
export function strayFor({ circuit, situation }: Solution, target: Ref): readonly Difference[] {
  const load = circuit.net.loads.findIndex((l) => l.ref === target)
  const repairs = repairsOf(circuit)
  const { differences } = repairs
  const isOn = (set: readonly Difference[]) => runs(repairs.with(set), load, situation, false)
  if (!differences.length || isOn(differences)) return []
  return fewest(differences, (set) => !isOn(set))
}
