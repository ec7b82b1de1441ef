import * as G from '../../../tests/cases/gear'
import { compose } from '../../../tests/helpers/compose'
import { drawnFrom, faultsOf, gainsOf, pairOf, scoresOf, scoresOfPair } from '../../../tests/helpers/injector'
import { slipsOf } from '../../../tests/helpers/slips'
import { installationOf } from '@/jobfile'
import { Circuit } from '../circuit'

// Every fault of every job, and 20,000 pairs: npm run bench -- slips.
const job = (name: keyof typeof G) => installationOf(compose([...G[name]]))

describe('the first reason for a load that a fault stops', () => {
  it.each([
    ['ONE_STAGE', 5],
    ['TWO_STAGE', 37],
    ['B_UNIT', 23],
    ['OUTDOOR_THERMOSTAT', 23],
    ['SENSOR_FUEL', 23],
    ['STAGE_FUEL', 23],
    ['KIT_FUEL', 23],
    ['OIL', 17],
    ['PACKAGED', 11],
    ['LEAK', 23],
    ['BUS', 11],
    ['ZONES', 23],
    ['TWO_CIRCUITS', 37],
  ] as const)('names the conductor, setting, supply or part that is at fault: %s', (name, every) => {
    const inst = job(name)
    const right = new Circuit(inst)
    const scored = [...faultsOf(inst)]
      .filter((_, i) => i % every === 0)
      .flatMap((fault) => scoresOf(right, fault).map((s) => ({ what: fault.what, ...s })))
    expect(scored.length).toBeGreaterThan(20)
    expect(scored.filter((s) => s.score !== 'right')).toEqual([])
  })

  it.each(['TWO_STAGE', 'KIT_FUEL', 'LEAK'] as const)('names one of two, and the chain both: %s', (name) => {
    const inst = job(name)
    const right = new Circuit(inst)
    const slips = [...slipsOf(inst)]
    const draw = drawnFrom(7)
    const scored = Array.from({ length: 12 }, () => pairOf(slips, (s) => [...slipsOf(s.inst)], draw)).flatMap(
      (pair) => (pair ? scoresOfPair(right, pair).map((s) => ({ what: pair.what, ...s })) : []),
    )
    expect(scored.length).toBeGreaterThan(20)
    expect(scored.filter((s) => !s.isFirst || s.both === false)).toEqual([])
  })
})

it.each(['ONE_STAGE', 'STAGE_FUEL'] as const)(
  'the reason for a load that a slip turns on names the slip: %s',
  (name) => {
    const inst = job(name)
    const right = new Circuit(inst)
    const scored = [...slipsOf(inst)]
      .filter((_, i) => i % 13 === 0)
      .flatMap((slip) => gainsOf(right, slip).map((isNamed) => ({ what: slip.what, isNamed })))
    expect(scored.length).toBeGreaterThan(5)
    expect(scored.filter((s) => !s.isNamed)).toEqual([])
  },
)
