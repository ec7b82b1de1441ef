import { readJson as readFile } from '../../tests/helpers/demo'
import { formatDevice, formatJob, parseDevice, parseJob, parseShop, shopText, type Job } from '.'
import { readFileSync } from 'node:fs'

const job = (id: string): Job => ({ ...readFile<Job>('demo/jobs/osier-walk.json'), id })
const device = parseDevice(readFileSync('library/sedge-t50.json', 'utf8'))
const textOf = (jobs: Job[], devices: string[] = []) => [...shopText(jobs.map(formatJob), devices)].join('')
const places = (text: string) => {
  const parsed = parseShop(text)
  return parsed.ok ? [] : parsed.problems.map((p) => p.path)
}

describe('the file of a whole shop', () => {
  it('is read back as it was written, empty or full', () => {
    const own = device.ok ? [formatDevice(device.value)] : []
    const parsed = parseShop(textOf([job('one'), job('two')], own))
    expect(parsed).toMatchObject({ ok: true, value: { jobs: [{ id: 'one' }, { id: 'two' }] } })
    const whole = parseJob(formatJob(job('one')))
    expect(parsed.ok && whole.ok && parsed.value.jobs[0]).toEqual(whole.ok && whole.value)
    expect(parsed.ok && parsed.value.devices).toEqual(device.ok ? [device.value] : [])
    expect(parseShop(textOf([]))).toMatchObject({ ok: true, value: { jobs: [], devices: [] } })
  })

  it.each([
    ['another file', '{"format":"gatecross.job"}', ['format']],
    ['one of a later Gate Cross', '{"format":"gatecross.shop","version":2,"jobs":[],"devices":[]}', ['version']],
    ['a field that is none', '{"format":"gatecross.shop","version":1,"jobs":[],"devices":[],"more":1}', ['']],
    ['no list of jobs', '{"format":"gatecross.shop","version":1,"devices":[]}', ['jobs']],
    ['a device that is none', '{"format":"gatecross.shop","version":1,"jobs":[],"devices":[7]}', ['devices[0].format']],
  ])('%s is refused at its place', (_, text, expected) => expect(places(text)).toEqual(expected)) // prettier-ignore

  it('a job that is wrong is named by where it stands, and no more than twenty places are', () => {
    expect(places(textOf([job('one'), { ...job('two'), title: 7 as never }]))).toEqual(['jobs[1].title'])
    const wrong = Array.from({ length: 50 }, (_, i) => ({ ...job(`j${i}`), title: 7 as never }))
    expect(places(textOf(wrong))).toHaveLength(20)
  })
})
