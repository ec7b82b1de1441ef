import { guarded, library } from '@/server'

export const dynamic = 'force-dynamic'

/** Every device that a job can be built from. */
export const GET = () => guarded(async () => Response.json({ devices: library() }))
