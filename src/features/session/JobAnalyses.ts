import { JobAnalysis, type Job } from '@/jobfile'

/**
 * The analysis of the job that is open. Drawing, proof and places ask it, so that a wiring is laid out once; it holds the last
 * one only, and goes when the job is closed.
 */
export class JobAnalyses {
  private last: JobAnalysis | null = null

  /** The same object for the same document. */
  of(job: Job): JobAnalysis {
    return (this.last = this.last?.next(job) ?? new JobAnalysis(job))
  }
}
