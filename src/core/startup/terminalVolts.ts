import { type Circuit, solve } from '../circuit'
import { commonOf, isRef, placedByRef, splitRef, terminalOf, type Installation } from '../installation'
import { serviceVolts } from '../query'
import { tolerances } from '../tolerances'
import type { Ohms } from '../units'
import { BANDS } from './bands'
import { commonCauses, inTheWay } from './likely'
import { lineVoltsFor } from './lineVolts'
import { currentReadings, type Reading } from './reading'
import { number, type Cause, type Verdict } from './verdict'

/** V up to which a terminal that is off is off, on a low-impedance range. */
const OFF_MOST = 2

/**
 * 24 V at a terminal against its device's common, in the call that is made: what the solved circuit gives there on a
 * low-impedance range at the line volts as measured, ±10 %; at a terminal that is off at most 2 V. What lies between may be a ghost.
 */
export function judgeTerminalVolts(circuit: Circuit, r: Reading, all: readonly Reading[]): Verdict {
  const { inst } = circuit
  const v = number(r)
  const own = splitRef(r.at).placed
  const placed = placedByRef(inst, own)
  const solved = solve(circuit, r.situation)
  const against = placed && commonOf(placed)
  const shows = (ohms: Ohms) =>
    solved.ok && against && isRef(r.at) ? solved.meter(r.at, against, ohms) : Number.NaN
  // Volts on the low-impedance range are real; volts that only the other range shows are ghost voltage.
  const meter = shows(tolerances.lowMeterOhms)
  const ghost = shows(tolerances.meterOhms)
  const base = { rule: 'terminalVolts' as const, unit: 'V', from: {} }
  if (!solved.ok || !Number.isFinite(meter))
    return { ...base, verdict: 'unjudged', expected: null, causes: [] }
  const line = lineVoltsFor(inst, own, all)
  const share = line.volts / serviceVolts(inst, own)
  const nominal = meter * share
  if (meter < tolerances.liveVolts && ghost >= tolerances.liveVolts) {
    const expected = { low: 0, high: Math.max(OFF_MOST, 1.5 * nominal), nominal }
    if (v <= expected.high) return { ...base, verdict: 'right', expected, causes: [] }
    // Up to what an open output lets through it is a ghost on the other range.
    return v <= ghost * share * (1 + BANDS.terminalShare)
      ? { ...base, verdict: 'watch', expected, causes: [{ kind: 'ghost' }] }
      : { ...base, verdict: 'wrong', expected, causes: [{ kind: 'shouldBeOff' }] }
  }
  if (meter > tolerances.deadVolts && meter < tolerances.liveVolts)
    return { ...base, verdict: 'unjudged', expected: null, causes: [] }
  if (meter <= tolerances.deadVolts) {
    const expected = { low: 0, high: OFF_MOST, nominal: 0 }
    if (v <= OFF_MOST) return { ...base, verdict: 'right', expected, causes: [] }
    return v < tolerances.liveVolts
      ? { ...base, verdict: 'watch', expected, causes: [{ kind: 'ghost' }] }
      : { ...base, verdict: 'wrong', expected, causes: [...lostCommons(inst, all), { kind: 'shouldBeOff' }] }
  }
  const band = BANDS.terminalShare
  const expected = { low: nominal * (1 - band), high: nominal * (1 + band), nominal }
  if (v >= expected.low && v <= expected.high) return { ...base, verdict: 'right', expected, causes: [] }
  if (v > expected.high) return { ...base, verdict: 'wrong', expected, causes: [{ kind: 'utility' }] }
  const open = isRef(r.at) ? inTheWay(solved, r.at, r, all) : []
  const causes: Cause[] =
    v <= tolerances.deadVolts ? open : [{ kind: 'overload' }, { kind: 'looseLug' }, ...open.slice(0, 1)]
  return { ...base, verdict: 'wrong', expected, causes }
}

/**
 * Commons that may be open: of devices whose R was read dead. A board that has lost its common hands what comes in at one
 * terminal on to the others, which are then live where nothing calls.
 */
function lostCommons(inst: Installation, all: readonly Reading[]): Cause[] {
  const dead = currentReadings(all).filter(
    (x) =>
      (x.kind === 'controlVolts' || x.kind === 'terminalVolts') &&
      terminalOf(inst, x.at)?.terminal.role === 'R' &&
      number(x) < tolerances.liveVolts,
  )
  const devices = [...new Set(dead.map((x) => splitRef(x.at).placed))]
  return devices.flatMap((ref) => commonCauses(inst, ref))
}
