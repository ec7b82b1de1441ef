import { demoInstallation } from '../../tests/helpers/demo'
import { failuresOf, singleFailures } from '@/core/failures'
import { planLanding, planned, compare, USUAL } from '@/core/plan'
import {
  unmetWords,
  differenceWords,
  effectWords,
  failureWords,
  landingCsv,
  planSentence,
  planSettingWords,
  whyWords,
} from '.'

const ids = [
  'quillfeather-lane',
  'pennywort-close',
  'tallow-mill',
  'lapwing-court',
  'osier-walk',
  'gorse-end',
  'dovecote-lane',
]

describe('the landing schedule as CSV', () => {
  const text = landingCsv(demoInstallation('quillfeather-lane'))
  const lines = text.trimEnd().split('\r\n')
  it('has a head and a line for each conductor, with ids that a program can follow', () => {
    expect(lines[0]).toBe('cable,colour,colour at the far end,from,to,from id,to id,note')
    expect(lines).toHaveLength(1 + 27)
    expect(lines).toContain('Thermostat cable,brown,brown,Thermostat E,Air handler W2,tstat.E,ah.W2,')
    expect(lines).toContain('Thermostat cable,black,black,,,,,')
  })
  it('quotes a comma', () => {
    const inst = demoInstallation('quillfeather-lane')
    inst.cables[0]!.label = 'Wall, upstairs'
    expect(landingCsv(inst)).toContain('"Wall, upstairs",red')
  })
})

describe('words for plans and failures', () => {
  it.each(ids)('of %s are sentences without a bare id or an undefined in them', (id) => {
    const inst = demoInstallation(id)
    const plan = planLanding(inst, USUAL)
    const goal = planned(inst, plan)
    const said = [
      planSentence(inst, plan),
      ...plan.unmet.map(unmetWords),
      ...plan.reasons.map((r) => whyWords(r.why)),
      ...plan.settings.map((s) => planSettingWords(inst, s)),
      ...compare(inst, goal).map((d) => differenceWords(inst, goal, d)),
      ...failuresOf(inst).map((f) => failureWords(inst, f)),
    ]
    for (const s of said) {
      expect(s).not.toMatch(/undefined|null|\[object/)
      expect(s).not.toMatch(/\b(tstat|ah|od|kit|fur|odt)\.\w/)
      expect(s.length).toBeGreaterThan(5)
    }
  })
  it('says what a failure does, and where', () => {
    const inst = demoInstallation('quillfeather-lane')
    const said = singleFailures(inst).map((e) => `${failureWords(inst, e.failure)}. ${effectWords(inst, e)}`)
    expect(said).toContain(
      'Strip kit: Row 1 sequencer contact does not open. Breaks: strips never heat without the blower. Off at 45 °F, everything normal',
    )
    expect(said.some((s) => s.startsWith('Air handler: 24 V fuse blown. No heat from anything: '))).toBe(true)
  })
})
