import { balanceOf } from '@/core/crossing'
import { jobSeen } from '@/jobfile'
import type { PlaceMark, MarkSeen } from '../session'

/** Status of the Crossing place in a job's navigation: the balance point, or that an input is missing. */
export const mark = ({ job, inst }: MarkSeen): PlaceMark => {
  const balance = balanceOf(jobSeen(job, inst))
  if (balance === undefined) return { text: 'open', needs: false }
  if (typeof balance !== 'number')
    return { text: balance === null ? 'carries it all' : 'carries nothing', needs: false }
  return { text: `balance ${Math.round(balance)} °F`, needs: false }
}
