import { hasTrait, type Plate, type Trait } from '../equipment'
import type { Solution } from '../circuit'
import { defaultOf, settingValue, type Installation } from '../installation'
import { conditionsOf } from '../situation'
import type { Physics } from './fault'

/** BTU/h of a ton, of a kW; BTU/h that a CFM of air carries for each °F at sea level. */
export const TON = 12_000
const [KW, AIR] = [3412, 1.08]
/** CFM of each ton, by the speed that the board runs. */
const PER_TON = { fan: 300, low: 380, high: 400, heat: 400 }
/** Δ°F that a cooling coil takes from the air at usual humidity. */
const COOL_DROP = 19

/** Loads that run in a solved state, and the steady values of air and refrigerant with them. */
export interface Steady {
  compressor: boolean
  high: boolean
  heats: boolean
  burners: number
  fire: { inputBtuh: number; fuel: 'gas' | 'oil' } | null
  blower: boolean
  outdoorFan: boolean
  defrost: boolean
  cfm: number
  supplyF: number
  vapourF: number
  dischargeF: number
  outdoorF: number
  /** Part of its tons that the heat pump moves. */
  share: number
}

/** Plate of the first device of a kind with a trait; empty where there is none. */
export const plateHaving = (inst: Installation, trait: Trait): Plate =>
  inst.placed.find((p) => hasTrait(p.device, trait))?.device.plate ?? {}

/** BTU/h of the heat pump at a temperature: a straight line through its ratings at 17 and 47 °F. */
function capacityAt(plate: Plate, outdoorF: number, high: boolean): number {
  const tons = plate.tons ?? 3
  const of = (at: number, share: number): number => {
    const own = (plate.ratings ?? []).filter((r) => r.outdoorF === at && r.capacityBtuh !== undefined)
    const best = own.find((r) => (r.stage === 'high') === high) ?? own[0]
    return best?.capacityBtuh ?? tons * TON * share * (plate.stages === 2 && !high ? 0.7 : 1)
  }
  const [cold, mild] = [of(17, 0.6), of(47, 1)]
  return Math.max(0, cold + ((mild - cold) * (outdoorF - 17)) / 30)
}

/** How everything stands once it is steady, in a state of the circuit. */
export function steadyOf(solution: Solution, physics: Physics): Steady {
  const { inst } = solution.circuit
  const { outdoorF } = solution.situation
  const does = solution.running.flatMap((l) => (l.part.does ? [l.part.does] : []))
  const has = (what: string) => does.some((d) => d.what === what)
  const defrost = conditionsOf(inst, solution.situation).has('defrost')
  const unit = plateHaving(inst, 'compresses')
  const furnace = plateHaving(inst, 'burns')
  const tons = unit.tons ?? 3
  const speeds = does.flatMap((d) => (d.what === 'blower' ? [d.speed ?? 'high'] : []))
  const high = does.some((d) => d.what === 'compressor' && d.stage === 2)
  const compressor = does.some((d) => d.what === 'compressor')
  const cfm = speeds.length ? Math.max(...speeds.map((s) => PER_TON[s])) * tons * physics.airShare : 0
  const heats = heating(solution)
  const gas = compressor ? capacityAt(unit, outdoorF, high || unit.stages !== 2) : 0
  const pumped = gas * Math.min(1, physics.charge) ** 1.5 * physics.pumping * (1 - 0.6 * physics.valveLeak)
  const watts = solution.running
    .filter((l) => l.part.does?.what === 'strip')
    .reduce((sum, l) => sum + solution.amps(l.ref) * l.part.volts * physics.lineShare ** 2, 0)
  const lit = does.filter((d) => d.what === 'burner')
  const [burner] = lit
  const burners = lit.length
  const full = burner ? fullFire(furnace, physics, burner.fuel) : 0
  const input = full * (burners === 1 && (furnace.burnerStages ?? 1) > 1 ? 0.65 : 1)
  const warm = watts * (KW / 1000) + input * (furnace.efficiency ?? 0.8)
  const coil =
    !compressor || cfm === 0
      ? 0
      : heats && !defrost
        ? pumped / (AIR * physics.density * cfm)
        : -COOL_DROP * (pumped / Math.max(1, gas))
  const supplyF = physics.returnF + coil + (cfm > 0 ? warm / (AIR * physics.density * cfm) : 0)
  const { pumping, charge, valveLeak } = physics
  return {
    compressor,
    high,
    heats,
    burners,
    fire: burner ? { inputBtuh: input, fuel: burner.fuel } : null,
    blower: cfm > 0,
    outdoorFan: has('outdoorFan') || (defrost && physics.fanRunsOn && compressor),
    defrost,
    cfm,
    supplyF,
    vapourF: !compressor
      ? physics.returnF
      : heats && !defrost
        ? 68 + (42 + 0.35 * outdoorF) * pumping * (1 - 0.5 * valveLeak)
        : 50 + 30 * (1 - pumping),
    dischargeF: compressor
      ? outdoorF + (heats ? 95 : 70) * (0.45 + 0.55 * pumping) + 130 * Math.max(0, 1 - charge)
      : outdoorF,
    outdoorF,
    share: pumped / (tons * TON),
  }
}

/** BTU/h that a burner fires with all its stages lit. */
export const fullFire = (
  { inputBtuh, inputAtAltitudeBtuh }: Plate,
  physics: Physics,
  fuel: 'gas' | 'oil',
): number =>
  (inputAtAltitudeBtuh ?? (inputBtuh ?? 80_000) * (fuel === 'gas' ? physics.orifice : 1)) * fireShare(physics)

/** An input follows the root of the gas pressure, an oil burner's its nozzle's flow. */
export const fireShare = ({ manifold, inlet, nozzle }: Physics): number =>
  Math.sqrt(manifold * Math.min(1, inlet / 0.75)) * nozzle

/** Whether the refrigerant goes round as in heating: by the valve's own solenoid. */
function heating(solution: Solution): boolean {
  for (const l of solution.circuit.net.loads) {
    const { does } = l.part
    if (does?.what !== 'reversingValve') continue
    const { energisedIn } = does
    const set =
      typeof energisedIn === 'string'
        ? energisedIn
        : (settingValue(l.placed, energisedIn.set) ?? defaultOf(l.placed, energisedIn.set))
    return solution.energised(l.ref) === (set === 'heating')
  }
  return true
}

/** °F from absolute zero to 0 °F. */
const ABSOLUTE_F = 459.67
/**
 * Ω of a thermistor that went through the two points of its table next to a temperature, °F: R = R₁ · e^(B · (1/T − 1/T₁)).
 * Null where the table has no two points.
 */
export function thermistorOhms(table: readonly { atF: number; ohms: number }[], t: number): number | null {
  const [a, b] = [...table].sort((x, y) => Math.abs(x.atF - t) - Math.abs(y.atF - t))
  if (!a || !b) return null
  const over = (f: number) => 1 / (f + ABSOLUTE_F)
  const beta = Math.log(b.ohms / a.ohms) / (over(b.atF) - over(a.atF))
  return a.ohms * Math.exp(beta * (over(t) - over(a.atF)))
}
