import { currentReadings } from '@/core/startup'
import { wrongReadings } from '@/jobfile'
import type { PlaceMark, MarkSeen } from '../session'

/** Status of the Startup place in a job's navigation. */
export const mark = ({ analysis }: MarkSeen): PlaceMark => {
  const readings = currentReadings(analysis.job.readings)
  const wrong = wrongReadings(analysis).length
  if (wrong) return { text: `${wrong} wrong`, needs: true }
  return { text: readings.length ? `${readings.length} read` : 'open', needs: false }
}
