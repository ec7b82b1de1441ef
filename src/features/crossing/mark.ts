import { balanceOf } from '@/core/crossing'
import type { PlaceMark, MarkSeen } from '../session'

/** Status of the Crossing place in a job's navigation: the balance point, or that an input is missing. */
export const mark = ({ analysis }: MarkSeen): PlaceMark => {
  const balance = balanceOf(analysis.seen)
  if (balance === undefined) return { text: 'open', needs: false }
  if (typeof balance !== 'number')
    return { text: balance === null ? 'carries it all' : 'carries nothing', needs: false }
  return { text: `balance ${Math.round(balance)} °F`, needs: false }
}
