import type { Shelf } from '@/jobfile'
import { ask, type Answered } from './transport'

/** Archives a job, deletes it for thirty days, or restores it. */
export const moveJob = (id: string, to: Shelf, who: string): Promise<Answered<unknown>> =>
  ask(fetch, `/api/jobs/${encodeURIComponent(id)}/standing`, {
    method: 'PUT',
    body: JSON.stringify({ to, who }),
  })
