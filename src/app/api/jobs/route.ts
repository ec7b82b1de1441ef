import { MOST_BYTES, parseJob } from '@/jobfile'
import { createJob, database, guarded, listJobs, readBody, refuse } from '@/server'

export const dynamic = 'force-dynamic'

export const GET = (request: Request) =>
  guarded(request, async () => Response.json({ jobs: await listJobs(database()) }))

/** Takes a job file in; with ?copy=1 a name that is taken gets a number. */
export const POST = (request: Request) =>
  guarded(request, async () => {
    const text = await readBody(request, MOST_BYTES)
    if (typeof text !== 'string') return text
    const parsed = parseJob(text)
    if (!parsed.ok) return refuse(400, parsed.problems)
    const copy = new URL(request.url).searchParams.get('copy') === '1'
    const made = await createJob(database(), parsed.value, copy)
    if (!made.ok)
      return refuse(409, [{ path: 'id', expected: 'a name that no job here has', got: made.taken }])
    return Response.json({ id: made.id }, { status: 201 })
  })
