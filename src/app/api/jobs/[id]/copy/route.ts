import * as yup from 'yup'
import { aboutOne, copyAt, smallBody } from '@/server'

export const dynamic = 'force-dynamic'

const schema = yup.object({ version: yup.number().integer().min(1).required() }).noUnknown()

/** Makes a job of its own out of one of this one's revisions. */
export const POST = aboutOne('job and revision', async (id, request, { at }) => {
  const body = await smallBody<{ version: number }>(request, schema)
  if (body instanceof Response) return body
  const made = await copyAt(at, id, body.version)
  return made === null ? null : Response.json({ id: made }, { status: 201 })
})
