import { addDevice, allDevices, guarded, largeBody } from '@/server'

export const dynamic = 'force-dynamic'

/** Every device that a job can be built from, and which of them are the shop's own. */
export const GET = (request: Request) => guarded(request, async ({ at }) => Response.json(await allDevices(at)))

/** Takes a device file into the shop's own; a name that is taken gets a number. */
export const POST = (request: Request) =>
  guarded(request, async ({ at }) => {
    const device = await largeBody(request, 'device')
    if (device instanceof Response) return device
    return Response.json({ device: await addDevice(at, device) }, { status: 201 })
  })
