import { unknownSettings } from '@/core/query'
import type { PlaceMark, MarkSeen } from '../session'

/** Status of the Gear place in a job's navigation. */
export const mark = ({ analysis: { job, inst } }: MarkSeen): PlaceMark => {
  // A setting that nobody has entered counts like one that is marked unknown.
  const unknown = unknownSettings(inst).length
  const doubted = job.wires.filter((w) => w.doubt).length
  const open = unknown + doubted
  return { text: open ? `${open} not known` : 'settled', needs: open > 0 }
}
