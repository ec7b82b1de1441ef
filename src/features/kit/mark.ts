import { cableOf } from '@/core/house'
import { lineCircuitsOf } from '@/core/kit'
import { hasBurner, hasStrips } from '@/core/query'
import type { PlaceMark, MarkSeen } from '../session'

/** Status of the Kit place in a job's navigation. */
export const mark = ({ analysis: { job, inst } }: MarkSeen): PlaceMark => {
  const wrong = lineCircuitsOf(inst, job.commissioning.plates, cableOf(job.house)).filter((c) =>
    c.notes.some((n) => n.code !== 'breakerUnknown' && n.code !== 'conductorUnknown'),
  ).length
  if (wrong) return { text: `${wrong} ${wrong === 1 ? 'circuit' : 'circuits'} to look at`, needs: true }
  return { text: hasStrips(inst) ? 'strips' : hasBurner(inst) ? 'furnace' : 'no backup', needs: false }
}
