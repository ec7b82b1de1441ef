import { isCooling, isHeatPumpHeating, wantsBackup, type Value } from '../equipment'
import { Circuit } from '../circuit'
import { makeRef, splitRef, terminalOf, type Installation, type Ref } from '../installation'
import { awayCount, callsOf, meanings, memoriesAt, regionsOf } from '../situation'
import { factsOf } from './facts'
import type { Finding, Law } from './law'
import { prove } from './prove'
import { LAWS } from './registry'
import { stateSeen } from './seen'

/** One small change that clears a finding and breaks nothing else. */
export type Mend =
  | { kind: 'moveWire'; wire: string; end: 'a' | 'b'; to: Ref }
  | { kind: 'addJumper'; a: Ref; b: Ref }
  | { kind: 'setSetting'; placed: string; setting: string; value: Value }

/** A job with the change made. */
export function mended(inst: Installation, mend: Mend): Installation {
  switch (mend.kind) {
    case 'moveWire':
      return {
        ...inst,
        wires: inst.wires.map((w) => (w.id === mend.wire ? { ...w, [mend.end]: mend.to } : w)),
      }
    case 'addJumper':
      return {
        ...inst,
        wires: [
          ...inst.wires,
          { id: 'jumper-tried', cable: null, colour: 'white', a: mend.a, b: mend.b, feet: 1 },
        ],
      }
    case 'setSetting':
      return {
        ...inst,
        placed: inst.placed.map((p) =>
          p.ref === mend.placed ? { ...p, settings: { ...p.settings, [mend.setting]: mend.value } } : p,
        ),
      }
  }
}

/**
 * The single changes that clear a finding without breaking another law, in the order in which a technician would
 * rather make them: a setting, then one conductor's end moved within its place, then one jumper.
 * Each is tried first in the witness alone, and proven over every state before it is offered.
 * @param most stop after so many
 */
export function mendsFor(inst: Installation, finding: Finding, most = 3): Mend[] {
  const law = LAWS.find((l) => l.id === finding.law)
  if (!law) return []
  const before = new Set(prove(inst).findings.map((f) => f.law))
  const found: Mend[] = []
  let kind: Mend['kind'] | null = null
  for (const mend of candidates(inst, finding)) {
    // An easier kind of change that works is enough; the next kind is only sought where none does.
    if (found.length && mend.kind !== kind) break
    kind = mend.kind
    const tried = mended(inst, mend)
    if (!holdsInWitness(law, tried, finding)) continue
    const after = prove(tried)
    const worse = after.findings.some((f) => f.law === law.id || !before.has(f.law))
    if (worse || after.undecided.length || !staysQuiet(tried)) continue
    found.push(mend)
    if (found.length >= most) break
  }
  return found
}

function holdsInWitness(law: Law, inst: Installation, finding: Finding): boolean {
  if (!law.each) return true
  const circuit = new Circuit(inst)
  const situation = finding.witness
  const row = { away: awayCount(inst, situation), means: meanings(inst, situation) }
  return law.each(stateSeen(circuit, circuit.settle(situation), situation, row)) === null
}

/**
 * With everything normal, nothing runs that the call does not ask for: no strip without a call for backup, no
 * compressor without a compressor call. A change that clears a law by leaving something always on is no mend.
 */
function staysQuiet(inst: Installation): boolean {
  const circuit = new Circuit(inst)
  return callsOf(inst).every((call) =>
    regionsOf(inst).every((outdoorF) => {
      const modes = Object.fromEntries(memoriesAt(inst, outdoorF).map((m) => [m, 'broken']))
      const facts = factsOf(circuit, circuit.settle({ call, outdoorF, modes }))
      const compressorCalled = isCooling(call) || isHeatPumpHeating(call)
      return (
        (wantsBackup(call) || facts.stripsOn.length === 0) && compressorCalled === (facts.compressor !== null)
      )
    }),
  )
}

function candidates(inst: Installation, finding: Finding): Mend[] {
  const onPath = new Set(finding.path)
  const settings = inst.placed.flatMap((p) =>
    p.device.settings
      .filter((s) => s.kind === 'choice' && s.group === 'set')
      .flatMap((s) =>
        (s.options ?? [])
          .filter((o) => o.id !== p.settings[s.id])
          .map((o): Mend => ({ kind: 'setSetting', placed: p.ref, setting: s.id, value: o.id })),
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
      return lowTerminals(inst, splitRef(here).placed, here).map((to): Mend => ({
        kind: 'moveWire',
        wire: w.id,
        end,
        to,
      }))
    }),
  )
  const jumpers = inst.placed.flatMap((p) => {
    const own = lowTerminals(inst, p.ref, null).filter((r) => splitRef(r).placed === p.ref)
    return own.flatMap((a, i) => own.slice(i + 1).map((b): Mend => ({ kind: 'addJumper', a, b })))
  })
  return [...settings, ...moves, ...jumpers]
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
