import { isCooling, isHeatPumpHeating, wantsBackup, type Value } from '../equipment'
import { Circuit } from '../circuit'
import { makeRef, splitRef, UNKNOWN_SITE, terminalOf, type Installation, type Ref } from '../installation'
import { abnormalCountOf, callsOf, conditionsOf, memoriesAt, regionsOf } from '../situation'
import { factsOf } from './facts'
import { findingKey } from './rule'
import type { Finding, Rule } from './rule'
import { prove } from './prove'
import { RULES } from './registry'
import { stateSeen } from './seen'

/** Changes that a technician can make. */
export type Change =
  | { kind: 'moveWire'; wire: string; end: 'a' | 'b'; to: Ref }
  | { kind: 'addJumper'; a: Ref; b: Ref }
  | { kind: 'removeWire'; wire: string }
  | { kind: 'setSetting'; placed: string; setting: string; value: Value }

/** Changes, mostly one, that together clear a finding and break nothing else. */
export type Fix = readonly Change[]

/** A job with the changes made. */
export const applyFix = (inst: Installation, fix: Fix): Installation => fix.reduce(changed, inst)

function changed(inst: Installation, change: Change): Installation {
  switch (change.kind) {
    case 'moveWire':
      return {
        ...inst,
        wires: inst.wires.map((w) => (w.id === change.wire ? { ...w, [change.end]: change.to } : w)),
      }
    case 'addJumper': {
      const id = `jumper-tried-${inst.wires.length}`
      return {
        ...inst,
        wires: [...inst.wires, { id, cable: null, colour: 'white', a: change.a, b: change.b, feet: 1 }],
      }
    }
    case 'removeWire':
      return {
        ...inst,
        wires: inst.wires.flatMap((w) => {
          if (w.id !== change.wire) return [w]
          return w.cable === null ? [] : [{ ...w, a: null, b: null }]
        }),
      }
    case 'setSetting':
      return {
        ...inst,
        placed: inst.placed.map((p) =>
          p.ref === change.placed ? { ...p, settings: { ...p.settings, [change.setting]: change.value } } : p,
        ),
      }
  }
}

/**
 * The smallest changes that clear a finding without breaking another rule, in the order in which a technician would
 * rather make them: what is meant to be, then a setting, then one conductor's end moved within its place, then one
 * jumper. An easier kind that works is enough. Of one kind, those that leave the fewest other findings: one fault often
 * breaks several rules, and what clears one of them may only hide it.
 * Each is tried first in the witness alone, and proven over every state before it is offered.
 * @param meant changes that are tried first, list by list
 * @param most offer no more than so many
 */
export function fixesFor(
  inst: Installation,
  finding: Finding,
  meant: readonly (readonly Fix[])[] = [],
  most = 3,
): Fix[] {
  const rule = RULES.find((r) => r.id === finding.rule)
  if (!rule) return []
  const whole = new Circuit(inst)
  const before = new Set(prove(inst, RULES, whole).findings.map(findingKey))
  for (const list of [...meant, ...candidates(inst, finding)]) {
    let best: Fix[] = []
    let fewest = Infinity
    for (const fix of list) {
      const tried = applyFix(inst, fix)
      const circuit = new Circuit(tried, whole)
      // A proof takes longest, so it comes last.
      if (!holdsInWitness(rule, circuit, finding) || !runsAsCalled(whole, circuit)) continue
      const { findings, undecided } = prove(tried, RULES, circuit)
      const worse = findings.some((f) => findingKey(f) === findingKey(finding) || !before.has(findingKey(f)))
      if (worse || undecided.length || findings.length > fewest) continue
      if (findings.length < fewest) best = []
      fewest = findings.length
      best.push(fix)
      if (fewest === 0 && best.length >= most) break
    }
    if (best.length) return best.slice(0, most)
  }
  return []
}

