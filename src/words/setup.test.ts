import { UNKNOWN_SITE } from '@/core/installation'
import { INTENTS } from '@/core/equipment'
import { STRATEGIES } from '@/core/crossing'
import { INTENTS_BY_GROUP, QUESTIONS, recommend } from '@/core/setup'
import { demoInstallation, libraryDevice } from '../../tests/helpers/demo'
import {
  conflictsSentence,
  findingWords,
  inertWords,
  INTENT_WORDS,
  ownerSentence,
  QUESTION_WORDS,
  STRATEGY_WORDS,
  settingText,
  whyRecommended,
} from '.'

describe('words of the setup', () => {
  it('every intent has a name and is in one group, or is a matter of the plate', () => {
    const grouped = Object.values(INTENTS_BY_GROUP).flat()
    expect(new Set(grouped).size).toBe(grouped.length)
    const plate = INTENTS.filter((i) => !grouped.includes(i))
    expect([...plate].sort()).toEqual(['airPosition', 'coil', 'fuel', 'gasSwitch'])
    for (const i of INTENTS) expect(INTENT_WORDS[i].does.length).toBeGreaterThan(5)
  })

  it('every question and school is worded, and every reason of a recommendation', () => {
    for (const [q, answers] of Object.entries(QUESTIONS))
      expect(Object.keys(QUESTION_WORDS[q as keyof typeof QUESTIONS].answers)).toEqual([...answers])
    expect(Object.keys(STRATEGY_WORDS)).toEqual([...STRATEGIES])
    const answers = {
      priority: 'bills', noise: 'yes', coldAir: 'yes', whoChanges: 'tenants', scale: 'C', thermometer: 'warmer',
      utility: 'auxRule', rate: 'timeOfUse', frail: 'yes',
    } // prettier-ignore
    for (const job of ['pennywort-close', 'tallow-mill', 'gorse-end', 'ferrous-hill'])
      for (const r of recommend({ ...UNKNOWN_SITE, inst: demoInstallation(job), answers }, 'runAlways'))
        expect(whyRecommended(r.why)).not.toMatch(/^(gear|answer|school)\./)
  })

  it('says that nothing contradicts only where everything is known', () => {
    expect(conflictsSentence(0, 0)).toBe('Gear, wiring and settings do not contradict each other.')
    expect(conflictsSentence(0, 1)).toMatch(/^1 setting is not known yet\. What is known .* does not/)
    expect(conflictsSentence(0, 19)).toMatch(/^19 settings are not known yet\./)
    expect(conflictsSentence(1, 19)).toBe('One contradiction between gear, wiring and settings.')
    expect(conflictsSentence(2, 0)).toBe('2 contradictions between gear, wiring and settings.')
  })

  it('says of a setting, or of one option, that nothing is worked out of it', () => {
    const of = (id: string) => libraryDevice('sorrel-h2').settings.find((s) => s.id === id)!
    expect(inertWords(of('scale'), 'F')).toBe("Gate Cross doesn't model this. It changes the display only.")
    expect(inertWords(of('keypadLock'), 'partial')).toMatch(/^Gate Cross doesn't model this\. The start-up/)
    expect([inertWords(of('keypadLock'), 'full'), inertWords(of('droop'), 2)]).toEqual([null, null])
  })

  it('says numbers with their units', () => {
    const droop = libraryDevice('sorrel-h2').settings.find((s) => s.id === 'droop')!
    expect(settingText(droop, 3)).toBe('3 °F')
    expect(settingText(droop, null)).toBe('not known')
    expect(ownerSentence('droop', droop, 3)).toBe(
      'Backup heat helps only when the room is 3 °F below what you set: cheaper, and a little less steady.',
    )
    expect(
      findingWords(demoInstallation('pennywort-close'), {
        code: 'heatGap',
        at: 'tstat.auxLockout',
        numbers: [30, 40],
      }),
    ).toBe('No heat between 30 and 40 °F outside: backup is held off above 30, the compressor below 40')
  })
})
