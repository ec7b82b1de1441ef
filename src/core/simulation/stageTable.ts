import { kwAt, type StageCurve } from '../crossing'
import { BTU_PER_KWH } from '../house'

/** °F of the first and last entry. */
const [FROM, TO] = [-80, 140]
/** COP of a stage whose ratings say none. */
const USUAL_COP = 2.5

/**
 * A stage at every whole degree, in straight lines between: its ratings stand at whole degrees, and what lies between two of
 * them is a line already. A winter asks for it half a million times.
 */
export class StageTable {
  private readonly q: Float64Array
  private readonly p: Float64Array

  constructor(curve: StageCurve) {
    const size = TO - FROM + 2
    this.q = new Float64Array(size)
    this.p = new Float64Array(size)
    for (let i = 0; i < size; i++) {
      const heat = Math.max(0, curve.cleanCapacity(FROM + i) ?? 0)
      this.q[i] = heat
      this.p[i] = heat > 0 ? (kwAt(curve, FROM + i) ?? heat / (BTU_PER_KWH * USUAL_COP)) : 0
    }
  }

  /** BTU/h without frost. */
  heat = (outdoorF: number): number => at(this.q, outdoorF)
  kw = (outdoorF: number): number => at(this.p, outdoorF)
}

function at(list: Float64Array, outdoorF: number): number {
  const t = Math.min(TO - FROM, Math.max(0, outdoorF - FROM))
  const i = Math.floor(t)
  const a = list[i]!
  return a + (list[i + 1]! - a) * (t - i)
}
