import {
  placedByRef,
  quantity,
  splitRef,
  type Installation,
  type Name,
  type Placed,
  isRef,
  makeRef,
} from '../installation'
import { type Circuit, solve } from '../circuit'
import { farEnds, serviceVolts, wiredNet } from '../query'
import { tolerances } from '../tolerances'
import { commonCauses } from './likely'
import { lineVoltsFor } from './lineVolts'
import { modesKey } from '../situation'
import { currentReadings, onSameVisit, type Reading } from './reading'
import { number, type Cause, type Verdict } from './verdict'

/** V: a control transformer's secondary is never right outside these, whatever feeds it. */
const CONTROL_LIMITS = { low: 20, high: 30 }
/** Part of what this circuit should give: with line volts measured, and with the service's own ±5 % on top. */
const CONTROL_BAND = { measured: 0.05, assumed: 0.1 }

/**
 * R to C: what this circuit gives at the tap as recorded and the line volts as measured, ±5 %; without line volts
 * measured ±10 %. Where the other tap fits better it is said, though the reading may lie within the habitual 22 to 28 V.
 */
export function judgeControlVolts(circuit: Circuit, r: Reading, all: readonly Reading[]): Verdict {
  const { inst } = circuit
  const v = number(r)
  const own = splitRef(r.at).placed
  const solved = solve(circuit, r.situation)
  const ends = placedByRef(inst, own)?.device.terminals ?? []
  const common = ends.find((t) => t.role === 'C')
  // A reading at a cabinet, or at its transformer, was metered at the cabinet's own R.
  const hot = ends.some((t) => makeRef(own, t.id) === r.at) ? null : ends.find((t) => t.role === 'R')
  const at = hot ? makeRef(own, hot.id) : r.at
  // Wherever the volts are read, it is the transformer's line that they come from.
  const source = transformerFor(inst, at)
  const line = lineVoltsFor(inst, source, all)
  const scale = line.volts / serviceVolts(inst, source)
  const meter = solved.ok && common && isRef(at) ? solved.meter(at, makeRef(own, common.id)) : Number.NaN
  const known = Number.isFinite(meter) && meter > tolerances.deadVolts
  const nominal = known ? meter * scale : 24
  const band = known && line.measured ? CONTROL_BAND.measured : CONTROL_BAND.assumed
  const expected = {
    low: Math.max(CONTROL_LIMITS.low, nominal * (1 - band)),
    high: Math.min(CONTROL_LIMITS.high, nominal * (1 + band)),
    nominal,
  }
  const from: Record<string, number> = known ? { computed: nominal, line: line.volts } : {}
  const base = { rule: 'controlVolts' as const, unit: 'V', expected, from }
  const isAside = Object.keys(r.situation.modes).length > 0
  if (isAside && solved.ok && Number.isFinite(meter) && !known) {
    // With the door open or a breaker off, as the reading says, nothing is right there, and volts come from elsewhere.
    const dead = { ...base, expected: { low: 0, high: tolerances.deadVolts, nominal: 0 } }
    return v <= tolerances.deadVolts
      ? { ...dead, verdict: 'right', causes: [] }
      : { ...dead, verdict: 'wrong', causes: [{ kind: 'shouldBeOff' }] }
  }
  // A few volts are no volts: a board that has lost its common floats.
  if (v < Math.max(tolerances.deadVolts, CONTROL_LIMITS.low / 2))
    return { ...base, verdict: 'wrong', causes: deadCauses(inst, r, source, all) }
  const misfit = tapMisfit(inst, source, line)
  if (v >= expected.low && v <= expected.high)
    return misfit
      ? { ...base, verdict: 'watch', causes: [misfit] }
      : { ...base, verdict: 'right', causes: [] }
  const tap: Cause[] = otherTapFits(inst, source, v, nominal, line) ?? (misfit ? [misfit] : [])
  if (tap[0]?.kind === 'tapFitsLine') return { ...base, verdict: 'watch', causes: tap }
  const idle = currentReadings(all).some(
    (x) => x.kind === 'controlVolts' && x.at === r.at && x.id !== r.id && isIdle(x) && number(x) > v * 1.1,
  )
  const low: Cause[] = isIdle(r)
    ? [...tap, { kind: 'idleLoad' }, { kind: 'utility' }]
    : idle
      ? [{ kind: 'overload' }, ...tap, { kind: 'utility' }]
      : [...tap, { kind: 'overload' }, { kind: 'utility' }]
  const high: Cause[] = [...tap, { kind: 'utility' }]
  return { ...base, verdict: 'wrong', causes: v < expected.low ? low : high }
}

