import { demoInstallation } from '../../../tests/helpers/demo'
import { contact, device, placed } from '../../../tests/helpers/build'
import { proofSentence, undecidedSentence } from '@/words'
import type { Mode } from '../equipment'
import type { Installation } from '../installation'
import { reachableCombinations } from '../situation'
import { degF } from '../units'
import { singleFailures } from '../failures'
import { prove } from './prove'

/** Quillfeather Lane and something in it with so many switches, each either way at any time; a contact goes by each where asked. */
function withSwitches(n: number, seen = true): Installation {
  const inst = demoInstallation('quillfeather-lane')
  const modes = Array.from({ length: n }, (_, i): Mode => ({
    id: `m${i}`,
    label: `Switch ${i}`,
    states: [
      { id: 'a', label: 'a' },
      { id: 'b', label: 'b', reach: 'always' },
    ],
  }))
  const parts = modes.map(({ id }) => contact(`c-${id}`, 'X', 'Y', { mode: id, is: ['b'] }))
  const odd = device('odd', ['X', 'Y'], seen ? parts : [], { modes })
  return { ...inst, placed: [...inst.placed, placed('odd', odd)] }
}

describe('a job of more states than can be tried', () => {
  const inst = withSwitches(26)
  it('is counted before any of it is solved, and undecided by name', () => {
    const began = performance.now()
    const proof = prove(inst)
    // 2^26 combinations of the switches alone would be days of work.
    expect(performance.now() - began).toBeLessThan(20_000)
    expect(proof.solved).toBe(0)
    expect(proof.tooMany!.states).toBeGreaterThan(2 ** 26)
    expect(proof.tooMany!.allowed).toBe(1_000_000)
    expect(proof.tooMany!.modes).toContain('odd.m0')
    const open = proof.undecided.find((u) => u.rule === 'noShort')!
    expect(open).toMatchObject({ code: null, witness: null, tooMany: true })
    expect(undecidedSentence(inst, open)).toMatch(/^More states than can be tried, because of odd/)
    expect(proofSentence(inst, proof)).toMatch(
      /^Undecided: [\d,]+ states where 1,000,000 are allowed, because of odd/,
    )
  })

  it('never says that nothing is wrong, though some rule found something small', () => {
    const spare = {
      ...inst,
      wires: inst.wires.map((w) =>
        w.id === 'w08' ? { ...w, a: 'tstat.C' as const, b: 'ah.C' as const } : w,
      ),
    }
    const proof = prove(spare)
    expect(proof.findings.map((f) => f.code)).toEqual(['noSpare'])
    expect(proofSentence(spare, proof)).toMatch(/^Undecided/)
  })

  it('lists what can be away one by one, for whoever asks for a single situation', () => {
    const rows = reachableCombinations(inst, 'off', degF(47))
    expect(rows.length).toBeLessThan(100)
    expect(Math.max(...rows.map((r) => r.abnormalCount))).toBe(1)
    expect(rows.some((r) => r.modes['odd.m25'] === 'b')).toBe(true)
    expect(singleFailures(inst).length).toBeGreaterThan(0)
  })

  it('proves what a few more switches allow', () => {
    const few = prove(withSwitches(3))
    const none = prove(withSwitches(0))
    expect(few.tooMany).toBeNull()
    expect(few.solved).toBe(8 * none.solved)
  })

  it('what no contact and no rule can see is not multiplied', () => {
    const unseen = prove(withSwitches(26, false))
    const none = prove(withSwitches(0))
    expect(unseen.tooMany).toBeNull()
    expect(unseen.solved).toBe(none.solved)
    expect(unseen.findings).toEqual(none.findings)
    // What one of its states means is seen by rules, with no contact that goes by it.
    const inst = withSwitches(1, false)
    const told = inst.placed.find((p) => p.ref === 'odd')!.device.modes[0]!.states[1]!
    told.condition = 'defrost'
    expect(prove(inst).solved).toBeGreaterThan(none.solved)
  })

  it('is soon said where nobody has looked at any setting, and what hangs on which is named', () => {
    const known = demoInstallation('tallow-mill')
    const inst = {
      ...known,
      placed: known.placed.map(({ defaultAssumed: _, ...p }) => ({
        ...p,
        settings: Object.fromEntries(p.device.settings.map((s) => [s.id, null])),
      })),
    }
    const began = performance.now()
    const proof = prove(inst)
    // It took more than a minute while each way was compared with each other.
    expect(performance.now() - began).toBeLessThan(15_000)
    expect(proof.solved).toBe(0)
    expect(proof.undecided.find((u) => u.rule === 'lowGas')?.unknown).toEqual(['fur.gasSwitch'])
  })

  it('is none where nothing is bolted down, or nothing calls', () => {
    const inst = demoInstallation('quillfeather-lane')
    for (const placed of [[], inst.placed.filter((p) => p.device.kind !== 'thermostat')]) {
      const inst = { placed, wires: [], cables: [] }
      const proof = prove(inst)
      expect(proof).toMatchObject({ tooMany: null, solved: 0 })
      // What was not tried is never said to hold.
      if (proof.findings.every((f) => f.severity === 'warn'))
        expect(proofSentence(inst, proof)).toMatch(/^Nothing is proven yet/)
    }
  })
})
