import { problem } from '@/jobfile'
import { aboutOne, historyOf, refuse } from '@/server'

export const dynamic = 'force-dynamic'

/** Who did what to a job, the newest first; ?before= a revision for what came earlier. */
export const GET = aboutOne('job', async (id, request, { at }) => {
  const before = new URL(request.url).searchParams.get('before')
  if (before !== null && !/^\d{1,9}$/.test(before))
    return refuse(400, [problem('before', 'a revision, a whole number', before)])
  const found = await historyOf(at, id, before === null ? null : Number(before))
  return found && Response.json(found)
})
