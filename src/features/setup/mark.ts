import { unknownSettings } from '@/core/query'
import { jobFindings } from '@/core/rules'
import { jobSeen } from '@/jobfile'
import type { PlaceMark, MarkSeen } from '../session'

/** How the Setup stands in a job's walk. */
export const mark = ({ job, inst }: MarkSeen): PlaceMark => {
  const wrong = jobFindings(jobSeen(job, inst)).length
  const temporary = job.setup.temporary.filter((t) => !t.back).length
  if (wrong) return { text: `${wrong} in conflict`, needs: true }
  if (temporary) return { text: `${temporary} to put back`, needs: false }
  // A setting that nobody has checked contradicts nothing, and agrees with nothing.
  const unknown = unknownSettings(inst).length
  return { text: unknown ? `${unknown} not known` : 'agrees', needs: false }
}
