import { strangerRefused } from '@/server'

export const dynamic = 'force-dynamic'

/** Does nothing: what a request costs at the least on this machine. */
export const POST = (request: Request) => strangerRefused(request) ?? Response.json({ ok: true })
