import type { Circuit } from '../circuit'
import { solve } from '../circuit'
import { isHeatPumpHeating, type Call } from '../equipment'
import { BTU_PER_KWH } from '../house'
import { heaterRows } from '../kit'
import type { Installation, Ref } from '../installation'
import { serviceVolts } from '../query'
import { factsOf, type Facts } from '../rules'
import { breakpointsOf, callsOf, modesWith, type Situation } from '../situation'
import { tolerances } from '../tolerances'
import { degF, type DegF } from '../units'

/** °F outdoors below which a coil frosts over often enough to defrost at its interval. */
export const FROSTS_BELOW_F = 42
/** Calls by which this job's house is heated day by day; emergency heat is not one of them. */
const heatingCalls = (inst: Installation) => callsOf(inst).filter(isHeatPumpHeating)

/** Loads that one heating call runs once its timers have ended. */
export interface CallLevel {
  /** Compressor stage: 0 off, 1 low or only stage, 2 second stage. */
  stage: 0 | 1 | 2
  /** The compressor runs with its valve in cooling: it takes heat out of the house. */
  cools: boolean
  /** kW of strips at the job's volts. */
  kitKw: number
  /** Share of the furnace's full fire. */
  fire: number
  /** Without air the heat stays where it is made, and limits stop it. */
  blower: boolean
}

/** Nothing runs. */
export const NOTHING: CallLevel = { stage: 0, cools: false, kitKw: 0, fire: 0, blower: false }

/** Who may heat over a stretch of outdoor temperature, °F, from ≤ T < to; emergency heat left out. */
export interface SharingStretch {
  from: number
  to: number
  heatPump: boolean
  /** kW of strips that the highest ordinary call brings, at the job's volts. */
  kitKw: number
  furnace: boolean
  /** Backup runs beside the compressor; else they take turns. */
  together: boolean
  /** An unknown setting decides: nothing is counted on that may not be there. */
  unsure: boolean
  /** Loads of each heating call, in the order in which a thermostat makes the calls. The flags above summarize them. */
  levels: readonly CallLevel[]
  /** Loads that run without a call. In a correctly wired job there are none. */
  idle: CallLevel
}
/** Who heats when: stretches without gaps over all outdoor temperatures. */
export type Sharing = readonly SharingStretch[]

/** The stretch that contains an outdoor temperature; beyond the ends, the end's own stretch. */
export function sharingAt(sharing: Sharing, outdoorF: number): SharingStretch | undefined {
  let found = sharing[0]
  for (const s of sharing) if (s.from <= outdoorF) found = s
  return found
}

/** kW of some rows at the volts of the circuit that feeds them: V² / R. */
function rowsKw(inst: Installation, rows: readonly Ref[]): number {
  const list = heaterRows(inst).filter((r) => rows.includes(r.ref))
  return list.reduce((sum, r) => sum + serviceVolts(inst, r.ref) ** 2 / r.ohms, 0) / 1000
}

/**
 * The facts of a situation once what it runs has warmed up: heat ahead of the coil makes the air there hot, and whatever
 * watches that air answers.
 */
function steadyFacts(circuit: Circuit, situation: Situation, as: 'open' | 'closed'): Facts | null {
  const solved = solve(circuit, situation, as)
  if (!solved.ok) return null
  const facts = factsOf(circuit, solved.state)
  if (!facts.heatAhead.length || facts.compressor === null) return facts
  const hot = { ...situation.modes, ...modesWith(circuit.inst, 'hotCoil') }
  const warm = solve(circuit, { ...situation, modes: hot }, as)
  return warm.ok ? factsOf(circuit, warm.state) : facts
}

/** Loads that run in one situation, with every mode that is not named at normal. */
function runsIn(circuit: Circuit, situation: Situation) {
  const { inst } = circuit
  const answers = (['open', 'closed'] as const).map((as) => {
    const facts = steadyFacts(circuit, situation, as)
    if (!facts) return null
    const burners = facts.burnersOn.length
    const level: CallLevel = {
      stage: facts.compressor === null ? 0 : facts.highStage === null ? 1 : 2,
      cools: facts.compressor !== null && facts.valve?.position === 'cooling',
      kitKw: rowsKw(inst, facts.stripsOn),
      fire: burners === 0 ? 0 : facts.burnersOff.length ? FIRST_FIRE : 1,
      blower: facts.blower,
    }
    return { level, rows: facts.stripsOn }
  })
  const [open, closed] = answers
  if (!open || !closed) return null
  return { ...open, unsure: JSON.stringify(open) !== JSON.stringify(closed) }
}

/** Stretches between two temperatures at which something changes its answer, °F, up to the one that is given. */
function stretchesUpTo(inst: Installation, mostF: number): { from: number; to: number; middleF: DegF }[] {
  const edges = [tolerances.coldestF, ...breakpointsOf(inst).filter((t) => t < mostF), mostF]
  return edges.slice(1).map((to, i) => {
    const from = edges[i] ?? to
    return { from, to, middleF: degF((from + to) / 2) }
  })
}

/**
 * Who heats when, as this job is wired and set: every ordinary heating call is solved in every stretch between two
 * temperatures at which something changes its answer. Inside a switch's differential it counts as not yet closed.
 */
