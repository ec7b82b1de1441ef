import { demoInstallation, jobIds } from '../../../tests/helpers/demo'
import { job, JOB_FIXTURES, seen } from '../../../tests/helpers/jobFixtures'
import {
  settingDef,
  settingValue,
  placedByRef,
  splitRef,
  type Installation,
  type JobSeen,
} from '../installation'
import { applyFix, jobFindings, prove, type Change } from '../rules'
import { clearingOf, recommend, STRATEGIES, type Recommended } from '.'

const asChanges = (list: readonly Pick<Recommended, 'at' | 'value'>[]): Change[] =>
  list.map((r) => {
    const { placed, id } = splitRef(r.at)
    return { kind: 'setSetting', placed, setting: id, value: r.value }
  })
const grave = (inst: Installation) =>
  new Set(
    prove(inst)
      .findings.filter((f) => f.severity !== 'warn')
      .map((f) => `${f.rule}:${f.code}`),
  )
const codes = (s: JobSeen) => new Set(jobFindings(s).map((f) => `${f.rule}:${f.code}`))
const minus = (a: ReadonlySet<string>, b: ReadonlySet<string>) => [...a].filter((x) => !b.has(x))
/** Every answer that speaks for something, at once. */
const TALKATIVE = {
  priority: 'bills', noise: 'yes', coldAir: 'yes', whoChanges: 'tenants', scale: 'F', thermometer: 'warmer',
  utility: 'auxRule', wake: '06:00', leave: '08:00', back: '17:00', sleep: '22:00', frail: 'yes', fuel: 'gas',
} // prettier-ignore

describe('what is offered breaks nothing', () => {
  it.each(jobIds())('%s: every school, with a talkative owner', (id) => {
    const inst = demoInstallation(id)
    const before = grave(inst)
    for (const school of [null, ...STRATEGIES]) {
      const s = seen(inst, { answers: TALKATIVE })
      const offered = recommend(s, school).filter((r) => r.needs === null)
      const after = applyFix(inst, asChanges(offered))
      expect([school, minus(codes({ ...s, inst: after }), codes(s))]).toEqual([school, []])
      expect([school, minus(grave(after), before)]).toEqual([school, []])
      for (const r of offered) {
        const { placed, id: setting } = splitRef(r.at)
        expect(settingDef(placedByRef(inst, placed)!, setting)).toBeDefined()
      }
    }
  })

  it.each(Object.keys(JOB_FIXTURES))('what clears %s raises nothing, in no state either', (id) => {
    const { raises } = JOB_FIXTURES[id]!
    for (const finding of jobFindings(raises)) {
      const clearing = clearingOf(raises, finding)
      if (!clearing) continue
      const after = applyFix(raises.inst, asChanges([clearing]))
      expect(minus(codes({ ...raises, inst: after }), codes(raises))).toEqual([])
      expect(minus(grave(after), grave(raises.inst))).toEqual([])
    }
  })

  it('a lockout waits for something that knows how cold it is, and says so', () => {
    const bare = job('pennywort-close', { 'tstat.outdoorSource': 'none', 'tstat.useAuxLockout': 'off' })
    const offered = recommend(seen(bare, { answers: { utility: 'auxRule' } }))
    const lockout = offered.find((r) => r.at === 'tstat.useAuxLockout')
    expect(lockout).toMatchObject({ value: 'on', needs: { code: 'lockoutNoSource' } })
    const placed = placedByRef(bare, 'tstat')!
    expect(settingValue(placed, 'useAuxLockout')).toBe('off')
    // With a feed that has been chosen it is offered at once.
    const fed = job('pennywort-close', { 'tstat.outdoorSource': 'feed', 'tstat.useAuxLockout': 'off' })
    const now = recommend(
      seen(fed, { answers: { utility: 'auxRule' }, plates: { tstat: { seenOnline: true } } }),
    )
    expect(now.find((r) => r.at === 'tstat.useAuxLockout')).toMatchObject({ value: 'on', needs: null })
  })
})
