import { formatJob } from '@/jobfile'
import { database, getJob, guarded, notHere } from '@/server'

export const dynamic = 'force-dynamic'

interface Context {
  params: Promise<{ id: string }>
}

/** The job as an open file. */
export const GET = (_: Request, { params }: Context) =>
  guarded(async () => {
    const { id } = await params
    const found = await getJob(database(), id)
    if (!found) return notHere('job', id)
    const headers = {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="${found.job.id}.json"`,
    }
    return new Response(formatJob(found.job), { headers })
  })
