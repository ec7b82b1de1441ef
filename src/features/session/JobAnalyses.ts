import { Analysis } from '@/core/analysis'
import { installationOf, type Job } from '@/jobfile'

/**
 * The analysis of the job that is open. Drawing, proof and places ask it, so that a wiring is laid out once; it keeps the
 * last one only, and goes when the job is closed.
 */
export class JobAnalyses {
  private job: Job | null = null
  private last: Analysis | null = null

  /** The same object for as long as nothing of the wiring changes. */
  of(job: Job): Analysis {
    if (this.last && this.job === job) return this.last
    const inst = installationOf(job, this.last?.inst)
    this.last = this.last?.next(inst) ?? new Analysis(inst)
    this.job = job
    return this.last
  }
}
