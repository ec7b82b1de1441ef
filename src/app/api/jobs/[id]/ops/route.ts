import { problem } from '@/jobfile'
import { aboutOne, largeBody, opsSince, pushOps, refuse } from '@/server'

export const dynamic = 'force-dynamic'

/** The one way in which a job is changed. Sending the same operations again changes nothing. */
export const POST = aboutOne('job', async (id, request, { at }) => {
  const body = await largeBody(request, 'edits')
  if (body instanceof Response) return body
  const pushed = await pushOps(at, id, body)
  return pushed && Response.json(pushed)
})

/** Operations since a revision that somebody has seen. */
export const GET = aboutOne('job', async (id, request, { at }) => {
  const since = new URL(request.url).searchParams.get('since') ?? ''
  if (!/^\d{1,9}$/.test(since)) return refuse(400, [problem('since', 'a revision, a whole number', since)])
  const found = await opsSince(at, id, Number(since))
  return found && Response.json(found)
})
