import { aboutOne, largeBody, removeDevice, replaceDevice } from '@/server'

export const dynamic = 'force-dynamic'

const OWN = 'device of the shop’s own'

/** Replaces one of the shop's own devices. Jobs that used it keep what they carry. */
export const PUT = aboutOne(OWN, async (id, request, { at }) => {
  const device = await largeBody(request, 'device')
  if (device instanceof Response) return device
  return (await replaceDevice(at, id, device)) ? Response.json({ id }) : null
})

export const DELETE = aboutOne(OWN, async (id, _, { at }) =>
  (await removeDevice(at, id)) ? Response.json({ id }) : null,
)
