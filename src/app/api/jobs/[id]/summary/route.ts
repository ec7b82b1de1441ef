import { aboutOne, summaryOf } from '@/server'

export const dynamic = 'force-dynamic'

/** What the list shows of a job, proven if it has not been since its last change. */
export const GET = aboutOne('job', async (id, _, { at }) => {
  const summary = await summaryOf(at, id)
  return summary && Response.json({ summary })
})
