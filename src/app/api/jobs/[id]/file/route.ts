import { formatJob } from '@/jobfile'
import { aboutOne, database, getJob } from '@/server'

export const dynamic = 'force-dynamic'

/** The job as an open file. */
export const GET = aboutOne('job', async (id) => {
  const found = await getJob(database(), id)
  if (!found) return null
  const headers = {
    'content-type': 'application/json; charset=utf-8',
    'content-disposition': `attachment; filename="${found.job.id}.json"`,
  }
  return new Response(formatJob(found.job), { headers })
})
