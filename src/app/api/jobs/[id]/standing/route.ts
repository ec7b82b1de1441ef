import * as yup from 'yup'
import { aboutOne, jsonOf, moveJob, parsedBody, type Standing } from '@/server'

export const dynamic = 'force-dynamic'

const schema = yup
  .object({
    to: yup.string().oneOf(['here', 'archived', 'deleted']).required(),
    who: yup.string().max(80).defined(),
  })
  .noUnknown()

/** Puts a job away, deletes it for thirty days, or brings it back. */
export const PUT = aboutOne('job', async (id, request, { at, who }) => {
  const body = await parsedBody(request, 4096, jsonOf<{ to: Standing; who: string }>(schema))
  if (body instanceof Response) return body
  const { to } = body
  return (await moveJob(at, id, to, who ?? body.who)) ? Response.json({ id, to }) : null
})
