import { EARTH } from '../equipment'
import { placedByRef, splitRef, type Installation, type Name, isRef } from '../installation'
import { type Circuit, solve } from '../circuit'
import { feedsOf, serviceVolts } from '../query'
import { tolerances } from '../tolerances'
import { currentReadings, type Reading } from './reading'
import { number, type Cause, type Verdict } from './verdict'

/** V: highest on gear for 208 and 230 V services alike. */
const DUAL_VOLTS_MOST = 253

/**
 * Line volts: between the plate's lowest and highest (±10 % of the service where it gives none); inside that and more than
 * 5 % off the service it is worth another look.
 */
export function judgeLineVolts(inst: Installation, r: Reading): Verdict {
  const v = number(r)
  const service = serviceVolts(inst, r.at)
  const minimum = placedByRef(inst, splitRef(r.at).placed)?.device.plate.minimumVolts
  const dual = minimum !== undefined && minimum > 180 && minimum < 208
  const expected = {
    low: minimum ?? 0.9 * service,
    high: dual ? DUAL_VOLTS_MOST : 1.1 * service,
    nominal: service,
  }
  const base = {
    rule: 'lineVolts' as const,
    unit: 'V',
    expected,
    from: minimum === undefined ? { service } : { service, plate: minimum },
  }
  const inside = v >= expected.low && v <= expected.high
  if (inside && Math.abs(v - service) > 0.05 * service)
    return {
      ...base,
      verdict: 'watch',
      causes: [...otherThan(v, service), { kind: 'utility' }, { kind: 'looseLug' }],
    }
  if (inside) return { ...base, verdict: 'right', causes: [] }
  if (v < 5) return { ...base, verdict: 'wrong', causes: [{ kind: 'breakerOff' }, { kind: 'looseLug' }] }
  const usual: Cause[] = [{ kind: 'looseLug' }, { kind: 'utility' }]
  return { ...base, verdict: 'wrong', causes: [...otherThan(v, service), ...usual] }
}

/** Services that gear of this kind is on, V, and how near a reading must be to be one of them. */
const SERVICES = [120, 208, 240]
const NEAR = 0.05

/** Line volts that belong to another service than the recorded one: then the record is the likeliest cause. */
function otherThan(v: number, service: number): Cause[] {
  const found = SERVICES.find((s) => Math.abs(v - s) <= NEAR * s && Math.abs(s - service) > NEAR * service)
  if (found === undefined) return []
  if (service > 180 && found === 120) return [{ kind: 'legLost' }]
  return service < 130 ? [{ kind: 'twoLegs' }] : [{ kind: 'otherService', volts: found }]
}

/** The line volts last measured on the circuit that feeds the kit, else the job's own figure. */
export function lineVoltsFor(
  inst: Installation,
  at: Name,
  all: readonly Reading[],
): { volts: number; measured: boolean } {
  const service = serviceVolts(inst, at)
  const own = currentReadings(all)
    .filter((x) => x.kind === 'lineVolts' && typeof x.value === 'number' && x.value > 0)
    .filter((x) => sameFeed(inst, x.at, at))
  const last = own[own.length - 1]
  if (last && typeof last.value === 'number') return { volts: last.value, measured: true }
  return { volts: service, measured: false }
}

/** Two places are on one line circuit when the same feed reaches both. */
function sameFeed(inst: Installation, a: Name, b: Name): boolean {
  const there = feedsOf(inst, b)
  return feedsOf(inst, a).some((f) => there.includes(f))
}

/** Part of what a live leg has to ground: 108 to 132 V of 120. */
const LEG_BAND = 0.1

/**
 * A leg to ground with the breakers as they stand: a live one has its 120 V, whatever the relays of a kit do; with every
 * supply off each has none, and volts that are there all the same come from a supply that nobody has found.
 */
export function judgeLegToGround(circuit: Circuit, r: Reading): Verdict {
  const v = number(r)
  const solved = solve(circuit, r.situation)
  const nominal = solved.ok && isRef(r.at) ? solved.meter(r.at, EARTH) : Number.NaN
  if (!Number.isFinite(nominal))
    return { verdict: 'unjudged', rule: 'legToGround', unit: 'V', expected: null, from: {}, causes: [] }
  const isLive = nominal > tolerances.liveLineVolts / 2
  const expected = isLive
    ? { low: nominal * (1 - LEG_BAND), high: nominal * (1 + LEG_BAND), nominal }
    : { low: 0, high: tolerances.deadLegVolts, nominal: 0 }
  const base = { rule: 'legToGround' as const, unit: 'V', expected, from: {} }
  if (v >= expected.low && v <= expected.high) return { ...base, verdict: 'right', causes: [] }
  if (!isLive) return { ...base, verdict: 'wrong', causes: [{ kind: 'supplyNotFound' }] }
  const low: Cause[] = [{ kind: 'breakerOff' }, { kind: 'looseLug' }, { kind: 'utility' }]
  return { ...base, verdict: 'wrong', causes: v < expected.low ? low : [{ kind: 'utility' }] }
}
