import { solutionOf, type Circuit, type Settled } from '../circuit'
import type { Call, Felt } from '../equipment'
import type { Placed } from '../installation'
import { frostDrop, frostOver, melt, standStill, toward, ESTIMATES, type Coil } from '../simulation'
import { conditionsOf, type Situation } from '../situation'
import type { DemandCause, World } from '../time'
import type { Physics } from './fault'
import { plateHaving, steadyOf, TON, type Steady } from './plant'

/** s of a step: a defrost is over in minutes. */
const STEP = { defrost: 2, else: 10 } as const
/** lb of frost a ton on a coil whose defrost is forced. */
const FORCED_LB = 1
/** s in which the air of a duct, and the refrigerant, come two thirds of the way to where they go. */
export const TAU = 90

/**
 * Coil and air of a hidden site, moving by the frost and the melting of the simulation: a defrost begins when its board has
 * counted its interval on a cold coil, and ends when the coil is warm. The call stands as it was made.
 */
export class SiteAir implements World {
  private readonly coil: Coil
  private readonly tons: number
  private readonly steadies = new Map<Settled, Map<Situation, Steady>>()
  private leavingF: number
  private number = 0
  private share = 0

  constructor(
    private readonly circuit: Circuit,
    private readonly physics: Physics,
    private readonly situation: Situation,
  ) {
    const { inst } = circuit
    const { outdoorF } = situation
    this.tons = plateHaving(inst, 'compresses').tons ?? 3
    this.leavingF = physics.returnF
    // A forced defrost starts with a coil that was running.
    this.coil = conditionsOf(inst, situation).has('defrost')
      ? { coilF: outdoorF - ESTIMATES.splitF, frostLb: FORCED_LB * this.tons }
      : { coilF: outdoorF, frostLb: 0 }
  }

  demand(): { call: Call; cause: DemandCause } {
    return { call: this.situation.call, cause: { why: 'set' } }
  }
  happens(): void {
    // The site has its fault from the start: no event adds one.
  }
  outdoorF = (): Situation['outdoorF'] => this.situation.outdoorF
  feltNumber = (): number => this.number
  feels = (_placed: Placed, what: Felt): number => {
    if (what === 'coil') return this.coil.coilF
    return what === 'frostDrop'
      ? frostDrop(this.coil.coilF, this.situation.outdoorF, this.share)
      : this.leavingF
  }

  pass(now: number, until: number, situation: Situation, state: Settled): number {
    const runs = this.steady(situation, state)
    const h = Math.min(until - now, runs.defrost ? STEP.defrost : STEP.else)
    const { outdoorF } = this.situation
    const { charge, pumping, fanRunsOn } = this.physics
    this.share = runs.compressor && !runs.defrost && runs.heats ? runs.share * (2 - charge) : 0
    if (!runs.compressor) standStill(this.coil, this.tons, outdoorF, h)
    else if (runs.defrost) {
      const melts = ESTIMATES.meltShare * TON * this.tons * Math.min(1, charge) ** 1.5 * pumping
      melt(this.coil, this.tons, melts, fanRunsOn || runs.outdoorFan, outdoorF, h)
    } else if (runs.heats) frostOver(this.coil, this.tons, this.share, outdoorF, null, h)
    this.leavingF = toward(this.leavingF, runs.supplyF, h, TAU)
    this.number++
    return now + h
  }

  private steady(situation: Situation, state: Settled): Steady {
    let bySituation = this.steadies.get(state)
    if (!bySituation) this.steadies.set(state, (bySituation = new Map<Situation, Steady>()))
    let found = bySituation.get(situation)
    if (!found)
      bySituation.set(situation, (found = steadyOf(solutionOf(this.circuit, situation, state), this.physics)))
    return found
  }
}
