import { ProvenAnalysis } from '@/core/analysis'
import { withSite, type Proof } from '@/core/rules'
import { runSummary, currentReadings } from '@/core/startup'
import { installationOf, JobAnalysis, storedJob, wrongReadings, type Summary } from '@/jobfile'
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
  const proven = new ProvenAnalysis(inst)
  const analysis = new JobAnalysis(job, proven)
  const wiring = proven.prove()
  const proof = withSite(wiring, analysis.seen)
  const summary = {
    version,
    engine,
    verdict: proofSentence(inst, proof),
    broken: proof.findings.filter((f) => f.severity !== 'warn').length,
    undecided: proof.undecided.length,
    states: proof.solved,
    readings: currentReadings(job.readings).length,
    run: runSummary(analysis.circuit, job.startup),
    toPutBack: job.setup.temporary.filter((t) => !t.back).length,
    wrongReadings: wrongReadings(analysis).length,
  }
  return { summary, wiring }
}
