import { unknownSettings } from '@/core/query'
import type { PlaceMark, MarkSeen } from '../session'

/** How the Gear stands in a job's walk. */
export const mark = ({ job, inst }: MarkSeen): PlaceMark => {
  // What nobody has set or read counts like what is said to be unknown.
  const unknown = unknownSettings(inst).length
  const doubted = job.wires.filter((w) => w.doubt).length
  const open = unknown + doubted
  return { text: open ? `${open} not known` : 'settled', needs: open > 0 }
}
