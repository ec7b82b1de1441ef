import { MOST_DEVICE_BYTES, parseDevice } from '@/jobfile'
import { aboutOne, readBody, refuse, removeDevice, replaceDevice } from '@/server'

export const dynamic = 'force-dynamic'

const OWN = 'device of the shop’s own'

/** Replaces one of the shop's own devices. Jobs that used it keep what they carry. */
export const PUT = aboutOne(OWN, async (id, request, { at }) => {
  const text = await readBody(request, MOST_DEVICE_BYTES)
  if (typeof text !== 'string') return text
  const parsed = parseDevice(text)
  if (!parsed.ok) return refuse(400, parsed.problems)
  return (await replaceDevice(at, id, parsed.value)) ? Response.json({ id }) : null
})

export const DELETE = aboutOne(OWN, async (id, _, { at }) =>
  (await removeDevice(at, id)) ? Response.json({ id }) : null,
)
