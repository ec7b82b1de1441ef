import { check, problem, pushSchema, readJson, upgradePush, type PushRequest } from '@/jobfile'
import { aboutOne, opsSince, pushOps, readBody, refuse } from '@/server'

export const dynamic = 'force-dynamic'

/** Operations are small; a request larger than this is a mistake. */
const MOST = 512 * 1024

/** The one way in which a job is changed. Sending the same operations again changes nothing. */
export const POST = aboutOne('job', async (id, request, { at }) => {
  const text = await readBody(request, MOST)
  if (typeof text !== 'string') return text
  const body = readJson(text)
  if (!body.ok) return refuse(400, body.problems)
  const checked = check<PushRequest>(pushSchema, upgradePush(body.value))
  if (!checked.ok) return refuse(400, checked.problems)
  const pushed = await pushOps(at, id, checked.value)
  return pushed && Response.json(pushed)
})

/** What was done since a revision that somebody has seen. */
export const GET = aboutOne('job', async (id, request, { at }) => {
  const since = new URL(request.url).searchParams.get('since') ?? ''
  if (!/^\d{1,9}$/.test(since)) return refuse(400, [problem('since', 'a revision, a whole number', since)])
  const found = await opsSince(at, id, Number(since))
  return found && Response.json(found)
})
