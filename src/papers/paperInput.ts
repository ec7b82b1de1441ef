import type { Circuit } from '@/core/circuit'
import type { CrossingView } from '@/core/crossing'
import type { Installation, JobSeen } from '@/core/installation'
import type { Finding, Proof } from '@/core/rules'
import type { Reading, Verdict } from '@/core/startup'
import { jobFindingsOf, judgedReadings, signedState, type Job, type JobAnalysis } from '@/jobfile'

/** Input of a paper: the job, its proof, its readings with their verdicts, and the balance. */
export interface PaperInput {
  job: Job
  seen: JobSeen
  inst: Installation
  circuit: Circuit
  proof: Proof
  conflicts: readonly Finding[]
  /** null: it is not calculated yet. */
  crossing: CrossingView | null
  /** The readings that stand. */
  stands: readonly Reading[]
  verdicts: ReadonlyMap<string, Verdict>
  /** State of the job that a signature now would cover. */
  state: string
}

/**
 * Everything that papers look at, worked out once.
 */
export function paperInput(analysis: JobAnalysis, proof: Proof, crossing: CrossingView | null): PaperInput {
  const { job, inst, circuit, seen } = analysis
  const judged = judgedReadings(analysis)
  return {
    job,
    seen,
    inst,
    circuit,
    proof,
    conflicts: jobFindingsOf(analysis),
    crossing,
    stands: judged.map(({ reading }) => reading),
    verdicts: new Map(judged.map(({ reading, verdict }) => [reading.id, verdict])),
    state: signedState(job),
  }
}
