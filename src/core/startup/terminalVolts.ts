import { type Circuit, solve, type Solution } from '../circuit'
import { gateChain } from '../explain'
import { isRef, makeRef, placedByRef, splitRef, terminalOf, type Ref } from '../installation'
import { serviceVolts } from '../query'
import { tolerances } from '../tolerances'
import { BANDS } from './bands'
import { lineVoltsFor } from './lineVolts'
import type { Reading } from './reading'
import { number, type Cause, type Verdict } from './verdict'

/** V up to which a terminal that is off is off, on a low-impedance range. */
const OFF_MOST = 2

/**
 * 24 V at a terminal against its device's common, in the call that is made: what the solved circuit gives there at the
 * line volts as measured, ±10 %; at a terminal that is off at most 2 V. What lies between may be a ghost.
 */
export function judgeTerminalVolts(circuit: Circuit, r: Reading, all: readonly Reading[]): Verdict {
  const { inst } = circuit
  const v = number(r)
  const own = splitRef(r.at).placed
  const common = placedByRef(inst, own)?.device.terminals.find((t) => t.role === 'C' && t.side === 'low')
  const solved = solve(circuit, r.situation)
  const meter = solved.ok && common && isRef(r.at) ? solved.meter(r.at, makeRef(own, common.id)) : Number.NaN
  const base = { rule: 'terminalVolts' as const, unit: 'V', from: {} }
  if (!solved.ok || !Number.isFinite(meter))
    return { ...base, verdict: 'unjudged', expected: null, causes: [] }
  const line = lineVoltsFor(inst, own, all)
  const nominal = (meter * line.volts) / serviceVolts(inst, own)
  if (meter > tolerances.deadVolts && meter < tolerances.liveVolts)
    return { ...base, verdict: 'unjudged', expected: null, causes: [] }
  if (meter <= tolerances.deadVolts) {
    const expected = { low: 0, high: OFF_MOST, nominal: 0 }
    if (v <= OFF_MOST) return { ...base, verdict: 'right', expected, causes: [] }
    return v < tolerances.liveVolts
      ? { ...base, verdict: 'watch', expected, causes: [{ kind: 'ghost' }] }
      : { ...base, verdict: 'wrong', expected, causes: [{ kind: 'shouldBeOff' }] }
  }
  const band = BANDS.terminalShare
  const expected = { low: nominal * (1 - band), high: nominal * (1 + band), nominal }
  if (v >= expected.low && v <= expected.high) return { ...base, verdict: 'right', expected, causes: [] }
  if (v > expected.high) return { ...base, verdict: 'wrong', expected, causes: [{ kind: 'utility' }] }
  const way = isRef(r.at) ? wayBefore(solved, r.at) : []
  const causes: Cause[] =
    v <= tolerances.deadVolts
      ? toCheck(circuit, way)
      : [{ kind: 'overload' }, { kind: 'looseLug' }, ...toCheck(circuit, way).slice(0, 1)]
  return { ...base, verdict: 'wrong', expected, causes }
}

/** What the current passes from its source before it comes to a terminal: contacts, conductors and terminals, in order. */
function wayBefore(solved: Solution, at: Ref): Ref[] {
  for (const load of solved.running.length ? solved.circuit.net.loads : []) {
    if (!solved.energised(load.ref)) continue
    const { route } = gateChain(solved, load.ref)
    const i = route.indexOf(at)
    if (i > 0) return route.slice(0, i)
  }
  return []
}

/** The point that halves what is left to doubt, and the gates on the way, the nearest first. */
function toCheck({ inst, net }: Circuit, way: readonly Ref[]): Cause[] {
  const points = way.filter((ref) => terminalOf(inst, ref) !== undefined)
  const middle = points[Math.floor(points.length / 2)]
  const gates = way.filter((ref) => net.contacts.some((c) => c.ref === ref)).reverse()
  return [
    ...(middle ? [{ kind: 'meterNext' as const, at: middle }] : []),
    ...gates.slice(0, 2).map((at): Cause => ({ kind: 'gateToCheck', at })),
  ]
}
