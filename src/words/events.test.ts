import { Circuit } from '@/core/circuit'
import { crossingOf } from '@/core/crossing'
import { noSums, sceneInput, scenesOf, SCENES, simulate, type Against, type Sums } from '@/core/simulation'
import { demoSeen } from '../../tests/helpers/seen'
import { jobIds } from '../../tests/helpers/demo'
import { demandWords, elapsed, eventSentence, SCENE_WORDS, winterSentences } from '.'

describe('what happens in time, in words', () => {
  it('is a sentence for each event of every scene of every demo job', () => {
    for (const id of jobIds()) {
      const seen = demoSeen(id)
      const circuit = new Circuit(seen.inst)
      for (const scene of scenesOf(seen.inst))
        for (const step of simulate(circuit, seen, sceneInput(seen, scene, { until: 2400 })).steps)
          if (step.moves.length) expect(eventSentence(seen.inst, step)).toMatch(/^[A-Z].*\.$/)
    }
  })

  it('says why more is called, or less', () => {
    expect(demandWords({ why: 'differential', offF: 0.52 }, 'heat1')).toBe(
      'the room is 0.5 °F below its setpoint',
    )
    expect(demandWords({ why: 'differential', offF: 2 }, 'cool1')).toBe('the room is 2 °F above its setpoint')
    expect(demandWords({ why: 'upstage', seconds: 1800 }, 'heatAux1')).toBe(
      'the heat pump ran 30 min without catching up',
    )
    expect(demandWords({ why: 'droop', offF: 3, droopF: 2 }, 'heatAux1')).toBe(
      'the room is 3 °F below its setpoint: the droop of 2 °F is passed',
    )
    expect(elapsed(3725)).toBe('1:02:05')
    expect(Object.keys(SCENE_WORDS).sort()).toEqual([...SCENES].sort())
  })

  it('a winter: what it took, what backup ran for, the coldest room', () => {
    const sums: Sums = {
      ...noSums(),
      heatPumpKwh: 5000, stripKwh: 1000, blowerKwh: 400, compressorHours: 2100, starts: 3200, shortestOff: 300,
      defrosts: 120, defrostsByTime: 3, mostFrostLb: 4.25, coldestF: 66.4, coldestAt: 69 * 86_400 + 7 * 3600, belowHours: 12.4,
      backupHours: { droop: 90, upstage: 0, recovery: 0, defrost: 30.4, emergency: 0, lockedOut: 0.2 },
    } // prettier-ignore
    const against: Against[] = [{ code: 'recoveryWithBackup', kwh: 310 }]
    expect(winterSentences({ sums, cost: 896, ended: 'until', year: null }, against, '$')).toEqual([
      '180 days from November: 6,400 kWh, $896.',
      'Heat pump 5,000 kWh in 2,100 h; strips 1,000 kWh; blower 400 kWh.',
      'Backup ran 121 h: 90 h the room fell past the droop; 30 h defrosts.',
      '3,200 starts, at the shortest 5 min after it had stopped.',
      '120 defrosts, 3 of them ended by the board’s time; at the most 4.3 lb of frost.',
      'Coldest room 66.4 °F, on day 70 at 07:00; 12 h more than 1 °F below the setpoint.',
      'With a setback by night, early recovery with backup allowed costs 310 kWh more than with the heat pump alone.',
    ])
    // 6,400 beside 6,100: strips 300 more; heat pump and blower within a hundredth of it.
    const seen = demoSeen('quillfeather-lane')
    const { year } = crossingOf(seen, new Circuit(seen.inst))
    const same = { ...year!, kwh: 6100, stripKwh: 700, heatPumpKwh: 5010, blowerKwh: 390, fuel: 0 }
    expect(winterSentences({ sums, cost: null, ended: 'until', year: same }, [], '')).toContain(
      'Crossing’s sums for the same days: 6,100 kWh, 700 of them strips. The run: 300 kWh more of strips: the droop, defrosts and slow sequencers bring them where the sums need none.',
    )
    expect(winterSentences({ sums, cost: null, ended: 'chatter', year: null }, [], '')).toEqual([
      'The winter cannot be run: the circuit comes to no rest.',
    ])
  })
})
