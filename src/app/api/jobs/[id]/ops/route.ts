import { check, problem, pushSchema, upgradePush, type PushRequest } from '@/jobfile'
import { aboutOne, database, pushOps, readBody, refuse } from '@/server'

export const dynamic = 'force-dynamic'

/** Operations are small; a request larger than this is a mistake. */
const MOST = 512 * 1024

/** The one way in which a job is changed. Sending the same operations again changes nothing. */
export const POST = aboutOne('job', async (id, request) => {
  const text = await readBody(request, MOST)
  if (typeof text !== 'string') return text
  let body: unknown
  try {
    body = JSON.parse(text)
  } catch (e) {
    return refuse(400, [problem('body', `JSON (${(e as Error).message})`, text.slice(0, 20))])
  }
  const checked = check<PushRequest>(pushSchema, upgradePush(body))
  if (!checked.ok) return refuse(400, checked.problems)
  const pushed = await pushOps(database(), id, checked.value)
  return pushed && Response.json(pushed)
})
