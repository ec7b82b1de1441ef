import { Circuit, solve, type Solved } from '../circuit'
import type { Installation } from '../installation'
import type { Situation } from '../situation'

/**
 * A wiring with everything derived from it: its circuit and solutions. Its owner makes it, holds it while the wiring
 * is the same, and drops it. Derived values are stored nowhere else.
 */
export class Analysis {
  private laidOut: Circuit | undefined
  private before: Circuit | undefined

  /** @param before the wiring that was analyzed just before: its unchanged devices are laid out already */
  constructor(
    readonly inst: Installation,
    before?: Analysis,
  ) {
    this.before = before?.laidOut ?? before?.before
  }

  /** The wiring's circuit, laid out when it is first asked for. */
  get circuit(): Circuit {
    if (!this.laidOut) {
      this.laidOut = new Circuit(this.inst, this.before)
      this.before = undefined
    }
    return this.laidOut
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
