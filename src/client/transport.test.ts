import { sentence, type PushRequest } from '@/jobfile'
import { httpTransport, linesOf, type Answered } from '.'

const REQUEST: PushRequest = { base: 3, ops: [] }

/** A transport whose server answers one thing, and what it was asked. */
function answering(answer: () => Response | Promise<Response>) {
  const asked: { url: string; init: RequestInit }[] = []
  const fetcher = async (url: Parameters<typeof fetch>[0], init: RequestInit = {}) => {
    asked.push({ url: url as string, init })
    return answer()
  }
  return { asked, transport: httpTransport('http://shop.test', fetcher) }
}
const json =
  (body: unknown, status = 200) =>
  () =>
    new Response(JSON.stringify(body), { status })
const why = (a: Answered<unknown>) => (a.ok ? 'done' : a.why)

describe('talking to the server', () => {
  it('asks for a job by its id, whatever letters that has, and takes no answer from a store', async () => {
    const { asked, transport } = answering(json({ version: 4, job: {} }))
    expect(await transport.load('a/b ?')).toEqual({ ok: true, value: { version: 4, job: {} } })
    expect(asked[0]!.url).toBe('http://shop.test/api/jobs/a%2Fb%20%3F')
    expect(asked[0]!.init.cache).toBe('no-store')
  })

  it('sends operations as JSON', async () => {
    const { asked, transport } = answering(json({ version: 4, results: [], others: [] }))
    await transport.push('quillfeather-lane', REQUEST)
    const { url, init } = asked[0]!
    expect([url, init.method]).toEqual(['http://shop.test/api/jobs/quillfeather-lane/ops', 'POST'])
    expect(JSON.parse(init.body as string)).toEqual({ base: 3, ops: [] })
    expect(init.headers).toEqual({ 'content-type': 'application/json' })
  })

  it('a refusal carries its status and its problems: sending again would not help', async () => {
    const problems = [{ path: 'ops[0]', expected: 'a known operation' }]
    const { transport } = answering(json({ problems }, 400))
    expect(await transport.push('x', REQUEST)).toEqual({ ok: false, why: 'refused', status: 400, problems })
  })

  it.each([
    ['too many at once', json({ problems: [] }, 429)],
    ['it took the server too long to read', json({ problems: [] }, 408)],
    ['a sign-in page stands between', () => new Response('<html>', { status: 401 })],
    ['something that is not our server knows no such page', json({}, 404)],
    ['the database is away', json({}, 503)],
    ['what stands between answers a page', () => new Response('<html>', { status: 200 })],
    ['there is no signal', () => Promise.reject(new TypeError('fetch failed'))],
  ])('%s: it is kept and tried again', async (_, answer) => {
    const { transport } = answering(answer)
    expect(why(await transport.push('x', REQUEST))).toBe('offline')
    expect(why(await transport.load('x'))).toBe('offline')
  })

  it('a server that breaks down on it is a failure of its own, with the number that it gave', async () => {
    const { transport } = answering(json({ error: 'the server: broke down (number 7c)', problems: [] }, 500))
    const failed = { ok: false, why: 'failed', message: 'the server: broke down (number 7c)' }
    expect(await transport.push('x', REQUEST)).toEqual(failed)
    expect(why(await answering(() => new Response('oops', { status: 500 })).transport.load('x'))).toBe(
      'failed',
    )
  })

  it('gives up a request after a time', async () => {
    const { asked, transport } = answering(json({}))
    await transport.load('x')
    expect(asked[0]!.init.signal).toBeInstanceOf(AbortSignal)
    expect(asked[0]!.init.signal!.aborted).toBe(false)
  })
})

describe('what stood in the way', () => {
  it('is a line for each wrong place, or what was not done and why', () => {
    const problems = [
      { path: 'wires[3].a', expected: 'a terminal that is there' },
      { path: 'title', expected: 'a text' },
    ]
    expect(linesOf({ ok: false, why: 'refused', status: 422, problems }, 'Not sent')).toEqual(
      problems.map(sentence),
    )
    expect(linesOf({ ok: false, why: 'offline', message: 'the server answered 503' }, 'Not sent')).toEqual([
      'Not sent: the server answered 503',
    ])
  })
})
