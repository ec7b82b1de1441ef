import type { Ref } from '@/core/installation'
import { NOT_LOOKED_AT } from '../../tests/cases/gear'
import { compose } from '../../tests/helpers/compose'
import { demoInstallation } from '../../tests/helpers/demo'
import { Circuit, solve } from '@/core/circuit'
import type { Call } from '@/core/equipment'
import { gateChain } from '@/core/explain'
import { RULES, prove } from '@/core/rules'
import { degF } from '@/core/units'
import { installationOf } from '@/jobfile'
import {
  ended,
  chainSentence,
  factorsSentence,
  figure,
  findingSentence,
  findingWords,
  ruleWords,
  proofSentence,
  refWords,
  situationWords,
  undecidedSentences,
} from '.'

const inst = demoInstallation('quillfeather-lane')
const say = (target: Ref, call: Call, t: number, modes: Record<string, string> = {}) => {
  const s = solve(new Circuit(inst), { call, outdoorF: degF(t), modes })
  if (!s.ok) throw new Error(s.why)
  return chainSentence(inst, gateChain(s, target))
}

describe('words', () => {
  it('ends a text once', () =>
    expect(['note: Dog in yard. ', 'Closes below 41', 'Why?'].map(ended)).toEqual([
      'note: Dog in yard.',
      'Closes below 41.',
      'Why?',
    ]))

  it('has a statement for every rule, and a clause for everything that it can find', () => {
    for (const rule of RULES) {
      expect(ruleWords(rule.id)).toMatch(/^[A-Z].*[^.]$/)
      for (const code of rule.codes) {
        const said = findingWords(inst, { code, at: 'ah.W1', numbers: [1, 2, 3, 4] })
        expect(said).toMatch(/^[A-Z0-9].* .*[^.]$/)
        expect(said).not.toMatch(/undefined|NaN/)
      }
    }
  })
  it.each([
    ['kit.row1', 'emergency', 52, {}, 'On'],
    [
      'kit.row1',
      'heatAux1',
      52,
      {},
      'Held at outdoor thermostat contact. 52 °F outside; closes below 35 °F, opens at 40 °F',
    ],
    [
      'kit.row1',
      'heatAux1',
      37,
      {},
      'Depends on outdoor thermostat contact. 37 °F outside, inside its differential (35 to 40 °F): stays as it was',
    ],
    [
      'kit.row2',
      'emergency',
      20,
      { 'kit.limit2': 'open' },
      'Held at row 2 limit. Row 2 limit: open, too hot',
    ],
    [
      'od.compressor',
      'heat1',
      47,
      { 'feedB.breaker': 'off' },
      'Held at breaker, feed to outdoor unit. Breaker: off',
    ],
    [
      'od.compressor',
      'emergency',
      47,
      {},
      'Held at thermostat Y relay. Not called: closes on cool, heat, heat + aux',
    ],
  ] as [Ref, Call, number, Record<string, string>, string][])(
    '%s on %s at %i: %j',
    (target, call, t, modes, words) => {
      expect(say(target, call, t, modes)).toBe(words)
    },
  )
  it('names what a person points at', () => {
    expect(refWords(inst, 'ah.W2')).toBe('Air handler W2')
    expect(refWords(inst, 'spl.x')).toBe('Splice S1')
    expect(refWords(inst, 'kit')).toBe('Strip kit')
    expect(refWords(inst, 'wires.w07')).toBe('brown conductor of the thermostat cable')
    expect(refWords(inst, 'od.rvSense')).toBe('Outdoor unit: Reversing valve energised in')
  })
  it('says a situation with everything that is not normal', () => {
    expect(
      situationWords(inst, { call: 'heat1', outdoorF: degF(30), modes: { 'od.board': 'defrost' } }),
    ).toBe('Heat at 30 °F, Outdoor board: defrosting')
  })
  it('says the proof, its factors, and a finding with its smallest case', () => {
    const bad = demoInstallation('saltmarsh-row')
    const proof = prove(bad)
    expect(proofSentence(bad, proof)).toBe('Emergency heat brings on no backup.')
    expect(findingSentence(bad, proof.findings[0]!)).toBe(
      'Emergency heat brings on no backup: Emergency heat at 45 °F, everything normal',
    )
    expect(factorsSentence(proof)).toContain('6 calls × 7 outdoor temperatures × up to 192 combinations')
    expect(findingWords(bad, { code: 'nobody has worded this', at: 'ah.R' })).toBe('nobody has worded this')
  })
  it('says that nothing is wrong only where no rule hangs on what is not known', () => {
    // Nobody has looked at its settings; with the sense of the valve known the rest can be tried.
    const seen = (...lines: string[]) => installationOf(compose([...NOT_LOOKED_AT, ...lines]))
    const some = seen('set tstat.rvSense=cooling od.rvSense=cooling')
    const proof = prove(some)
    const open = new Set(proof.undecided.map((u) => u.rule)).size
    expect([open > 0, proof.findings.map((f) => f.rule)]).toEqual([true, ['auxHeldOff']])
    expect(proofSentence(some, proof)).toBe(
      `${proof.rules.length - open - 1} of ${proof.rules.length} rules hold in 36,352 states; ${open} more hang on what is not known yet. Worth a look: Nothing holds strip row 1 off in mild weather: a call for backup heats at 65 °F too.`,
    )
    expect(proofSentence(some, { ...proof, findings: [] })).toBe(
      `${proof.rules.length - open} of ${proof.rules.length} rules hold in 36,352 states; the rest hang on what is not known yet.`,
    )
    expect(proofSentence(some, { ...proof, undecided: [] })).toMatch(
      /^Nothing is wrong in 36,352 states\. Worth/,
    )
    // Each want is said once, with how many rules depend on it.
    const wants = undecidedSentences(some, proof.undecided)
    expect(new Set(wants).size).toBe(wants.length)
    expect(wants).toContain(
      'Cannot be settled until this is known: Air handler: Transformer primary tap (2 rules)',
    )
    expect(wants).toContain(
      'Cannot be settled until this is known: Thermostat or controller: Compressor minimum off',
    )
    // Nothing could be tried at all, and something small stands there all the same.
    const none = seen()
    const tried = prove(none)
    expect(tried.solved).toBe(0)
    expect(proofSentence(none, tried)).toBe('Too much is not known yet to prove anything.')
    expect(proofSentence(none, { ...tried, findings: proof.findings })).toMatch(
      /^Too much is not known yet to prove anything\. Worth a look: Nothing holds/,
    )
  })
  it('writes numbers as a meter shows them', () => {
    expect([figure(24), figure(24.04), figure(25.9, 2), figure(100), figure(0.04), figure(Infinity)]).toEqual(
      ['24', '24', '25.9', '100', '0', 'OL'],
    )
  })
})
