import { balanceOf } from '@/core/crossing'
import { jobSeen } from '@/jobfile'
import type { PlaceMark, MarkSeen } from '../session'

/** How Crossing stands in a job's walk: the balance point, or that something is wanted for it. */
export const mark = ({ job, inst }: MarkSeen): PlaceMark => {
  const balance = balanceOf(jobSeen(job, inst))
  if (balance === undefined) return { text: 'open', needs: false }
  if (typeof balance !== 'number')
    return { text: balance === null ? 'carries it all' : 'carries nothing', needs: false }
  return { text: `balance ${Math.round(balance)} °F`, needs: false }
}
