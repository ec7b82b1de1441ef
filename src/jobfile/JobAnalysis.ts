import { Analysis } from '@/core/analysis'
import { DerivedCache } from '@/core/cache'
import type { Circuit } from '@/core/circuit'
import type { Installation, JobSeen } from '@/core/installation'
import { installationOf } from './document'
import { jobSeen } from './onDevice'
import type { Job } from './sections/registry'

const seenOf = ({ job, inst }: JobAnalysis): JobSeen => jobSeen(job, inst)

/**
 * A revision of a job with everything derived from it, each thing worked out when it is first asked for. Screens, papers,
 * command line and server ask it. Documents that differ in a note or a reading share their wiring's analysis.
 */
export class JobAnalysis {
  /** Values that others derived from this revision: `cache.once(findingsOf)`. */
  readonly cache = new DerivedCache<JobAnalysis>(this)

  constructor(
    readonly job: Job,
    readonly wiring: Analysis = new Analysis(installationOf(job)),
  ) {}

  get inst(): Installation {
    return this.wiring.inst
  }

  get circuit(): Circuit {
    return this.wiring.circuit
  }

  /** The job as rules and calculations see it: wiring, plates, house, prices, answers. */
  get seen(): JobSeen {
    return this.cache.once(seenOf)
  }

  /** The analysis of another revision, which may be this one. */
  next(job: Job): JobAnalysis {
    if (job === this.job) return this
    return new JobAnalysis(job, this.wiring.next(installationOf(job, this.inst)))
  }
}
