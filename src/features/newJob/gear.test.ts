import { hasTrait } from '@/core/equipment'
import { graveFindings } from '../../../tests/helpers/grave'
import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { libraryDevice } from '../../../tests/helpers/demo'
import { checkJob, installationOf } from '@/jobfile'
import { gearOf, isPackaged, jobOf, planOf, type Choices } from './gear'

const library = readdirSync(join(__dirname, '../../../library')).map((f) =>
  libraryDevice(f.replace('.json', '')),
)
const choices = (more: Partial<Choices> = {}): Choices => ({
  title: 'New Street 4',
  owner: 'Nobody',
  thermostat: 'sorrel-h1',
  indoor: 'teasel-a3',
  kit: 'teasel-k2',
  outdoor: 'marram-s1',
  extras: [],
  newFromBox: true,
  wallConductors: 8,
  wallFeet: 40,
  outConductors: 8,
  outFeet: 40,
  landing: 'plan',
  practice: {},
  ...more,
})
const made = (c: Choices) => {
  const gear = gearOf(library, c)!
  return jobOf(gear, planOf(gear, c), c, 'Wren')
}

describe('a new job', () => {
  it('waits until everything it needs is chosen', () => {
    for (const missing of ['thermostat', 'indoor', 'outdoor'] as const)
      expect(gearOf(library, choices({ [missing]: '' }))).toBeNull()
    expect(gearOf(library, choices({ kit: '' }))).not.toBeNull()
  })

  it('is a right file, landed by the plan and proven', () => {
    const job = made(choices({ extras: ['sedge-t50'] }))
    const checked = checkJob(job)
    expect(checked.ok ? [] : checked.problems).toEqual([])
    expect(job).toMatchObject({ id: 'new-street-4', title: 'New Street 4', technician: 'Wren', readings: [] })
    expect(graveFindings(installationOf(job))).toEqual([])
    expect(job.wires.some((w) => w.a === 'odt.T1' || w.b === 'odt.T1')).toBe(true)
  })

  it('is left bare for what is found, when that is asked', () => {
    const job = made(choices({ landing: 'bare' }))
    const low = new Set(job.cables.filter((c) => c.kind === 'low').map((c) => c.id))
    expect(job.wires.filter((w) => w.cable && low.has(w.cable)).every((w) => !w.a && !w.b)).toBe(true)
  })

  it('asks nothing indoors of a packaged unit', () => {
    expect(isPackaged(library, 'marram-p4')).toBe(true)
    const gear = gearOf(library, choices({ outdoor: 'marram-p4', indoor: '' }))!
    expect(gear.placed.map((p) => p.device.kind)).toEqual(['thermostat', 'packagedUnit', 'feed'])
    expect(graveFindings(installationOf(made(choices({ outdoor: 'marram-p4', indoor: '' }))))).toEqual([])
  })

  it('numbers parts of one kind, and gives a job without a name one', () => {
    const gear = gearOf(library, choices({ extras: ['sedge-t50', 'sedge-t60'] }))!
    expect(gear.placed.map((p) => p.ref)).toEqual(expect.arrayContaining(['odt', 'odt2']))
    expect(made(choices({ title: '  ' }))).toMatchObject({ id: 'job', title: 'New job' })
  })

  it('offers every loose part of the library and nothing that has a place of its own', () => {
    const kinds = library.filter((d) => hasTrait(d, 'optional')).map((d) => d.kind)
    expect(kinds).toContain('relay')
    for (const own of ['thermostat', 'airHandler', 'furnace', 'stripKit', 'outdoorUnit', 'feed', 'splice'])
      expect(kinds).not.toContain(own)
  })
})
