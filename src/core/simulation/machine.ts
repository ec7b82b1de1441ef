import { solutionOf, type Circuit, type Settled } from '../circuit'
import { cfmAt, kwAt, plantOf, type Plant } from '../crossing'
import { houseValue } from '../house'
import { quantity, settingValue, type JobSeen } from '../installation'
import { aheadTargets } from '../query'
import { conditionsOf, type Situation } from '../situation'
import { ESTIMATES } from './estimates'

/** What runs while the circuit stands so, in the numbers that heat goes by. */
export interface Running {
  /** 0 off, 1 low or only stage, 2 second stage. */
  stage: 0 | 1 | 2
  way: 'heats' | 'cools' | 'defrosts'
  outdoorFan: boolean
  stripW: number
  /** BTU/h out of the burner, and in by its fuel. */
  burnerBtuh: number
  burnerInBtuh: number
  /** CFM; 0 while the blower stands still. */
  cfm: number
  blowerKw: number
}

/** The job's equipment as a simulation sees it: what any settled state of its circuit makes. */
export class Machine {
  readonly plant: Plant
  readonly tons: number
  /** Whether what heats beside the heat pump stands ahead of its coil. */
  readonly ahead: boolean
  private readonly cfm: number
  private readonly known = new Map<Settled, Map<Situation, Running>>()

  constructor(
    private readonly circuit: Circuit,
    private readonly seen: JobSeen,
  ) {
    this.plant = plantOf(seen, circuit)
    const at47 = this.plant.unit?.full.cleanCapacity(47) ?? null
    this.tons = at47 === null ? 3 : at47 / 12_000
    this.ahead = aheadTargets(seen.inst).length > 0
    this.cfm = cfmAt(seen) ?? this.plant.cfm ?? ESTIMATES.cfmPerTon * this.tons
  }

  /** What runs; the same object for the same state. */
  running(situation: Situation, state: Settled): Running {
    let bySituation = this.known.get(state)
    if (!bySituation) this.known.set(state, (bySituation = new Map<Situation, Running>()))
    let found = bySituation.get(situation)
    if (!found) bySituation.set(situation, (found = this.reckon(situation, state)))
    return found
  }

  private reckon(situation: Situation, state: Settled): Running {
    const { inst } = this.seen
    const { loads } = this.circuit.net
    const solution = solutionOf(this.circuit, situation, state)
    const on = loads.filter((_, i) => state.coils[i] === 2)
    const does = (what: string) => on.filter((l) => l.part.does?.what === what)
    const compressors = does('compressor')
    const stage = !compressors.length
      ? 0
      : compressors.some((l) => l.part.does?.what === 'compressor' && l.part.does.stage === 2)
        ? 2
        : 1
    const defrosts = conditionsOf(inst, situation).has('defrost')
    const valve = loads.find((l) => l.part.does?.what === 'reversingValve')
    let cools = false
    if (valve && valve.part.does?.what === 'reversingValve') {
      const { energisedIn } = valve.part.does
      const sense =
        typeof energisedIn === 'string' ? energisedIn : settingValue(valve.placed, energisedIn.set)
      const energised = on.includes(valve)
      cools = sense === 'heating' ? !energised : energised
    } else cools = situation.call === 'cool1' || situation.call === 'cool2'
    const stripW = does('strip').reduce((sum, l) => {
      const watts = quantity(l.placed, l.part.va)
      return sum + (watts > 0 ? solution.amps(l.ref) ** 2 * (l.part.volts ** 2 / watts) : 0)
    }, 0)
    const fires = does('burner')
    const allFires = loads.filter((l) => l.part.does?.what === 'burner').length
    const fire = !fires.length ? 0 : fires.length < allFires ? ESTIMATES.firstFire : 1
    const { burner } = this.plant
    const output = burner ? burner.outputBtuh * fire : 0
    const blower = does('blower')
    return {
      stage,
      way: defrosts ? 'defrosts' : cools ? 'cools' : 'heats',
      outdoorFan: does('outdoorFan').length > 0,
      stripW,
      burnerBtuh: output,
      burnerInBtuh: burner && burner.efficiency > 0 ? output / burner.efficiency : 0,
      cfm: blower.length
        ? this.airOf(
            stage,
            fire > 0 || stripW > 0,
            blower.map((l) => (l.part.does?.what === 'blower' ? l.part.does.speed : undefined)),
          )
        : 0,
      blowerKw: blower.length ? this.plant.blowerKw : 0,
    }
  }

  /** CFM by the speed that the board runs, where it has several, else by what runs. */
  private airOf(stage: 0 | 1 | 2, heats: boolean, speeds: (string | undefined)[]): number {
    const { house } = this.seen
    const [fan, low, high, heat] = [
      houseValue(house, 'cfmFan') ?? this.cfm * ESTIMATES.fanShare,
      houseValue(house, 'cfmLow') ?? this.cfm * ESTIMATES.lowShare,
      houseValue(house, 'cfmHigh') ?? this.cfm,
      houseValue(house, 'cfmHeat') ?? this.cfm,
    ]
    const named = speeds.flatMap((s) => (s === undefined ? [] : [{ fan, low, high, heat }[s] ?? this.cfm]))
    if (named.length) return Math.max(...named)
    return heats || stage > 0 ? this.cfm : fan
  }

  /** BTU/h and kW of the heat pump, running at an outdoor temperature, clean; an inverter at the heat it is asked for. */
  heatPump(stage: 0 | 1 | 2, outdoorF: number, wanted: number): { heat: number; kw: number; share: number } {
    const { unit } = this.plant
    if (!unit || stage === 0) return { heat: 0, kw: 0, share: 0 }
    const at47 = unit.full.cleanCapacity(47) ?? 1
    if (unit.inverter) {
      const most = unit.cleanCapacity(outdoorF) ?? 0
      const least = Math.min(most, unit.least?.cleanCapacity(outdoorF) ?? 0.3 * most)
      const heat = Math.min(most, Math.max(least, wanted))
      const run = unit.deliver(outdoorF, Math.max(heat, 1))
      // Part load of the year's curve has cycling in it below the least; here it cycles by itself.
      return {
        heat,
        kw: run?.kw && run.heat > 0 ? (run.kw * heat) / run.heat : heat / (3412 * 2.5),
        share: heat / at47,
      }
    }
    const curve = stage === 1 && unit.least ? unit.least : unit.full
    const floor = unit.floorF
    const heat = floor !== null && outdoorF < floor ? 0 : Math.max(0, curve.cleanCapacity(outdoorF) ?? 0)
    return { heat, kw: heat > 0 ? (kwAt(curve, outdoorF) ?? heat / (3412 * 2.5)) : 0, share: heat / at47 }
  }
}
