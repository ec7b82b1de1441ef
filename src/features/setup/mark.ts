import { jobFindings } from '@/core/rules'
import { jobSeen } from '@/jobfile'
import type { PlaceMark, MarkSeen } from '../session'

/** How the Setup stands in a job's walk. */
export const mark = ({ job, inst }: MarkSeen): PlaceMark => {
  const wrong = jobFindings(jobSeen(job, inst)).length
  const temporary = job.setup.temporary.filter((t) => !t.back).length
  if (wrong) return { text: `${wrong} in conflict`, needs: true }
  return { text: temporary ? `${temporary} to put back` : 'agrees', needs: false }
}
