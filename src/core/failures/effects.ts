import { nth } from '../assert'
import { isHeatPumpHeating } from '../equipment'
import { Circuit, type Outcome } from '../circuit'
import { placedByRef, splitRef, type Installation, type Ref } from '../installation'
import { defrostStarts, targetsOf } from '../query'
import { factsOf, RULES, stateSeen, type Facts, type StateRule } from '../rules'
import { asUsual, callsOf, conditionsOf, memoriesAt, regionsOf, type Situation } from '../situation'
import { tolerances } from '../tolerances'
import { failedModes, failuresOf, protects, withFailure, type Failure } from './failure'

/**
 * Effects of a failure on the house, worst first. `lostProtection`: it changes nothing until the day it is needed, and
 * only a test finds it.
 */
const EFFECT_KINDS = ['harm', 'noHeat', 'lostProtection', 'unnoticed', 'noticed', 'nothing'] as const
export type EffectKind = (typeof EFFECT_KINDS)[number]

export interface Effect {
  failure: Failure
  kind: EffectKind
  /** The rule that it breaks, where it does harm. */
  rule: string | null
  /** First situation in which something differs. */
  witness: Situation | null
  /** Loads that no longer run there, and loads that run and should not. */
  lost: Ref[]
  gained: Ref[]
  /** Change to the defrosts of its board, which no single state shows; left out: none. */
  defrosts?: 'never' | 'byTime'
}

/** The situations that a failure is tried in: every call and temperature with all normal, once in defrost, and with each
 * supply off by itself. */
function trials(circuit: Circuit): Situation[] {
  const { inst } = circuit
  const calls = callsOf(inst)
  // An effect at many temperatures is told at the most ordinary of them, like a finding.
  const awayFromMild = (t: number) => Math.abs(t - tolerances.mildF)
  const temperatures = [...regionsOf(inst)].sort((a, b) => awayFromMild(a) - awayFromMild(b))
  return calls.flatMap((call) =>
    temperatures.flatMap((outdoorF) => {
      const rows = circuit.combinationsAt(call, outdoorF)
      const memories = Object.fromEntries(memoriesAt(inst, outdoorF).map((m) => [m, 'made']))
      const plain: Situation = { call, outdoorF, modes: memories }
      // Each supply off by itself: a kit may be live while the blower is not. And once in defrost.
      const supplies = rows.filter((r) => r.abnormalCount === 1 && r.conditions.has('off'))
      const defrost = rows.find((r) => r.abnormalCount === 1 && r.conditions.has('defrost'))
      const abnormalCount = [...(defrost ? [defrost] : []), ...supplies]
      return [plain, ...abnormalCount.map((r) => ({ call, outdoorF, modes: { ...memories, ...r.modes } }))]
    }),
  )
}

/** A demand for heat as a thermostat makes it by itself: emergency heat is somebody's choice. */
interface HeatAt {
  first: Situation
  /** Some demand brings heat, emergency heat among them. */
  warm: boolean
  /** The thermostat's own demands bring heat, the first of them or what it goes on to. */
  ordinary: boolean
}

/** Rules about missing heat: a house without heat is told apart from harm. */
const COLD = ['emergencyHeat', 'someHeat']

/** Change that a failed mode makes to a board's defrosts. */
function defrostsWith(inst: Installation, { kind, at, state }: Failure): Effect['defrosts'] {
  const { placed: ref, id } = splitRef(at)
  const placed = placedByRef(inst, ref)
  if (kind !== 'mode' || !state || !placed) return undefined
  const [sound, failed] = [defrostStarts(placed), defrostStarts(placed, { [id]: state })]
  if (sound.size > 0 && failed.size === 0) return 'never'
  return sound.has('demand') && !failed.has('demand') ? 'byTime' : undefined
}

