import type { Circuit } from '@/core/circuit'
import type { CrossingView } from '@/core/crossing'
import type { Installation, JobSeen } from '@/core/installation'
import { jobFindings, type Finding, type Proof } from '@/core/rules'
import { judge, currentReadings, type Reading, type Verdict } from '@/core/startup'
import { jobSeen, signedState, type Job } from '@/jobfile'

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
 * @param circuit the circuit of the job as it is wired
 */
export function paperInput(
  job: Job,
  circuit: Circuit,
  proof: Proof,
  crossing: CrossingView | null,
): PaperInput {
  const { inst } = circuit
  const seen = jobSeen(job, inst)
  const stands = currentReadings(job.readings)
  return {
    job,
    seen,
    inst,
    circuit,
    proof,
    conflicts: jobFindings(seen),
    crossing,
    stands,
    verdicts: new Map(stands.map((r) => [r.id, judge(circuit, r, job.readings, seen)])),
    state: signedState(job),
  }
}
