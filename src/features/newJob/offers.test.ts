import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { libraryDevice } from '../../../tests/helpers/demo'
import { graveFindings } from '../../../tests/helpers/grave'
import { installationOf } from '@/jobfile'
import { gearOf, jobOf, planOf, type Choices } from './gear'
import { offersFor } from './offers'

const library = readdirSync(join(__dirname, '../../../library')).map((f) =>
  libraryDevice(f.replace('.json', '')),
)
const STRIPS: Choices = {
  title: '',
  owner: '',
  thermostat: 'sorrel-h2',
  indoor: 'teasel-a3',
  kit: 'teasel-k2',
  outdoor: 'marram-s1',
  extras: [],
  newFromBox: true,
  wallConductors: 10,
  wallFeet: 40,
  outConductors: 10,
  outFeet: 40,
  landing: 'plan',
  practice: {},
}
const offered = (c: Choices) => {
  const gear = gearOf(library, c)!
  return offersFor(library, c, gear, planOf(gear, c))
}
const kindsFor = (c: Choices, lack: string) =>
  offered(c)
    .filter((o) => o.lack === lack)
    .flatMap((o) => o.devices.map((d) => d.kind))

describe('what a new job lacks', () => {
  it('offers the outdoor sensor to a thermostat that has terminals for one, until there is one', () => {
    expect(new Set(kindsFor(STRIPS, 'noOutdoorTemperature'))).toEqual(new Set(['outdoorSensor']))
    const sensor = library.find((d) => d.kind === 'outdoorSensor')!
    expect(offered({ ...STRIPS, extras: [sensor.id] }).map((o) => o.lack)).not.toContain(
      'noOutdoorTemperature',
    )
  })

  it.each([
    ['kitMissing', { indoor: 'brindle-g2', kit: '', practice: { fuel: 'kit' as const } }, 'fuelKit'],
    ['airMissing', { indoor: 'brindle-g2', kit: '', practice: { fuel: 'stage' as const } }, 'airThermostat'],
  ])('%s is given by what is offered, and by nothing that does not help', (lack, change, kind) => {
    const c = { ...STRIPS, ...change }
    const kinds = kindsFor(c, lack)
    if (!offered(c).some((o) => o.lack === lack)) throw new Error(`${lack} does not occur`)
    expect(new Set(kinds)).toEqual(new Set([kind]))
  })

  it('what is offered has been tried: with it the lack is gone, no other has come, and the landing is right', () => {
    const cs = [STRIPS, { ...STRIPS, indoor: 'brindle-g2', kit: '', practice: { fuel: 'kit' as const } }]
    for (const c of cs)
      for (const { lack, devices } of offered(c))
        for (const device of devices) {
          const more = { ...c, extras: [device.id] }
          const gear = gearOf(library, more)!
          const plan = planOf(gear, more)
          expect([lack, plan.unmet]).not.toEqual([lack, expect.arrayContaining([lack])])
          expect([device.id, graveFindings(installationOf(jobOf(gear, plan, more, '')))]).toEqual([
            device.id,
            [],
          ])
        }
  })
})
