import * as yup from 'yup'
import { check, readJson } from '@/jobfile'
import { aboutOne, moveJob, readBody, refuse, type Standing } from '@/server'

export const dynamic = 'force-dynamic'

const schema = yup
  .object({
    to: yup.string().oneOf(['here', 'archived', 'deleted']).required(),
    who: yup.string().max(80).defined(),
  })
  .noUnknown()

/** Puts a job away, deletes it for thirty days, or brings it back. */
export const PUT = aboutOne('job', async (id, request, { at, who }) => {
  const text = await readBody(request, 4096)
  if (typeof text !== 'string') return text
  const body = readJson(text)
  if (!body.ok) return refuse(400, body.problems)
  const checked = check<{ to: Standing; who: string }>(schema, body.value)
  if (!checked.ok) return refuse(400, checked.problems)
  const moved = await moveJob(at, id, checked.value.to, who ?? checked.value.who)
  return moved ? Response.json({ id, to: checked.value.to }) : null
})
