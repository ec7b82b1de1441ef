import * as yup from 'yup'
import { check, LIST_PART, LIST_START, ORDERS, SHELVES, STATES } from '@/jobfile'
import { createJob, guarded, largeBody, listJobs, refuse, type Listed } from '@/server'

export const dynamic = 'force-dynamic'

const whole = (least: number, most: number) => yup.number().integer().min(least).max(most).required()
const askedSchema = yup.object({
  shelf: yup.string().oneOf(SHELVES).required(),
  text: yup.string().max(200).defined(),
  state: yup.string().oneOf(STATES).required(),
  order: yup.string().oneOf(ORDERS).required(),
  from: whole(0, 1_000_000),
  most: whole(1, 100),
})

/** A part of the list: ?shelf=here&text=&state=all&order=urgent&from=0&most=40. */
export const GET = (request: Request) =>
  guarded(request, async ({ at }) => {
    const { from = 0, most = LIST_PART, ...rest } = Object.fromEntries(new URL(request.url).searchParams)
    const asked = { ...LIST_START, ...rest, from: Number(from), most: Number(most) }
    const checked = check<Listed>(askedSchema, asked)
    return checked.ok ? Response.json(await listJobs(at, checked.value)) : refuse(400, checked.problems)
  })

/** Takes a job file in; with ?copy=1 a name that is taken gets a number. */
export const POST = (request: Request) =>
  guarded(request, async ({ at }) => {
    const job = await largeBody(request, 'job')
    if (job instanceof Response) return job
    const copy = new URL(request.url).searchParams.get('copy') === '1'
    const made = await createJob(at, job, copy)
    if (!made.ok)
      return refuse(409, [{ path: 'id', expected: 'a name that no job here has', got: made.taken }])
    return Response.json({ id: made.id }, { status: 201 })
  })
