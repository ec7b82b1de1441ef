import type { OutdoorUnitPlate, Plate, Rating } from '../equipment'
import { type Circuit } from '../circuit'
import { houseValue, type Fuel, type FurnaceFigures } from '../house'
import { inputAtSite } from '../kit'
import type { Installation, JobSeen, Placed } from '../installation'
import {
  aheadTargets,
  burnersOf,
  defrostStarts,
  having,
  settingsWith,
  usualBackupCycles,
  USUAL_CYCLES,
} from '../query'
import { emergencyOf, temperingKw } from './sharing'
import { unitCurve, type UnitCurve } from './unitCurve'

/** The equipment that heats the house, as numbers for the year calculation. */
export interface Plant {
  unit: UnitCurve | null
  burner: FurnaceFigures | null
  /** Which fuel would be burned, whether or not the furnace's figures are known; null: there is no burner. */
  fuel: Fuel | null
  /** kW of the indoor blower, counted where backup runs alone. */
  blowerKw: number
  /** CFM of the heat pump's speed, and whether it is only the usual 400 a ton. */
  cfm: number | null
  cfmEstimated: boolean
  /** Backup may heat beside the compressor: it stands after the coil, and a burner only where its maker allows it. */
  together: boolean
  /** kW of strips in a defrost; 0: it is cold. */
  temperKw: number
  /** kW of strips in emergency heat, and whether a furnace answers it. */
  emergency: { kitKw: number; furnace: boolean }
  /** Minutes of compressor time between defrosts, and minutes that one lasts. */
  defrost: { everyMinutes: number; minutes: number; minutesEstimated: boolean }
  /** Starts an hour at half load. */
  cycles: { heatPump: number; backup: number }
}

/** Minutes that a defrost usually takes, where nobody timed one. */
const USUAL_DEFROST_MINUTES = 5
const USUAL_PIN_MINUTES = 60
/** Minutes of run between the defrosts of a demand board in frosting weather (estimate: it waits for frost). */
const USUAL_DEMAND_MINUTES = 90
const USUAL_CFM_PER_TON = 400

/** A plate as the device has it and as it was read on site, which stands over it; ratings point by point. */
export function plateOf(seen: JobSeen, placed: Placed): Plate {
  const device = placed.device.plate
  const { ratings: read, ...site } = seen.plates[placed.ref] ?? {}
  const ratings = mergeRatings(device.ratings ?? [], read ?? [], device.inverter === true)
  return { ...device, ...site, ...(ratings.length ? { ratings } : {}) }
}

/** A stage that a sheet calls rated is the high one of a unit whose device file has a high stage. */
function mergeRatings(own: readonly Rating[], read: readonly Rating[], inverter: boolean): Rating[] {
  const hasHigh = own.some((r) => r.stage === 'high')
  const stageOf = (r: Rating): Rating['stage'] =>
    !inverter && hasHigh && r.stage === 'rated' ? 'high' : r.stage
  const merged = new Map<string, Rating>()
  for (const r of own) merged.set(`${r.stage}${r.outdoorF}`, r)
  for (const r of read) {
    const stage = stageOf(r)
    const key = `${stage}${r.outdoorF}`
    const before = merged.get(key)
    // A COP and a power that are read contradict the other of the device: what was read stands alone.
    const rest = before && (r.cop !== undefined || r.powerKw !== undefined) ? without(before) : before
    merged.set(key, { ...rest, ...r, stage })
  }
  return [...merged.values()]
}
const without = ({ cop: _, powerKw: __, ...rest }: Rating): Rating => rest

/** The outdoor unit that makes the heat; the first of several. */
const outdoorUnitOf = (inst: Installation): Placed | undefined => having(inst, 'compresses')[0]

/** COPs without capacities: those of units of its tons, by its own COPs. */
function withUsualCapacity(plate: OutdoorUnitPlate): UnitCurve | null {
  const curve = unitCurve(plate)
  if (plate.tons === undefined || !plate.ratings?.length) return curve
  if (plate.ratings.some((r) => r.capacityBtuh !== undefined)) return curve
  const { ratings: _, ...bare } = plate
  const usual = unitCurve(bare)?.ratings ?? []
  const ratings = usual.map((u) => ({
    ...u,
    ...plate.ratings?.find((r) => r.outdoorF === u.outdoorF),
    stage: u.stage,
  }))
  const made = unitCurve({ ...plate, ratings })
  return made && { ...made, fromTons: true }
}

/** Which fuel the burner burns: oil by its kind; LP where a setting, or else the owner, says so. */
function fuelOf({ inst, answers }: Pick<JobSeen, 'inst' | 'answers'>): Fuel | null {
  const burners = burnersOf(inst)
  if (!burners.length) return null
  if (burners.some((b) => b.fuel === 'oil')) return 'oil'
  const set = settingsWith(inst, 'fuel').map((s) => s.value)
  if (set.includes('lp')) return 'lp'
  if (set.length && set.every((v) => v !== null)) return 'gas'
  return answers.fuel === 'lp' ? 'lp' : 'gas'
}

function burnerOf(seen: JobSeen, fuel: Fuel | null): FurnaceFigures | null {
  const at = burnersOf(seen.inst)[0]
  if (!at || !fuel) return null
  const plate = plateOf(seen, at.placed)
  const input = inputAtSite(plate, fuel, houseValue(seen.house, 'altitudeFt'))
  const { efficiency } = plate
  return input === null || efficiency === undefined
    ? null
    : {
        outputBtuh: input.btuh * efficiency,
        efficiency,
        fuel,
        blowerKw: blowerKwOf(seen),
        motorKw: motorKwOf(at.placed),
      }
}

