import { readJson } from '../../tests/helpers/demo'
import { settingValue } from '@/core/installation'
import { onDevice, jobSeen, type Job } from '.'

const by = { who: 'Wren Hollis', when: '2026-11-24T10:00:00.000Z' }
const demo = (): Job => readJson<Job>('demo/jobs/pennywort-close.json')
/** The same job with nothing noted yet of any device, but for what the test notes. */
const noted = (
  keyed: Job['setup']['keyed'],
  interview: Record<string, string> = {},
  plates: Job['commissioning']['plates'] = {},
): Job => {
  const job = demo()
  return { ...job, setup: { ...job.setup, keyed, interview }, commissioning: { plates, air: {} } }
}
const NEW = { tstat: { newFromBox: true } }
const stat = (job: Job) => job.placed.find((p) => p.ref === 'tstat')!
const device = (job: Job) => ({ ...stat(job), device: job.devices[stat(job).device]! })
const droop = (job: Job) => onDevice(job, device(job)).droop
const wanted = Number(settingValue(device(demo()), 'droop'))

describe('what stands on a device', () => {
  it('the job wants a number there', () => expect(wanted).toBeGreaterThanOrEqual(0))

  it('is not known of a device that nobody has looked at', () => {
    expect(onDevice(noted({}), device(demo()) as never)).toEqual({})
  })

  it('is the makers’ own where it is new from its box', () => {
    const job = noted({}, {}, NEW)
    const settings = job.devices[stat(job).device]!.settings
    expect(onDevice(job, device(job) as never)).toEqual(Object.fromEntries(settings.map((s) => [s.id, s.id === 'together' ? 'yes' : s.default])))
  }) // prettier-ignore

  it('is what was found, box or not', () => {
    const keyed = { 'tstat.droop': { found: { value: wanted + 1, ...by } } }
    expect(droop(noted(keyed))).toBe(wanted + 1)
    expect(droop(noted(keyed, {}, NEW))).toBe(wanted + 1)
  })

  it('is what was left today once something else is wanted; till then the line keeps what it started from', () => {
    const found = { value: wanted + 1, ...by }
    // Left as wanted: the line stays on the sheet, ticked, from the value that was found.
    expect(droop(noted({ 'tstat.droop': { found, left: { value: wanted, ...by } } }))).toBe(wanted + 1)
    // Wanted otherwise since: the next change starts from what was left.
    expect(droop(noted({ 'tstat.droop': { found, left: { value: wanted + 2, ...by } } }))).toBe(wanted + 2)
  })

  it('contradictions are looked for with the owner’s answers, and know whether the start-up was run', () => {
    const job = noted({}, { frail: 'yes' })
    expect(jobSeen({ ...job, readings: [] })).toMatchObject({ answers: { frail: 'yes' }, tested: false })
    expect(jobSeen(readJson<Job>('demo/jobs/quillfeather-lane.json')).tested).toBe(true)
  })
})
