import { MOST_BYTES } from '@/jobfile'
import { bodyOf, guarded, holding, importShop, refuse, shopFileOf } from '@/server'

export const dynamic = 'force-dynamic'

/** Everything that the shop has as one file. */
export const GET = (request: Request) =>
  guarded(request, ({ at }) => {
    const headers = {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': 'attachment; filename="gate-cross-shop.json"',
    }
    const pieces = shopFileOf(at)
    const encoder = new TextEncoder()
    const body = new ReadableStream<Uint8Array>({
      async pull(controller) {
        const next = await pieces.next()
        if (next.done) controller.close()
        else controller.enqueue(encoder.encode(next.value))
      },
    })
    return Promise.resolve(new Response(body, { headers }))
  })

/** Imports such a file while it comes; what became of it is said item by item. ?copies=1: what has a name that is taken too. */
export const POST = (request: Request) =>
  guarded(request, async ({ at }) => {
    const body = bodyOf(request)
    if (body instanceof Response) return body
    const copies = new URL(request.url).searchParams.get('copies') === '1'
    const report = await holding(MOST_BYTES, () => importShop(at, body, copies))
    return report.problem && !report.items.length ? refuse(400, [report.problem]) : Response.json(report)
  })
