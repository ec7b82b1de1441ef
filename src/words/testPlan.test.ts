import { Circuit } from '@/core/circuit'
import { testPlan, type TestStep } from '@/core/startup'
import { degF } from '@/core/units'
import { demoInstallation, jobIds } from '../../tests/helpers/demo'
import { cardTitle, runSentence, stepWords, todayWords } from '.'

const inst = demoInstallation('tallow-mill')

describe('a test run in words', () => {
  it('every card of every demo job has a title of its own and steps that end with a full stop', () => {
    for (const id of jobIds())
      for (const t of [20, 55, 80]) {
        const own = demoInstallation(id)
        const plan = testPlan(new Circuit(own), degF(t))
        const titles = plan.map((c) => cardTitle(own, c))
        expect(new Set(titles).size).toBe(titles.length)
        for (const c of plan)
          for (const s of c.steps) expect(stepWords(own, s)).toMatch(/^[A-Z].*[.:]$|^Or by/)
      }
  })

  it.each<[TestStep, string]>([
    [{ kind: 'setpoint', way: 'lower', byF: 1, limit: null }, 'Lower the setpoint to 1 °F below the room.'],
    [
      { kind: 'resistor', at: 'sen.', forF: 30, ohms: 34_180 },
      'In place of the outdoor sensor (one lead lifted, and listed) a resistor of about 34,200 Ω: it stands for 30 °F.',
    ],
    [
      { kind: 'warmBath', at: 'sen.', forF: 42 },
      'Hold the bulb of the outdoor sensor in a cup of water at 42 °F or a little more, with a thermometer beside it: it stands for a warm day.',
    ],
    [
      { kind: 'crankcase', at: 'od.', hours: 12 },
      'Before the first start: 12 h of power on the crankcase heater of the outdoor unit.',
    ],
    [{ kind: 'crankcase', at: 'od.', hours: null }, 'Before the first start: give the crankcase heater of the outdoor unit, where it has one, power for as long as its maker says.'],
    [{ kind: 'compareSensor', at: 'sen.' }, 'Hold a thermometer beside the outdoor sensor, in the shade, and compare.'],
    // A feed’s temperature is that of the air outdoors, and not of the wall that the thermostat hangs on.
    [{ kind: 'compareSensor', at: 'tstat.' }, 'Hold a thermometer outdoors, in the shade. Compare it with the outdoor temperature that the thermostat shows.'],
    // 60 min, 72 times faster: 3,600 / 72 = 50 s.
    [
      { kind: 'forceDefrost', speedUp: 72, minutes: 60 },
      'Hold the speed-up pins together: 60 min become 50 s. Let go when the defrost begins. The outdoor fan stops, the valve shifts, and the board sends 24 V on W where it is landed.',
    ],
    [{ kind: 'forceDefrost', speedUp: null, minutes: 60 }, 'Force a defrost as the maker says. Let go when the defrost begins. The outdoor fan stops, the valve shifts, and the board sends 24 V on W where it is landed.'],
  ])('%j', (step, words) => expect(stepWords(inst, step)).toBe(words)) // prettier-ignore

  it('why a card waits', () => {
    expect(todayWords(inst, { can: true, brief: false })).toBeNull()
    expect(todayWords(inst, { can: true, brief: true })).toContain('three minutes')
    expect(todayWords(inst, { can: false, why: 'tooWarm', untilF: 40 })).toContain('below 40 °F')
    expect(todayWords(inst, { can: false, why: 'settingUnknown', at: 'tstat.changeover' })).toContain(
      'not known',
    )
    expect(todayWords(inst, { can: false, why: 'heldOff' })).toContain('held off')
  })

  it('where it stands, for a list', () => {
    const run = { cards: 9, done: 8, failed: 0, open: 0, waiting: 0, belowF: null, aboveF: null }
    expect(runSentence(run)).toBe('Test run done')
    expect(runSentence({ ...run, open: 1 })).toBe('Test run: 8 of 9 done')
    expect(runSentence({ ...run, failed: 2, open: 1 })).toBe('Test run: 2 of 9 failed')
    expect(runSentence({ ...run, waiting: 2, belowF: 40, aboveF: 60 })).toBe(
      'Test run waits for weather below 40 °F and above 60 °F',
    )
    expect(runSentence({ ...run, waiting: 1 })).toBe('Test run waits for other weather')
  })
})