/**
 * Why there is nothing between R and C: what feeds the transformer and its fuse, the cheapest first. Where the same R was
 * found live elsewhere they are all in order, and what lies between the two is not.
 */
function deadCauses(inst: Installation, r: Reading, source: Name, all: readonly Reading[]): Cause[] {
  const net = isRef(r.at) ? wiredNet(inst, r.at) : new Set<Name>()
  const live = currentReadings(all).find(
    (x) =>
      x.kind === 'controlVolts' &&
      x.id !== r.id &&
      x.at !== r.at &&
      number(x) >= CONTROL_LIMITS.low &&
      modesKey(x.situation.modes) === modesKey(r.situation.modes) &&
      onSameVisit(x, r) &&
      [...net].some((t) => t === x.at),
  )
  if (live && isRef(live.at)) {
    // The conductor that comes to this R, or the one to its common: the nearer ends, where they are not the same.
    const near = isRef(r.at) ? farEnds(inst, r.at).filter((t) => net.has(t)) : []
    return [
      ...(near.length ? near : [live.at]).map((from): Cause => ({ kind: 'conductorOpen', from })),
      ...commonCauses(inst, splitRef(r.at).placed),
    ]
  }
  const supply: Cause[] = [{ kind: 'doorOpen' }, { kind: 'breakerOff' }, { kind: 'fuseOpen' }]
  const own = splitRef(r.at).placed
  const from = [...net].filter(isRef).find((t) => splitRef(t).placed === source && own !== source)
  return from ? [...supply, { kind: 'conductorOpen', from }] : supply
}

/**
 * The device whose transformer feeds a place: its own, else the one whose R comes to it by conductors, else the first that
 * there is.
 */
function transformerFor(inst: Installation, at: Name): Name {
  const own = splitRef(at).placed
  const net = isRef(at) ? wiredNet(inst, at) : new Set<Name>()
  const sources = inst.placed.filter((p) => p.device.parts.some((x) => x.kind === 'transformer'))
  const isWired = (p: Placed) =>
    p.device.terminals.some((t) => t.role === 'R' && net.has(makeRef(p.ref, t.id)))
  const source = sources.find((p) => p.ref === own) ?? sources.find(isWired) ?? sources[0]
  return source?.ref ?? own
}

/** A reading with next to nothing drawn from the transformer. */
const isIdle = (r: Reading): boolean => r.situation.call === 'off' || r.situation.call === 'fan'

/** The control transformer's primary tap against the service; null where it fits, or where there is no tap. */
function tapMisfit(inst: Installation, at: Name, line: { volts: number; measured: boolean }): Cause | null {
  const tap = tapVolts(inst, at)
  // The transformer's tap must fit the line volts as measured.
  const service = line.measured ? line.volts : serviceVolts(inst, at)
  // 208 and 240 are told apart; 230 and 240 are one.
  if (tap === null || Math.abs(tap - service) / service < 0.08) return null
  return { kind: tap > service ? 'tapHighOnLow' : 'tapLowOnHigh' }
}

function tapVolts(inst: Installation, at: Name): number | null {
  const placed = placedByRef(inst, splitRef(at).placed)
  const primary = placed?.device.parts.find((x) => x.kind === 'transformer')
  if (!placed || primary?.kind !== 'transformer' || typeof primary.primaryVolts !== 'object') return null
  return quantity(placed, primary.primaryVolts)
}

/** Volts on the lower of the two services over those on the higher. */
const LOW_OVER_HIGH = 208 / 240

/**
 * The cause where the volts read are those of the other tap, or of the other service, than recorded; null where they are
 * neither's. With line volts measured only the tap can be another.
 */
function otherTapFits(
  inst: Installation,
  at: Name,
  v: number,
  nominal: number,
  line: { volts: number; measured: boolean },
): Cause[] | null {
  const tap = tapVolts(inst, at)
  if (tap === null) return null
  const near = (would: number) => Math.abs(v - would) <= CONTROL_BAND.assumed * would
  const high = tap > BETWEEN_TAPS
  if (near(nominal * LOW_OVER_HIGH) && v < nominal && !(line.measured && high))
    return [{ kind: 'tapHighOnLow' }]
  if (near(nominal / LOW_OVER_HIGH) && v > nominal) {
    // A low line with the volts of a high one: the tap is the low one, and does its work.
    if (line.measured && line.volts < BETWEEN_TAPS && high) return [{ kind: 'tapFitsLine' }]
    if (!(line.measured && !high)) return [{ kind: 'tapLowOnHigh' }]
  }
  return null
}
/** V: midway between the two taps. */
const BETWEEN_TAPS = 224