/** kW of the inducer of a gas burner that says nothing of it (estimate: most take 60 to 90 W). */
const USUAL_INDUCER_KW = 0.075

/** kW that a burner takes from the line beside its blower: an oil burner's motor, a gas burner's inducer. */
function motorKwOf({ device }: Placed): number {
  const watts = device.parts.reduce(
    (sum, x) =>
      x.kind === 'load' && x.does?.what === 'burner' && x.volts > LOW_VOLTS && typeof x.va === 'number'
        ? sum + x.va * (x.powerFactor ?? 1)
        : sum,
    0,
  )
  return watts > 0 ? watts / 1000 : USUAL_INDUCER_KW
}
/** V up to which a load is on the control circuit: a gas valve, and no motor. */
const LOW_VOLTS = 30

/** kW of the blower: from its table at the speed that backup has, else the plate of the motor. */
function blowerKwOf(seen: JobSeen): number {
  for (const placed of having(seen.inst, 'movesAir')) {
    const rows = plateOf(seen, placed).blower ?? []
    const row = rows.find((r) => r.speed === 'heat' && r.watts) ?? rows.find((r) => r.watts)
    if (row?.watts) return row.watts / 1000
    const motors = placed.device.parts.flatMap((x) =>
      x.kind === 'load' && x.does?.what === 'blower' && typeof x.va === 'number'
        ? [{ speed: x.does.speed, watts: x.va * (x.powerFactor ?? 1) }]
        : [],
    )
    const motor = motors.find((m) => m.speed === 'heat') ?? motors[0]
    if (motor) return motor.watts / 1000
  }
  return 0
}

/** CFM at a static pressure along a blower's table, between its points; at the nearest beyond them. */
export function tableCfm(seen: JobSeen, speed: 'low' | 'high'): number | null {
  for (const placed of having(seen.inst, 'movesAir')) {
    const rows = (plateOf(seen, placed).blower ?? [])
      .filter((r) => r.speed === speed)
      .sort((a, b) => a.staticInWc - b.staticInWc)
    const at = seen.staticInWc ?? rows[rows.length - 1]?.staticInWc
    if (!rows.length || at === undefined) continue
    const above = rows.find((r) => r.staticInWc >= at) ?? rows[rows.length - 1]
    const below = [...rows].reverse().find((r) => r.staticInWc <= at) ?? rows[0]
    if (!above || !below) continue
    const share =
      above.staticInWc === below.staticInWc
        ? 0
        : (at - below.staticInWc) / (above.staticInWc - below.staticInWc)
    return below.cfm + share * (above.cfm - below.cfm)
  }
  return null
}

/** The heat sources of a house by their plates. */
export function heatersOf(seen: JobSeen): Pick<Plant, 'unit' | 'burner' | 'fuel'> {
  const outdoor = outdoorUnitOf(seen.inst)
  const fuel = fuelOf(seen)
  return {
    unit: outdoor ? withUsualCapacity(plateOf(seen, outdoor)) : null,
    burner: burnerOf(seen, fuel),
    fuel,
  }
}

/** Whether backup may run with the compressor: what heats the air ahead of the coil never may. */
function mayHeatTogether(seen: JobSeen, fuel: Fuel | null): boolean {
  if (aheadTargets(seen.inst).length > 0) return false
  return fuel === null || burnersOf(seen.inst).some((b) => plateOf(seen, b.placed).togetherAllowed === true)
}

/** CFM while it heats: as measured at the heating or the high speed, else by the blower's table; null: not known. */
export const cfmAt = (seen: JobSeen): number | null =>
  houseValue(seen.house, 'cfmHeat') ?? houseValue(seen.house, 'cfmHigh') ?? tableCfm(seen, 'high')

/** Reads the heating equipment from plates, settings and the house's entries. */
export function plantOf(seen: JobSeen, circuit: Circuit): Plant {
  const { inst, house } = seen
  const outdoor = outdoorUnitOf(inst)
  const plate = outdoor && plateOf(seen, outdoor)
  const heaters = heatersOf(seen)
  const { fuel } = heaters
  const known = houseValue(house, 'cfmHigh') ?? houseValue(house, 'cfmLow') ?? tableCfm(seen, 'high')
  const usual = plate?.tons === undefined ? null : USUAL_CFM_PER_TON * plate.tons
  const numberWith = (intent: 'defrostInterval' | 'cyclesHeatPump' | 'cyclesBackup'): number | undefined => {
    const value = settingsWith(inst, intent)[0]?.value
    return typeof value === 'number' && value > 0 ? value : undefined
  }
  return {
    ...heaters,
    blowerKw: blowerKwOf(seen),
    cfm: known ?? usual,
    cfmEstimated: known === null,
    together: mayHeatTogether(seen, fuel),
    temperKw: temperingKw(circuit),
    emergency: emergencyOf(circuit),
    defrost: {
      everyMinutes:
        numberWith('defrostInterval') ??
        (outdoor && defrostStarts(outdoor).has('demand') ? USUAL_DEMAND_MINUTES : USUAL_PIN_MINUTES),
      minutes: houseValue(house, 'defrostMinutes') ?? USUAL_DEFROST_MINUTES,
      minutesEstimated: houseValue(house, 'defrostMinutes') === undefined,
    },
    cycles: {
      heatPump: numberWith('cyclesHeatPump') ?? USUAL_CYCLES.compressor,
      backup: numberWith('cyclesBackup') ?? usualBackupCycles(inst)?.most ?? USUAL_CYCLES.strips,
    },
  }
}
