import { MOST_DEVICE_BYTES, parseDevice } from '@/jobfile'
import { database, guarded, notHere, readBody, refuse, removeDevice, replaceDevice } from '@/server'

export const dynamic = 'force-dynamic'
interface Context {
  params: Promise<{ id: string }>
}

/** Replaces one of the shop's own devices. Jobs that used it keep what they carry. */
export const PUT = (request: Request, { params }: Context) =>
  guarded(async () => {
    const { id } = await params
    const text = await readBody(request, MOST_DEVICE_BYTES)
    if (typeof text !== 'string') return text
    const parsed = parseDevice(text)
    if (!parsed.ok) return refuse(400, parsed.problems)
    const there = await replaceDevice(database(), id, parsed.value)
    return there ? Response.json({ id }) : notHere('device of the shop’s own', id)
  })

export const DELETE = (_: Request, { params }: Context) =>
  guarded(async () => {
    const { id } = await params
    return (await removeDevice(database(), id))
      ? Response.json({ id })
      : notHere('device of the shop’s own', id)
  })
