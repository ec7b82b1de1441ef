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
import { STRATEGIES } from '../crossing'
import { clearingOf, recommend, type Recommended } from '.'

const asChanges = (list: readonly Pick<Recommended, 'at' | 'value'>[]): Change[] =>
  list.map((r) => {
    const { placed, id } = splitRef(r.at)
    return { kind: 'setSetting', placed, setting: id, value: r.value }
  })
/** Codes of what a proof finds worse than a warning. Strategies often end at the same settings, so each job is proven once. */
const gravest = new Map<string, ReadonlySet<string>>()
function grave(inst: Installation): ReadonlySet<string> {
  const key = JSON.stringify(inst)
  const known = gravest.get(key)
  if (known) return known
  const found = new Set(
    prove(inst)
      .findings.filter((f) => f.severity !== 'warn')
      .map((f) => `${f.rule}:${f.code}`),
  )
  gravest.set(key, found)
  return found
}
const codes = (s: JobSeen) => new Set(jobFindings(s).map((f) => `${f.rule}:${f.code}`))
const minus = (a: ReadonlySet<string>, b: ReadonlySet<string>) => [...a].filter((x) => !b.has(x))
/** Every answer that supports something, at once. */
const TALKATIVE = {
  priority: 'bills', noise: 'yes', coldAir: 'yes', whoChanges: 'tenants', scale: 'F', thermometer: 'warmer',
  utility: 'auxRule', wake: '06:00', leave: '08:00', back: '17:00', sleep: '22:00', frail: 'yes', fuel: 'gas',
  utilityF: '38', offsetF: '2', filterIn: '5', droopF: '3', autoChangeover: 'no',
} // prettier-ignore

describe('numbers that the owner or a rule gives', () => {
  const inst = job('pennywort-close', { 'tstat.outdoorSource': 'feed', 'tstat.useAuxLockout': 'off' })
  const valueOf = (answers: Record<string, string>, at: string) =>
    recommend(seen(inst, { answers, plates: { tstat: { seenOnline: true } } })).find((r) => r.at === at)
      ?.value

  it('are what is recommended: the rule’s own temperature, the degrees of the offset, the filter’s months', () => {
    expect(valueOf({ utility: 'auxRule', utilityF: '38' }, 'tstat.auxLockout')).toBe(38)
    expect(valueOf({ thermometer: 'colder', offsetF: '2' }, 'tstat.displayOffset')).toBe(-2)
    expect(valueOf({ filterIn: '5' }, 'tstat.filterReminder')).toBe(9)
    expect(valueOf({ filterIn: '1' }, 'tstat.filterReminder')).toBe(3)
    expect(valueOf({ droopF: '4' }, 'tstat.droop')).toBe(4)
    expect(valueOf({ neverPrograms: 'yes', wake: '06:00', sleep: '22:00' }, 'tstat.schedule')).toBe('none')
  })
  it('are not made up: a direction without its degrees, a rule without its temperature, nonsense', () => {
    expect(valueOf({ thermometer: 'warmer' }, 'tstat.displayOffset')).toBeUndefined()
    expect(valueOf({ utility: 'auxRule' }, 'tstat.auxLockout')).toBeUndefined()
    expect(valueOf({ thermometer: 'warmer', offsetF: '90' }, 'tstat.displayOffset')).toBeUndefined()
    expect(valueOf({ droopF: 'lots' }, 'tstat.droop')).toBeUndefined()
  })
})

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
