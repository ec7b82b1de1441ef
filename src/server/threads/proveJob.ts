import { ProvenAnalysis } from '@/core/analysis'
import { withSite, type Proof } from '@/core/rules'
import { judge, runSummary, currentReadings } from '@/core/startup'
import { installationOf, jobSeen, storedJob, type Summary } from '@/jobfile'
import { proofSentence } from '@/words'

/** Input of a proof; it is sent to another thread. */
export interface ProofTask {
  /** The document as the row has it, of any version. */
  doc: unknown
  /** The job's revision. */
  version: number
  /** Names the rules and words of this build. */
  engine: string
}

/** Result of a proof. */
export interface ProvenJob {
  /** The job's summary for the list: its verdict in a sentence, and counts. */
  summary: Summary
  /** The proof of the wiring alone, before the house has its say; null: it was given up. */
  wiring: Proof | null
}

/** A job as its document stands, proven. */
export function proveJob({ doc, version, engine }: ProofTask): ProvenJob {
  const job = storedJob(doc)
  const inst = installationOf(job)
  const analysis = new ProvenAnalysis(inst)
  const seen = jobSeen(job, inst)
  const wiring = analysis.prove()
  const proof = withSite(wiring, seen)
  const readings = currentReadings(job.readings)
  const summary = {
    version,
    engine,
    verdict: proofSentence(inst, proof),
    broken: proof.findings.filter((f) => f.severity !== 'warn').length,
    undecided: proof.undecided.length,
    states: proof.solved,
    readings: readings.length,
    run: runSummary(analysis.circuit, job.startup),
    toPutBack: job.setup.temporary.filter((t) => !t.back).length,
    wrongReadings: readings.filter((r) => judge(analysis.circuit, r, job.readings, seen).verdict === 'wrong')
      .length,
  }
  return { summary, wiring }
}
