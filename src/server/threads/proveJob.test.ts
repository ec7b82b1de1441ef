import type { Job } from '@/jobfile'
import { jobIds, readJson } from '../../../tests/helpers/demo'
import { proveJob } from './proveJob'

describe('what the server proves', () => {
  it.each(jobIds())('of %s reaches the browser as it is', (id) => {
    const doc = readJson<Job>(`demo/jobs/${id}.json`)
    const { summary, wiring } = proveJob({ doc, version: 7, engine: 'these rules' })
    expect(wiring?.solved).toBe(summary.states)
    expect(JSON.parse(JSON.stringify(wiring))).toEqual(wiring)
  })
})
