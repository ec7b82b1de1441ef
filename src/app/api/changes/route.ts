import { changeStream, guarded } from '@/server'

export const dynamic = 'force-dynamic'

/** Which jobs move on, as it happens: a stream for a browser, handed on between its tabs. */
export const GET = (request: Request) =>
  guarded(request, ({ at }) =>
    Promise.resolve(
      new Response(changeStream(at, request.signal), {
        headers: { 'content-type': 'text/event-stream; charset=utf-8', 'x-accel-buffering': 'no' },
      }),
    ),
  )
