import { placedByRef, splitRef, type Installation, type Ref } from '../installation'
import { circuitOf, solve } from '../circuit'
import { gateChain, type ChainGate } from '../explain'
import { blowerAmps, feedsOf, heaterRows, serviceVolts, type HeaterRow } from './kit'
import { READING_KINDS, standing, type Reading } from './reading'

/** What may be behind a wrong reading, cheapest to check first. */
export type Cause =
  | { kind: 'fuseOpen' } | { kind: 'doorOpen' } | { kind: 'breakerOff' } | { kind: 'tapHighOnLow' } | { kind: 'tapLowOnHigh' }
  | { kind: 'overload' } | { kind: 'looseLug' } | { kind: 'utility' } | { kind: 'sequencerWaiting'; seconds: number | null }
  | { kind: 'gateBlocks'; gate: ChainGate } | { kind: 'oneBankClamped'; rows: number; of: number } | { kind: 'rowOpen'; rows: number }
  | { kind: 'linkOpen' } | { kind: 'limitOpen' } | { kind: 'wrongKit' } | { kind: 'voltsNotMeasured' } | { kind: 'shouldBeOff' }
  | { kind: 'blowerIncluded' } | { kind: 'rowIsolated' } // prettier-ignore

export type Rule = 'controlVolts' | 'lineVolts' | 'stripAmps' | 'stripsOff' | 'rowOhms' | 'recordedOnly'

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
export function judge(inst: Installation, reading: Reading, all: readonly Reading[] = []): Verdict {
  switch (reading.kind) {
    case 'controlVolts':
      return judgeControlVolts(inst, reading)
    case 'lineVolts':
      return judgeLineVolts(inst, reading)
    case 'stripAmps':
      return judgeStripAmps(inst, reading, all)
    case 'rowOhms':
      return judgeRowOhms(inst, reading)
    case 'returnAir':
    case 'supplyAir': {
      const { unit } = READING_KINDS[reading.kind]
      return { verdict: 'unjudged', rule: 'recordedOnly', unit, expected: null, from: {}, causes: [] }
    }
  }
}

const number = (r: Reading): number => (r.value === 'OL' ? Infinity : r.value)

/** R to C: 22 to 28 V. About 20.8 is 24 · 208/240, a 240 tap on 208 V; 27.7 is 24 · 240/208, the reverse. */
function judgeControlVolts(inst: Installation, r: Reading): Verdict {
  const v = number(r)
  const solved = solve(circuitOf(inst), r.situation)
  const common = placedByRef(inst, splitRef(r.at).placed)?.device.terminals.find((t) => t.role === 'C')
  const computed =
    solved.ok && common ? solved.meter(r.at, `${splitRef(r.at).placed}.${common.id}`) : Number.NaN
  const base = {
    rule: 'controlVolts' as const,
    unit: 'V',
    expected: { low: 22, high: 28, nominal: Number.isFinite(computed) ? computed : 24 },
    from: (Number.isFinite(computed) ? { computed } : {}) as Record<string, number>,
  }
  if (v < 3)
    return {
      ...base,
      verdict: 'wrong',
      causes: [{ kind: 'doorOpen' }, { kind: 'breakerOff' }, { kind: 'fuseOpen' }],
    }
  if (v < 22)
    return {
      ...base,
      verdict: 'wrong',
      causes: [{ kind: 'tapHighOnLow' }, { kind: 'overload' }, { kind: 'utility' }],
    }
  if (v > 28) return { ...base, verdict: 'wrong', causes: [{ kind: 'tapLowOnHigh' }, { kind: 'utility' }] }
  if (v >= 27.7) return { ...base, verdict: 'watch', causes: [{ kind: 'tapLowOnHigh' }] }
  return { ...base, verdict: 'right', causes: [] }
}

/** Line volts: within ±10 % of the service, and not below the plate's own minimum where it gives one. */
function judgeLineVolts(inst: Installation, r: Reading): Verdict {
  const v = number(r)
  const service = serviceVolts(inst, r.at)
  const minimum = placedByRef(inst, splitRef(r.at).placed)?.device.plate.minimumVolts
  const low = Math.max(0.9 * service, typeof minimum === 'number' ? minimum : 0)
  const expected = { low, high: 1.1 * service, nominal: service }
  const base = { rule: 'lineVolts' as const, unit: 'V', expected, from: { service } }
  if (v >= low && v <= expected.high) return { ...base, verdict: 'right', causes: [] }
  if (v < 5) return { ...base, verdict: 'wrong', causes: [{ kind: 'breakerOff' }, { kind: 'looseLug' }] }
  return { ...base, verdict: 'wrong', causes: [{ kind: 'looseLug' }, { kind: 'utility' }] }
}

/** The line volts last measured on the circuit that feeds the kit, else the job's own figure. */
function lineVoltsFor(
  inst: Installation,
  at: Ref,
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
function sameFeed(inst: Installation, a: Ref, b: Ref): boolean {
  const there = feedsOf(inst, b)
  return feedsOf(inst, a).some((f) => there.includes(f))
}

/**
 * Strip amps at a feed, a kit lead or one row: V/R of the rows that the solved circuit has on in the reading's
 * situation, at the measured volts, +5 / −10 %; the blower's rated amps added where the clamp takes it in.
 */
function judgeStripAmps(inst: Installation, r: Reading, all: readonly Reading[]): Verdict {
  const amps = number(r)
  const own = splitRef(r.at).placed
  const onKit = heaterRows(inst, own)
  const rows =
    r.place === 'rowTerminals' ? onKit.filter((x) => x.ref === r.at) : onKit.length ? onKit : heaterRows(inst)
  const solved = solve(circuitOf(inst), r.situation)
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
  // With the blower not known to be in or out, either is right.
  const low = 0.9 * strips + (r.withBlower ? blower : 0)
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
    causes: amps < low ? lowCauses(inst, own, share, on, blocked, measured) : highCauses(r, measured),
  }
}

/** How many equal rows the reading corresponds to, within the same tolerance; null where none fits. */
function sharesOf(amps: number, on: readonly HeaterRow[], volts: number, blower: number): number | null {
  for (let n = 1; n <= on.length; n++) {
    const expected = on.slice(0, n).reduce((sum, x) => sum + volts / x.ohms, 0)
    if (amps >= 0.9 * expected + blower && amps <= 1.05 * expected + blower) return n
  }
  return null
}

function lowCauses(
  inst: Installation,
  kit: string,
  share: number | null,
  on: readonly HeaterRow[],
  blocked: readonly Cause[],
  measured: boolean,
): Cause[] {
  const plate = (placedByRef(inst, kit) ?? placedByRef(inst, splitRef(on[0]!.ref).placed))?.device.plate
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
