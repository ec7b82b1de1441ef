import { readFileSync } from 'node:fs'
import {
  apply,
  JobAnalysis,
  judgedReadings,
  parseJob,
  proofOf,
  verdictOf,
  wrongReadings,
  type Job,
  type Operation,
} from '.'

const demo = (id: string): Job => {
  const read = parseJob(readFileSync(`demo/jobs/${id}.json`, 'utf8'))
  if (!read.ok) throw new Error(id)
  return read.value
}
const after = (job: Job, op: Operation): Job => {
  const done = apply(job, op)
  if (!done.ok) throw new Error(JSON.stringify(done.problems))
  return done.value
}

describe('the analysis of a revision', () => {
  const job = demo('quillfeather-lane')
  const analysis = new JobAnalysis(job)

  it('is one object for a document, and works each thing out once', () => {
    expect(analysis.next(job)).toBe(analysis)
    expect(analysis.circuit).toBe(analysis.circuit)
    expect(analysis.seen).toBe(analysis.seen)
    expect(proofOf(analysis)).toBe(proofOf(analysis))
    const [first] = judgedReadings(analysis)
    expect(verdictOf(analysis, first!.reading)).toBe(first!.verdict)
  })

  it('a note keeps the wiring’s circuit; a wire that is moved makes another', () => {
    const noted = analysis.next(after(job, { kind: 'setField', field: 'note', value: 'Gate code 4' }))
    expect(noted).not.toBe(analysis)
    expect([noted.wiring === analysis.wiring, noted.circuit === analysis.circuit]).toEqual([true, true])
    const wire = job.wires.find(
      (w) => w.a === 'tstat.Y1' || w.b === 'tstat.Y1' || w.a === 'tstat.Y' || w.b === 'tstat.Y',
    )
    const moved = noted.next(after(noted.job, { kind: 'removeWire', wire: wire!.id }))
    expect(moved.circuit).not.toBe(analysis.circuit)
    // The revision before is as it was.
    expect(analysis.job).toBe(job)
    expect(proofOf(moved).findings.length).toBeGreaterThan(proofOf(analysis).findings.length)
  })

  it('a reading of another revision is judged by that revision', () => {
    const wrongBefore = wrongReadings(analysis).length
    const reading = {
      ...judgedReadings(analysis)[0]!.reading,
      id: 'r-new',
      kind: 'controlVolts' as const,
      value: 11,
      place: 'terminals' as const,
      at: 'ah.R' as const,
      withBlower: null,
      supersedes: null,
    }
    const next = analysis.next(after(job, { kind: 'takeReading', reading }))
    expect(wrongReadings(next)).toHaveLength(wrongBefore + 1)
    expect(wrongReadings(analysis)).toHaveLength(wrongBefore)
  })
})
