import { demoInstallation } from '../../../tests/helpers/demo'
import { prove, resultOf, type Finding, type Proof } from '.'

const proof = prove(demoInstallation('saltmarsh-row'))
const found = (severity: Finding['severity']): Finding => ({
  ...proof.findings[0]!,
  rule: 'hotCoil',
  severity,
})
const open: Proof['undecided'] = [{ rule: 'hotCoil', code: 'hotRestart', unknown: [], witness: null }]

describe('how a rule stands', () => {
  it.each([
    ['holds', [], []],
    ['warning', [found('warn')], []],
    // What may break it outweighs what only wants a look.
    ['undecided', [found('warn')], open],
    ['undecided', [], open],
    ['broken', [found('warn'), found('danger')], open],
    ['broken', [found('wrong')], []],
  ] as const)('%s', (result, findings, undecided) =>
    expect(resultOf({ findings: [...findings], undecided: [...undecided] }, 'hotCoil')).toBe(result),
  )

  it('is its own, whatever another rule finds', () => {
    expect(proof.findings.some((f) => f.severity !== 'warn')).toBe(true)
    const holding = proof.rules.filter((r) => resultOf(proof, r) === 'holds')
    expect(holding).toEqual(
      proof.rules.filter((r) => ![...proof.findings, ...proof.undecided].some((f) => f.rule === r)),
    )
  })
})