export function sharingOf(circuit: Circuit): SharingStretch[] {
  const { inst } = circuit
  return stretchesUpTo(inst, tolerances.warmestF).map(({ from, to, middleF: outdoorF }): SharingStretch => {
    const of = (call: Call) => runsIn(circuit, { call, outdoorF, modes: {} })
    const runs = heatingCalls(inst).flatMap((call) => of(call) ?? [])
    const idle = of('off')
    const isUnsure = [idle, ...runs].some((r) => r?.unsure)
    const levels = runs.map((r) => r.level)
    return stretchOf(from, to, levels, idle?.level, isUnsure)
  })
}

/** Blowing cold is no heat, and neither is heat that no air carries. */
export const pumpsHeat = (l: CallLevel): boolean => l.stage > 0 && !l.cools && l.blower
const hasBackup = (l: CallLevel): boolean => l.kitKw > 0 || l.fire > 0

/** A stretch by what its calls run. */
function stretchOf(
  from: number,
  to: number,
  levels: readonly CallLevel[],
  idle: CallLevel = NOTHING,
  unsure = false,
): SharingStretch {
  const backup = levels.filter(hasBackup)
  return {
    from,
    to,
    heatPump: levels.some(pumpsHeat),
    kitKw: Math.max(0, ...levels.map((l) => l.kitKw)),
    furnace: levels.some((l) => l.fire > 0),
    together: backup.some((l) => l.stage > 0) || backup.length === 0,
    unsure,
    levels,
    idle,
  }
}

/** A call of a stretch that the heat pump answers alone. */
export const isPumpAlone = (l: CallLevel): boolean => pumpsHeat(l) && !hasBackup(l)

/** Compressor stages with which the heating calls of a job heat. */
export const stagesReached = (sharing: Sharing): ReadonlySet<CallLevel['stage']> =>
  new Set(sharing.flatMap((s) => s.levels.filter(pumpsHeat).map((l) => l.stage)))

/** Part of a burner's full fire that its first stage gives (estimate; no plate of a furnace says it). */
export const FIRST_FIRE = 0.65

/** °F at which defrosts are common: the coil is below freezing and the air still holds moisture. */
const DEFROSTS_F = 30

/**
 * kW of strips that warm the air of a defrost: those that the defrost adds to what a heating call has on already, at a
 * temperature at which the heat pump runs and its coil can frost. Strips that a lockout brings on temper nothing.
 */
export function temperingKw(circuit: Circuit): number {
  const { inst } = circuit
  const modes = modesWith(inst, 'defrost')
  if (!Object.keys(modes).length) return 0
  const distance = (t: number) => Math.abs(t - DEFROSTS_F)
  const middles = stretchesUpTo(inst, FROSTS_BELOW_F).map((s) => s.middleF)
  for (const outdoorF of [degF(DEFROSTS_F), ...middles].sort((x, y) => distance(x) - distance(y)))
    for (const call of heatingCalls(inst)) {
      const usual = runsIn(circuit, { call, outdoorF, modes: {} })
      if (!usual?.level.stage) continue
      const on = runsIn(circuit, { call, outdoorF, modes })?.rows ?? []
      return rowsKw(
        inst,
        on.filter((row) => !usual.rows.includes(row)),
      )
    }
  return 0
}

/** kW of strips in emergency heat, and whether the burner answers it, in the cold. */
export function emergencyOf(circuit: Circuit): { kitKw: number; furnace: boolean } {
  const runs = runsIn(circuit, { call: 'emergency', outdoorF: degF(5), modes: {} })
  const { kitKw, fire } = runs?.level ?? NOTHING
  return { kitKw, furnace: fire > 0 }
}

/** Limits of who heats when, apart from any device; what is left out limits nothing. */
export interface Gates {
  /** °F from which the heat pump may run. */
  heatPumpFromF?: number
  /** °F below which backup may help. */
  backupBelowF?: number
  /** °F below which the furnace heats alone. */
  changeoverF?: number
}

/**
 * Who would heat when, with these gates, in a house whose backup is this.
 * @param backup kW of strips, or a furnace; `together`: beside the compressor
 */
export function sharingBy(
  gates: Gates,
  backup: { kitKw: number; furnace: boolean; together: boolean },
): SharingStretch[] {
  const { heatPumpFromF = -Infinity, backupBelowF = Infinity, changeoverF = -Infinity } = gates
  const { coldestF, warmestF } = tolerances
  const cuts = [heatPumpFromF, backupBelowF, changeoverF].filter((t) => t > coldestF && t < warmestF)
  const edges = [coldestF, ...new Set(cuts.sort((a, b) => a - b)), warmestF]
  return edges.slice(0, -1).map((from, i) => {
    const isAlone = from < changeoverF
    const helps = from < backupBelowF || isAlone
    const runs = from >= heatPumpFromF && !isAlone
    const pump: CallLevel = { ...NOTHING, stage: runs ? 2 : 0, blower: true }
    const aux: CallLevel = {
      ...pump,
      stage: runs && backup.together ? 2 : 0,
      kitKw: backup.kitKw,
      fire: backup.furnace ? 1 : 0,
    }
    // While the heat pump is locked out, the first call goes to the backup.
    return stretchOf(from, edges[i + 1] ?? warmestF, [...(runs ? [pump] : []), ...(helps ? [aux] : [])])
  })
}

/** BTU/h that the backup of a stretch can give. */
export const backupBtuh = (s: SharingStretch, furnaceBtuh: number): number =>
  s.furnace ? furnaceBtuh : s.kitKw * BTU_PER_KWH
