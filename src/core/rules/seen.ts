import { asVolts, type Ohms, type Volts } from '../units'
import { across, impedanceBetween, shownBy, type Circuit, type Outcome } from '../circuit'
import type { ModeCondition } from '../equipment'
import type { Installation, Ref } from '../installation'
import { targetsOf, type Target } from '../query'
import type { Situation } from '../situation'
import { factsOf, type Facts } from './facts'
import type { StateSeen } from './rule'

const targetsOfCircuit = ({ inst }: Circuit): Target[] => targetsOf(inst)

/** A state as the rules see it. A class, for a sweep makes one for each of its thousands of states. */
class Seen implements StateSeen {
  readonly inst: Installation
  readonly facts: Facts

  constructor(
    private readonly circuit: Circuit,
    private readonly outcome: Outcome,
    readonly situation: Situation,
    readonly abnormalCount: number,
    readonly conditions: ReadonlySet<ModeCondition>,
  ) {
    this.inst = circuit.inst
    this.facts = factsOf(circuit, outcome)
  }

  volts(a: Ref, b: Ref): Volts {
    const { net } = this.circuit
    const [i, j] = [net.index.get(a), net.index.get(b)]
    const known = this.outcome.ok && i !== undefined && j !== undefined
    return known ? across(this.outcome.volts, i, j) : asVolts(Number.NaN)
  }

  metered(a: Ref, b: Ref, ohms: Ohms): Volts {
    const { net, plan } = this.circuit
    const [i, j] = [net.index.get(a), net.index.get(b)]
    const factors = this.outcome.ok ? this.circuit.factors(this.outcome.closed) : null
    if (!factors || i === undefined || j === undefined) return asVolts(Number.NaN)
    return shownBy(ohms, this.volts(a, b), impedanceBetween(plan, factors, i, j))
  }

  get targets(): readonly Target[] {
    return this.circuit.cache.once(targetsOfCircuit)
  }

  ofJob<T>(work: (circuit: Circuit) => T): T {
    return this.circuit.cache.once(work)
  }

  closed(contact: Ref): boolean {
    const i = this.circuit.net.contactIndex.get(contact)
    return this.outcome.ok && i !== undefined && this.outcome.closed[i] === 1
  }
}

/** A state as the rules see it. */
export const stateSeen = (
  circuit: Circuit,
  outcome: Outcome,
  situation: Situation,
  row: Pick<StateSeen, 'abnormalCount' | 'conditions'>,
): StateSeen => new Seen(circuit, outcome, situation, row.abnormalCount, row.conditions)
