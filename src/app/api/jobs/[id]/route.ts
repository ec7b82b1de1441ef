import { aboutOne, database, getJob } from '@/server'

export const dynamic = 'force-dynamic'

export const GET = aboutOne('job', async (id) => {
  const found = await getJob(database(), id)
  return found && Response.json(found)
})
