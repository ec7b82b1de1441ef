import { Circuit, solve, type Solved } from '../circuit'
import type { Installation } from '../installation'
import type { Situation } from '../situation'

/**
 * A wiring with everything derived from it: its circuit and solutions. Its owner makes it, holds it while the wiring
 * is the same, and drops it. Derived values are stored nowhere else.
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

  /** Solves one operating state. */
  solve(situation: Situation): Solved {
    return solve(this.circuit, situation)
  }
}
