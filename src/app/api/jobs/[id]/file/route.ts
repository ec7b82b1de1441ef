import { formatJob } from '@/jobfile'
import { aboutOne, getJob } from '@/server'

export const dynamic = 'force-dynamic'

/** The job as an open file. */
export const GET = aboutOne('job', async (id, _, { at }) => {
  const found = await getJob(at, id)
  if (!found) return null
  const headers = {
    'content-type': 'application/json; charset=utf-8',
    'content-disposition': `attachment; filename="${found.job.id}.json"`,
  }
  return new Response(formatJob(found.job), { headers })
})
