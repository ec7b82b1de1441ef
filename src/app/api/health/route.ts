import { guarded, healthOf } from '@/server'

export const dynamic = 'force-dynamic'

/** Whether the server and its database answer, and what stands in line. */
export const GET = (request: Request) =>
  guarded(request, async ({ at }) => Response.json(await healthOf(at.db)))
