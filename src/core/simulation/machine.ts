import { solutionOf, solve, type Circuit, type Settled } from '../circuit'
import { cfmAt, FIRST_FIRE, plantOf, type Plant, type StageCurve } from '../crossing'
import { houseValue } from '../house'
import { quantity, settingValue, type JobSeen, type Ref } from '../installation'
import { aheadTargets } from '../query'
import { changedSituation, conditionsOf, modesWith, type Situation } from '../situation'
import { ESTIMATES } from './estimates'
import { StageTable } from './stageTable'

/** Loads that run in a settled circuit, in the numbers of the heat balance. */
export interface Running {
  /** 0 off, 1 low or only stage, 2 second stage. */
  stage: 0 | 1 | 2
  way: 'heats' | 'cools' | 'defrosts'
  outdoorFan: boolean
  stripW: number
  /**
   * Cause of running strips or burner: the call, a defrost; `slow`: none any more, a contact that opens late still
   * feeds them.
   */
  backupFrom: 'nothing' | 'call' | 'defrost' | 'slow'
  /** BTU/h out of the burner, and in by its fuel. */
  burnerBtuh: number
  burnerInBtuh: number
  /** CFM; 0 while the blower stands still. */
  cfm: number
  blowerKw: number
  /** kW of an oil burner's motor or a gas burner's inducer: it warms nothing. */
  motorKw: number
}

/** The job's equipment as a simulation sees it: what any settled state of its circuit makes. */
export class Machine {
  readonly plant: Plant
  readonly tons: number
  /** s of full heat that a start loses. */
  readonly startS: number
  /** Whether what heats beside the heat pump stands ahead of its coil. */
  readonly ahead: boolean
  private readonly cfm: number
  private readonly tables: Record<'least' | 'middle' | 'full', StageTable | null>
  private readonly known = new Map<Settled, Map<Situation, Running>>()

  constructor(
    private readonly circuit: Circuit,
    private readonly seen: JobSeen,
  ) {
    this.plant = plantOf(seen, circuit)
    const at47 = this.plant.unit?.full.cleanCapacity(47) ?? null
    this.tons = at47 === null ? 3 : at47 / 12_000
    const { unit } = this.plant
    const table = (curve: StageCurve | null | undefined) => (curve ? new StageTable(curve) : null)
    this.tables = { least: table(unit?.least), middle: table(unit?.middle), full: table(unit?.full) }
    this.startS = (unit?.cd ?? 0) * ESTIMATES.startS
    this.ahead = aheadTargets(seen.inst).length > 0
    this.cfm = cfmAt(seen) ?? this.plant.cfm ?? ESTIMATES.cfmPerTon * this.tons
  }

  /** Running loads of a state; the same object for the same state. */
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
    const fire = !fires.length ? 0 : fires.length < allFires ? FIRST_FIRE : 1
    const { burner } = this.plant
    const output = burner ? burner.outputBtuh * fire : 0
    const blower = does('blower')
    return {
      stage,
      way: defrosts ? 'defrosts' : cools ? 'cools' : 'heats',
      outdoorFan: does('outdoorFan').length > 0,
      stripW,
      backupFrom: fires.length || stripW > 0 ? this.backupFrom(situation, state) : 'nothing',
      burnerBtuh: output,
      burnerInBtuh: burner && burner.efficiency > 0 ? output / burner.efficiency : 0,
      cfm: blower.length
        ? this.airOf(
            stage,
            fire > 0 || stripW > 0,
            blower.map((l) => (l.part.does?.what === 'blower' ? l.part.does.speed : undefined)),
          )
        : 0,
      // A heat pump's rating already includes its blower, both heat and power.
      blowerKw: blower.length && stage === 0 ? this.plant.blowerKw : 0,
      motorKw: fire > 0 ? (burner?.motorKw ?? 0) : 0,
    }
  }

  /** Cause of the running backup: found by settling the circuit with the defrost and without it. */
  private backupFrom(situation: Situation, state: Settled): Running['backupFrom'] {
    const { loads } = this.circuit.net
    const backup = loads.flatMap((l, i) => {
      const what = l.part.does?.what
      return (what === 'strip' || what === 'burner') && state.coils[i] === 2 ? [i] : []
    })
    const bringsAll = (s: Situation): boolean => {
      const rest = solve(this.circuit, s)
      return rest.ok && backup.every((i) => rest.state.coils[i] === 2)
    }
    if (!bringsAll(situation)) return 'slow'
    const defrosting = modesWith(this.seen.inst, 'defrost')
    const modes = Object.fromEntries(
      Object.entries(situation.modes).filter(([ref, is]) => defrosting[ref as Ref] !== is),
    )
    return bringsAll(changedSituation(situation, { modes })) ? 'call' : 'defrost'
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

  /**
   * BTU/h and kW of the heat pump, running at an outdoor temperature, clean; an inverter at the heat that it is asked for, its
   * power in straight lines between its least, rated and most.
   */
  heatPump(stage: 0 | 1 | 2, outdoorF: number, wanted: number): { heat: number; kw: number; share: number } {
    const { unit } = this.plant
    const full = this.tables.full
    if (!unit || !full || stage === 0) return NONE
    if (unit.floorF !== null && outdoorF < unit.floorF) return NONE
    const at47 = this.tons * 12_000
    if (!unit.inverter) {
      const table = stage === 1 && this.tables.least ? this.tables.least : full
      const heat = table.heat(outdoorF)
      return { heat, kw: heat > 0 ? table.kw(outdoorF) : 0, share: heat / at47 }
    }
    const { least, middle } = this.tables
    const most = full.heat(outdoorF)
    const heat = Math.min(
      most,
      Math.max(least ? least.heat(outdoorF) : ESTIMATES.inverterLeast * most, wanted),
    )
    return { heat, kw: kwBetween([least, middle, full], outdoorF, heat), share: heat / at47 }
  }
}

const NONE = { heat: 0, kw: 0, share: 0 }

function kwBetween(stages: (StageTable | null)[], outdoorF: number, heat: number): number {
  let [fromQ, fromKw] = [0, 0]
  for (const s of stages) {
    if (!s) continue
    const [q, kw] = [s.heat(outdoorF), s.kw(outdoorF)]
    if (q >= heat && q > fromQ) return fromKw + ((kw - fromKw) * (heat - fromQ)) / (q - fromQ)
    fromQ = q
    fromKw = kw
  }
  return fromKw
}
