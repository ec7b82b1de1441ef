import { demoInstallation, wireBetween } from '../../../tests/helpers/demo'
import { placedByRef } from '../installation'
import { RULES, proofSteps, prove } from '.'
import type { StateRule } from './rule'

const right = () => demoInstallation('quillfeather-lane')

describe('what is not known yet', () => {
  it('is tried both ways; a rule that hangs on it is undecided and names it', () => {
    const proof = prove(demoInstallation('quillfeather-lane', { 'od.rvSense': null }))
    expect(proof.factors.assumptions).toBe(2)
    expect(proof.findings).toEqual([])
    expect(proof.undecided).toMatchObject([
      { rule: 'valveRight', code: 'coolingHeats', unknown: ['od.rvSense'] },
    ])
  })

  it('does not disturb rules that do not hang on it', () => {
    const proof = prove(demoInstallation('saltmarsh-row', { 'od.rvSense': null }))
    expect(proof.findings.map((f) => f.rule)).toEqual(['emergencyHeat'])
  })

  it.each(['cooling', 'heating'])('is told by the simplest case of all assumptions: %s', (simple) => {
    // Breaks in every state with one thing away from normal; of the unit with this sense also with none.
    const rule: StateRule<'made', 'made'> = {
      id: 'made',
      scope: 'state',
      severity: 'wrong',
      codes: ['made'],
      applies: () => true,
      each: ({ inst, abnormalCount }) => {
        const isSimple = placedByRef(inst, 'od')?.settings.rvSense === simple
        return abnormalCount === (isSimple ? 0 : 1) ? { code: 'made', at: 'od.compressor' } : null
      },
    }
    const proof = prove(demoInstallation('quillfeather-lane', { 'od.rvSense': null }), [rule])
    expect(proof.findings.map((f) => f.witness?.modes)).toEqual([{}])
  })

  it('covers a wire in doubt', () => {
    const inst = right()
    const id = wireBetween(inst, 'tstat.E', 'ah.W2').id
    const proof = prove({ ...inst, wires: inst.wires.map((w) => (w.id === id ? { ...w, doubt: true } : w)) })
    expect(proof.undecided).toMatchObject([{ rule: 'emergencyHeat', unknown: [`wires.${id}`] }])
  })

  it('is proven in a step for each of the six calls under each assumption', () => {
    const inst = demoInstallation('saltmarsh-row', { 'od.rvSense': null })
    const steps = proofSteps(inst)
    let [taken, step] = [0, steps.next()]
    for (; !step.done; step = steps.next()) taken++
    expect(taken).toBe(6 * 2)
    expect(step.value).toEqual(prove(inst))
  })

  it('leaves everything undecided beyond six binary unknowns', () => {
    const inst = right()
    const doubted = { ...inst, wires: inst.wires.map((w, i) => (i < 7 && w.a ? { ...w, doubt: true } : w)) }
    const proof = prove(doubted)
    expect(proof.solved).toBe(0)
    expect(proof.undecided.filter((u) => u.code === null)).toHaveLength(
      RULES.filter((r) => r.scope !== 'job' && r.applies(doubted)).length,
    )
    expect(proof.undecided[0]!.unknown).toHaveLength(7)
  })
})
