import { designFOf, BTU_PER_KWH, loadAt, loadLineOf } from '../house'
import { solve, type Circuit } from '../circuit'
import { isHeatPumpHeating } from '../equipment'
import type { JobSeen } from '../installation'
import { aheadTargets, burnersOf, having, serviceVolts } from '../query'
import { auxNeededKw, smallestKit } from './balance'
import { callsOf, regionsOf } from '../situation'
import { degF, type DegF } from '../units'
import { heatersOf, plateOf } from './plant'

/** kW of the kits that the trade sells, where an air handler lists none. */
const USUAL_KW = [3, 5, 7.5, 8, 10, 15, 20, 25]

/** Which kit this house asks for, beside the heat pump and alone. */
export interface KitAdvice {
  outdoorF: number
  volts: number
  /** kW of the kits to choose from, at 240 V, and whether the air handler's own list is meant. */
  listed: number[]
  fromList: boolean
  /** Null where heat pump and strips never run together there: strips ahead of its coil, or a lockout at that temperature. */
  withHeatPump: { needsKw: number; kit: { kilowatts: number; givesKw: number } | null } | null
  alone: { needsKw: number; kit: { kilowatts: number; givesKw: number } | null }
}

/**
 * The smallest listed kit that gives what the heat pump lacks at the design temperature, and the smallest that carries the
 * house alone there; at the job's volts. Null where the load or the design temperature is not known, and where a burner is
 * the backup.
 */
export function kitAdvice(seen: JobSeen, circuit: Circuit): KitAdvice | null {
  const { inst, house, climate } = seen
  const { unit } = heatersOf(seen)
  const line = loadLineOf(house, unit)
  const outdoorF = designFOf(house, climate)
  if (!line || outdoorF === undefined || burnersOf(inst).length > 0) return null
  const handlers = having(inst, 'holdsStrips')
  const own = handlers.flatMap((p) => plateOf(seen, p).kits ?? []).map((k) => k.kilowatts)
  const listed = [...new Set(own.length ? own : USUAL_KW)].sort((a, b) => a - b)
  const kit = having(inst, 'addsStrips', 'holdsStrips')[0]
  const volts = kit ? serviceVolts(inst, kit.ref) : 240
  const advise = (needsKw: number) => ({
    needsKw,
    kit: smallestKit(
      listed.map((kilowatts) => ({ kilowatts })),
      needsKw,
      volts,
    ),
  })
  return {
    outdoorF,
    volts,
    listed,
    fromList: own.length > 0,
    withHeatPump:
      unit &&
      unit.capacity(outdoorF) !== null &&
      aheadTargets(inst).length === 0 &&
      !isLockedOut(circuit, outdoorF)
        ? advise(auxNeededKw({ line, plant: { unit } }, outdoorF))
        : null,
    alone: advise(loadAt(line, outdoorF) / BTU_PER_KWH),
  }
}

/** Whether the compressor, which heats on some call at another temperature, runs on none at this one, °F. */
function isLockedOut(circuit: Circuit, outdoorF: number): boolean {
  const { inst } = circuit
  const calls = callsOf(inst).filter(isHeatPumpHeating)
  const runsAt = (t: DegF) =>
    calls.some((call) => {
      const solved = solve(circuit, { call, outdoorF: t, modes: {} })
      return solved.ok && solved.running.some((l) => l.part.does?.what === 'compressor')
    })
  return !runsAt(degF(outdoorF)) && regionsOf(inst).some(runsAt)
}