/** Works out what one failure does to the `whole` circuit. `healthy` are the same trials with nothing failed. */
function effectOf(
  whole: Circuit,
  failure: Failure,
  tried: readonly Situation[],
  healthy: readonly Facts[],
): Effect {
  const { inst } = whole
  const broken = withFailure(inst, failure)
  const circuit = new Circuit(broken, whole)
  const forced = failedModes(failure)
  const rules = RULES.filter(
    (r): r is StateRule<string, string> =>
      r.scope === 'state' && r.severity === 'danger' && !COLD.includes(r.id) && r.applies(broken),
  )
  const effect: Effect = { failure, kind: 'nothing', rule: null, witness: null, lost: [], gained: [] }
  const conditions = tried.map((s) => conditionsOf(inst, s))
  const off = conditions.map((c) => c.has('off'))
  const fans = targetsOf(inst).flatMap((t) => (t.does.what === 'outdoorFan' ? [t.ref] : []))
  const blown = targetsOf(inst).some((t) => t.does.what === 'blower')
  const heats = (f: Facts): boolean => {
    if (f.stripsOn.length || f.burnersOn.length) return true
    if (!f.compressor || f.valve?.position === 'cooling' || (blown && !f.blower)) return false
    // A coil with no air through it frosts over.
    return !fans.length || fans.some((r) => f.running.includes(r))
  }
  /** Something runs that nobody called. */
  let uncalled = false
  const heat = new Map<number, HeatAt>()
  tried.forEach((s, i) => {
    const situation = { ...s, modes: { ...s.modes, ...forced } }
    const outcome: Outcome = circuit.settle(situation)
    const facts = factsOf(circuit, outcome)
    const before = nth(healthy, i)
    for (const rule of rules) {
      if (effect.rule) break
      const row = {
        abnormalCount: Object.keys(forced).length,
        conditions: conditionsOf(broken, situation),
      }
      const breach = rule.each(stateSeen(circuit, outcome, situation, row))
      if (!breach) continue
      if (rule.each(stateSeen(whole, whole.settle(s), s, row))) continue
      Object.assign(effect, { kind: 'harm', rule: rule.id, witness: s })
    }
    // A supply that somebody switched off is no failure's fault: there only harm counts.
    if (off[i]) return
    // A defrost may bring heat that no demand does: it is no answer to a call.
    if ((isHeatPumpHeating(s.call) || s.call === 'emergency') && !nth(conditions, i).has('defrost')) {
      const known = heat.get(s.outdoorF) ?? { first: s, warm: false, ordinary: false }
      const warm = heats(facts)
      heat.set(s.outdoorF, {
        first: known.first,
        warm: known.warm || warm,
        ordinary: known.ordinary || (warm && s.call !== 'emergency'),
      })
    }
    const lost = before.running.filter((r) => !facts.running.includes(r))
    const gained = facts.running.filter((r) => !before.running.includes(r))
    if (!lost.length && !gained.length) return
    if (!effect.witness) Object.assign(effect, { witness: s })
    if (!effect.lost.length && !effect.gained.length) Object.assign(effect, { lost, gained })
    uncalled ||= gained.length > 0 && (s.call === 'off' || s.call === 'fan')
  })
  if (effect.kind === 'harm') return effect
  const noHeatAt = [...heat.values()].find((h) => !h.warm)?.first
  const changed = effect.lost.length + effect.gained.length > 0
  if (noHeatAt) return { ...effect, kind: 'noHeat', witness: noHeatAt }
  const defrosts = defrostsWith(inst, failure)
  if (defrosts && !changed) return { ...effect, kind: 'unnoticed', defrosts }
  if (failure.kind === 'stuckClosed' && !changed && protects(inst, failure.at))
    return { ...effect, kind: 'lostProtection' }
  // Whatever a cooling call would show: a house that still warms up tells nobody.
  const cold = [...heat].some(([t, h]) => t <= tolerances.mildF && !h.ordinary)
  return { ...effect, kind: !changed ? 'nothing' : cold || uncalled ? 'noticed' : 'unnoticed' }
}

/**
 * Repeats the sweep with each single failure, and says what each would do. What is not known is taken as it usually stands.
 * @param step told after each failure how many of how many are done; returning false stops, with what there is so far
 */
export function singleFailures(
  job: Installation,
  step: (done: number, of: number) => boolean = () => true,
): Effect[] {
  const inst = asUsual(job)
  const circuit = new Circuit(inst)
  const tried = trials(circuit)
  const healthy = tried.map((s) => factsOf(circuit, circuit.settle(s)))
  const failures = failuresOf(inst)
  const effects: Effect[] = []
  for (const [i, failure] of failures.entries()) {
    effects.push(effectOf(circuit, failure, tried, healthy))
    if (!step(i + 1, failures.length)) break
  }
  return effects.sort((a, b) => EFFECT_KINDS.indexOf(a.kind) - EFFECT_KINDS.indexOf(b.kind))
}
