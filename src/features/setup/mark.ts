import { unknownSettings } from '@/core/query'
import { jobFindingsOf } from '@/jobfile'
import type { PlaceMark, MarkSeen } from '../session'

/** Status of the Setup place in a job's navigation. */
export const mark = ({ analysis }: MarkSeen): PlaceMark => {
  const { job, inst } = analysis
  const wrong = jobFindingsOf(analysis).length
  const temporary = job.setup.temporary.filter((t) => !t.back).length
  if (wrong) return { text: `${wrong} in conflict`, needs: true }
  if (temporary) return { text: `${temporary} to put back`, needs: false }
  // A setting that nobody has checked contradicts nothing, and agrees with nothing.
  const unknown = unknownSettings(inst).length
  return { text: unknown ? `${unknown} not known` : 'agrees', needs: false }
}
