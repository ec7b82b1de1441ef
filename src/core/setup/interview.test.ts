import { demoInstallation } from '../../../tests/helpers/demo'
import { makeRef, UNKNOWN_SITE, type Installation, type JobSeen, type Site } from '../installation'
import { STRATEGIES } from '../crossing'
import { QUESTIONS, questionsFor, recommend } from '.'

const tallow = demoInstallation('tallow-mill')
const seen = (
  inst: Installation,
  answers: Record<string, string> = {},
  site: Partial<Site> = {},
): JobSeen => ({
  ...UNKNOWN_SITE,
  answers,
  ...site,
  inst,
})
/** A house on gas with its prices and the ratings of its unit. */
const PRICED: Partial<Site> = {
  answers: { fuel: 'gas' },
  prices: { kwh: 0.14, fuel: 1.1 },
  plates: {
    od: {
      ratings: [
        { stage: 'rated', outdoorF: 47, cop: 3.6 },
        { stage: 'rated', outdoorF: 17, cop: 2.2 },
      ],
    },
  },
}
const valueOf = (list: ReturnType<typeof recommend>, at: string) => list.find((r) => r.at === at)?.value

describe('the interview', () => {
  it('recommends the break-even changeover only where the prices and the ratings are known', () => {
    // With the furnace's electricity the COP to reach is 3.3427. The unit has, with 2.882 kW at 47 °F and 2.904 at 17 and less
    // for frost, 3.315 at 43 °F and 3.385 at 44: 43.4.
    expect(valueOf(recommend(seen(tallow, {}, PRICED), 'breakEven'), 'tstat.changeover')).toBe(43)
    expect(
      valueOf(
        recommend(seen(tallow, {}, { ...PRICED, prices: { kwh: 0.14 } }), 'breakEven'),
        'tstat.changeover',
      ),
    ).toBeUndefined()
  })

  it('speaks for nothing that no answer and no gear speaks for', () => {
    const plain = recommend(seen(tallow))
    expect(plain.every((r) => r.why.startsWith('gear.'))).toBe(true)
    // A furnace: dual fuel, never both at once, in the valve's own sense.
    expect(valueOf(plain, 'tstat.system')).toBe('dualFuel')
    expect(valueOf(plain, 'tstat.together')).toBe('no')
    // "Don't know" is an answer that decides nothing.
    const unknown = Object.fromEntries(Object.keys(QUESTIONS).map((q) => [q, 'unknown']))
    expect(recommend(seen(tallow, unknown))).toEqual(plain)
  })

  it('the person stands over the gear, the school over both', () => {
    const at = makeRef('tstat', 'changeover')
    expect(valueOf(recommend(seen(tallow, { coldAir: 'yes' })), at)).toBe(40)
    expect(valueOf(recommend(seen(tallow, { coldAir: 'yes' }), 'fixedLine'), at)).toBe(32)
  })

  it.each(STRATEGIES)('%s changes a group of settings on some job of the demo', (school) => {
    const jobs = ['tallow-mill', 'pennywort-close', 'gorse-end']
    const by = jobs.flatMap((j) =>
      recommend(seen(demoInstallation(j), {}, PRICED), school).filter((r) => r.why === `school.${school}`),
    )
    expect(by.length).toBeGreaterThan(0)
    expect(by.every((r) => r.differs)).toBe(true)
  })

  it('asks of climate, zones and complaints only where an inverter’s board has something for them', () => {
    const inverter = demoInstallation('copper-alley')
    const about = (inst: Installation) =>
      questionsFor(inst).filter((q) => ['climate', 'zoned', 'complaint'].includes(q))
    expect([about(inverter), about(tallow)]).toEqual([['climate', 'zoned', 'complaint'], []])
    const defrost = (answers: Record<string, string>) => {
      const list = recommend(seen(inverter, answers))
      return ['od.earlyDefrost', 'od.longDefrost', 'od.boost'].map((at) => valueOf(list, at))
    }
    expect(defrost({})).toEqual(['off', 'off', 'auto'])
    expect(defrost({ climate: 'humidCool' })).toEqual(['on', 'on', 'auto'])
    expect(defrost({ climate: 'other', complaint: 'weakHeat' })).toEqual(['off', 'off', 'on'])
  })

  it('hours out of the house make a schedule of four periods', () => {
    const list = recommend(
      seen(demoInstallation('pennywort-close'), {
        wake: '06:00',
        leave: '07:30',
        back: '17:00',
        sleep: '22:00',
      }),
    )
    expect(valueOf(list, 'tstat.schedule')).toBe('52')
    expect(valueOf(list, 'tstat.periods')).toBe('4')
    expect(
      valueOf(
        recommend(seen(demoInstallation('pennywort-close'), { wake: '06:00', sleep: '22:00' })),
        'tstat.periods',
      ),
    ).toBe('2')
  })
})
