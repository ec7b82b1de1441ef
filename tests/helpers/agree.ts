import { Circuit, solve } from '@/core/circuit'
import { crossingOf, sharingAt, type CallLevel, type Crossing, type SharingStretch } from '@/core/crossing'
import { hourAt } from '@/core/crossing/year'
import type { JobSeen } from '@/core/installation'
import { heaterRows } from '@/core/kit'
import { settingsWith } from '@/core/query'
import { factsOf } from '@/core/rules'
import { simulate, type Simulation, type Sums } from '@/core/simulation'
import { testPlan } from '@/core/startup'
import { degF } from '@/core/units'

/** One number that two places of the product give differently, by more than may be. */
export interface Disagreement {
  at: string
  what: string
  here: number | string
  there: number | string
}

const HOUR = 3600
/** h that the house settles for, and that are compared after it. */
const SETTLES = 16
const COMPARED = 48

/**
 * How far the year and the run may be apart, as parts of the load, and why:
 * frost: the run's coil frosts by the weather and gives less; the year's ratings hold a defrost every so often.
 * tempered: the year's strips warm 5 minutes of each interval; the run's as long as its ice takes, and none without ice.
 * line: the run's strips get the volts that their wires leave, the year's those of the job.
 * turns: timers make each of two that take turns wait, which the year leaves out; a part of what the heat pump moves.
 */
const MAY_DIFFER = { frost: 0.09, tempered: 0.14, line: 0.03, fuel: 0.05, turns: 0.3, starts: 0.4 }
/** °F outdoors from which no defrost drops or starts anything. */
const FROSTLESS_F = 45

/** Sums of the hours after the house has settled, for each of them; or why they say nothing of a year. */
function perHour(circuit: Circuit, seen: JobSeen, indoorF: number, outdoorF: number) {
  const run = (hours: number) =>
    simulate(circuit, seen, {
      air: { at: () => outdoorF },
      until: hours * HOUR,
      setpointF: indoorF,
      roomF: indoorF,
      system: 'heat',
      wall: [],
      events: [],
      // Keeps the steps, and hardly a sample.
      sampleEvery: 1000 * HOUR,
    })
  const whole = run(SETTLES + COMPARED)
  const strange = isStrange(circuit, whole)
  if (strange) return null
  const [before, after] = [run(SETTLES).sums, whole.sums]
  const of = (key: { [K in keyof Sums]: Sums[K] extends number ? K : never }[keyof Sums]) =>
    (after[key] - before[key]) / COMPARED
  const cause = (key: keyof Sums['backupHours']) =>
    (after.backupHours[key] - before.backupHours[key]) / COMPARED
  return { of, cause }
}

/** s after which every timer of a right job has run out. */
const STANDS_FOR = 2 * HOUR

/**
 * Whether a run is of a circuit that a year cannot count, and a proof calls broken: it comes to no rest, a relay holds
 * itself in, or a state that should pass (a defrost) never ends.
 */
function isStrange(circuit: Circuit, { ended, steps }: Simulation): boolean {
  if (ended !== 'until') return true
  return steps.some((step, i) => {
    const lasts = (steps[i + 1]?.at ?? (SETTLES + COMPARED) * HOUR) - step.at
    if (lasts > STANDS_FOR && Object.values(step.situation.modes).some((m) => m === 'defrost')) return true
    const rest = solve(circuit, step.situation)
    return lasts > STANDS_FOR / 4 && rest.ok && rest.state.coils.some((c, k) => c !== step.state.coils[k])
  })
}

/** What the year and a run at a steady temperature say of the same hour otherwise than they may. */
function yearAgainstRun(seen: JobSeen, circuit: Circuit, crossing: Crossing, t: number): Disagreement[] {
  const { house, sharing, indoorF, plant } = crossing
  if (!house) return []
  const load = house.line.slope * (house.line.noHeatF - t)
  const may = sharingAt(sharing, t)
  if (load <= 0 || !may) return []
  const year = hourAt(house, sharing, t)
  // Heat without air cycles on its limits, which no year counts: a state of danger, that the proof names.
  if ([may.idle, ...may.levels].some((l) => !l.blower && (l.kitKw > 0 || l.fire > 0))) return []
  const run = perHour(circuit, seen, indoorF, t)
  if (!run) return []
  const { of, cause } = run
  const blower = (of('blowerKwh') - of('motorKwh')) * 3412
  const ofPump = of('heatPumpBtu') - of('defrostBtu')
  const ofBackup = of('stripKwh') * 3412 + of('burnerBtu') + blower
  // A room below its setpoint loses less, and one that still falls is given less: that much less, whoever gives it.
  const cooler = Math.max(0, load - year.unmetHeat - ofPump - ofBackup)
  const found: Disagreement[] = []
  const same = (what: string, here: number, there: number, bound: number) => {
    if (Math.abs(here - there) > bound) found.push({ at: `${t} °F`, what, here, there })
  }
  const part = MAY_DIFFER.frost + (plant.temperKw > 0 ? MAY_DIFFER.tempered : 0) + MAY_DIFFER.line
  const turns = plant.together ? 0 : MAY_DIFFER.turns * Math.abs(year.heatPumpHeat)
  const bound = load * part + cooler + MAY_DIFFER.line * may.kitKw * 3412 + turns
  same('heat of the heat pump', year.heatPumpHeat, ofPump, bound)
  same(
    'heat of the backup',
    year.stripHeat + year.furnaceHeat,
    ofBackup,
    may.furnace && !may.heatPump ? load * MAY_DIFFER.fuel + cooler + turns : bound,
  )
  same('kWh of strips', year.stripKwh, of('stripKwh'), bound / 3412)
  same('kWh of the blower', year.blowerKwh, of('blowerKwh'), 0.1 + 0.3 * year.blowerKwh)
  // At a rate of N a stage that heats alone starts 4·N·x·(1 − x) times an hour; the run's x holds what starts lose.
  const isByRate = settingsWith(seen.inst, 'cyclesHeatPump').some((s) => typeof s.value === 'number')
  const isFirst = may.levels[0] !== undefined && may.levels[0].stage > 0
  if (isByRate && isFirst && t >= FROSTLESS_F && year.backupHours === 0 && year.heatPumpHours < 0.9)
    same('starts an hour', year.heatPumpStarts, of('starts'), MAY_DIFFER.starts)
  // Who lacks heat in the one lacks it in the other: the room settles where what is given is lost.
  const below = (load - of('lostBtu') + of('gainsBtu')) / house.line.slope
  const DROOP_MOST = 6
  if (year.unmetHeat > 0.2 * load && below < 0.4 * (year.unmetHeat / house.line.slope))
    found.push({ at: `${t} °F`, what: 'unmet °F', here: year.unmetHeat / house.line.slope, there: below })
  if (year.unmetHeat === 0 && below > DROOP_MOST)
    found.push({ at: `${t} °F`, what: 'unmet °F', here: 0, there: below })
  return [...found, ...reasonsOf(may, plant.temperKw, t, cause)]
}

