import type { Installation } from '../installation'
import { allSteps, proofSteps, RULES, type Proof } from '../rules'
import { Analysis } from './Analysis'

/** An analysis that proves its wiring too, by every rule. Who only draws and solves does without. */
export class ProvenAnalysis extends Analysis {
  private proven: Proof | undefined

  override next(inst: Installation): ProvenAnalysis {
    return inst === this.inst ? this : new ProvenAnalysis(inst, this)
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
