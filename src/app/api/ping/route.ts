export const dynamic = 'force-dynamic'

/** Does nothing: what a request costs at the least on this machine. */
export const POST = () => Response.json({ ok: true })
