import { Circuit, solve, type Solved } from '../circuit'
import type { Installation } from '../installation'
import type { Situation } from '../situation'

/**
 * One wiring with what is worked out from it: its circuit and solutions. Whoever asks makes it, keeps it for as
 * long as the wiring is this one, and drops it. Nothing that was worked out is kept anywhere else.
 */
export class Analysis {
  readonly circuit: Circuit

  /** @param before the wiring that was looked at just before: what stands inside unchanged devices is laid out already */
  constructor(
    readonly inst: Installation,
    before?: Analysis,
  ) {
    this.circuit = new Circuit(inst, before?.circuit)
  }

  /** The analysis of another wiring, which may be this one. */
  next(inst: Installation): Analysis {
    return inst === this.inst ? this : new Analysis(inst, this)
  }

  /** One situation, solved. */
  solve(situation: Situation): Solved {
    return solve(this.circuit, situation)
  }
}
