import * as GEAR from '../../tests/cases/gear'
import { compose } from '../../tests/helpers/compose'
import { behaviourOf, slipsOf, strayReasons, unseenBy } from '../../tests/helpers/slips'
import { installationOf } from '@/jobfile'

// Every slip of every gear: npm run bench -- slips.
describe('a single slip of the hand', () => {
  it('that changes what runs is found: each conductor of a one-stage job left off, moved or crossed with another', () => {
    const right = installationOf(compose(GEAR.ONE_STAGE))
    const good = behaviourOf(right)
    const slips = [...slipsOf(right)]
    // Twenty low-voltage conductors, the kit's harness among them.
    expect(slips.length).toBeGreaterThan(250)
    const missed = slips.flatMap(({ what, inst }) => unseenBy(inst, good).map((line) => `${what}: ${line}`))
    expect(missed).toEqual([])
  })
})

describe('what a mode or the weather stops', () => {
  it.each([
    'ONE_STAGE', 'TWO_STAGE_SENSOR', 'SENSOR_FUEL', 'STAGE_FUEL', 'KIT_FUEL', 'OUTDOOR_THERMOSTAT', 'FLOAT', 'LEAK', 'ZONES',
    'PACKAGED', 'PACKAGED_FUEL', 'OIL', 'BUS', 'TWO_CIRCUITS', 'PLAIN',
  ] as const)('is said to be stopped by it: %s', (name) => {
    expect(strayReasons(installationOf(compose(GEAR[name])))).toEqual([])
  }) // prettier-ignore
})
