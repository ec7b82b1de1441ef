import { judge, currentReadings } from '@/core/startup'
import { jobSeen } from '@/jobfile'
import type { PlaceMark, MarkSeen } from '../session'

/** Status of the Startup place in a job's navigation. */
export const mark = ({ job, circuit }: MarkSeen): PlaceMark => {
  const seen = jobSeen(job, circuit.inst)
  const readings = currentReadings(job.readings)
  const wrong = readings.filter((r) => judge(circuit, r, job.readings, seen).verdict === 'wrong').length
  if (wrong) return { text: `${wrong} wrong`, needs: true }
  return { text: readings.length ? `${readings.length} read` : 'open', needs: false }
}
