import * as yup from 'yup'
import { aboutOne, copyAt, jsonOf, parsedBody } from '@/server'

export const dynamic = 'force-dynamic'

const schema = yup.object({ version: yup.number().integer().min(1).required() }).noUnknown()

/** Makes a job of its own out of one of this one's revisions. */
export const POST = aboutOne('job and revision', async (id, request, { at }) => {
  const body = await parsedBody(request, 4096, jsonOf<{ version: number }>(schema))
  if (body instanceof Response) return body
  const made = await copyAt(at, id, body.version)
  return made === null ? null : Response.json({ id: made }, { status: 201 })
})
