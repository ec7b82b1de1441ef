import { aboutOne, summaryOf } from '@/server'

export const dynamic = 'force-dynamic'

/** A job's line in the list, proven first if it has changed since its last proof. */
export const GET = aboutOne('job', async (id, _, { at }) => {
  const summary = await summaryOf(at, id)
  return summary && Response.json({ summary })
})
