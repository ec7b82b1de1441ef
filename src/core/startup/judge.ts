import { nth } from '../sure'
import { EARTH } from '../equipment'
import {
  placedByRef,
  quantity,
  splitRef,
  type Installation,
  type Name,
  isRef,
  makeRef,
} from '../installation'
import { type Circuit, solve } from '../circuit'
import { gateChain, type ChainGate } from '../explain'
import { feedsOf, serviceVolts } from '../query'
import { blowerAmps, heaterRows, rowsBehind, type HeaterRow } from './kit'
import { tolerances } from '../tolerances'
import { READING_KINDS, standing, type Reading } from './reading'

/** What may be behind a wrong reading, cheapest to check first. */
export type Cause =
  | { kind: 'fuseOpen' } | { kind: 'doorOpen' } | { kind: 'breakerOff' } | { kind: 'tapHighOnLow' } | { kind: 'tapLowOnHigh' }
  | { kind: 'overload' } | { kind: 'looseLug' } | { kind: 'utility' } | { kind: 'sequencerWaiting'; seconds: number | null }
  | { kind: 'gateBlocks'; gate: ChainGate } | { kind: 'oneBankClamped'; rows: number; of: number } | { kind: 'rowOpen'; rows: number }
  | { kind: 'linkOpen' } | { kind: 'limitOpen' } | { kind: 'wrongKit' } | { kind: 'voltsNotMeasured' } | { kind: 'shouldBeOff' }
  | { kind: 'supplyNotFound' } | { kind: 'blowerIncluded' } | { kind: 'rowIsolated' } // prettier-ignore

export type Rule =
  'controlVolts' | 'lineVolts' | 'legToGround' | 'stripAmps' | 'stripsOff' | 'rowOhms' | 'recordedOnly'

export interface Verdict {
  verdict: 'right' | 'watch' | 'wrong' | 'unjudged'
  rule: Rule
  unit: string
  /** What it was held against; null where nothing is. */
  expected: { low: number; high: number; nominal: number } | null
  /** Numbers that the expectation was worked out from, for "why". */
  from: Record<string, number>
  causes: Cause[]
}

/** Judges a reading against this job (trade rules for control volts, line volts, strip amps and row ohms). */
export function judge(circuit: Circuit, reading: Reading, all: readonly Reading[] = []): Verdict {
  const { inst } = circuit
  switch (reading.kind) {
    case 'controlVolts':
      return judgeControlVolts(circuit, reading, all)
    case 'lineVolts':
      return judgeLineVolts(inst, reading)
    case 'legToGround':
      return judgeLegToGround(circuit, reading)
    case 'stripAmps':
      return judgeStripAmps(circuit, reading, all)
    case 'rowOhms':
      return judgeRowOhms(inst, reading)
    case 'returnAir':
    case 'supplyAir': {
      const { unit } = READING_KINDS[reading.kind]
      return { verdict: 'unjudged', rule: 'recordedOnly', unit, expected: null, from: {}, causes: [] }
    }
  }
}

/** Part of what a live leg has to ground: 108 to 132 V of 120. */
const LEG_BAND = 0.1

/**
 * A leg to ground with the breakers as they stand: a live one has its 120 V, whatever the relays of a kit do; with every
 * supply off each has none, and volts that are there all the same come from a supply that nobody has found.
 */
