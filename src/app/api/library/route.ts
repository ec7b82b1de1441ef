import { MOST_DEVICE_BYTES, parseDevice } from '@/jobfile'
import { addDevice, allDevices, guarded, readBody, refuse } from '@/server'

export const dynamic = 'force-dynamic'

/** Every device that a job can be built from, and which of them are the shop's own. */
export const GET = (request: Request) => guarded(request, async ({ at }) => Response.json(await allDevices(at)))

/** Takes a device file into the shop's own; a name that is taken gets a number. */
export const POST = (request: Request) =>
  guarded(request, async ({ at }) => {
    const text = await readBody(request, MOST_DEVICE_BYTES)
    if (typeof text !== 'string') return text
    const parsed = parseDevice(text)
    if (!parsed.ok) return refuse(400, parsed.problems)
    return Response.json({ device: await addDevice(at, parsed.value) }, { status: 201 })
  })
