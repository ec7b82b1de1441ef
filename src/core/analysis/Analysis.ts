import { Circuit, solve, type Solved } from '../circuit'
import type { Installation } from '../installation'
import { allSteps, proofSteps, RULES, type Proof } from '../rules'
import type { Situation } from '../situation'

/**
 * One wiring with what is worked out from it: its circuit, solutions, and the proof. Whoever asks makes it, keeps it for as
 * long as the wiring is this one, and drops it. Nothing that was worked out is kept anywhere else.
 */
export class Analysis {
  readonly circuit: Circuit
  private proven: Proof | undefined

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

  /** The proof in steps, for who has other work to see to in between; what was proven before is given at once. */
  *proofSteps(): Generator<void, Proof, void> {
    return (this.proven ??= yield* proofSteps(this.inst, RULES, this.circuit))
  }

  /** The proof of the wiring. */
  prove(): Proof {
    return allSteps(this.proofSteps())
  }
}
