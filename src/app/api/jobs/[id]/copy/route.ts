import * as yup from 'yup'
import { check, readJson } from '@/jobfile'
import { aboutOne, copyAt, readBody, refuse } from '@/server'

export const dynamic = 'force-dynamic'

const schema = yup.object({ version: yup.number().integer().min(1).required() }).noUnknown()

/** Makes a job of its own out of one of this one's revisions. */
export const POST = aboutOne('job and revision', async (id, request, { at }) => {
  const text = await readBody(request, 4096)
  if (typeof text !== 'string') return text
  const body = readJson(text)
  if (!body.ok) return refuse(400, body.problems)
  const checked = check<{ version: number }>(schema, body.value)
  if (!checked.ok) return refuse(400, checked.problems)
  const made = await copyAt(at, id, checked.value.version)
  return made === null ? null : Response.json({ id: made }, { status: 201 })
})
