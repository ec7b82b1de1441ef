import { Circuit } from '@/core/circuit'
import { crossingOf } from '@/core/crossing'
import { noSums, sceneInput, scenesOf, SCENES, simulate, type Against, type Sums } from '@/core/simulation'
import { demoSeen } from '../../tests/helpers/seen'
import { jobIds } from '../../tests/helpers/demo'
import type { OutsideEvent } from '@/core/time'
import {
  countWords,
  demandWords,
  differenceSentence,
  elapsed,
  eventSentence,
  variationWords,
  SCENE_WORDS,
  winterSentences,
} from '.'

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
    // Nobody has looked at it: it is not said as if somebody had.
    expect(demandWords({ why: 'droop', offF: 3, droopF: 1, taken: true }, 'heatAux1')).toBe(
      'the room is 3 °F below its setpoint: its droop is not known, and 1 °F, which is usual, is passed',
    )
    expect(elapsed(3725)).toBe('1:02:05')
    expect(Object.keys(SCENE_WORDS).sort()).toEqual([...SCENES].sort())
  })

  it('a winter: what it took, what backup ran for, the coldest room', () => {
    const sums: Sums = {
      ...noSums(),
      heatPumpKwh: 5000, stripKwh: 1000, blowerKwh: 400, compressorHours: 2100, starts: 3200, shortestOff: 300,
      defrosts: 120, defrostsByTime: 3, mostFrostLb: 4.25, coldestF: 66.4, coldestAt: 69 * 86_400 + 7 * 3600, belowHours: 12.4, wakingHours: 45, wakingStarts: 405,
      backupHours: { droop: 90, upstage: 0, recovery: 0, defrost: 30.4, emergency: 0, lockedOut: 0, uncalled: 0.2 },
    } // prettier-ignore
    const against: Against[] = [{ code: 'recoveryWithBackup', kwh: 310 }]
    expect(winterSentences({ sums, cost: 896, ended: 'until', year: null }, against, '$')).toEqual([
      '180 days from November: 6,400 kWh, $896.',
      'Heat pump 5,000 kWh in 2,100 h; strips 1,000 kWh; blower 400 kWh.',
      'Backup ran 121 h: 90 h the room fell past the droop; 30 h defrosts.',
      '3,200 starts, at the shortest 5 min after it had stopped.',
      '120 defrosts, 3 of them ended by the board’s time; at the most 4.3 lb of frost.',
      'Coldest room 66.4 °F, on day 70 at 07:00; 12 h more than 1 °F below the setpoint.',
      // 45 h of 180 days are 15 min a day; 405 starts are 2¼.
      'In the two hours before six in the morning the blower ran 15 min a day, with 2.3 starts.',
      'With a setback by night, early recovery with backup allowed costs 310 kWh more than with the heat pump alone.',
    ])
    // 6,400 beside 6,100: strips 300 more; heat pump and blower within a hundredth of it. 26,670 kWh of the heat
    // pump less 1,000 of defrosts, 1,000 of strips and 400 of blower are 27,070 kWh of heat; 26,000 were calculated.
    const seen = demoSeen('quillfeather-lane')
    const { year } = crossingOf(seen, new Circuit(seen.inst))
    const run = { ...sums, heatPumpBtu: 25_670 * 3412 + 1000 * 3412, defrostBtu: 1000 * 3412 }
    const same = {
      ...year!,
      kwh: 6100,
      stripKwh: 700,
      heatPumpKwh: 5010,
      blowerKwh: 390,
      fuel: 0,
      heatPumpHeat: 25_000 * 3412,
      stripHeat: 1000 * 3412,
      furnaceHeat: 0,
    }
    expect(winterSentences({ sums: run, cost: null, ended: 'until', year: same }, [], '')).toContain(
      'Balance calculates 6,100 kWh for the same days, 700 kWh of it strips. The run has 300 kWh more for strips. It counts 1,070 kWh more heat into the house and 1,000 kWh of heat taken back by defrosts.',
    )
    expect(winterSentences({ sums, cost: null, ended: 'chatter', year: null }, [], '')).toEqual([
      'The winter cannot be run: the circuit comes to no rest.',
    ])
  })

  it('a change: what it comes to, and nothing that rounds to nothing', () => {
    const as = {
      ...noSums(),
      heatPumpKwh: 50,
      stripKwh: 4,
      stripHours: 0.5,
      starts: 12,
      defrosts: 3,
      belowHours: 1,
      wakingHours: 1,
      wakingStarts: 2,
    }
    const other = {
      ...as,
      stripKwh: 2.8,
      stripHours: 0.25,
      fuelBtu: 12_400,
      starts: 11,
      defrosts: 4,
      belowHours: 1.5,
      wakingHours: 1.5,
      wakingStarts: 4,
    }
    expect(differenceSentence(as, other)).toBe(
      'With the change: 1.2 kWh less, 12 thousand BTU more of fuel, 15 min less of backup, 1 start less, the room more than 1 °F too cool for 30 min more, in the two hours before waking 30 min more of blower and 2 starts more, 1 defrost more.',
    )
    expect(differenceSentence(as, { ...as, wakingStarts: 1 })).toBe(
      'With the change: in the two hours before waking 1 start less.',
    )
    expect(differenceSentence(as, { ...as, heatPumpKwh: 50.04 })).toBe('The change makes no difference here.')
  })

  it('what somebody does in a scene, what goes wrong there, and what fills', () => {
    const { inst } = demoSeen('quillfeather-lane')
    const said = (event: OutsideEvent) => eventSentence(inst, { at: 0, moves: [{ kind: 'outside', event }] })
    expect(said({ at: 0, device: 'od', faster: 90 })).toBe(
      'Hold the speed-up pins of Outdoor unit together: its interval runs 90 times faster.',
    )
    expect(said({ at: 0, device: 'od', faster: 1 })).toBe('Let the speed-up pins of Outdoor unit go.')
    expect(said({ at: 0, site: 'lowCharge' })).toBe('From now on: low on charge.')
    expect(said({ at: 0, site: 'none' })).toBe('The fault is put right.')
    const curve = { mode: 'od.board' as const, from: 'normal', to: 'defrost', after: 3600, points: [] }
    expect(countWords(inst, curve)).toBe('1 h to defrosting')
    expect(variationWords(inst, { kind: 'cold' })).toBe('Defrosts cold: no backup in them')
    expect(variationWords(inst, { kind: 'fault', fault: 'lowCharge' })).toBe('Fault: low on charge')
  })
})
