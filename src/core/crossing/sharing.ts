import type { Circuit } from '../circuit'
import { solve } from '../circuit'
import { CALLS, isHeatPumpHeating } from '../equipment'
import { BTU_PER_KWH } from '../house'
import { heaterRows } from '../kit'
import type { Installation, Ref } from '../installation'
import { serviceVolts } from '../query'
import { factsOf } from '../rules'
import { breakpointsOf, modesOf, type Situation } from '../situation'
import { tolerances } from '../tolerances'
import { degF, type DegF } from '../units'

/** °F outdoors below which a coil frosts over often enough to defrost at its interval. */
export const FROSTS_BELOW_F = 42
/** Calls by which a house is heated day by day; emergency heat is not one of them. */
const HEATING_CALLS = CALLS.filter(isHeatPumpHeating)

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
}
/** Who heats when: stretches without gaps over all outdoor temperatures. */
export type Sharing = readonly SharingStretch[]

/** What a stretch allows at a temperature; beyond the ends as at them. */
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

/** What runs in one situation, everything but what is named normal. */
function runsIn(circuit: Circuit, situation: Situation) {
  const answers = (['open', 'closed'] as const).map((as) => {
    const solved = solve(circuit, situation, as)
    if (!solved.ok) return null
    const facts = factsOf(circuit, solved.state)
    return {
      // Blowing cold is no heat.
      heatPump: facts.compressor !== null && facts.valve?.position !== 'cooling',
      compressor: facts.compressor !== null,
      rows: facts.stripsOn,
      furnace: facts.burnersOn.length > 0,
    }
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
    const runs = HEATING_CALLS.flatMap((call) => runsIn(circuit, { call, outdoorF, modes: {} }) ?? [])
    const backup = runs.filter((r) => r.rows.length || r.furnace)
    return {
      from,
      to,
      heatPump: runs.some((r) => r.heatPump),
      kitKw: Math.max(0, ...runs.map((r) => rowsKw(inst, r.rows))),
      furnace: runs.some((r) => r.furnace),
      together: backup.some((r) => r.compressor) || backup.length === 0,
      unsure: runs.some((r) => r.unsure),
    }
  })
}

/** °F at which defrosts are common: the coil is below freezing and the air still holds moisture. */
const DEFROSTS_F = 30

/**
 * kW of strips that warm the air of a defrost: those that the defrost adds to what a heating call has on already, at a
 * temperature at which the heat pump runs and its coil can frost. Strips that a lockout brings on temper nothing.
 */
export function temperingKw(circuit: Circuit): number {
  const { inst } = circuit
  const modes = Object.fromEntries(
    modesOf(inst).flatMap(({ ref, mode }) => {
      const state = mode.states.find((s) => s.condition === 'defrost')
      return state ? [[ref, state.id] as const] : []
    }),
  )
  if (!Object.keys(modes).length) return 0
  const distance = (t: number) => Math.abs(t - DEFROSTS_F)
  const middles = stretchesUpTo(inst, FROSTS_BELOW_F).map((s) => s.middleF)
  for (const outdoorF of [degF(DEFROSTS_F), ...middles].sort((x, y) => distance(x) - distance(y))) {
    const situation = { call: 'heat1', outdoorF } as const
    const usual = runsIn(circuit, { ...situation, modes: {} })
    if (!usual?.heatPump) continue
    const on = runsIn(circuit, { ...situation, modes })?.rows ?? []
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
  return { kitKw: rowsKw(circuit.inst, runs?.rows ?? []), furnace: runs?.furnace ?? false }
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
  return edges.slice(0, -1).map((from, i): SharingStretch => {
    const isAlone = from < changeoverF
    const helps = from < backupBelowF || isAlone
    return {
      from,
      to: edges[i + 1] ?? warmestF,
      heatPump: from >= heatPumpFromF && !isAlone,
      kitKw: helps ? backup.kitKw : 0,
      furnace: helps && backup.furnace,
      together: backup.together,
      unsure: false,
    }
  })
}

/** BTU/h that the backup of a stretch can give. */
export const backupBtuh = (s: SharingStretch, furnaceBtuh: number): number =>
  s.furnace ? furnaceBtuh : s.kitKw * BTU_PER_KWH
