import { aboutOne, getJob } from '@/server'

export const dynamic = 'force-dynamic'

export const GET = aboutOne('job', async (id, _, { at }) => {
  const found = await getJob(at, id)
  return found && Response.json(found)
})
