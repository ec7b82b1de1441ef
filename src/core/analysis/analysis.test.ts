import { demoInstallation, rewired, wireBetween } from '../../../tests/helpers/demo'
import { prove } from '../rules'
import { degF } from '../units'
import { ProvenAnalysis } from '.'

const inst = demoInstallation('quillfeather-lane')
/** The conductor to the second row is off. */
const broken = rewired(inst, wireBetween(inst, 'tstat.E', 'ah.W2').id, { b: null })

/** Two proofs that take turns, step by step. */
function inTurns(a: ProvenAnalysis, b: ProvenAnalysis) {
  const [one, other] = [a.proofSteps(), b.proofSteps()]
  for (;;) {
    const [x, y] = [one.next(), other.next()]
    if (x.done && y.done) return [x.value, y.value]
  }
}

describe('an analysis', () => {
  it('proves what a proof by itself finds, also when two take turns over the same devices', () => {
    const first = new ProvenAnalysis(inst)
    const [whole, less] = inTurns(first, first.next(broken))
    expect(whole).toEqual(prove(demoInstallation('quillfeather-lane')))
    expect(less).toEqual(prove(structuredClone(broken)))
    expect(less).not.toEqual(whole)
  })

  it('is the same for the same wiring, works its proof out once, and solves the wiring that it is of', () => {
    const first = new ProvenAnalysis(inst)
    expect(first.next(inst)).toBe(first)
    expect(first.prove()).toBe(first.prove())
    const next = first.next(broken)
    const emergency = { call: 'emergency' as const, outdoorF: degF(40), modes: {} }
    const runs = (a: ProvenAnalysis) => {
      const solved = a.solve(emergency)
      return solved.ok && solved.energised('kit.row2')
    }
    expect([runs(first), runs(next), runs(next.next(inst))]).toEqual([true, false, true])
  })

  it('takes nothing over from devices that are set otherwise', () => {
    const warm = demoInstallation('quillfeather-lane', { 'odt.setpoint': 10 })
    const after = new ProvenAnalysis(inst).next(warm)
    expect(after.prove()).toEqual(prove(warm))
  })
})
