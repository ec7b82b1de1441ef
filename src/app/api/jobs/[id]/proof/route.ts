import { aboutOne, proofOf } from '@/server'

export const dynamic = 'force-dynamic'

/** The proof of a job's wiring, for who opens it: the browser makes the next ones itself. */
export const GET = aboutOne('job', async (id, _, { at }) => {
  const found = await proofOf(at, id)
  return found && Response.json(found)
})
