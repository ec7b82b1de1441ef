import { MOST_SHOP_BYTES, parseShop } from '@/jobfile'
import { guarded, importShop, parsedBody, shopFileOf } from '@/server'

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

/** Imports such a file. It is right as a whole, or nothing of it is taken. */
export const POST = (request: Request) =>
  guarded(request, async ({ at }) => {
    const file = await parsedBody(request, MOST_SHOP_BYTES, parseShop)
    if (file instanceof Response) return file
    return Response.json(await importShop(at, file), { status: 201 })
  })
