import { aboutOne, database, summaryOf } from '@/server'

export const dynamic = 'force-dynamic'

/** What the list shows of a job, proven if it has not been since its last change. */
export const GET = aboutOne('job', async (id) => {
  const summary = await summaryOf(database(), id)
  return summary && Response.json({ summary })
})