function judgeLegToGround(circuit: Circuit, r: Reading): Verdict {
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

const number = (r: Reading): number => (r.value === 'OL' ? Infinity : r.value)

/** V: a control transformer's secondary is never right outside these, whatever feeds it. */
const CONTROL_LIMITS = { low: 20, high: 30 }
/** Part of what this circuit should give: with line volts measured, and with the service's own ±5 % on top. */
const CONTROL_BAND = { measured: 0.05, assumed: 0.1 }

/**
 * R to C: what this circuit gives at the tap as recorded and the line volts as measured, ±5 %; without line volts
 * measured ±10 %. Where the other tap fits better it is said, though the reading may lie within the habitual 22 to 28 V.
 */
function judgeControlVolts(circuit: Circuit, r: Reading, all: readonly Reading[]): Verdict {
  const { inst } = circuit
  const v = number(r)
  const own = splitRef(r.at).placed
  const solved = solve(circuit, r.situation)
  const common = placedByRef(inst, own)?.device.terminals.find((t) => t.role === 'C')
  // Wherever the volts are read, it is the transformer's line that they come from.
  const source = transformerFor(inst, own)
  const line = lineVoltsFor(inst, source, all)
  const scale = line.volts / serviceVolts(inst, source)
  const meter = solved.ok && common && isRef(r.at) ? solved.meter(r.at, makeRef(own, common.id)) : Number.NaN
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
  if (v < tolerances.deadVolts)
    return {
      ...base,
      verdict: 'wrong',
      causes: [{ kind: 'doorOpen' }, { kind: 'breakerOff' }, { kind: 'fuseOpen' }],
    }
  const misfit = tapMisfit(inst, source)
  if (v >= expected.low && v <= expected.high)
    return misfit
      ? { ...base, verdict: 'watch', causes: [misfit] }
      : { ...base, verdict: 'right', causes: [] }
  const tap: Cause[] = otherTapFits(inst, source, v, nominal, line) ?? (misfit ? [misfit] : [])
  const idle = standing(all).some(
    (x) => x.kind === 'controlVolts' && x.at === r.at && x.id !== r.id && isIdle(x) && number(x) > v * 1.1,
  )
  const low: Cause[] = idle
    ? [{ kind: 'overload' }, ...tap, { kind: 'utility' }]
    : [...tap, { kind: 'overload' }, { kind: 'utility' }]
  const high: Cause[] = [...tap, { kind: 'utility' }]
  return { ...base, verdict: 'wrong', causes: v < expected.low ? low : high }
}

/** The device whose transformer feeds what a place belongs to: its own, else the first that has a tap to choose. */
function transformerFor(inst: Installation, own: string): Name {
  const tapped = (p: { ref: string }) => tapVolts(inst, p.ref) !== null
  return inst.placed.find((p) => p.ref === own && tapped(p))?.ref ?? inst.placed.find(tapped)?.ref ?? own
}

/** A reading with next to nothing drawn from the transformer. */
const isIdle = (r: Reading): boolean => r.situation.call === 'off' || r.situation.call === 'fan'

/** The control transformer's primary tap against the service; null where it fits, or where there is no tap. */
function tapMisfit(inst: Installation, at: Name): Cause | null {
  const tap = tapVolts(inst, at)
  const service = serviceVolts(inst, at)
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
  line: { measured: boolean },
): Cause[] | null {
  const tap = tapVolts(inst, at)
  if (tap === null) return null
  const near = (would: number) => Math.abs(v - would) <= CONTROL_BAND.assumed * would
  const high = tap > BETWEEN_TAPS
  if (near(nominal * LOW_OVER_HIGH) && v < nominal && !(line.measured && high))
    return [{ kind: 'tapHighOnLow' }]
  if (near(nominal / LOW_OVER_HIGH) && v > nominal && !(line.measured && !high))
    return [{ kind: 'tapLowOnHigh' }]
  return null
}
/** V: midway between the two taps. */
const BETWEEN_TAPS = 224

/** V: highest on gear for 208 and 230 V services alike. */
const DUAL_VOLTS_MOST = 253

/**
 * Line volts: between the plate's lowest and highest (±10 % of the service where it gives none); inside that and more than
 * 5 % off the service it is worth another look.
 */
function judgeLineVolts(inst: Installation, r: Reading): Verdict {
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
    return { ...base, verdict: 'watch', causes: [{ kind: 'utility' }, { kind: 'looseLug' }] }
  if (inside) return { ...base, verdict: 'right', causes: [] }
  if (v < 5) return { ...base, verdict: 'wrong', causes: [{ kind: 'breakerOff' }, { kind: 'looseLug' }] }
  return { ...base, verdict: 'wrong', causes: [{ kind: 'looseLug' }, { kind: 'utility' }] }
}

/** The line volts last measured on the circuit that feeds the kit, else the job's own figure. */
function lineVoltsFor(
  inst: Installation,
  at: Name,
  all: readonly Reading[],
): { volts: number; measured: boolean } {
  const service = serviceVolts(inst, at)
  const own = standing(all)
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

/**
 * Strip amps at a feed, a kit lead or one row: V/R of the rows that the solved circuit has on in the reading's
 * situation, at the measured volts, +5 / −10 %; the blower's rated amps added where the clamp takes it in.
 */
function judgeStripAmps(circuit: Circuit, r: Reading, all: readonly Reading[]): Verdict {
  const { inst } = circuit
  const amps = number(r)
  const own = splitRef(r.at).placed
  const behind = isClampPlace(r.place) ? rowsBehind(inst, r.place, r.at) : []
  const onKit = heaterRows(inst, own)
  const rows = behind.length ? behind : onKit.length ? onKit : heaterRows(inst)
  const solved = solve(circuit, r.situation)
  const on = solved.ok ? rows.filter((x) => solved.energised(x.ref)) : []
  const { volts, measured } = lineVoltsFor(inst, rows[0]?.ref ?? r.at, all)
  const blower = r.withBlower === false || r.place !== 'feed' ? 0 : blowerAmps(inst)
  const strips = on.reduce((sum, x) => sum + volts / x.ohms, 0)
  const nominal = strips + (r.withBlower ? blower : 0)
  const from: Record<string, number> = { volts, rows: on.length, strips, blower: r.withBlower ? blower : 0 }
  if (on[0]) from.ohms = on[0].ohms
  const blocked: Cause[] = solved.ok
    ? rows.flatMap((x): Cause[] => {
        const chain = gateChain(solved, x.ref)
        const gate = chain.first === null ? undefined : chain.gates[chain.first]
        return gate ? [{ kind: 'gateBlocks', gate }] : []
      })
    : []
  if (on.length === 0) {
    const high = 0.5 + (r.withBlower === false ? 0 : blower)
    const expected = { low: 0, high, nominal: r.withBlower ? blower : 0 }
    const verdict = amps <= high ? 'right' : 'wrong'
    const causes: Cause[] =
      verdict === 'right' ? blocked.slice(0, 1) : [{ kind: 'shouldBeOff' }, ...blocked.slice(0, 1)]
    return { verdict, rule: 'stripsOff', unit: 'A', expected, from, causes }
  }
  // A blower in the clamp draws from next to nothing to its rated amps, a variable-speed motor a third of its plate.
  const low = 0.9 * strips
  const high = 1.05 * strips + blower
  const base = { rule: 'stripAmps' as const, unit: 'A', expected: { low, high, nominal }, from }
  if (amps >= low && amps <= high) {
    const causes: Cause[] = measured ? [] : [{ kind: 'voltsNotMeasured' }]
    return { ...base, verdict: 'right', causes }
  }
  const share = sharesOf(amps, on, volts, r.withBlower ? blower : 0)
  if (share !== null && share < on.length && r.place === 'kitLead')
    return { ...base, verdict: 'watch', causes: [{ kind: 'oneBankClamped', rows: share, of: on.length }] }
  return {
    ...base,
    verdict: 'wrong',
    causes: amps < low ? lowCauses(inst, share, on, blocked, measured) : highCauses(r, measured),
  }
}

const isClampPlace = (p: Reading['place']): p is 'feed' | 'kitLead' | 'rowTerminals' =>
  p === 'feed' || p === 'kitLead' || p === 'rowTerminals'

/** How many rows the reading corresponds to, within the same tolerance, unlike rows too; null where none fits. */
function sharesOf(amps: number, on: readonly HeaterRow[], volts: number, blower: number): number | null {
  const sums = on.reduce<{ rows: number; amps: number }[]>(
    (list, x) => [...list, ...list.map((s) => ({ rows: s.rows + 1, amps: s.amps + volts / x.ohms }))],
    [{ rows: 0, amps: 0 }],
  )
  const fit = sums
    .filter((s) => s.rows > 0 && amps >= 0.9 * s.amps && amps <= 1.05 * s.amps + blower)
    .sort((a, b) => a.rows - b.rows)[0]
  if (fit) return fit.rows
  return null
}

function lowCauses(
  inst: Installation,
  share: number | null,
  on: readonly HeaterRow[],
  blocked: readonly Cause[],
  measured: boolean,
): Cause[] {
  // The rows' own kit, wherever the clamp sits.
  const plate = placedByRef(inst, splitRef(nth(on, 0).ref).placed)?.device.plate
  const seconds = typeof plate?.sequencerSeconds === 'number' ? plate.sequencerSeconds : null
  const causes: Cause[] = [{ kind: 'sequencerWaiting', seconds }]
  if (!measured) causes.push({ kind: 'voltsNotMeasured' })
  if (share !== null) causes.push({ kind: 'oneBankClamped', rows: share, of: on.length })
  causes.push(
    { kind: 'rowOpen', rows: share === null ? 0 : on.length - share },
    { kind: 'linkOpen' },
    { kind: 'limitOpen' },
  )
  return [...causes, ...blocked]
}

function highCauses(r: Reading, measured: boolean): Cause[] {
  const causes: Cause[] = []
  if (r.place === 'feed' && !r.withBlower) causes.push({ kind: 'blowerIncluded' })
  if (!measured) causes.push({ kind: 'voltsNotMeasured' })
  return [...causes, { kind: 'wrongKit' }]
}

/** Cold ohms of one row: V²/P of its rating, ±10 %; OL is an open row. */
function judgeRowOhms(inst: Installation, r: Reading): Verdict {
  const row = heaterRows(inst).find((x) => x.ref === r.at)
  if (!row) return { verdict: 'unjudged', rule: 'rowOhms', unit: 'Ω', expected: null, from: {}, causes: [] }
  const expected = { low: 0.9 * row.ohms, high: 1.1 * row.ohms, nominal: row.ohms }
  const base = { rule: 'rowOhms' as const, unit: 'Ω', expected, from: { ohms: row.ohms } }
  if (r.value === 'OL')
    return {
      ...base,
      verdict: 'wrong',
      causes: [{ kind: 'linkOpen' }, { kind: 'limitOpen' }, { kind: 'rowOpen', rows: 1 }],
    }
  if (r.value >= expected.low && r.value <= expected.high) return { ...base, verdict: 'right', causes: [] }
  return {
    ...base,
    verdict: 'wrong',
    causes:
      r.value < expected.low
        ? [{ kind: 'rowIsolated' }, { kind: 'wrongKit' }]
        : [{ kind: 'wrongKit' }, { kind: 'looseLug' }],
  }
}