function holdsInWitness(rule: Rule, circuit: Circuit, finding: Finding): boolean {
  const { inst } = circuit
  const isSame = (b: { code: string }) => b.code === finding.code
  if (rule.scope === 'job')
    return !rule.find({ ...UNKNOWN_SITE, inst }).some((b) => isSame(b) && b.at === finding.at)
  if (rule.scope === 'coverage' || finding.witness === null) return true
  const situation = finding.witness
  const row = { abnormalCount: abnormalCountOf(inst, situation), conditions: conditionsOf(inst, situation) }
  const found = rule.each(stateSeen(circuit, circuit.settle(situation), situation, row))
  return found === null || !('code' in found ? [found] : found).some(isSame)
}

/**
 * With everything normal, nothing runs that the call does not ask for: no strip without a call for backup, no
 * compressor without a compressor call; and no compressor stops that ran before, unless for heat ahead of its coil.
 * A change that clears a rule by leaving something always on, or off, is no mend.
 */
function runsAsCalled(was: Circuit, is: Circuit): boolean {
  const after = is.inst
  return callsOf(after).every((call) => {
    const called = isCooling(call) || isHeatPumpHeating(call)
    return regionsOf(after).every((outdoorF) => {
      const modes = Object.fromEntries(memoriesAt(after, outdoorF).map((m) => [m, 'broken']))
      const run = (circuit: Circuit) => factsOf(circuit, circuit.settle({ call, outdoorF, modes }))
      const now = run(is)
      if (now.stripsOn.length > 0 && !wantsBackup(call)) return false
      if (now.compressor !== null) return called
      return !called || now.heatAhead.length > 0 || run(was).compressor === null
    })
  })
}

/** Single changes to try, grouped by kind. */
function candidates(inst: Installation, finding: Finding): Fix[][] {
  const onPath = new Set(finding.path)
  const settings = inst.placed.flatMap((p) =>
    p.device.settings
      .filter((s) => s.kind === 'choice' && s.group === 'set')
      .flatMap((s) =>
        (s.options ?? [])
          .filter((o) => o.id !== p.settings[s.id])
          .map((o): Change => ({ kind: 'setSetting', placed: p.ref, setting: s.id, value: o.id })),
      ),
  )
  // A factory harness plugs in; nobody moves its conductors.
  const fixed = new Set(inst.cables.filter((c) => c.kind === 'harness').map((c) => c.id))
  const wires = inst.wires
    .filter((w) => !w.cable || !fixed.has(w.cable))
    .sort((a, b) => Number(onPath.has(`wires.${b.id}`)) - Number(onPath.has(`wires.${a.id}`)))
  const moves = wires.flatMap((w) =>
    (['b', 'a'] as const).flatMap((end) => {
      const here = w[end]
      if (!here || !isLow(inst, here)) return []
      return lowTerminals(inst, splitRef(here).placed, here).map((to): Change => ({
        kind: 'moveWire',
        wire: w.id,
        end,
        to,
      }))
    }),
  )
  const jumpers = inst.placed.flatMap((p) => {
    const own = lowTerminals(inst, p.ref, null).filter((r) => splitRef(r).placed === p.ref)
    return own.flatMap((a, i) => own.slice(i + 1).map((b): Change => ({ kind: 'addJumper', a, b })))
  })
  return [settings, moves, jumpers].map((kind) => kind.map((change) => [change]))
}

const isLow = (inst: Installation, ref: Ref): boolean => terminalOf(inst, ref)?.terminal.side === 'low'

/** Low-voltage terminals within reach of a conductor's end: on the device itself and on splices anywhere. */
function lowTerminals(inst: Installation, placed: string, but: Ref | null): Ref[] {
  const from = inst.placed.find((p) => p.ref === placed)
  const near = inst.placed.filter(
    (p) => p.ref === placed || (from?.where !== undefined && p.where === from.where),
  )
  return near.flatMap((p) =>
    p.device.terminals
      .filter((t) => t.side === 'low' && t.role !== 'harness')
      .map((t) => makeRef(p.ref, t.id))
      .filter((r) => r !== but),
  )
}