/** A reason for backup that cannot be one here. */
function reasonsOf(
  may: SharingStretch,
  temperKw: number,
  t: number,
  cause: (key: keyof Sums['backupHours']) => number,
): Disagreement[] {
  const found: Disagreement[] = []
  const never = (key: keyof Sums['backupHours'], why: string) => {
    if (cause(key) > 0.02)
      found.push({ at: `${t} °F`, what: `backup by ${key}`, here: why, there: cause(key) })
  }
  if (temperKw === 0 && !may.furnace) never('defrost', 'nothing warms a defrost')
  if (may.kitKw === 0 && !may.furnace) never('droop', 'no call brings backup')
  const isBackupAlone = (l: CallLevel) => l.stage === 0 && (l.kitKw > 0 || l.fire > 0)
  if (![may.idle, ...may.levels.slice(0, 2)].some(isBackupAlone))
    never('lockedOut', 'no first call brings backup alone')
  if (!may.furnace && ![may.idle, ...may.levels].some((l) => l.stage > 0 && l.kitKw > 0))
    never('uncalled', 'backup never runs with the compressor')
  return found
}

/** What each test card says must run, against the calls' levels of the year. */
function cardsAgainstYear(seen: JobSeen, circuit: Circuit, crossing: Crossing, t: number): Disagreement[] {
  const may = sharingAt(crossing.sharing, t)
  if (!may) return []
  const rowsOf = (refs: readonly string[]) => heaterRows(seen.inst).filter((r) => refs.includes(r.ref)).length
  const found: Disagreement[] = []
  for (const card of testPlan(circuit, degF(t), seen.plates)) {
    if (card.kind !== 'call' || !card.expected || card.expected.open.length) continue
    const solved = solve(circuit, card.situation)
    if (!solved.ok) continue
    const facts = factsOf(circuit, solved.state)
    const compressor = facts.compressor !== null && card.expected.runs.includes(facts.compressor)
    if (compressor !== (facts.compressor !== null))
      found.push({ at: `${t} °F ${card.id}`, what: 'compressor', here: String(compressor), there: 'circuit' })
    if (rowsOf(card.expected.runs) !== facts.stripsOn.length)
      found.push({
        at: `${t} °F ${card.id}`,
        what: 'rows',
        here: rowsOf(card.expected.runs),
        there: facts.stripsOn.length,
      })
    // With heat ahead of its coil it runs until the air there is hot: a state of danger, and no way to heat.
    if (facts.heatAhead.length) continue
    if (compressor && !may.levels.some((l) => l.stage > 0) && card.situation.call.startsWith('heat'))
      found.push({ at: `${t} °F ${card.id}`, what: 'compressor', here: 'runs', there: 'never in the year' })
  }
  return found
}

/** kW of the kit in the year, and what its rows draw in the solved circuit. */
function kitAgainstCircuit(circuit: Circuit, crossing: Crossing, t: number): Disagreement[] {
  const may = sharingAt(crossing.sharing, t)
  if (!may || may.kitKw === 0) return []
  const drawn = Math.max(
    ...(['heat1', 'heat2', 'heatAux1', 'heatAux2'] as const).map((call) => {
      const solved = solve(circuit, { call, outdoorF: degF(t), modes: {} })
      if (!solved.ok) return 0
      const on = factsOf(circuit, solved.state).stripsOn
      return heaterRows(circuit.inst)
        .filter((r) => on.includes(r.ref))
        .reduce((sum, r) => sum + solved.amps(r.ref) ** 2 * r.ohms, 0)
    }),
  )
  const share = drawn / 1000 / may.kitKw
  return share > 1.001 || share < 1 - 2 * MAY_DIFFER.line
    ? [{ at: `${t} °F`, what: 'kW of strips', here: may.kitKw, there: drawn / 1000 }]
    : []
}

/** Everything that two places of the product say differently of one job, at some outdoor temperatures. */
export function disagreements(seen: JobSeen, temperatures: readonly number[]): Disagreement[] {
  const circuit = new Circuit(seen.inst)
  const crossing = crossingOf(seen, circuit)
  return temperatures.flatMap((t) => [
    ...yearAgainstRun(seen, circuit, crossing, t),
    ...cardsAgainstYear(seen, circuit, crossing, t),
    ...kitAgainstCircuit(circuit, crossing, t),
  ])
}
