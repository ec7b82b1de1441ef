import { nth } from '../assert'
import { isRef, placedByRef, splitRef, UNKNOWN_SITE, type Installation, type JobSeen } from '../installation'
import { type Circuit, solve, type Solution } from '../circuit'
import { circuitWith } from '../crossing'
import { gateChain } from '../explain'
import { judgeBanded } from './banded'
import { inLikelyOrder, inTheWay } from './likely'
import { judgeControlVolts } from './controlVolts'
import { judgeTerminalVolts } from './terminalVolts'
import { blowerAmps, heaterRows, motorsBehind, rowsBehind, type HeaterRow } from '../kit'
import { judgeLegToGround, judgeLineVolts, lineVoltsFor } from './lineVolts'
import { BANDS } from './bands'
import { withContradiction } from './contradiction'
import { unknownsBehind, variantsOf } from './knownWays'
import { READINGS } from '../readings'
import type { Reading } from './reading'
import { number, type Cause, type Verdict } from './verdict'

/**
 * Judges a reading against this job as it stood: the solved circuit where that says it, else the plate, what the house and
 * unit are known to do, or the trade's own rule.
 * @param all the job's readings: line volts scale, a return goes with its supply
 * @param seen what was read of plates and house; left out: nothing
 */
export function judge(
  job: Circuit,
  reading: Reading,
  all: readonly Reading[] = [],
  seen: JobSeen = { ...UNKNOWN_SITE, inst: job.inst },
): Verdict {
  const verdict = inLikelyOrder(judgeAlone(job, reading, all, seen), reading, all, (other) =>
    judgeAlone(job, other, all, seen),
  )
  return withContradiction(withPanels(verdict, reading), reading, all)
}

/** With its panels off air goes another way: what depends on it is to be read again, whatever it says. */
function withPanels(verdict: Verdict, { kind, panelsOff }: Reading): Verdict {
  if (!panelsOff || !READINGS[kind].byAir || verdict.verdict === 'unjudged') return verdict
  return {
    ...verdict,
    verdict: verdict.verdict === 'right' ? 'watch' : verdict.verdict,
    causes: [{ kind: 'panelsOff' }, ...verdict.causes],
  }
}

/** Judged with what is not known taken every way: where the verdict depends on it there is none, and what it depends on is named. */
function judgeAlone(job: Circuit, reading: Reading, all: readonly Reading[], seen: JobSeen): Verdict {
  const ways = variantsOf(circuitWith(job, reading.moved))
  const verdict = judgeIn(ways.usual, reading, all, seen)
  const on = unknownsBehind(ways, verdict.verdict, (circuit) => judgeIn(circuit, reading, all, seen).verdict)
  if (!on.length) return verdict
  const causes = on.map((at): Cause => ({ kind: 'notKnown', at }))
  return { ...verdict, verdict: 'unjudged', expected: null, from: {}, causes }
}

function judgeIn(circuit: Circuit, reading: Reading, all: readonly Reading[], seen: JobSeen): Verdict {
  const { inst } = circuit
  switch (reading.kind) {
    case 'controlVolts':
      return judgeControlVolts(circuit, reading, all)
    case 'terminalVolts':
      return judgeTerminalVolts(circuit, reading, all)
    case 'lineVolts':
      return judgeLineVolts(inst, reading)
    case 'legToGround':
      return judgeLegToGround(circuit, reading)
    case 'stripAmps':
      return judgeStripAmps(circuit, reading, all, seen)
    case 'rowOhms':
      return judgeRowOhms(inst, reading)
    case 'returnAir':
    case 'lineLength':
      return {
        verdict: 'unjudged',
        rule: 'recordedOnly',
        unit: READINGS[reading.kind].unit,
        expected: null,
        from: {},
        causes: [],
      }
    default: {
      const { kind } = reading
      return judgeBanded(circuit, { ...reading, kind }, all, { ...seen, inst }, READINGS[kind].unit)
    }
  }
}

/**
 * Strip amps at a feed, a kit lead or one row: V/R of the rows that the solved circuit has on in the reading's
 * situation, at the measured volts, +5 / −10 %; the blower's rated amps added where the clamp takes it in.
 */
function judgeStripAmps(circuit: Circuit, r: Reading, all: readonly Reading[], { plates }: JobSeen): Verdict {
  const { inst } = circuit
  const amps = number(r)
  const own = splitRef(r.at).placed
  const behind = isClampPlace(r.place) ? rowsBehind(inst, r.place, r.at) : []
  const onKit = heaterRows(inst, own)
  const rows = behind.length ? behind : onKit.length ? onKit : heaterRows(inst)
  const solved = solve(circuit, r.situation)
  const on = solved.ok ? rows.filter((x) => solved.energised(x.ref)) : []
  const { volts, measured } = lineVoltsFor(inst, rows[0]?.ref ?? r.at, all)
  const blower = r.withBlower === false || r.place !== 'feed' ? 0 : blowerBehind(inst, r, plates)
  const strips = on.reduce((sum, x) => sum + volts / x.ohms, 0)
  const nominal = strips + (r.withBlower ? blower : 0)
  const from: Record<string, number> = { volts, rows: on.length, strips, blower: r.withBlower ? blower : 0 }
  if (on[0]) from.ohms = on[0].ohms
  // Unlike rows are told one by one.
  if (on.some((x) => x.ohms !== on[0]?.ohms)) on.forEach((x, i) => (from[`row${i + 1}`] = volts / x.ohms))
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
    causes:
      amps < low
        ? lowCauses(inst, share, on, solved.ok ? wayOf(solved, r, all) : blocked, measured)
        : highCauses(r, measured),
  }
}

/** Rated A of the blower on the clamped circuit; of the job's where a person has it in the clamp and the wires do not. */
function blowerBehind(inst: Installation, r: Reading, plates: JobSeen['plates']): number {
  const [own] = motorsBehind(inst, r.at, plates).filter((m) => m.what === 'blower')
  return own ? own.amps : r.withBlower ? blowerAmps(inst, plates) : 0
}

/** Parts that may be open on the way to a row without current. */
const wayOf = (solved: Solution, r: Reading, all: readonly Reading[]): Cause[] =>
  r.place === 'rowTerminals' && isRef(r.at) && number(r) < BANDS.idleA ? inTheWay(solved, r.at, r, all) : []

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
  const [nearest, second, ...others] = blocked
  causes.push(...[nearest, second].filter((c) => c !== undefined))
  causes.push(
    { kind: 'rowOpen', rows: share === null ? 0 : on.length - share },
    { kind: 'linkOpen' },
    { kind: 'limitOpen' },
  )
  return [...causes, ...others]
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
      causes: [
        { kind: 'acrossRow' },
        { kind: 'linkOpen' },
        { kind: 'limitOpen' },
        { kind: 'rowOpen', rows: 1 },
      ],
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
