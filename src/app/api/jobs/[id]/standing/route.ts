import * as yup from 'yup'
import type { Shelf } from '@/jobfile'
import { aboutOne, moveJob, smallBody } from '@/server'

export const dynamic = 'force-dynamic'

const schema = yup
  .object({
    to: yup.string().oneOf(['here', 'archived', 'deleted']).required(),
    who: yup.string().max(80).defined(),
  })
  .noUnknown()

/** Puts a job away, deletes it for thirty days, or brings it back. */
export const PUT = aboutOne('job', async (id, request, { at, who }) => {
  const body = await smallBody<{ to: Shelf; who: string }>(request, schema)
  if (body instanceof Response) return body
  const { to } = body
  return (await moveJob(at, id, to, who ?? body.who)) ? Response.json({ id, to }) : null
})
