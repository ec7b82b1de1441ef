import { demoInstallation } from '../../../tests/helpers/demo'
import { UNKNOWN_SITE } from '../installation'
import { RULES, type JobRule } from '.'
import { runJobRules } from './jobRules'

const rule = (id: string) => RULES.find((r) => r.id === id) as JobRule<string, string>
const seen = (settings: Parameters<typeof demoInstallation>[1]) => ({
  ...UNKNOWN_SITE,
  inst: demoInstallation('pennywort-close', settings),
})

describe('rules about settings that nobody knows', () => {
  it('a rule that would break at some of its values is undecided, and names the setting', () => {
    // 3 cycles an hour is usual for a compressor; its range goes beyond.
    const found = runJobRules(seen({ 'tstat.cyclesHeatPump': null }), [rule('cycles')])
    expect(found.findings).toEqual([])
    expect(found.undecided).toMatchObject([
      { rule: 'cycles', code: 'cyclesCompressor', unknown: ['tstat.cyclesHeatPump'], witness: null },
    ])
  })

  it('a rule that none of its values breaks holds', () => {
    expect(runJobRules(seen({ 'tstat.cyclesHeatPump': null }), [rule('stripHysteresis')])).toEqual({
      findings: [],
      undecided: [],
    })
  })

  it('what is wrong whatever it stands at is a finding', () => {
    // The compressor's cycles are known and too many; the droop, which is not known, is no matter of theirs.
    const found = runJobRules(seen({ 'tstat.cyclesHeatPump': 6, 'tstat.droop': null }), [rule('cycles')])
    expect(found.findings).toMatchObject([
      { code: 'cyclesCompressor', at: 'tstat.cyclesHeatPump', numbers: [6, 3] },
    ])
    expect(found.undecided).toEqual([])
  })

  it('beyond the cap each unknown is tried by itself, the others at their defaults', () => {
    const all = demoInstallation('pennywort-close').placed.find((p) => p.ref === 'tstat')!.device.settings
    const nothing = Object.fromEntries(all.map((s) => [`tstat.${s.id}`, null]))
    const { undecided } = runJobRules(seen(nothing), [rule('cycles'), rule('droop')])
    expect(undecided.find((u) => u.code === 'cyclesCompressor')?.unknown).toEqual(['tstat.cyclesHeatPump'])
    expect(undecided.find((u) => u.rule === 'droop')?.unknown.length).toBeGreaterThan(0)
  })
})
