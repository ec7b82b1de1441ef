import { Analysis } from '@/core/analysis'
import { withSite } from '@/core/rules'
import { judge, runStanding, standing } from '@/core/startup'
import { installationOf, jobSeen, storedJob, type Summary } from '@/jobfile'
import { proofSentence } from '@/words'

/** What a summary is worked out of; it travels to another thread. */
export interface SummaryTask {
  /** The document as the row has it, of any version. */
  doc: unknown
  /** The job's revision. */
  version: number
  /** Names the rules and words of this build. */
  engine: string
}

/** What the list shows of a job: its proof in a sentence, and counts. */
export function summarise({ doc, version, engine }: SummaryTask): Summary {
  const job = storedJob(doc)
  const inst = installationOf(job)
  const analysis = new Analysis(inst)
  const seen = jobSeen(job, inst)
  const proof = withSite(analysis.prove(), seen)
  const readings = standing(job.readings)
  return {
    version,
    engine,
    verdict: proofSentence(inst, proof),
    broken: proof.findings.filter((f) => f.severity !== 'warn').length,
    undecided: proof.undecided.length,
    states: proof.solved,
    readings: readings.length,
    run: runStanding(analysis.circuit, job.startup),
    toPutBack: job.setup.temporary.filter((t) => !t.back).length,
    wrongReadings: readings.filter((r) => judge(analysis.circuit, r, job.readings, seen).verdict === 'wrong')
      .length,
  }
}
